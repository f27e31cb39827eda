/** Courses: dated sessions, the rules of planning, the greedy draft, and the checks that run after every change. */
export * from './types';
export * from './dates';
export { COURSE_LIMITS } from './limits';
export { planningOf } from './problem';
export { draftCourse, framed, unplacedIn, type MendCode, type Proof, type Unplaced } from './draft';
export { mendOfText } from './drafting';
export { checkCourse, type Check } from './checks';
export { mended } from './mends';
export { edit, refusedText, withReview, type Edit } from './edits';
export { checkText, mendText, unplacedText } from './words';
