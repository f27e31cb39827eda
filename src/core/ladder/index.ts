/** The prerequisite graph of techniques: what needs what, and what is still missing on a date. */
export * from './edges';
export * from './ways';
