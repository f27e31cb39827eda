import { atItsHour, byQualified, forSettled, forSomebody, inOrder, insideGuards, inWholeRounds, knownForWhom, notAfterPause } from './block';
import { inTime, neverStanding, notEmpty, oneNewThing, prepared, restInside } from './session';
import type { BlockRule, SessionRule } from './types';

/** The rules of planning, each once: the checks ask them of what stands in a class, the drafter of what might. */
export * from './types';
export * from './block';
export * from './session';

/** Rules about one technique in a class, in the order in which they are told. */
export const BLOCK_RULES: readonly BlockRule[] = [
  inOrder,
  insideGuards,
  notAfterPause,
  atItsHour,
  forSomebody,
  forSettled,
  knownForWhom,
  byQualified,
  inWholeRounds,
];
/** Rules about a class as a whole. */
export const SESSION_RULES: readonly SessionRule[] = [notEmpty, neverStanding, prepared, oneNewThing, restInside, inTime];
