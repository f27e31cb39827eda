/** Lesson plans: blocks, the minutes they take, and what changed between versions. */
export * from './block';
export { changesBetween } from './changes';
export { shortenTo } from './shorten';
