import type { IsoDate } from '../units';

/** When somebody of the staff cannot teach: whole days, or the hours of one day. */
export interface Away {
  readonly id: string;
  readonly staff: string;
  readonly from: IsoDate;
  /** The last day. */
  readonly until: IsoDate;
  /** Wall clock "18:00"; null for the whole day. */
  readonly fromTime: string | null;
  readonly untilTime: string | null;
}

/** A stretch of one day by the wall clock. */
export interface Hours {
  readonly date: IsoDate;
  readonly start: string;
  readonly minutes: number;
}

const minutesOf = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));

/** Whether somebody is away at any time of a class. @example isAway(aways, 'tamsin', { date, start: '18:30', minutes: 60 }) */
export function isAway(aways: readonly Away[], staff: string, hours: Hours): boolean {
  return aways.some((one) => one.staff === staff && covers(one, hours));
}

/** Whether a time away stands in the way of a class; one that ends as the class begins does not. */
export function covers({ from, until, fromTime, untilTime }: Omit<Away, 'staff' | 'id'>, { date, start, minutes }: Hours): boolean {
  if (date < from || date > until) return false;
  if (fromTime === null || untilTime === null) return true;
  const begins = minutesOf(start);
  return minutesOf(fromTime) < begins + minutes && begins < minutesOf(untilTime);
}

/** Whether two classes run at the same time; one that begins as the other ends does not. */
export function overlap(one: Hours, other: Hours): boolean {
  const [a, b] = [minutesOf(one.start), minutesOf(other.start)];
  return one.date === other.date && a < b + other.minutes && b < a + one.minutes;
}
