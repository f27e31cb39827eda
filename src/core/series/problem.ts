import { hourOf, type Planning } from '../course';
import type { Case, CaseFile } from '../course/drafting';
import { wayDown } from '../ladder';
import { readBlock } from '../plan';
import { isForHome, isSideWork } from '../techniques';
import { weekday, type IsoDate } from '../units';
import { minutesOf, weekOfDay } from './days';
import { SERIES_LIMITS } from './limits';
import { dailyMinutes, isGentle, type Asked } from './minutes';
import type { DayKind, StayingDays } from './types';

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

export const HOUR = { morning: 'm', day: 'd', evening: 'e' } as const;
export const MINUTE_MS = 60_000;
/** The pattern a week of pairings ends with. */
export const GRID = 'throat-grid';

/** What each day is: as it stands, live on its weekdays while the studio is open, else gentle in its turn, else alone. */
function kindsOf({ length, gentleEvery, live, closed }: SeriesAsked, dates: readonly IsoDate[], stay: StayingDays): DayKind[] {
  const asked = (date: IsoDate, day: number) =>
    live.includes(weekday(date)) && !closed.includes(date) ? 'live' : isGentle(day, gentleEvery, length) ? 'gentle' : 'own';
  return dates.map((date, index) => stay[index]?.kind ?? asked(date, index + 1));
}

/** Whether somebody of the group may do something on a date. */
export function isForSomebody(technique: string, date: IsoDate, { tally, taught, tempo }: Planning): boolean {
  const { people, leaveOut, askFirst } = tally({ technique, ...taught(technique), tempo }, date);
  return people === 0 || leaveOut + askFirst < people;
}

/** The fewest minutes, in halves, in which a whole round of something fits. */
export function fewestMinutes(technique: string, { basis, taught, tempo }: Planning): number {
  const fits = (minutes: number) =>
    readBlock({ id: '', kind: 'technique', technique, pattern: taught(technique).pattern, dose: `${minutes} min`, tempo }, basis).timing.fits;
  for (let minutes = 0.5; minutes < SERIES_LIMITS.mostMinutes; minutes += 0.5) if (fits(minutes)) return minutes;
  return SERIES_LIMITS.mostMinutes;
}

/** Everything a series is to reach. */
export const wantedOf = ({ themes, pairings }: Pick<SeriesAsked, 'themes' | 'pairings'>): string[] => [
  ...new Set([...themes.flat(), ...(pairings.length > 0 ? [GRID] : [])]),
];

/** A series as the drafting problem. */
export interface SeriesProblem {
  readonly file: CaseFile;
  readonly one: Case;
  /** Of every day. */
  readonly minutes: readonly number[];
  readonly kinds: readonly DayKind[];
}

/**
 * The series as the drafting problem: every day that is not gentle and not the last, one practice in each.
 * @param stay days that stay as they are: what is practised on them counts
 * @param wanted what is to be reached, of all that is asked
 */
export function problemOf(
  asked: SeriesAsked,
  dates: readonly IsoDate[],
  planning: Planning,
  stay: StayingDays,
  wanted: readonly string[] = wantedOf(asked),
): SeriesProblem {
  const { basis, ladder, already, settled } = planning;
  const minutes = dailyMinutes(asked, minutesThere(stay));
  const kinds = kindsOf(asked, dates, stay);
  const stands = stay.map((day) => day && [...new Set(day.blocks.map(({ technique }) => technique))]);
  const open = dates.flatMap((_, index) => (!stay[index] && (kinds[index] === 'gentle' || index === dates.length - 1) ? [] : [index]));
  const ids = [...new Set([...wanted, ...already, ...stands.flatMap((ids) => ids ?? []), ...wanted.flatMap((id) => wayDown(ladder, id))])].filter(
    (id) => basis.library.find(id) !== null,
  );
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
  // What is named for several weeks comes in the first of them.
  const from = new Map(asked.themes.flatMap((theme, week) => theme.map((id) => [id, week + 1] as const)).reverse());
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
    unsettled: settled ? [] : ids.filter((id) => isConnected(id, planning)),
    goals: wanted.filter((id) => !already.has(id)).map((v) => ({ v, r: v === GRID ? 1 : SERIES_LIMITS.practise })),
    fixed: open.map((index) => stands[index] ?? null),
    open: Object.fromEntries(
      ids.map((id) => [
        id,
        open.map(
          (index) =>
            (kinds[index] === 'live' || isForHome(planning.basis.library.find(id), planning.taught(id))) &&
            weekOfDay(index + 1) >= (from.get(id) ?? 1) &&
            (id !== GRID || from.has(id) || endsPairing(index)) &&
            isForSomebody(id, dates[index], planning),
        ),
      ]),
    ),
    pins: [],
    most: 1,
  };
  return { file, one, minutes, kinds };
}

/** The minutes of days that stay as they are. */
export const minutesThere = (stay: StayingDays) => stay.map((day) => day && minutesOf(day));

/** Connected breath is for a settled group with a teacher there. */
export const isConnected = (technique: string, { basis }: Pick<Planning, 'basis'>): boolean =>
  basis.library.technique(technique).read.pattern.kind === 'connected';
