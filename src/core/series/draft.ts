import { COURSE_LIMITS, type Planning } from '../course';
import { solve, type Case, type CaseFile, type Solved } from '../course/drafting';
import type { TechniqueBlock } from '../plan';
import { isForHome } from '../techniques';
import type { IsoDate } from '../units';
import { minutesOf, weekOfDay } from './days';
import { isForSomebody, MINUTE_MS, problemOf, wantedOf, type SeriesAsked } from './problem';
import type { SeriesDay, StayingDays } from './types';

export interface SeriesDraft {
  readonly days: readonly SeriesDay[];
  /** What is wanted and does not come. */
  readonly left: readonly string[];
  readonly proved: boolean;
}

/**
 * Drafts the days of a series with the same drafter, ladder and screening as a course: one thing a day, nothing before what it needs,
 * what comes back at growing gaps. Gentle days keep to what is known, the last day gathers all of it.
 * @param dates the date of every day
 * @param planning what the rules ask, for the group that takes part
 * @param stay days that stay as they are: they were practised already, or are to be kept
 */
export function draftSeries(
  asked: SeriesAsked,
  dates: readonly IsoDate[],
  planning: Planning,
  newId: () => string,
  enough: () => boolean,
  stay: StayingDays = [],
): SeriesDraft {
  const wanted = wantedOf(asked);
  const { file, one, minutes, kinds } = problemOf(asked, dates, planning, stay);
  const solved = solve(file, one, { enough });
  const required = requiredBy(file, one, solved);
  const known: string[] = [...planning.already].filter((id) => planning.basis.library.find(id) !== null);
  const had = new Map<string, { readonly day: number; readonly times: number }>();
  const practise = (technique: string, day: number) => {
    if (!known.includes(technique)) known.push(technique);
    had.set(technique, { day, times: (had.get(technique)?.times ?? 0) + 1 });
  };
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
    const there = stay[index];
    if (there) {
      for (const { technique } of there.blocks) if (planning.basis.library.find(technique) !== null) practise(technique, index);
      return there;
    }
    const kind = kinds[index];
    const last = index === dates.length - 1;
    const practised = known.filter(
      (id) =>
        wanted.includes(id) &&
        (kind === 'live' || isForHome(planning.basis.library.find(id), planning.taught(id))) &&
        file.techniques[id].hours.includes(one.hours[0]) &&
        isForSomebody(id, date, planning),
    );
    if (last && practised.length > 0) return { kind, blocks: gathered(practised, minutes[index], fits).map(([id, of]) => block(id, of)) };
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
    practise(technique, index);
    const half = Math.floor(minutes[index]) / 2;
    const partner =
      asked.pairings.includes(weekOfDay(index + 1)) && !isNew && minutes[index] >= 2
        ? practised.findLast((id) => id !== technique && fits(id, half))
        : null;
    if (!partner || !fits(technique, minutes[index] - half)) return { kind, blocks: [block(technique, minutes[index])] };
    return { kind, blocks: [block(technique, minutes[index] - half), block(partner, half)] };
  });
  // What they practise already has nothing to be reached: it is missing only where no day was free for it.
  const times = (id: string) => days.filter(({ blocks }) => blocks.some(({ technique }) => technique === id)).length;
  const left = wanted.filter((id) => {
    const goal = one.goals.findIndex(({ v }) => v === id);
    // What the drafter placed once may come back by itself.
    return goal < 0 ? times(id) === 0 : solved.reached[goal] === null && times(id) < one.goals[goal].r;
  });
  return { days, left, proved: solved.status === 'proved' };
}

/** What the drafter placed because something stands on it, by date; what only fills a day is left out. */
function requiredBy(file: CaseFile, one: Case, { sessions }: Solved): ReadonlyMap<string, string> {
  const had = new Map<string, number>();
  const asked = (id: string) =>
    Math.max(...one.goals.map(({ v, r }) => (v === id ? r : 0)), ...file.edges.map(([needs, , times]) => (needs === id ? times : 0)), 0);
  return new Map(
    sessions.flatMap((session, at) =>
      session.flatMap(([id]) => {
        if (one.already.includes(id)) return [];
        had.set(id, (had.get(id) ?? 0) + 1);
        return had.get(id)! <= asked(id) ? [[one.dates[at], id] as const] : [];
      }),
    ),
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

/** The minutes of each day of a series. @example minutesByDay(days) // [1, 1, 1, 2] */
export const minutesByDay = (days: readonly SeriesDay[]): number[] => days.map(minutesOf);
