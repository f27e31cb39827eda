/** The people who plan and teach: their roles, and what each may be handed on a date. */
export * from './roles';
export * from './qualified';
