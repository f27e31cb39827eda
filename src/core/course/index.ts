/** Courses: dated sessions, the greedy draft, and the checks that run after every change. */
export * from './types';
export * from './dates';
export { draftCourse } from './draft';
export { checkCourse, type Check, type Mend } from './checks';
export { checkText, mendText, unplacedText } from './words';
