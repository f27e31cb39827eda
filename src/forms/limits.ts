/** How much a form takes, each number once; a test stands on each side of it. */
export const FORM_LIMITS = {
  name: 60,
  courseName: 80,
  about: 200,
  email: 200,
  /** Characters of a password that is chosen. */
  password: { least: 10, most: 200 },
  reason: 300,
  /** The fewest characters that are a sentence, and a few words. */
  sentence: 8,
  fewWords: 4,
  why: 200,
  note: 300,
  logNote: 600,
  /** Characters of a text that is looked at for claims. */
  wording: 2000,
  pattern: 2000,
  dose: 200,
  people: 500,
  rules: 60,
  ruleChanges: 200,
  practises: 60,
  goals: 12,
  practise: 20,
  weeks: 26,
  /** Techniques a week of a series is about. */
  theme: 4,
  /** Minutes of a day of a series. */
  dayMinutes: { least: 1, most: 20 },
  /** Minutes of a live day. */
  liveMinutes: { least: 20, most: 90 },
  /** Days between two steps of a climb. */
  everyDays: 60,
  /** Minutes a climb grows by at once. */
  stepMinutes: { least: 0.25, most: 30 },
  /** How far a studio may set its guards. */
  guards: {
    weekMinutes: { least: 0.5, most: 3 },
    weekPercent: { least: 5, most: 30 },
    restMinutes: { least: 5, most: 20 },
    classesOnAStep: { least: 2, most: 8 },
    growingSteps: { least: 2, most: 6 },
    holdThree: { least: 2, most: 10 },
    holdFour: { least: 4, most: 30 },
    easyPercent: { least: 50, most: 100 },
    strainedPercent: { least: 10, most: 50 },
    finishPercent: { least: 50, most: 100 },
  },
  checkKey: 400,
  minutes: { least: 15, most: 180 },
  /** What a day of a series practises, one after the other. */
  dayPractices: 6,
  blocks: 40,
  /** Characters of a line of one's own in a block, and how many lines. */
  said: 80,
  ownLines: 6,
  blockMinutes: { least: 0.5, most: 90 },
  /** Milliseconds a count. */
  tempo: { least: 400, most: 3000 },
  naturalSeconds: { least: 1.5, most: 15 },
  comfort: { least: 2, most: 30 },
  wordsPerSecond: { least: 1, most: 5 },
  /** Characters of a spacer word. */
  spacer: 24,
  lines: 60,
  attendance: 200,
  /** Stop signs marked in one class, and characters of where it was. */
  marks: 60,
  place: 120,
  waysFile: 1_000_000,
  /** What may come in at all, before any form looks at it: fields altogether, and how deep they stand in each other. */
  fields: 6000,
  depth: 10,
} as const;
