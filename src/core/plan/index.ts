/** Lesson plans: blocks, the minutes they take, and what changed between versions. */
export * from './block';
export { changeLine, changesBetween, type PlanChange } from './changes';
export { shortenTo } from './shorten';
