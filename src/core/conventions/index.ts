/** Where schools differ: a studio's ways, a technique's own, and what they make of the library. */
export * from './questions';
export { countsUp, questionsFor, schoolCues, taughtAs, withRounds, writtenOut } from './taught';
export { schoolChanges, type SchoolChange } from './preview';
