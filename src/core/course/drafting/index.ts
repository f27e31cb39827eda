/** Drafting: a branch and bound that proves its draft best, what clashes where it cannot be done, and what would mend it. */
export { type Case, type CaseFile } from './cases';
export { fewestMore, fewestWeeks, furthest, mendOfText, mendsFor, type MendOf } from './mends';
export { clashesWith, clashOf, longer, requestText, withoutOthers, type Request } from './requests';
export { isPossible, solve, type Solved } from './solve';
