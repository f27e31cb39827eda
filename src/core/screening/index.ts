/** Screening: rules as data, decisions with reasons for a date, adaptation, staying in step. It clears nobody. */
export * from './types';
export * from './features';
export * from './conditions';
export { RULEBOOK, rulebookOf, SHIPPED, type Rulebook } from './rulebook';
export * from './changes';
export * from './decide';
export { inStepText, keepInStep, type Comfort, type InStep } from './instep';
export * from './advise';
export { DOOR_QUESTIONS, EMERGENCY, STOP_SIGNS } from './signs';
export { DOOR_COMBINATIONS, doorKey } from './door';
export { outlook, type OutlookLine } from './outlook';
export { decideMany, type Decided } from './many';
export { openingFor, tracksFor, type Attending, type Opening, type Track } from './tracks';
