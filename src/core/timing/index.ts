/** Durations, ranges and the figures derived from them. */
export * from './spans';
export * from './block';
export * from './segments';
export * from './figures';
export * from './holds';
export * from './measure';
export * from './strip';
