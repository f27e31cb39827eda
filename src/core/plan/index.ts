/** Lesson plans: blocks, the minutes they take, and what changed between versions. */
export * from './block';
export { changeLine, changesBetween, saidAgain, voiceChanges, type PlanChange, type Voice } from './changes';
export { shortenTo } from './shorten';
