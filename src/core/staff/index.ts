/** The people who plan and teach: their roles, and what each may be handed on a date. */
export * from './roles';
export * from './away';
export { smallestChange, whoCan, type Candidate } from './cover';
export * from './qualified';
