/** Courses: dated sessions, the rules of planning, the draft, and the checks that run after every change. */
export * from './types';
export * from './dates';
export { aboutCourse, lackText } from './about';
export { COURSE_LIMITS } from './limits';
export { planningOf } from './problem';
export { draftCourse, framed, placesOf, type Proof, type SoonProof, type SpreadProof } from './draft';
export { waysOfDraft } from './toDraft';
export { meets, reachedIn } from './goals';
export { comingOf } from './coming';
export { blockedAhead, unplacedIn, type MendCode, type Unplaced } from './unplaced';
export { aroundChecks, type Elsewhere, type InHand } from './around';
export { byHarm, checkCourse, checkKey, inTimeOrder, mayAccept, publishes, type Check } from './checks';
export { mended } from './mends';
export { withTriedMends } from './tried';
export { byHand, edit, pinned, refusedText, stepped, STEP_ANSWERS, withReview, type StepAnswer, type Edit } from './edits';
export { aheadTexts, breathText, checkText, paceText, mendText, unplacedTexts, waysOut, type WayOut } from './words';
export * from './bend';
export { classChanges, newSince, type ClassChange, type ClassFacts } from './changes';
