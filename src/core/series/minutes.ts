import { SERIES_LIMITS } from './limits';

const { growDays, growMinutes, gentleShare, lengths, mostMinutes } = SERIES_LIMITS;

/** Whether a day is a gentle one; the last day is where the series arrives, and is not. @example isGentle(14, 7, 21) // true */
export const isGentle = (day: number, every: number, length: number): boolean => every > 0 && day % every === 0 && day < length;

/** Three quarters of a day's minutes, in halves, at least one. @example gentleMinutes(4) // 3 */
export const gentleMinutes = (minutes: number): number => Math.max(1, Math.floor(minutes * gentleShare * 2) / 2);

/**
 * The minutes of each day: from the first dose towards the last, a minute at a time and evenly, never sooner than the daily guard
 * allows; gentle days have three quarters, and nothing grows on them. What cannot be reached is left where it gets to.
 * @example dailyMinutes({ length: 7, from: 1, to: 3, gentleEvery: 7 }) // [1, 1, 1, 2, 2, 2, 3]
 */
export function dailyMinutes(asked: Asked): number[] {
  const { length, from, to } = asked;
  const steps = Math.max(0, Math.ceil((to - from) / growMinutes));
  const evenly = grown(asked, (length - 1) / Math.max(1, steps));
  return evenly.at(-1) === to ? evenly : grown(asked, 0);
}

/** @param apart the days between two steps, where the guard allows them */
function grown({ length, from, to, gentleEvery }: Asked, apart: number): number[] {
  let [level, grew, steps] = [from, 1, 0];
  return Array.from({ length }, (_, index) => {
    const day = index + 1;
    if (isGentle(day, gentleEvery, length)) return gentleMinutes(level);
    if (level < to && day >= grew + growDays && index + 1e-9 >= (steps + 1) * apart) {
      [level, grew] = [Math.min(to, level + growMinutes), day];
      steps += 1;
    }
    return level;
  });
}

/** How many minutes a series of so many days can grow by. @example mostGrowth({ length: 7, gentleEvery: 7 }) // 2 */
export function mostGrowth({ length, gentleEvery }: Pick<Asked, 'length' | 'gentleEvery'>): number {
  return grown({ length, gentleEvery, from: 0, to: Infinity }, 0).at(-1) ?? 0;
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
 * @example minutesShort({ length: 21, from: 1, to: 10, gentleEvery: 7 })?.reached // 7
 */
export function minutesShort({ length, from, to, gentleEvery }: Asked): { readonly reached: number; readonly mends: readonly MinutesMend[] } | null {
  const most = mostGrowth({ length, gentleEvery });
  if (to - from <= most) return null;
  const longer = lengths.find((days) => mostGrowth({ length: days, gentleEvery }) >= to - from);
  return {
    reached: from + most,
    mends: [
      { mend: 'arrive', minutes: from + most },
      ...(to - most <= mostMinutes && to - most >= 1 ? [{ mend: 'start', minutes: to - most } as const] : []),
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
