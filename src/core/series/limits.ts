/** The numbers of a challenge series, each with where it comes from. Words and docs quote them from here. */
export const SERIES_LIMITS = {
  /** How many days a series has. */
  lengths: [7, 14, 21, 30, 40],
  /** The daily guard: at most a minute more every three days, so that a week grows by two. */
  growMinutes: 1,
  growDays: 3,
  /** The daily dose, in minutes. */
  fewestMinutes: 1,
  mostMinutes: 20,
  /** Every seventh day is gentle unless it is asked otherwise. */
  gentleEvery: 7,
  /** How much of its neighbours' minutes a gentle day has. */
  gentleShare: 0.75,
  /** How often each technique that is wanted is practised, where nothing else is said. */
  practise: 2,
  /** A studio's own past counts from so many people on. */
  pastFrom: 20,
  /** Drifting off: nothing for so many days; or, of so many days before today, so often strained or so often the easier version. */
  silentDays: 3,
  lookBackDays: 14,
  strainedTimes: 2,
  easierTimes: 3,
  /** Nobody is written to twice within so many days. */
  writeAgainDays: 3,
  /** Days missed in a row after which the rule takes a step back. */
  missedBack: 2,
} as const;
