/** Courses: dated sessions, the rules of planning, the greedy draft, and the checks that run after every change. */
export * from './types';
export * from './dates';
export { planningOf } from './problem';
export { draftCourse, type MendCode, type Proof, type Unplaced } from './draft';
export { checkCourse, type Check } from './checks';
export { mended } from './mends';
export { edit, refusedText, type Edit } from './edits';
export { checkText, mendText, unplacedText } from './words';
