/** Breath notation: what a pattern is, how it is read and written, and what it is put together from. */
export * from './types';
export * from './compose';
export { apart } from './line';
export { parsePattern } from './parse';
export { amountText, formatPattern, shortPattern } from './format';
export { formatDose, parseDose } from './dose';
export { problemText, slipsBetween } from './tokens';
export { mustParseDose, mustParsePattern } from './stored';
