/** Count progressions: one step at a time, and the guards that keep steps small. */
export * from './chain';
export * from './steps';
export * from './guards';
export * from './path';
export * from './says';
export * from './sentence';
export { stretchDays, type Rhythm } from './stretch';
export { CLIMB_LIMITS, GROWTH_LIMITS, GUARDS, type Guards } from './limits';
