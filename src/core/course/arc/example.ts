import type { ArcCase, ArcFile, ArcTechnique, Practice } from './cases';

/** For tests: a small ladder, a request of ten weeks, and a course for it that was judged by hand. */

const technique = (family: string, low: number, top: number, over: Partial<ArcTechnique> = {}): ArcTechnique => ({
  settle: 1,
  family,
  hours: 'mde',
  nature: 'even',
  side: 0,
  rung: 2,
  dose: { unit: 60_000, lead: 0, low, top },
  ...over,
});

export const EXAMPLE_FILE: ArcFile = {
  frame: {
    arrive: [4, 6],
    first: [4, 15],
    movement: [5, 0.25],
    movementFrom: 45,
    clearNose: 1,
    settle: [2, 4],
    rest: [5, 15],
    close: [3, 8],
    talk: 15,
  },
  breath: [0.2, 0.45, 0.3],
  techniques: {
    natural: technique('natural', 2, 10, { settle: 0, rung: 1 }),
    belly: technique('belly', 3, 10, { settle: 0, rung: 1, nature: 'calming' }),
    deepened: technique('deepened', 3, 10, { settle: 0, rung: 1 }),
    equal: technique('equal', 4, 12),
    'longer-3-4': technique('longer', 4, 10, { nature: 'calming' }),
    'longer-4-5': technique('longer', 4, 12, { nature: 'calming' }),
    fingers: technique('fingers', 5, 15, { rung: 1, nature: 'calming', dose: { unit: 9000, lead: 0, low: 5, top: 15 } }),
    sides: technique('sides', 9, 30, { side: 1, dose: { unit: 16_000, lead: 0, low: 9, top: 30 } }),
    holds: technique('holds', 4, 8, { rung: 3, hours: 'e', dose: { unit: 19_000, lead: 5000, low: 4, top: 8 } }),
  },
  edges: [
    ['natural', 'belly', 2, 4],
    ['belly', 'deepened', 2, 4],
    ['deepened', 'equal', 2, 4],
    ['equal', 'longer-3-4', 2, 4],
    ['longer-3-4', 'longer-4-5', 2, 4],
    ['deepened', 'fingers', 2, 4],
    ['equal', 'sides', 2, 4],
    ['longer-3-4', 'holds', 4, 10],
  ],
  instances: [],
};

const DAY_MS = 86_400_000;

/** A request with so many classes, one each so many days. */
export const exampleCase = (classes: number, every: number, over: Partial<ArcCase> = {}): ArcCase => ({
  id: 'example',
  dates: Array.from({ length: classes }, (_, at) => new Date(Date.UTC(2026, 11, 7) + at * every * DAY_MS).toISOString().slice(0, 10)),
  hours: 'e'.repeat(classes),
  minutes: Array.from({ length: classes }, () => 60),
  already: ['natural'],
  banned: [],
  unqualified: [],
  goals: [
    { v: 'longer-4-5', r: 2 },
    { v: 'fingers', r: 2 },
  ],
  fixed: [],
  pins: [],
  most: 5,
  ...over,
});

const min = (id: string, minutes: number): Practice => [id, 0, minutes * 60_000];
const breaths = (units: number): Practice => ['fingers', 0, units * 9000];

/** Judged by hand: class 2 holds too little; 14 minutes are free, 3 of breathing lack, 2 points of load are a jump, 6 of spacing. */
export const EXAMPLE_COURSE: readonly (readonly Practice[])[] = [
  [min('natural', 6), min('belly', 3)],
  [min('natural', 7), min('belly', 4)],
  [min('natural', 8), min('belly', 5), min('deepened', 3)],
  [min('natural', 9), min('deepened', 4)],
  [min('natural', 6), min('belly', 6), min('equal', 4)],
  [min('natural', 9), min('deepened', 5), min('equal', 5), breaths(5)],
  [min('belly', 6), min('deepened', 5), min('equal', 5), min('longer-3-4', 4), breaths(11)],
  [min('natural', 10), min('equal', 6), min('longer-3-4', 5), breaths(11)],
  [min('natural', 10), min('belly', 4), min('deepened', 6), min('longer-4-5', 4)],
  [min('equal', 7), min('longer-4-5', 5), breaths(15)],
];
