/** What each person in a room does in each block of a class, on its date; for the director with what it rests on, for everybody else only what to do. */
export * from './advice';
export * from './instructions';
export * from './told';
export * from './stricter';
export * from './asides';
export * from './tally';
