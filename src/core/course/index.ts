/** Courses: dated sessions, the greedy draft, and the checks that run after every change. */
export * from './types';
export * from './dates';
export { draftCourse, type Blocked, type Draft, type Unplaced } from './draft';
export { frame } from './frame';
export { checkCourse, practisedBefore, type Check, type Finding as CourseFinding, type Mend, type Severity } from './checks';
export { checkText, mendText, unplacedText } from './words';
