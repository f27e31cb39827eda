/** The shipped library: families, their variants, session parts, and finding them by any name. */
export * from './types';
export { type Tag } from './tags';
export { FAMILIES } from './families';
export { PARTS } from './parts';
export * from './library';
