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
