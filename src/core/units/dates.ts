import { format, isValid, parseISO } from 'date-fns';

declare const dateBrand: unique symbol;
/** A calendar date "2026-11-24": a day in the studio, never an instant. Made by {@link isoDate} only. */
export type IsoDate = string & { readonly [dateBrand]: true };

const DAY_MS = 86_400_000;

/** Every date that was met, as days since 1970-01-01: a studio works with the same few thousand again and again. */
const met = new Map<string, number>();
/** How many are remembered before it is begun anew. */
const MET_LIMIT = 20_000;

/** Days since 1970-01-01; null where a text is no date. A date without a time is read as midnight UTC, so no clock change ever bends it. */
function dayOf(text: string): number | null {
  const known = met.get(text);
  if (known !== undefined) return known;
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text) || !isValid(parseISO(text))) return null;
  if (met.size >= MET_LIMIT) met.clear();
  const day = Date.parse(text) / DAY_MS;
  met.set(text, day);
  return day;
}

/** Whether a text is a real calendar date. @example isIsoDate('2026-02-30') // false */
export function isIsoDate(text: string): text is IsoDate {
  return dayOf(text) !== null;
}

/** Reads a calendar date; throws RangeError on anything else. @example isoDate('2026-11-24') */
export function isoDate(text: string): IsoDate {
  if (!isIsoDate(text)) throw new RangeError(`Not a calendar date: ${text}`);
  return text;
}

const dayNumber = (date: IsoDate): number => dayOf(date) ?? NaN;

function fromDayNumber(day: number): IsoDate {
  return new Date(day * DAY_MS).toISOString().slice(0, 10) as IsoDate;
}

/** @example addDays(isoDate('2026-02-27'), 2) // "2026-03-01" */
export function addDays(date: IsoDate, days: number): IsoDate {
  return fromDayNumber(dayNumber(date) + days);
}

/** Days from one date to another, negative when the second is earlier. */
export function daysBetween(from: IsoDate, to: IsoDate): number {
  return dayNumber(to) - dayNumber(from);
}

/** ISO weekday: 1 is Monday, 7 is Sunday. */
export function weekday(date: IsoDate): number {
  // Day 0 was a Thursday.
  return ((((dayNumber(date) + 3) % 7) + 7) % 7) + 1;
}

/** The Monday of a date's week. */
export function mondayOf(date: IsoDate): IsoDate {
  return addDays(date, 1 - weekday(date));
}

/** @example dayText(isoDate('2026-11-24')) // "Tue 24 Nov" */
export function dayText(date: IsoDate): string {
  return format(parseISO(date), 'EEE d MMM');
}

/** @example longDayText(isoDate('2027-03-14')) // "14 Mar 2027" */
export function longDayText(date: IsoDate): string {
  return format(parseISO(date), 'd MMM yyyy');
}

/** Formats are made once a zone: making one takes longer than using it a hundred times. */
const formats = new Map<string, { readonly date: Intl.DateTimeFormat; readonly time: Intl.DateTimeFormat }>();

function formatsOf(zone: string) {
  const known = formats.get(zone);
  if (known) return known;
  const made = {
    date: new Intl.DateTimeFormat('en-CA', { timeZone: zone, dateStyle: 'short' }),
    time: new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' }),
  };
  formats.set(zone, made);
  return made;
}

/** The calendar date of an instant in a studio's IANA zone. */
export function dateIn(zone: string, instant: Date): IsoDate {
  return isoDate(formatsOf(zone).date.format(instant).slice(0, 10));
}

/** The wall clock "17:20" of an instant in a studio's IANA zone. */
export function timeIn(zone: string, instant: Date): string {
  return formatsOf(zone).time.format(instant);
}

/** Whole years between a birth date and a date. */
export function ageOn(birth: IsoDate, date: IsoDate): number {
  const years = Number(date.slice(0, 4)) - Number(birth.slice(0, 4));
  return date.slice(5) >= birth.slice(5) ? years : years - 1;
}

/** A day and a time of a zone. @example stampIn('Europe/Lisbon', new Date('2026-11-24T09:00:00Z')) // "Tue 24 Nov, 09:00" */
export function stampIn(zone: string, instant: Date): string {
  return `${dayText(dateIn(zone, instant))}, ${timeIn(zone, instant)}`;
}

/**
 * Milliseconds from an instant to a wall clock of the same day in a zone; negative when it has passed.
 * @example untilClock('Europe/Lisbon', '06:45', new Date('2026-11-24T06:30:00Z')) // 900_000
 */
export function untilClock(zone: string, clock: string, now: Date): number {
  const seconds = Number(new Intl.DateTimeFormat('en-GB', { timeZone: zone, second: '2-digit' }).format(now));
  const minutes = (text: string) => Number(text.slice(0, 2)) * 60 + Number(text.slice(3, 5));
  return (minutes(clock) - minutes(timeIn(zone, now))) * 60_000 - seconds * 1000 - (now.getTime() % 1000);
}

/**
 * The instant of a day and a wall clock in an IANA zone. An hour that clocks leave out is the one after it; of one that comes twice, the
 * first.
 * @throws RangeError when there is no such zone
 * @example instantIn('Europe/Lisbon', isoDate('2027-07-01'), '06:00') // 2027-07-01T05:00:00Z
 */
export function instantIn(zone: string, date: IsoDate, clock: string): Date {
  const asUtc = Date.parse(`${date}T${clock}:00Z`);
  const offsetAt = (at: number) => Date.parse(`${dateIn(zone, new Date(at))}T${timeIn(zone, new Date(at))}:00Z`) - at + (at % 60_000);
  // What the clocks show at the first guess says how far off it is; a second look settles the hour in which they change.
  const guess = asUtc - offsetAt(asUtc);
  const earlier = asUtc - offsetAt(guess - 3_600_000);
  if (timeIn(zone, new Date(earlier)) === clock && dateIn(zone, new Date(earlier)) === date) return new Date(earlier);
  return new Date(asUtc - offsetAt(guess) === guess ? guess : asUtc - offsetAt(asUtc - 86_400_000));
}
