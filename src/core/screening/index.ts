/** Screening: rules as data, decisions with reasons for a date, adaptation, staying in step. It clears nobody. */
export * from './types';
export * from './features';
export * from './conditions';
export { CONSENT } from './consent';
export { RULEBOOK, type Rulebook } from './rulebook';
export * from './changes';
export * from './decide';
export * from './limits';
export * from './standing';
export { inStepText, keepInStep, type Comfort, type InStep } from './instep';
export * from './advise';
export { adaptationText } from './adapt';
export { ALL_SIGNS, callsForHelp, DOOR_QUESTIONS, EMERGENCY, RISE_SLOWLY, TO_EVERYBODY, HELP_SIGNS, STOP_SIGNS } from './signs';
export { DOOR_COMBINATIONS, doorKey } from './door';
export { outlook, type OutlookLine } from './outlook';
export { decideMany } from './many';
export { openingFor, tracksFor, type Opening, type Track } from './tracks';
