/** The limits of each rung, 1 to 4. The tool's defaults; a studio sets its own. */
export const RUNG_LIMITS = {
  holdSeconds: [0, 0, 10, 30],
  holdShare: [0, 0, 0.55, 0.6],
  slowestPace: [6.5, 3.5, 2, 0],
} as const;

/** How fast things grow inside a climb. */
export const GROWTH_LIMITS = {
  /** Counts of a phase in one step. */
  counts: 1,
  /** The share by which a phase in seconds grows in one step. */
  secondsShare: 0.25,
  /** A hold in seconds may grow by this much all the same: 0, 1, 2 … 8 s. */
  holdSeconds: 1,
  /** Minutes a week: a fifth, or one minute, whichever is larger. */
  weekShare: 0.2,
  weekMinutes: 1,
  /** How many quiet weeks save up their growth. */
  savedWeeks: 1,
  /** Pumps a round, step by step. */
  pumpSteps: [27, 54, 108],
  /** Minutes a lying rest grows by in one step. */
  restMinutes: 15,
  /** A hold outside the rounds, in seconds. */
  closingHoldSeconds: 4,
} as const;

/** How a climb is laid out. */
export const CLIMB_LIMITS = {
  /** Classes on a step of counts, layers, holds or pumps before the next. */
  classesOnAStep: 2,
  /** Days between two growths of volume. */
  daysBetweenVolume: 7,
  /** After so many growing steps of volume comes a lighter one. */
  growingSteps: 3,
  /** How much of the volume the lighter one has. */
  lighterShare: 0.75,
} as const;

/** When a climb goes on, and when it steps back: by how a class went. */
export const READY_LIMITS = {
  /** Of those who came, so many found it easy. */
  easyShare: 0.8,
  /** Of the cohort, so many came. */
  cameShare: 0.5,
  /** From this share of strained people on, one step back. */
  strainedBack: 0.3,
  /** So many stop signs go one step back. */
  signsBack: 2,
} as const;
