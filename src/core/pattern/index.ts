/** Breath notation: what a pattern is, how it is read and written, and what screening sees in it. */
export * from './types';
export { parsePattern } from './parse';
export { formatPattern, shortPattern } from './format';
export { formatDose, parseDose } from './dose';
export { problemText, slipsBetween } from './tokens';
export { mustParseDose, mustParsePattern } from './stored';
