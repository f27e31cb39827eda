import { mustParseDose } from '../pattern';
import { addDays, type IsoDate } from '../units';
import type { CheckIn, Series, SeriesDay } from './types';

const isPaused = ({ pauses }: Pick<Series, 'pauses'>, date: IsoDate) => pauses.some(({ from, until }) => date >= from && date <= until);

/**
 * The date of every day; days of a pause are passed over.
 * @example datesOf(series)[0] // the first day
 */
export function datesOf(series: Pick<Series, 'firstDate' | 'pauses' | 'days'>): IsoDate[] {
  const dates: IsoDate[] = [];
  for (let date = series.firstDate; dates.length < series.days.length; date = addDays(date, 1)) if (!isPaused(series, date)) dates.push(date);
  return dates;
}

/** The day a date is, from 1; null before the first, after the last, and in a pause. */
export function dayOn(series: Pick<Series, 'firstDate' | 'pauses' | 'days'>, date: IsoDate): number | null {
  const at = datesOf(series).indexOf(date);
  return at < 0 ? null : at + 1;
}

/** Whether a day was kept up, whatever was done on it. @example kept({ did: 'something else' }) // true */
export const kept = ({ did }: Pick<CheckIn, 'did'>): boolean => did !== 'not today';

/** The week of a day, from 1. @example weekOfDay(8) // 2 */
export const weekOfDay = (day: number): number => Math.ceil(day / 7);

/** How long a day's practice is, in minutes. @example minutesOf(day) // 3 */
export function minutesOf({ blocks }: Pick<SeriesDay, 'blocks'>): number {
  return blocks.reduce((sum, { dose }) => {
    const read = mustParseDose(dose);
    return sum + (read.kind === 'minutes' ? read.minutes : 0);
  }, 0);
}
