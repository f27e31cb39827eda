/** What a course worth teaching has to be, and what each lack weighs. */

export type Requirement = 'lastnew' | 'full' | 'main' | 'stays' | 'back' | 'stand' | 'linked' | 'same' | 'still' | 'gather' | 'ready';
export type Part = 'pace' | 'load' | 'spacing' | 'breath' | 'unused' | 'repeat';

/** The price of breaking a requirement once, and what a unit of each part of the aim weighs: ARC, as given. */
export const PRICE: Readonly<Record<Requirement, number>> = {
  lastnew: 8,
  full: 5,
  main: 5,
  stays: 3,
  back: 3,
  stand: 3,
  linked: 2,
  same: 2,
  still: 2,
  gather: 1,
  // For each tenth of the people, begun, that is ready for a goal less than is asked for.
  ready: 2,
};
export const WEIGHT: Readonly<Record<Part, number>> = { pace: 3, load: 2, spacing: 1, breath: 1, unused: 1, repeat: 1 };

/** What everybody knows: they make no main practice once there is more. */
export const BASIC = ['natural', 'belly', 'deepened'] as const;

/** The numbers of what every class and the course must be. */
export const ARC_LIMITS = {
  /** A class is full from this share of its minutes. */
  full: 0.92,
  /** At the height of breathing, counted from 0, after this share of the classes. */
  height: 0.87,
  /** Breathing may be off its share by this much of the hour. */
  breathOff: 0.05,
  /** A load above this many times the highest before is a jump. */
  jump: 1.2,
  /** A class of so much of the usual minutes is a short one. */
  short: 0.75,
  /** Classes in a row without anything new or longer than ever: the third is one too many. */
  stillInARow: 3,
  /** Practices at one dose: the fourth is one too many. */
  standsInARow: 4,
  /** What was reached is used at least every so many classes. */
  staysWithin: 4,
  /** What is begun is used again within so many classes, and so often. */
  backWithin: 2,
  backTimes: 3,
  /** The last class gathers no more goals than this. */
  gathered: 5,
  /** Windows of classes between practices: the first return, the second, later ones. */
  gaps: [
    [1, 2],
    [1, 3],
    [2, 5],
  ],
} as const;

/** The least sum of squares of so many gaps that make up a length. @example evenly(10, 7) // 16 */
export function evenly(length: number, gaps: number): number {
  const short = Math.floor(length / gaps);
  const longer = length - short * gaps;
  return longer * (short + 1) ** 2 + (gaps - longer) * short ** 2;
}

/**
 * What it costs to change a class that stands: an open one least, one whose teacher has read it most. Less than a broken requirement, so that
 * what can be kept is kept; more than what a course is a little better by.
 */
export const STANDS_COST = { open: 3, published: 7, read: 12 } as const;
