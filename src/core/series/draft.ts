import { COURSE_LIMITS, hourOf, type Planning } from '../course';
import { mendsFor, mendOfText, solve, type Case, type CaseFile, type Solved } from '../course/drafting';
import { wayDown } from '../ladder';
import { readBlock, type TechniqueBlock } from '../plan';
import { isSideWork } from '../techniques';
import { weekday, type IsoDate } from '../units';
import { minutesOf, weekOfDay } from './days';
import { SERIES_LIMITS } from './limits';
import { dailyMinutes, isGentle, type Asked } from './minutes';
import type { DayKind, SeriesDay } from './types';

/** What is asked of a series, as plain data. */
export interface SeriesAsked extends Asked {
  /** Wall clock "06:30". */
  readonly start: string;
  /** Weekdays of live days, 1 for Monday; none where all of it is alone. */
  readonly live: readonly number[];
  /** Days on which no class can be held: a live day there is practised alone. */
  readonly closed: readonly IsoDate[];
  /** Techniques that are wanted, by week; a technique waits for its week. */
  readonly themes: readonly (readonly string[])[];
  /** Weeks whose days pair two things that are known, and end with the grid. */
  readonly pairings: readonly number[];
}

/** Why something wanted does not come. */
export interface NotReached {
  readonly technique: string;
  readonly why: 'left out by all' | 'hour' | 'not alone' | 'not settled' | 'days' | 'no free day';
  /** What was tried and makes all of it possible, as words of a button. */
  readonly mends: readonly string[];
}

export interface SeriesDraft {
  readonly days: readonly SeriesDay[];
  readonly left: readonly NotReached[];
  readonly proved: boolean;
}

const HOUR = { morning: 'm', day: 'd', evening: 'e' } as const;
const MINUTE_MS = 60_000;
/** The pattern a week of pairings ends with. */
const GRID = 'throat-grid';

/**
 * Drafts the days of a series with the same drafter, ladder and screening as a course: one thing a day, nothing before what it needs,
 * what comes back at growing gaps. Gentle days keep to what is known, the last day gathers all of it.
 * @param dates the date of every day
 * @param planning what the rules ask, for the group that takes part
 */
export function draftSeries(
  asked: SeriesAsked,
  dates: readonly IsoDate[],
  planning: Planning,
  newId: () => string,
  enough: () => boolean = () => false,
): SeriesDraft {
  const minutes = dailyMinutes(asked);
  const kinds = kindsOf(asked, dates);
  const wanted = [...new Set([...asked.themes.flat(), ...(asked.pairings.length > 0 ? [GRID] : [])])];
  const { file, one } = problemOf(asked, minutes, dates, kinds, wanted, planning);
  const solved = solve(file, one, { enough });
  const required = requiredBy(file, one, solved);
  const known: string[] = [...planning.already].filter((id) => planning.basis.library.find(id) !== null);
  const had = new Map<string, { readonly day: number; readonly times: number }>();
  const block = (technique: string, of: number): TechniqueBlock => ({
    id: newId(),
    kind: 'technique',
    technique,
    pattern: planning.taught(technique).pattern,
    dose: `${of} min`,
    tempo: planning.tempo,
  });
  const fits = (id: string, of: number) => file.techniques[id].ms <= of * MINUTE_MS;
  const mayStand = (id: string, date: IsoDate) =>
    fits(id, one.minutes[one.dates.indexOf(date)]) &&
    one.open?.[id]?.[one.dates.indexOf(date)] === true &&
    file.techniques[id].hours.includes(one.hours[0]);
  const days = dates.map((date, index): SeriesDay => {
    const kind = kinds[index];
    const last = index === dates.length - 1;
    const practised = known.filter((id) => wanted.includes(id) && (kind === 'live' || isForHome(id, planning)) && isForSomebody(id, date, planning));
    if (last && practised.length > 1) return { kind, blocks: gathered(practised, minutes[index], fits).map(([id, of]) => block(id, of)) };
    if (kind === 'gentle') return { kind, blocks: [block(gentlest(known, planning), minutes[index])] };
    const theme = asked.themes[weekOfDay(index + 1) - 1] ?? [];
    const technique =
      required.get(date) ??
      comingBack(
        known.filter((id) => mayStand(id, date)),
        theme,
        index,
        had,
      ) ??
      gentlest(known, planning);
    const isNew = !known.includes(technique);
    if (isNew) known.push(technique);
    had.set(technique, { day: index, times: (had.get(technique)?.times ?? 0) + 1 });
    const half = Math.floor(minutes[index]) / 2;
    const partner =
      asked.pairings.includes(weekOfDay(index + 1)) && !isNew && minutes[index] >= 2
        ? practised.findLast((id) => id !== technique && fits(id, half))
        : null;
    if (!partner || !fits(technique, minutes[index] - half)) return { kind, blocks: [block(technique, minutes[index])] };
    return { kind, blocks: [block(technique, minutes[index] - half), block(partner, half)] };
  });
  // What they practise already has nothing to be reached: it is missing only where no day was free for it.
  const there = new Set(days.flatMap(({ blocks }) => blocks.map(({ technique }) => technique)));
  const left = wanted.filter((id) =>
    planning.already.has(id) ? !there.has(id) : !one.goals.some(({ v }, at) => v === id && solved.reached[at] !== null),
  );
  const mends = left.some((id) => !planning.already.has(id)) ? mendsFor(file, one, enough).map((together) => mendText(together, planning)) : [];
  return {
    days,
    left: left.map((technique) => ({
      technique,
      why: whyNot(technique, dates, kinds, asked, planning),
      mends: planning.already.has(technique) ? [] : mends,
    })),
    proved: solved.status === 'proved',
  };
}

/** What the drafter placed because something stands on it, by date; what only fills a day is left out. */
function requiredBy(file: CaseFile, one: Case, { sessions }: Solved): ReadonlyMap<string, string> {
  const had = new Map<string, number>();
  const asked = (id: string) =>
    Math.max(...one.goals.map(({ v, r }) => (v === id ? r : 0)), ...file.edges.map(([needs, , times]) => (needs === id ? times : 0)), 0);
  return new Map(
    sessions.flatMap((session, at) => {
      const id = session[0]?.[0];
      if (!id || one.already.includes(id)) return [];
      had.set(id, (had.get(id) ?? 0) + 1);
      return had.get(id)! <= asked(id) ? [[one.dates[at], id] as const] : [];
    }),
  );
}

/** What a free day has: what comes back because it is due, else what its week is about. */
function comingBack(
  known: readonly string[],
  theme: readonly string[],
  day: number,
  had: ReadonlyMap<string, { readonly day: number; readonly times: number }>,
): string | null {
  const { gaps } = COURSE_LIMITS;
  const due = (id: string) => {
    const last = had.get(id);
    return last ? day - last.day - gaps[Math.min(last.times, gaps.length) - 1] : 0;
  };
  const byDue = (ids: readonly string[]) => [...ids].sort((a, b) => due(b) - due(a));
  const [own] = byDue(known.filter((id) => theme.includes(id)));
  const [back] = byDue(known.filter((id) => !theme.includes(id) && had.has(id)));
  if (!own) return back ?? null;
  // Never two days in a row away from what the week is about.
  return back && due(back) >= 0 && had.get(own)?.day === day - 1 ? back : own;
}

function mendText(together: readonly Parameters<typeof mendOfText>[0][], { basis }: Planning): string {
  const name = (id: string) => basis.library.find(id)?.name ?? id;
  return together.map((mend) => (mend.code === 'weeks' ? `${(mend.number ?? 0) * 7} days` : mendOfText(mend, name))).join(' and ');
}

function kindsOf({ length, gentleEvery, live, closed }: SeriesAsked, dates: readonly IsoDate[]): DayKind[] {
  return dates.map((date, index) =>
    live.includes(weekday(date)) && !closed.includes(date) ? 'live' : isGentle(index + 1, gentleEvery, length) ? 'gentle' : 'own',
  );
}

/** What is gentlest of what is known: the lowest rung, calm before even, the natural breath where nothing is. */
export function gentlest(known: readonly string[], { basis }: Pick<Planning, 'basis'>): string {
  const quiet = known
    .map((id) => basis.library.technique(id))
    .filter(({ rung, nature, id }) => rung === 1 && nature !== 'activating' && id !== 'natural')
    .sort((a, b) => Number(a.nature !== 'calming') - Number(b.nature !== 'calming'));
  return quiet[0]?.id ?? 'natural';
}

/** All that was practised in one day, each at least a minute, the newest where there is no room for all. */
function gathered(practised: readonly string[], minutes: number, fits: (id: string, of: number) => boolean): (readonly [string, number])[] {
  const some = practised.slice(-Math.max(1, Math.floor(minutes)));
  const each = Math.max(1, Math.floor((minutes / some.length) * 2) / 2);
  const short = some.find((id) => !fits(id, each));
  if (short && some.length > 1)
    return gathered(
      some.filter((id) => id !== short),
      minutes,
      fits,
    );
  return some.map((id, at) => [id, at === some.length - 1 ? minutes - each * (some.length - 1) : each]);
}

/** Whether something may be practised alone at home. */
export function isForHome(technique: string, { basis }: Pick<Planning, 'basis'>): boolean {
  return (basis.library.find(technique)?.rung ?? SERIES_LIMITS.homeRung + 1) <= SERIES_LIMITS.homeRung;
}

function isForSomebody(technique: string, date: IsoDate, { tally, taught, tempo }: Planning): boolean {
  const { people, leaveOut, askFirst } = tally({ technique, ...taught(technique), tempo }, date);
  return people === 0 || leaveOut + askFirst < people;
}

/** The fewest minutes, in halves, in which a whole round of something fits. */
function fewestMinutes(technique: string, { basis, taught, tempo }: Planning): number {
  const fits = (minutes: number) =>
    readBlock({ id: '', kind: 'technique', technique, pattern: taught(technique).pattern, dose: `${minutes} min`, tempo }, basis).timing.fits;
  for (let minutes = 0.5; minutes < SERIES_LIMITS.mostMinutes; minutes += 0.5) if (fits(minutes)) return minutes;
  return SERIES_LIMITS.mostMinutes;
}

/** The series as the drafting problem: every day that is not gentle and not the last, one practice in each. */
function problemOf(
  asked: SeriesAsked,
  minutes: readonly number[],
  dates: readonly IsoDate[],
  kinds: readonly DayKind[],
  wanted: readonly string[],
  planning: Planning,
) {
  const { basis, ladder, already, settled } = planning;
  const open = dates.flatMap((date, index) => (kinds[index] === 'gentle' || index === dates.length - 1 ? [] : [index]));
  const ids = [...new Set([...wanted, ...already, ...wanted.flatMap((id) => wayDown(ladder, id))])].filter((id) => basis.library.find(id) !== null);
  const connected = (id: string) => basis.library.technique(id).read.pattern.kind === 'connected';
  const file: CaseFile = {
    // At home there is no arriving and no lying rest: the minutes are the practice.
    frame: { arrive: 0, movement: 0, movementFrom: Infinity, clearNose: 0, settle: 0, rest: 0, close: 0 },
    techniques: Object.fromEntries(
      ids.map((id) => {
        const technique = basis.library.technique(id);
        const hours = technique.taughtAt.map((hour) => HOUR[hour]).join('');
        const { nature, rung, family } = technique;
        return [id, { ms: fewestMinutes(id, planning) * MINUTE_MS, settle: 0, hours, nature, rung, family, side: isSideWork(technique) ? 1 : 0 }];
      }),
    ),
    edges: ladder
      .filter(({ needs, to }) => ids.includes(needs) && ids.includes(to))
      .map(({ needs, to, sessions, days }) => [needs, to, sessions, days] as const),
    instances: [],
  };
  const from = new Map(asked.themes.flatMap((theme, week) => theme.map((id) => [id, week + 1] as const)));
  // The grid ends a week of pairings: nothing of that week is live after it.
  const endsPairing = (index: number) => {
    const week = weekOfDay(index + 1);
    return asked.pairings.includes(week) && !open.some((later) => later > index && weekOfDay(later + 1) === week && kinds[later] === 'live');
  };
  const one: Case = {
    id: 'series',
    dates: open.map((index) => dates[index]),
    hours: HOUR[hourOf(asked.start)].repeat(open.length),
    minutes: open.map((index) => minutes[index]),
    already: [...already],
    banned: [],
    unqualified: [],
    unsettled: settled ? [] : ids.filter(connected),
    goals: wanted.filter((id) => !already.has(id)).map((v) => ({ v, r: v === GRID ? 1 : SERIES_LIMITS.practise })),
    fixed: open.map(() => null),
    open: Object.fromEntries(
      ids.map((id) => [
        id,
        open.map(
          (index) =>
            (kinds[index] === 'live' || isForHome(id, planning)) &&
            weekOfDay(index + 1) >= (from.get(id) ?? 1) &&
            (id !== GRID || from.has(id) || endsPairing(index)) &&
            isForSomebody(id, dates[index], planning),
        ),
      ]),
    ),
    pins: [],
    most: 1,
  };
  return { file, one };
}

function whyNot(
  technique: string,
  dates: readonly IsoDate[],
  kinds: readonly DayKind[],
  { start }: SeriesAsked,
  planning: Planning,
): NotReached['why'] {
  const way = [technique, ...wayDown(planning.ladder, technique)].filter((id) => id === technique || !planning.already.has(id));
  if (way.some((id) => !planning.basis.library.technique(id).taughtAt.includes(hourOf(start)))) return 'hour';
  if (way.some((id) => dates.every((date) => !isForSomebody(id, date, planning)))) return 'left out by all';
  if (!kinds.includes('live') && way.some((id) => !isForHome(id, planning))) return 'not alone';
  if (!planning.settled && way.some((id) => planning.basis.library.technique(id).read.pattern.kind === 'connected')) return 'not settled';
  return planning.already.has(technique) ? 'no free day' : 'days';
}

/** The minutes of each day of a series. @example minutesByDay(days) // [1, 1, 1, 2] */
export const minutesByDay = (days: readonly SeriesDay[]): number[] => days.map(minutesOf);
