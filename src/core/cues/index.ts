/** Cue sheets, the pure player of a class, and the second pattern that runs in step. */
export * from './types';
export * from './line';
export * from './sheet';
export { LOUDNESS, phaseText, spacedTempo, WORDED, wordingProblem, type Loudness } from './words';
export * from './player';
export { leftText, shownAt, type Shown } from './shown';
export * from './second';
