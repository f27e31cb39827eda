import { addDays, mondayOf, weekday, type IsoDate } from '../units';

export interface Closure {
  readonly from: IsoDate;
  readonly until: IsoDate;
  readonly reason: string;
}

/** The closure a date falls in, or null. */
export function closureOn(closures: readonly Closure[], date: IsoDate): Closure | null {
  return closures.find(({ from, until }) => from <= date && date <= until) ?? null;
}

/**
 * The dates of a course: so many weeks from the week of its first day, on some weekdays (1 Monday … 7 Sunday), without closed days.
 * @example courseDates(isoDate('2026-11-24'), 1, [2, 5], []) // ["2026-11-24", "2026-11-27"]
 */
export function courseDates(first: IsoDate, weeks: number, weekdays: readonly number[], closures: readonly Closure[]): IsoDate[] {
  const end = addDays(first, weeks * 7);
  const dates: IsoDate[] = [];
  for (let date = first; date < end; date = addDays(date, 1)) {
    if (weekdays.includes(weekday(date)) && !closureOn(closures, date)) dates.push(date);
  }
  return dates;
}

/** Which week of a course a date falls in, 1 for the week of its first session. */
export function weekOf(first: IsoDate, date: IsoDate): number {
  let week = 1;
  for (let monday = addDays(mondayOf(first), 7); monday <= date; monday = addDays(monday, 7)) week += 1;
  return week;
}
