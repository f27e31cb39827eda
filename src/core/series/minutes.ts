import { SERIES_LIMITS } from './limits';

const { growDays, growMinutes, gentleShare, lengths, mostMinutes } = SERIES_LIMITS;

/** Whether a day is a gentle one; the last day is where the series arrives, and is not. @example isGentle(14, 7, 21) // true */
export const isGentle = (day: number, every: number, length: number): boolean => every > 0 && day % every === 0 && day < length;

/** Three quarters of a day's minutes, in halves, at least one. @example gentleMinutes(4) // 3 */
export const gentleMinutes = (minutes: number): number => Math.max(1, Math.floor(minutes * gentleShare * 2) / 2);

/**
 * The minutes of each day: from the first dose towards the last, a minute at a time and evenly, never sooner than the daily guard
 * allows; gentle days have three quarters, and nothing grows on them. What cannot be reached is left where it gets to.
 * @param stay the minutes of days that stay as they are; what follows goes on from them
 * @example dailyMinutes({ length: 7, from: 1, to: 3, gentleEvery: 7 }) // [1, 1, 1, 2, 2, 2, 3]
 */
export function dailyMinutes(asked: Asked, stay: Stay = []): number[] {
  const first = firstOf(stay);
  const level = Math.max(stay[0] ?? asked.from, ...stay.slice(0, first).map(Number));
  const steps = Math.max(0, Math.ceil((asked.to - level) / growMinutes));
  const evenly = grown(asked, stay, (asked.length - first) / Math.max(1, steps));
  return evenly.at(-1) === asked.to ? evenly : grown(asked, stay, 0);
}

/** By day, the minutes of one that stays as it is; null, or nothing, where it does not. */
type Stay = readonly (number | null)[];

/** The day from which it grows: the last of the first ones that stay. */
function firstOf(stay: Stay): number {
  const open = stay.indexOf(null);
  return Math.max(1, open < 0 ? stay.length : open);
}

/** @param apart the days between two steps, where the guard allows them */
function grown({ length, from, to, gentleEvery }: Asked, stay: Stay, apart: number): number[] {
  let [level, grew, steps] = [stay[0] ?? from, 1, 0];
  return Array.from({ length }, (_, index) => {
    const [day, there] = [index + 1, stay[index] ?? null];
    if (there !== null) {
      if (there > level) [level, grew] = [there, day];
      return there;
    }
    level = Math.min(level, to);
    if (isGentle(day, gentleEvery, length)) return gentleMinutes(level);
    if (level < to && day >= grew + growDays && day - firstOf(stay) + 1e-9 >= (steps + 1) * apart) {
      [level, grew] = [Math.min(to, level + growMinutes), day];
      steps += 1;
    }
    return level;
  });
}

/**
 * How many minutes the last day of a series can have at most.
 * @param stay the minutes of days that stay as they are
 * @example mostReached({ length: 7, from: 1, gentleEvery: 7 }) // 3
 */
export function mostReached(asked: Omit<Asked, 'to'>, stay: Stay = []): number {
  return grown({ ...asked, to: Infinity }, stay, 0).at(-1) ?? asked.from;
}

/** A first and a last dose, over so many days. */
export interface Asked {
  readonly length: number;
  readonly from: number;
  readonly to: number;
  readonly gentleEvery: number;
}

/** What mends a dose that cannot be reached: each by itself, worked out. */
export type MinutesMend =
  | { readonly mend: 'arrive'; readonly minutes: number }
  | { readonly mend: 'start'; readonly minutes: number }
  | { readonly mend: 'longer'; readonly days: number };

/**
 * Why a last dose is not reached, as arithmetic, and what mends it; null where it is.
 * @param stay the minutes of days that stay as they are: with the first of them it has started
 * @example minutesShort({ length: 21, from: 1, to: 10, gentleEvery: 7 })?.reached // 7
 */
export function minutesShort(asked: Asked, stay: Stay = []): { readonly reached: number; readonly mends: readonly MinutesMend[] } | null {
  const { from, to } = asked;
  const reached = mostReached(asked, stay);
  if (to <= reached) return null;
  const start = to - (reached - from);
  const longer = lengths.find((length) => mostReached({ ...asked, length }, stay) >= to);
  return {
    reached,
    mends: [
      { mend: 'arrive', minutes: reached },
      ...((stay[0] ?? null) === null && start <= mostMinutes && start >= 1 ? [{ mend: 'start', minutes: start } as const] : []),
      ...(longer ? [{ mend: 'longer', days: longer } as const] : []),
    ],
  };
}

/** A day that grows by more than the daily guard allows. */
export interface Jump {
  readonly day: number;
  readonly from: number;
  readonly to: number;
  /** The most it may have, and the first day on which it may. */
  readonly most: number;
  readonly may: number;
}

/**
 * Days that grow too fast: by more than a minute at once, or sooner than three days after it last grew. What a gentle day lacks is
 * not grown back from.
 * @example dailyJumps([1, 2]) // [{ day: 2, from: 1, to: 2, most: 2, may: 4 }]
 */
export function dailyJumps(minutes: readonly number[]): Jump[] {
  const found: Jump[] = [];
  let [from, grew] = [minutes[0] ?? 0, 1];
  minutes.forEach((to, index) => {
    const day = index + 1;
    if (to <= from) return;
    const [most, may] = [from + growMinutes, grew + growDays];
    if (to > most + 1e-9 || day < may) found.push({ day, from, to, most, may });
    [from, grew] = [to, day];
  });
  return found;
}
