import { CLIMB_LIMITS } from '../climb';
import { shortfalls, type Edge } from '../ladder';
import { addDays, daysBetween, type IsoDate } from '../units';
import { datesOf, kept, minutesOf } from './days';
import { SERIES_LIMITS } from './limits';
import type { CheckIn, Series, SeriesDay } from './types';

/** Where somebody is in a series on a date. */
export interface OwnDay {
  /** The day they practise, from 1; the series' own days stand where they stand. */
  readonly day: number;
  /** How long it is for them: not more than the day has. */
  readonly minutes: number;
  /** Why it is another day than the series has on that date, or a shorter one; null where it is not. */
  readonly why: 'missed' | 'strained' | 'not ready yet' | 'catching up' | null;
  /** Something felt wrong, or two days fell out: the easier version stands first. */
  readonly easierFirst: boolean;
}

/** What the days of one person rest on. */
export interface OwnCourse {
  readonly series: Series;
  readonly ladder: readonly Edge[];
  readonly already: ReadonlySet<string>;
  /** The first day they could practise. */
  readonly joined: IsoDate;
  readonly checkIns: readonly CheckIn[];
}

/**
 * The day somebody practises on a date, from what they did before: never two at once. A missed day is gone on from, repeated, or
 * after two in a row stepped back from, as the series has it; whoever strained, or felt something wrong, steps back one, and so does
 * whoever did not practise for more than 14 days, whatever the rule. Nothing comes that stands on what they did not practise, and
 * whoever is behind catches up by the daily guard.
 * @returns null on a date on which the series has no day
 * @example ownDay({ series, ladder, already, joined: first, checkIns: [] }, first)?.day // 1
 */
export function ownDay(of: OwnCourse, date: IsoDate): OwnDay | null {
  const { series, checkIns, joined } = of;
  const dates = datesOf(series);
  if (!dates.includes(date) || date < joined) return null;
  const byDate = new Map(checkIns.map((one) => [one.date, one]));
  let day = series.missed === 'repeat' ? 1 : dates.findIndex((one) => one >= joined) + 1;
  let missed = 0;
  let why: OwnDay['why'] = null;
  for (const past of dates.filter((one) => one >= joined && one < date)) {
    const said = byDate.get(past);
    if (said && kept(said)) {
      const hard = hardOn(said);
      missed = 0;
      if (hard) why = 'strained';
      const again = said.did === 'something else' && series.missed === 'repeat';
      day = hard ? stepBack(series.days, day) : again ? day : Math.min(day + 1, series.days.length);
      continue;
    }
    const back = hardOn(said);
    missed += 1;
    if (back) why = 'strained';
    else if (series.missed !== 'go on' && (series.missed === 'repeat' || missed >= SERIES_LIMITS.missedBack)) why = 'missed';
    day = afterMissed(series, day, missed, back);
  }
  const last = checkIns.filter((one) => kept(one) && one.date < date).at(-1);
  const steppedBack = series.missed === 'step back' && missed >= SERIES_LIMITS.missedBack;
  if (last && daysBetween(last.date, date) > CLIMB_LIMITS.pauseDays && !steppedBack) {
    why = 'missed';
    day = stepBack(series.days, day);
  }
  const ready = readyDay(of, day, date);
  const minutes = minutesFor(of, ready, date);
  const same = ready === dates.indexOf(date) + 1;
  const shorter = minutes < minutesOf(series.days[ready - 1]) ? 'catching up' : null;
  return {
    day: ready,
    minutes,
    why: same ? shorter : ready < day ? 'not ready yet' : why,
    easierFirst: missed >= SERIES_LIMITS.missedBack || hardOn(byDate.get(addDays(date, -1))),
  };
}

/** Something felt wrong, or it was too much, and nobody took it back. */
const hardOn = (said: CheckIn | undefined) => said !== undefined && (said.felt === 'strained' || said.signs) && !said.undone;

function afterMissed({ missed: rule, days }: Series, day: number, inARow: number, hard: boolean): number {
  if (hard) return stepBack(days, day);
  const next = Math.min(day + 1, days.length);
  switch (rule) {
    case 'go on':
      return next;
    case 'repeat':
      return day;
    case 'step back':
      if (inARow < SERIES_LIMITS.missedBack) return next;
      return inARow === SERIES_LIMITS.missedBack ? stepBack(days, day) : day;
  }
}

const practice = (day: SeriesDay) => day.blocks.map(({ technique, pattern, dose }) => `${technique} ${pattern} ${dose}`).join('+');

/** One step back: the nearest day before that is not gentle and asks for less, or for something else; the first day where there is none. */
export function stepBack(days: readonly SeriesDay[], day: number): number {
  const from = days[day - 1];
  for (let back = day - 1; back >= 1; back -= 1) {
    const one = days[back - 1];
    if (one.kind !== 'gentle' && practice(one) !== practice(from) && minutesOf(one) <= minutesOf(from)) return back;
  }
  return 1;
}

/** The last day, up to one, that somebody is ready for: everything it needs was practised by themselves, so often and so long ago. */
function readyDay({ series, ladder, already, checkIns }: OwnCourse, day: number, date: IsoDate): number {
  const practised = new Map<string, IsoDate[]>();
  for (const { date: on, did, techniques } of checkIns)
    if (did === 'done' && on < date) for (const id of techniques) practised.set(id, [...(practised.get(id) ?? []), on]);
  const ready = (one: SeriesDay) =>
    one.blocks.every(({ technique }) => practised.has(technique) || shortfalls(ladder, technique, date, practised, already).length === 0);
  let at = day;
  while (at > 1 && !ready(series.days[at - 1])) at -= 1;
  return at;
}

/**
 * How long a day is for somebody: as the series has it, and by the daily guard at most a minute more than they ever did, three days
 * after it last grew for them. Whoever did nothing yet begins with the minutes of the first day.
 */
function minutesFor({ series: { days }, checkIns }: OwnCourse, day: number, date: IsoDate): number {
  const { growMinutes, growDays } = SERIES_LIMITS;
  let [level, since]: [number, IsoDate | null] = [minutesOf(days[0]), null];
  const may = (asked: number, on: IsoDate) => {
    const most = since === null || daysBetween(since, on) < growDays ? level : level + growMinutes;
    return Math.min(asked, most);
  };
  for (const one of checkIns) {
    if (one.did !== 'done' || one.date >= date) continue;
    const minutes = may(minutesOf(days[Math.min(one.day, days.length) - 1]), one.date);
    if (minutes > level || since === null) [level, since] = [Math.max(level, minutes), one.date];
  }
  return may(minutesOf(days[day - 1]), date);
}
