/** Who will be ready: exact chances from attendance, over what a technique stands on. */
export { bestReview, countsOf, howMany, readiness, readinessOf, type Course as ForecastCourse, type HowMany } from './readiness';
export * from './catchUp';
export { asGoal } from './goals';
export { counting, type Alike } from './counting';
