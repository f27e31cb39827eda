import ICAL from 'ical.js';
import { CALENDAR_LIMITS } from './formats';
import { addDays, dateIn, instantIn, isoDate, timeIn, type IsoDate } from '../units';

/** A class as it stands in a calendar. */
export interface CalendarClass {
  readonly id: string;
  /** Counts up with every change, so that a calendar knows the newer one. */
  readonly sequence: number;
  readonly date: IsoDate;
  /** Wall clock of the studio. */
  readonly start: string;
  readonly minutes: number;
  readonly title: string;
  readonly about: string;
  /** Why it is not held; null where it is. */
  readonly cancelled: string | null;
}

export interface CalendarClosure {
  readonly id: string;
  readonly from: IsoDate;
  readonly until: IsoDate;
  readonly reason: string;
}

/**
 * Classes and closed days as iCalendar (RFC 5545, with the name and refresh of RFC 7986). Times are instants, so that no zone has to be
 * brought along; a class that is cancelled stays in, as cancelled, under the id it always had.
 * @example writeCalendar({ name: 'Tamsin Brae', zone: 'Europe/Lisbon', now }, classes, closures)
 */
export function writeCalendar(
  { name, zone, now }: { readonly name: string; readonly zone: string; readonly now: Date },
  classes: readonly CalendarClass[],
  closures: readonly CalendarClosure[],
): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('prodid', '-//Oaken Ladder//Classes//EN');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('calscale', 'GREGORIAN');
  calendar.addPropertyWithValue('method', 'PUBLISH');
  calendar.addPropertyWithValue('name', seen(name));
  calendar.addPropertyWithValue('x-wr-calname', seen(name));
  const refresh = new ICAL.Property('refresh-interval');
  refresh.resetType('duration');
  refresh.setValue(ICAL.Duration.fromString('PT1H'));
  calendar.addProperty(refresh);
  const stamp = ICAL.Time.fromJSDate(now, true);
  for (const { id, sequence, date, start, minutes, title, about, cancelled } of classes) {
    const begins = instantIn(zone, date, start);
    const event = eventOf(calendar, `${id}@oaken-ladder`, stamp);
    event.addPropertyWithValue('sequence', sequence);
    event.addPropertyWithValue('dtstart', ICAL.Time.fromJSDate(begins, true));
    event.addPropertyWithValue('dtend', ICAL.Time.fromJSDate(new Date(begins.getTime() + minutes * 60_000), true));
    event.addPropertyWithValue('summary', seen(cancelled === null ? title : `Cancelled: ${title}`));
    event.addPropertyWithValue('description', seen(cancelled === null ? about : cancelled));
    event.addPropertyWithValue('status', cancelled === null ? 'CONFIRMED' : 'CANCELLED');
  }
  for (const { id, from, until, reason } of closures) {
    const event = eventOf(calendar, `${id}@oaken-ladder`, stamp);
    event.addPropertyWithValue('dtstart', ICAL.Time.fromDateString(from));
    // The day after the last one: an end stands for the first moment that is free again.
    event.addPropertyWithValue('dtend', ICAL.Time.fromDateString(addDays(until, 1)));
    event.addPropertyWithValue('summary', seen(`Closed: ${reason}`));
    event.addPropertyWithValue('transp', 'TRANSPARENT');
  }
  return `${calendar.toString()}\r\n`;
}

/** A text without what no calendar may hold: characters that cannot be seen, but for the end of a line. */
// eslint-disable-next-line no-control-regex -- the characters that are meant
const seen = (text: string): string => text.replace(/[\u0000-\u0009\u000b-\u001f\u007f-\u009f\u2028\u2029]/g, ' ');

function eventOf(calendar: ICAL.Component, uid: string, stamp: ICAL.Time): ICAL.Component {
  const event = new ICAL.Component('vevent');
  event.addPropertyWithValue('uid', uid);
  event.addPropertyWithValue('dtstamp', stamp);
  calendar.addSubcomponent(event);
  return event;
}

/** A stretch of time in somebody's calendar, by the studio's wall clock. */
export interface CalendarSpan {
  readonly title: string;
  readonly from: IsoDate;
  readonly until: IsoDate;
  /** Null for whole days. */
  readonly fromTime: string | null;
  readonly untilTime: string | null;
}

/** What is wrong with an event, or with the file. */
export interface CalendarProblem {
  readonly event: string | null;
  readonly message: string;
}

/**
 * Reads the days and hours that a calendar says are taken, between two days. Repeats are written out as far as that; what says it takes
 * no time, or is cancelled, is left out. Whatever cannot be read is named, and then nothing is to be brought in.
 * @param zone the studio's
 */
export function readCalendar(
  text: string,
  zone: string,
  window: { readonly from: IsoDate; readonly until: IsoDate },
): { readonly spans: readonly CalendarSpan[]; readonly problems: readonly CalendarProblem[] } {
  const whole = (message: string) => ({ spans: [], problems: [{ event: null, message }] });
  if (text.length > CALENDAR_LIMITS.characters)
    return whole('This calendar is too large: less than two million characters. Take a shorter time out of it.');
  let calendar: ICAL.Component;
  try {
    const parsed: unknown = ICAL.parse(text);
    // Several calendars in one file come as a list of them.
    if (Array.isArray(parsed) && Array.isArray(parsed[0])) return whole('There are several calendars in this file. Bring them in one at a time.');
    calendar = new ICAL.Component(parsed as ConstructorParameters<typeof ICAL.Component>[0]);
  } catch (error) {
    return whole(`This is no calendar that can be read: ${brokenText(error)}`);
  }
  if (calendar.name !== 'vcalendar') return whole('This is no calendar: it should begin with BEGIN:VCALENDAR.');
  const zones = new Map(
    calendar.getAllSubcomponents('vtimezone').map((one) => {
      const own = new ICAL.Timezone(one);
      return [own.tzid, own] as const;
    }),
  );
  const spans: CalendarSpan[] = [];
  const problems: CalendarProblem[] = [];
  // However many events repeat without end, all of them together are looked at so often.
  const budget = { left: CALENDAR_LIMITS.allRepeats };
  for (const component of calendar.getAllSubcomponents('vevent')) {
    if (spans.length > CALENDAR_LIMITS.spans)
      return whole(`More than ${CALENDAR_LIMITS.spans} times fall between these days. Take a shorter time out of the calendar.`);
    const summary = String(component.getFirstPropertyValue('summary') ?? '').replace(/[\p{Cc}\p{Cf}\s]+/gu, ' ');
    const title = summary.trim().slice(0, 200) || 'without a title';
    try {
      spans.push(...spansOf(component, title, zones, zone, window, budget));
    } catch (error) {
      problems.push({ event: title, message: brokenText(error) });
    }
  }
  const unique = new Map(spans.map((span) => [JSON.stringify(span), span]));
  return {
    spans: problems.length > 0 ? [] : [...unique.values()].sort((a, b) => (a.from + (a.fromTime ?? '')).localeCompare(b.from + (b.fromTime ?? ''))),
    problems,
  };
}

/** An event that cannot be read, in words. */
class Unread extends Error {}

function brokenText(error: unknown): string {
  if (error instanceof Unread) return error.message;
  const said = error instanceof Error ? error.message.split('\n')[0].slice(0, 160) : '';
  return said ? `a line in it does not read (${said}).` : 'a line in it does not read.';
}

function spansOf(
  component: ICAL.Component,
  title: string,
  zones: ReadonlyMap<string, ICAL.Timezone>,
  zone: string,
  { from, until }: { readonly from: IsoDate; readonly until: IsoDate },
  budget: { left: number },
): CalendarSpan[] {
  if (['CANCELLED'].includes(String(component.getFirstPropertyValue('status') ?? ''))) return [];
  if (
    String(component.getFirstPropertyValue('transp') ?? '') === 'TRANSPARENT' &&
    !String(component.getFirstPropertyValue('summary') ?? '').startsWith('Closed:')
  )
    return [];
  const event = new ICAL.Event(component);
  if (!event.startDate) throw new Unread('It does not say when it begins.');
  const read = (time: ICAL.Time, property: string) => instantOf(time, component.getFirstProperty(property), zones, zone);
  const first = read(event.startDate, 'dtstart');
  const ends = event.endDate ? read(event.endDate, event.component.getFirstProperty('dtend') ? 'dtend' : 'dtstart') : first;
  if (ends < first) throw new Unread('It ends before it begins.');
  const length = ends.getTime() - first.getTime();
  const spans: CalendarSpan[] = [];
  const keep = (begins: Date, allDay: boolean, day: IsoDate) => {
    const span = allDay ? daysFrom(day, length, title) : hoursFrom(begins, length, title, zone);
    for (const one of span) if (one.until >= from && one.from <= until) spans.push(one);
  };
  if (!event.isRecurring()) {
    keep(first, event.startDate.isDate, dayOf(event.startDate));
    return spans;
  }
  const iterator = event.iterator();
  for (let times = 0; times < CALENDAR_LIMITS.repeats; times += 1) {
    budget.left -= 1;
    if (budget.left < 0) throw new Unread('Too much in this calendar repeats. Take a shorter time out of it.');
    const next = iterator.next() as ICAL.Time | undefined;
    if (!next) return spans;
    // Whatever the zone, a day early or late is not far enough to matter yet.
    if (dayOf(next) < addDays(from, -1 - Math.ceil(length / 86_400_000))) continue;
    const begins = read(next, 'dtstart');
    if (dateIn(zone, begins) > until) return spans;
    keep(begins, next.isDate, dayOf(next));
  }
  // An old event that repeats every day has not come to these days yet: it is named rather than left out in silence.
  throw new Unread(`It repeats more than ${CALENDAR_LIMITS.repeats} times before these days are over. Give it a later beginning, or an end.`);
}

const dayOf = ({ year, month, day }: ICAL.Time): IsoDate =>
  isoDate(`${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`);

/** The instant of a time: in the zone the file brings along, one that is known by its name, or the studio's where none is said. */
function instantOf(time: ICAL.Time, property: ICAL.Property | null, zones: ReadonlyMap<string, ICAL.Timezone>, zone: string): Date {
  const day = dayOf(time);
  const clock = `${String(time.hour).padStart(2, '0')}:${String(time.minute).padStart(2, '0')}`;
  if (time.isDate) return instantIn('UTC', day, '00:00');
  if (time.zone === ICAL.Timezone.utcTimezone) return time.toJSDate();
  const named = property?.getParameter('tzid');
  const tzid = typeof named === 'string' ? named : null;
  if (tzid === null) return instantIn(zone, day, clock);
  const brought = zones.get(tzid);
  if (brought) {
    const local = time.clone();
    local.zone = brought;
    return local.toJSDate();
  }
  try {
    return instantIn(tzid, day, clock);
  } catch {
    throw new Unread(`Its time zone “${tzid.slice(0, 60)}” is not one we know, and the file does not say what it is.`);
  }
}

function daysFrom(from: IsoDate, length: number, title: string): CalendarSpan[] {
  const days = Math.max(1, Math.round(length / 86_400_000));
  return [{ title, from, until: addDays(from, days - 1), fromTime: null, untilTime: null }];
}

/** Hours of one day; what runs over midnight is a stretch of each day it touches. */
function hoursFrom(begins: Date, length: number, title: string, zone: string): CalendarSpan[] {
  if (length === 0) return [];
  const ends = new Date(begins.getTime() + length);
  const [first, last] = [dateIn(zone, begins), dateIn(zone, new Date(ends.getTime() - 1))];
  const [fromTime, untilTime] = [timeIn(zone, begins), timeIn(zone, ends)];
  if (first === last) return [{ title, from: first, until: first, fromTime, untilTime: untilTime === '00:00' ? '23:59' : untilTime }];
  const between = addDays(first, 1) < last ? [{ title, from: addDays(first, 1), until: addDays(last, -1), fromTime: null, untilTime: null }] : [];
  return [
    { title, from: first, until: first, fromTime, untilTime: '23:59' },
    ...between,
    ...(untilTime === '00:00'
      ? [{ title, from: last, until: last, fromTime: null, untilTime: null }]
      : [{ title, from: last, until: last, fromTime: '00:00', untilTime }]),
  ];
}
