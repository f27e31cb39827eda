/** Cue sheets and the pure player of a class. */
export * from './line';
export * from './player';
export * from './second';
