/** Breath notation: what a pattern is, how it is read and written, and what screening sees in it. */
export * from './types';
export { LIMITS, parsePattern } from './parse';
export { formatPattern, lengthText, shortPattern } from './format';
export { DOSE_LIMITS, formatDose, parseDose } from './dose';
export { nearest, problemText, slipsBetween } from './tokens';
export { mustParseDose, mustParsePattern } from './stored';
