import { hourOf, type Planning } from '../course';
import { isPossible, solve } from '../course/drafting';
import { wayDown } from '../ladder';
import type { Library } from '../library';
import { isForHome } from '../techniques';
import { addDays, type IsoDate } from '../units';
import { listed } from '../wording';
import { SERIES_LIMITS } from './limits';
import { mostReached } from './minutes';
import { fewestMinutes, GRID, isConnected, isForSomebody, minutesThere, problemOf, wantedOf, type SeriesAsked } from './problem';
import type { SeriesDay, StayingDays } from './types';

/** One change of what is asked of a series that lets something come which does not. */
export type SeriesMend =
  | { readonly mend: 'longer'; readonly days: number }
  | { readonly mend: 'live'; readonly weekdays: readonly number[] }
  | { readonly mend: 'hour'; readonly start: string }
  | { readonly mend: 'minutes'; readonly from: number; readonly to: number }
  | { readonly mend: 'earlier'; readonly technique: string; readonly week: number }
  | { readonly mend: 'no gentle days' }
  /** The group practises it already, and all that it stands on. */
  | { readonly mend: 'practised'; readonly technique: string }
  | { readonly mend: 'without'; readonly technique: string };

/** Why something wanted does not come. */
export interface NotReached {
  readonly technique: string;
  readonly why: 'left out by all' | 'hour' | 'not alone' | 'not settled' | 'minutes' | 'days' | 'no place' | 'no free day';
  /** How often it comes all the same; not said by drafts from before. */
  readonly comes?: number;
  /** Ways to let it come with all that comes already, each tried; two changes together where no single one does. */
  readonly mends: readonly (readonly SeriesMend[])[];
}

/** When a practice of each part of the day usually begins. */
const STARTS = ['06:30', '12:30', '18:30'] as const;
/** Weekdays on which classes are the likeliest to be held: the fewest first. */
const LIKELY_LIVE: readonly (readonly number[])[] = [[3], [6], [2], [4], [1], [5], [7], [2, 5], [3, 6], [1, 4], [1, 3, 5]];
/** How long one change is tried: so often the search may ask whether it is enough. What was not settled by then is not offered. */
const LOOKS = 20;
/** How many pairs of changes are offered. */
const MOST_PAIRS = 3;

/**
 * Why each of some techniques does not come, and what would let it.
 * @param left what does not come of all that is wanted
 * @param dates the date of every day
 * @param stay days that stay as they are
 */
export function notReached(
  left: readonly string[],
  asking: SeriesAsked,
  dates: readonly IsoDate[],
  planning: Planning,
  enough: () => boolean,
  stay: StayingDays = [],
): NotReached[] {
  const wanted = wantedOf(asking);
  const reached = wanted.filter((id) => !left.includes(id));
  const does = (mends: readonly SeriesMend[], technique: string): boolean => {
    if (enough()) return false;
    const then = mends.reduce(withMend, asking);
    const practised = mends.flatMap((one) => (one.mend === 'practised' ? [one.technique, ...wayDown(planning.ladder, one.technique)] : []));
    const group = { ...planning, already: new Set([...planning.already, ...practised]) };
    let asked = 0;
    const stop = () => (asked += 1) > LOOKS || enough();
    const problem = (some?: readonly string[]) => problemOf(then, overDays(dates, then.length), group, stay, some);
    const { file, one } = problem([...reached, technique]);
    if (isPossible(file, one, stop) !== true) return false;
    if (left.length === 1) return true;
    // Where several do not come, a draft might give one of the others its place.
    const whole = problem();
    const { status, reached: come } = solve(whole.file, whole.one, { enough: stop });
    return status === 'proved' && whole.one.goals.some(({ v }, at) => v === technique && come[at] !== null);
  };
  return left.map((technique) => {
    const mends = planning.already.has(technique) ? [] : mendsOf(candidates(technique, asking, planning, stay), technique, does);
    const why = whyNot(technique, asking, dates, planning, stay);
    return {
      technique,
      why: why === 'days' && !lackDays(mends) ? 'no place' : why,
      mends: [...mends, ...(wanted.length > 1 ? [[{ mend: 'without', technique } as const]] : [])],
    };
  });
}

/** Days are what is lacking where nothing does without more of them, or without what they would be needed for. */
const lackDays = (mends: readonly (readonly SeriesMend[])[]): boolean =>
  mends.length > 0 && mends.every((together) => together.some(({ mend }) => mend === 'longer' || mend === 'practised'));

/** What does not come as often as it was asked for, with how often it does. */
export const withTimes = (all: readonly NotReached[], days: readonly SeriesDay[]): NotReached[] =>
  all.map((one) => ({ ...one, comes: days.filter(({ blocks }) => blocks.some(({ technique }) => technique === one.technique)).length }));

function mendsOf(
  groups: readonly (readonly SeriesMend[])[],
  technique: string,
  does: (mends: readonly SeriesMend[], technique: string) => boolean,
): (readonly SeriesMend[])[] {
  // Of several of one kind, the gentlest that does is enough.
  const single = groups.flatMap((group) => group.filter((mend) => does([mend], technique)).slice(0, 1));
  if (single.length > 0) return single.map((mend) => [mend]);
  const pairs: (readonly SeriesMend[])[] = [];
  for (const [at, group] of groups.entries())
    for (const other of groups.slice(at + 1)) {
      const pair = group.flatMap((one) => other.map((two) => [one, two] as const)).find((two) => does(two, technique));
      if (pair) pairs.push(pair);
      if (pairs.length >= MOST_PAIRS) return pairs;
    }
  return pairs;
}

/** Changes that may help, of each kind the gentlest first. */
function candidates(technique: string, asked: SeriesAsked, planning: Planning, stay: StayingDays): readonly (readonly SeriesMend[])[] {
  const { length, from, to, start, live, themes, pairings, gentleEvery } = asked;
  const { mostMinutes, lengths } = SERIES_LIMITS;
  const way = wayDown(planning.ladder, technique).filter((id) => !planning.already.has(id));
  const upTo = Math.min(mostMinutes, mostReached(asked, minutesThere(stay)));
  const inTheWeek = [...way, technique].filter((id) => themes.slice(1).some((theme) => theme.includes(id)));
  return [
    lengths.filter((days) => days > length).map((days) => ({ mend: 'longer', days })),
    LIKELY_LIVE.filter((weekdays) => !weekdays.some((day) => live.includes(day))).map((weekdays) => ({ mend: 'live', weekdays })),
    STARTS.filter((other) => hourOf(other) !== hourOf(start)).map((other) => ({ mend: 'hour', start: other })),
    rising(to + 1, upTo).map((most) => ({ mend: 'minutes', from, to: most })),
    // What has begun does not begin with more.
    (stay[0] ? [] : rising(from + 1, mostMinutes)).map((least) => ({ mend: 'minutes', from: least, to: Math.max(least, to) })),
    ...inTheWeek.map((id) =>
      rising(
        1,
        themes.findIndex((theme) => theme.includes(id)),
      )
        .reverse()
        .map((week): SeriesMend => ({ mend: 'earlier', technique: id, week })),
    ),
    gentleEvery > 0 ? [{ mend: 'no gentle days' }] : [],
    // What stands highest first: it has the least to be believed.
    ...(pairings.length > 0 && technique === GRID ? [] : way.map((id): readonly SeriesMend[] => [{ mend: 'practised', technique: id }])),
  ];
}

const rising = (from: number, to: number): number[] => Array.from({ length: Math.max(0, to - from + 1) }, (_, more) => from + more);

/** What is asked of a series after a change. @example withMend(asked, { mend: 'longer', days: 30 }).length // 30 */
export function withMend(asked: SeriesAsked, mend: SeriesMend): SeriesAsked {
  const { live, themes, pairings } = asked;
  const without = (technique: string) => themes.map((theme) => theme.filter((id) => id !== technique));
  switch (mend.mend) {
    case 'longer':
      return { ...asked, length: mend.days };
    case 'live':
      return { ...asked, live: [...live, ...mend.weekdays].sort() };
    case 'hour':
      return { ...asked, start: mend.start };
    case 'minutes':
      return { ...asked, from: mend.from, to: mend.to };
    case 'earlier':
      return { ...asked, themes: without(mend.technique).map((theme, at) => (at === mend.week - 1 ? [...theme, mend.technique] : theme)) };
    case 'no gentle days':
      return { ...asked, gentleEvery: 0 };
    case 'practised':
      return asked;
    case 'without':
      return { ...asked, themes: without(mend.technique), pairings: mend.technique === GRID ? [] : pairings };
  }
}

/** The dates of a series of another length: as they are, and day by day after them. */
export const overDays = (dates: readonly IsoDate[], length: number): IsoDate[] =>
  Array.from({ length }, (_, index) => dates[index] ?? addDays(dates[dates.length - 1], index - dates.length + 1));

function whyNot(technique: string, asked: SeriesAsked, dates: readonly IsoDate[], planning: Planning, stay: StayingDays): NotReached['why'] {
  const { basis, ladder, already, settled } = planning;
  const { minutes, kinds } = problemOf(asked, dates, planning, stay);
  const open = dates.flatMap((_, index) => (stay[index] ? [] : [index]));
  const way = [technique, ...wayDown(ladder, technique)].filter((id) => id === technique || !already.has(id));
  if (way.some((id) => !basis.library.technique(id).taughtAt.includes(hourOf(asked.start)))) return 'hour';
  if (way.some((id) => open.every((at) => !isForSomebody(id, dates[at], planning)))) return 'left out by all';
  if (!open.some((at) => kinds[at] === 'live') && way.some((id) => !isForHome(planning.basis.library.find(id), planning.taught(id))))
    return 'not alone';
  if (!settled && way.some((id) => isConnected(id, planning))) return 'not settled';
  if (way.some((id) => fewestMinutes(id, planning) > Math.max(...open.map((at) => minutes[at])))) return 'minutes';
  return already.has(technique) ? 'no free day' : 'days';
}

const DAY = ['Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays', 'Sundays'] as const;

/** What a mend's button says. @example seriesMendText({ mend: 'longer', days: 30 }, library) // "30 days" */
export function seriesMendText(mend: SeriesMend, { find }: Pick<Library, 'find'>): string {
  const name = (id: string) => find(id)?.name ?? 'what is no longer in the library';
  switch (mend.mend) {
    case 'longer':
      return `${mend.days} days`;
    case 'live':
      return `live on ${listed(mend.weekdays.map((day) => DAY[day - 1]))}`;
    case 'hour':
      return `at ${mend.start}`;
    case 'minutes':
      return `from ${mend.from} to ${mend.to} minutes`;
    case 'earlier':
      return `${name(mend.technique)} from week ${mend.week}`;
    case 'no gentle days':
      return 'no gentle days';
    case 'practised':
      return `they practise ${name(mend.technique)} already`;
    case 'without':
      return `leave ${name(mend.technique)} out`;
  }
}
