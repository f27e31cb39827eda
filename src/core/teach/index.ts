/** What comes back from a class: logs, several of one class taken together, and how they are told. */
export * from './log';
export * from './ran';
