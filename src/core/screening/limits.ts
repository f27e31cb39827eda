/** The numbers of screening, each with where it comes from. Rules, words and docs quote them from here. */
export const SCREENING_LIMITS = {
  /** A screening counts for six months, the last day included. */
  validDays: 183,
  /** It is called ending four weeks before its last day, and asked for again. */
  endingDays: 28,
  /** Twelve weeks after a birth or eye surgery, the last day included. */
  twelveWeeks: 84,
  /** Six months after other surgery, the last day included. */
  sixMonths: 183,
  /** Not flat from 16 weeks and 0 days of pregnancy, in days. */
  notFlatFrom: 112,
  /** Younger than this practises as a young person; the birthday itself no longer counts as young. */
  grownAt: 16,
  /** From this birthday on. */
  olderFrom: 65,
  /** Stillness that long is a fact for screening, in minutes. */
  stillMinutes: 15,
  /** Breaths a minute below which a pace is slow. */
  slowPace: 6,
  /** An exhale that many times the inhale is long. */
  longExhale: 2,
  /** Spoken counts drift by up to this share: a limit is near within it. */
  drift: 0.15,
  /** A clinician's answer and an override hold for a year at most, a leap year's day included. */
  longestAside: 366,
  /** An override is looked at again two weeks before it ends. */
  overrideEndingDays: 14,
  /** How far ahead the day is looked for on which an answer becomes another. */
  lookAheadDays: 200,
} as const;

/** Staying in step with the room: what an adapted pattern may be. */
export const IN_STEP_LIMITS = {
  /** Nobody is asked for a longer count than this. */
  longest: 30,
  shortestInhale: 2,
  /** Breaths a minute. */
  quickest: 15,
  /** The exhale is shorter than so many times the inhale. */
  exhaleBelow: 2,
  /** Free counts are at most this share of the group's cycle. */
  freeShare: 1 / 4,
  /** Where no comfort count is known: the group's inhale, and so much more. */
  inhaleOver: 1,
  exhaleOver: 3,
} as const;

/** How near to a limit is near, as words say it. */
export const NEAR_A_LIMIT = SCREENING_LIMITS.drift;
