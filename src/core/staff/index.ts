/** The people who plan and teach: their roles, and what each may be handed on a date. */
export * from './roles';
export * from './away';
export { smallestChange, whoCan, type Candidate, type Covered, type CoverChange } from './cover';
export * from './qualified';
