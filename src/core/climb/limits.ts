/** What a studio sets of its guards. */
export interface Guards {
  /** Minutes a week, and the share a week, whichever is larger. */
  readonly weekMinutes: number;
  readonly weekShare: number;
  /** Minutes a lying rest grows by in one step. */
  readonly restMinutes: number;
  /** Classes on a step of counts, layers, holds or pumps before the next. */
  readonly classesOnAStep: number;
  /** After so many growing steps of volume comes a lighter one. */
  readonly growingSteps: number;
  /** The longest hold of a cycle in seconds, by rung. */
  readonly holdSeconds: readonly number[];
  /** The slowest pace in breaths a minute, by rung. */
  readonly slowestPace: readonly number[];
  /** Of those who came, so many find it easy before a climb goes on. */
  readonly easyShare: number;
  /** The share of their days after which somebody has finished a series. */
  readonly finishShare: number;
  /** From this share of strained people on, one step back. */
  readonly strainedBack: number;
}

/** The guards as they are shipped. */
export const GUARDS: Guards = {
  weekMinutes: 1,
  weekShare: 0.2,
  restMinutes: 15,
  classesOnAStep: 2,
  growingSteps: 3,
  holdSeconds: [0, 0, 10, 30],
  slowestPace: [6.5, 3.5, 2, 0],
  easyShare: 0.8,
  finishShare: 0.8,
  strainedBack: 0.3,
};

/** The limits of each rung, 1 to 4, that a studio does not set. */
export const RUNG_LIMITS = {
  holdShare: [0, 0, 0.55, 0.6],
} as const;

/** How fast things grow inside a climb. */
export const GROWTH_LIMITS = {
  /** Counts of a phase in one step. */
  counts: 1,
  /** The share by which a phase in seconds grows in one step. */
  secondsShare: 0.25,
  /** A hold in seconds may grow by this much all the same: 0, 1, 2 … 8 s. */
  holdSeconds: 1,
  /** How many quiet weeks save up their growth. */
  savedWeeks: 1,
  /** Pumps a round, step by step. */
  pumpSteps: [27, 54, 108],
  /** A hold outside the rounds, in seconds. */
  closingHoldSeconds: 4,
} as const;

/** How a climb is laid out. */
export const CLIMB_LIMITS = {
  /** Days between two growths of volume. */
  daysBetweenVolume: 7,
  /** How much of the volume the lighter one has. */
  lighterShare: 0.75,
  /** After more days than this without practice a climb goes one step back. */
  pauseDays: 14,
  /** After so many missed classes in a row, too. */
  missedBack: 2,
} as const;

/** When a climb goes on, and when it steps back: by how a class went. */
export const READY_LIMITS = {
  /** Of the cohort, so many came. */
  cameShare: 0.5,
  /** So many stop signs go one step back. */
  signsBack: 2,
} as const;
