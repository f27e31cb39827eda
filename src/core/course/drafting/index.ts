/** Drafting: a branch and bound that proves its draft best, what clashes where it cannot be done, and what would mend it. */
export { type Case, type CaseFile } from './cases';
export { mendOfText, mendsFor, type MendOf } from './mends';
export { clashesWith, clashOf, requestText, withoutOthers, type Request } from './requests';
export { isPossible, solve, type Solved } from './solve';
