import { trimNumber } from '../units';
import type { Guards } from './limits';

/** How often in a week classes are, for climbs that go by classes. */
export interface Rhythm {
  readonly classesAWeek: number;
  /** The week it is now, for “by week 10”. */
  readonly week?: number;
  /** Milliseconds a round takes, where rounds grow. */
  readonly roundMs?: number;
  /** Weeks that a course has at most, where it is one. */
  readonly mostWeeks?: number;
  /** The studio's. */
  readonly guards?: Guards;
}

/** A stretch of time, in a unit that people say. */
export interface Stretch {
  readonly n: number;
  readonly unit: Unit;
}
type Unit = 'class' | 'day' | 'week' | 'month' | 'year';
const DAYS: Readonly<Record<Exclude<Unit, 'class'>, number>> = { day: 1, week: 7, month: 365.25 / 12, year: 365.25 };
const PLURAL: Readonly<Record<Unit, string>> = { class: 'classes', day: 'days', week: 'weeks', month: 'months', year: 'years' };
/** Numbers as people say them. */
const SAID: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
};

/** @example readStretch('2 weeks') // { n: 2, unit: 'week' } @example readStretch('by week 10', 4) // { n: 6, unit: 'week' } */
export function readStretch(text: string, now = 0): Stretch | null {
  const by = /^by week (\d{1,3})$/i.exec(text.trim());
  if (by) return Number(by[1]) > now ? { n: Number(by[1]) - now, unit: 'week' } : null;
  const found = /^(?:every |each |over )?(?:(half )?(\d+(?:[.,]\d+)?|[a-z]+)?\s*)\b([a-z]+)$/i.exec(text.trim());
  const [, half, number, word] = found ?? [];
  const unit = (Object.keys(PLURAL) as Unit[]).find((one) => one === word?.toLowerCase() || PLURAL[one] === word?.toLowerCase());
  const n = number === undefined ? 1 : (SAID[number.toLowerCase()] ?? Number(number.replace(',', '.')));
  return unit && n > 0 && n <= 1000 ? { n: half ? n / 2 : n, unit } : null;
}

/** @example stretchText({ n: 2, unit: 'week' }) // "2 weeks" */
export const stretchText = ({ n, unit }: Stretch) => (n === 1 ? `1 ${unit}` : `${trimNumber(n)} ${PLURAL[unit]}`);

/** Days that a stretch takes, or the days between classes. */
export function daysOf({ n, unit }: Stretch, { classesAWeek }: Rhythm): number {
  return unit === 'class' ? (n * 7) / classesAWeek : n * DAYS[unit];
}

/** How many whole steps fit into a stretch. */
export function stepsIn(every: Stretch, over: Stretch, rhythm: Rhythm): number {
  const exact = every.unit === over.unit ? over.n / every.n : daysOf(over, rhythm) / daysOf(every, rhythm);
  return Math.floor(exact + 1e-9);
}

/** The days a stretch takes; null where it does not read. @example stretchDays('2 weeks', rhythm) // 14 */
export function stretchDays(text: string, rhythm: Rhythm): number | null {
  const stretch = readStretch(text, rhythm.week);
  return stretch && Math.round(daysOf(stretch, rhythm));
}

/** So many steps as a stretch, in the unit of the step. */
export const times = ({ n, unit }: Stretch, steps: number): Stretch => ({ n: n * steps, unit });

/** The longest time between two steps with which so many fit, as whole units where that can be. */
export function stepEvery(over: Stretch, steps: number): Stretch {
  const exact = over.n / steps;
  if (exact >= 1 || over.unit === 'day' || over.unit === 'class') return { n: Math.max(1, Math.floor(exact)), unit: over.unit };
  if (over.unit === 'year') return stepEvery({ n: over.n * 12, unit: 'month' }, steps);
  return over.unit === 'month'
    ? stepEvery({ n: Math.floor((over.n * DAYS.month) / DAYS.week), unit: 'week' }, steps)
    : stepEvery({ n: over.n * 7, unit: 'day' }, steps);
}
