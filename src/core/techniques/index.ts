/** Ways of breathing as data: the shipped families, variants and session parts, what a studio adds, and finding them by any name. */
export * from './types';
export * from './tags';
export { FAMILIES } from './families';
export { PARTS } from './parts';
export { VARIANTS } from './variants';
export * from './own';
export * from './search';
export * from './technique';
export { isForHome } from './home';
export { topOf } from './tops';
