import type { Breath, ElasticFrame } from './arc';
import { COURSE_LIMITS } from './limits';

/** The hour of a class: what stands around the breathing, and how much of it is breathing. */

/** What stands around the breathing, in minutes, each from least to most: the hour is filled with it. */
export const ARC_FRAME: ElasticFrame = {
  arrive: [4, 6],
  first: [4, 15],
  movement: [5, 0.25],
  movementFrom: COURSE_LIMITS.movementFrom,
  clearNose: 1,
  settle: [COURSE_LIMITS.settleMinutes, 4],
  rest: [COURSE_LIMITS.shortestRest, 15],
  close: [3, 8],
  talk: 15,
};

/** How much of the hour is breathing: in the first class, at its height, in the last. */
export const BREATH_SHARES = { calm: [0.15, 0.35, 0.25], usual: [0.2, 0.45, 0.3], full: [0.25, 0.5, 0.35] } as const satisfies Readonly<
  Record<string, Breath>
>;
