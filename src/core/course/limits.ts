import type { Breath, ElasticFrame } from './arc';

/** The numbers of planning a course, each with where it comes from. Words and docs quote them from here. */
export const COURSE_LIMITS = {
  /** A class holds no more without hurry: the drafting problem. */
  mostTechniques: 5,
  /** Below this a draft fills a class up with what the cohort knows. */
  fewestTechniques: 4,
  /** Practised techniques come back at growing gaps, in classes: about 1, 2, 4. */
  gaps: [1, 2, 4],
  /** At most one new thing a class: a technique, a layer, or a step of counts or hold. */
  newThings: 1,
  /** The shortest lying rest that a mend leaves, in minutes. */
  shortestRest: 5,
  settleMinutes: 2,
  /** After connected breath. */
  connectedSettleMinutes: 5,
  /** From this length on a class has gentle movement before it, in minutes. */
  movementFrom: 45,
} as const;

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
