/** Who will be ready: exact chances from attendance, over what a technique stands on. */
export { bestReview, howMany, readiness, type Course as ForecastCourse } from './readiness';
