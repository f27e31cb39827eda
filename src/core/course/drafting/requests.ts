import type { Case, CaseFile } from './cases';
import { isPossible } from './solve';

/** One thing that was asked for, and the case without it. */
export interface Request {
  readonly code: 'goal' | 'times' | 'by' | 'pin' | 'settled' | 'classes' | 'minutes' | 'hours';
  /** The technique it is about; null for classes, minutes and hours. */
  readonly technique: string | null;
  readonly without: (one: Case) => Case;
}

export const DAY_MS = 86_400_000;
const day = (date: string, more: number) => new Date(Date.parse(date) + more * DAY_MS).toISOString().slice(0, 10);

/** Classes on their days. */
type Dated = Pick<Case, 'dates' | 'hours' | 'minutes' | 'further'>;

/** A case with as many more classes as fit so many weeks, on the weekdays and at the hours it has. */
export function longer<C extends Dated>(one: C, weeks: number): C {
  const week = one.dates.map((date, at) => ({ at, weekday: new Date(date).getUTCDay(), date })).filter(({ date }) => date < day(one.dates[0], 7));
  const like = (date: string) => week.find(({ weekday }) => weekday === new Date(date).getUTCDay())?.at ?? 0;
  const more = laterDates(one, weeks, (date) => week.some(({ weekday }) => weekday === new Date(date).getUTCDay()));
  return {
    ...one,
    dates: [...one.dates, ...more],
    hours: one.hours + more.map((date) => one.hours[like(date)]).join(''),
    minutes: [...one.minutes, ...more.map((date) => one.minutes[like(date)])],
  };
}

function laterDates({ dates, further }: Dated, weeks: number, fits: (date: string) => boolean): string[] {
  const last = dates.at(-1)!;
  if (further) return further.dates.filter((date) => date > last && date < day(further.firstDate, (further.weeks + weeks) * 7));
  return Array.from({ length: weeks * 7 }, (_, index) => day(last, index + 1)).filter(fits);
}

export const goalsWithout = (one: Case, technique: string): Case => ({ ...one, goals: one.goals.filter(({ v }) => v !== technique) });
export const times = (one: Case, technique: string, r: number): Case => ({
  ...one,
  goals: one.goals.map((goal) => (goal.v === technique ? { ...goal, r } : goal)),
});

export const later = (one: Case, technique: string): Case => ({
  ...one,
  goals: one.goals.map((goal) => (goal.v === technique ? { ...goal, by: undefined } : goal)),
});
export const settled = (one: Case): Case => ({ ...one, unsettled: [] });

/** Everything a case asks for that could be taken away. */
export function requestsOf(one: Case): Request[] {
  return [
    ...one.goals.map(({ v }): Request => ({ code: 'goal', technique: v, without: (of) => goalsWithout(of, v) })),
    ...one.goals.filter(({ r }) => r > 1).map(({ v }): Request => ({ code: 'times', technique: v, without: (of) => times(of, v, 1) })),
    ...one.goals.filter(({ by }) => by !== undefined).map(({ v }): Request => ({ code: 'by', technique: v, without: (of) => later(of, v) })),
    ...((one.unsettled ?? []).length > 0 ? [{ code: 'settled', technique: null, without: settled } as const] : []),
    ...one.pins.map(([at, v]): Request => ({
      code: 'pin',
      technique: v,
      without: (of) => ({ ...of, pins: of.pins.filter((pin) => pin[0] !== at || pin[1] !== v) }),
    })),
    { code: 'classes', technique: null, without: (of) => longer(of, ANY_WEEKS) },
    { code: 'minutes', technique: null, without: (of) => ({ ...of, minutes: of.minutes.map((minutes) => Math.max(minutes, MOST_MINUTES)) }) },
    { code: 'hours', technique: null, without: (of) => ({ ...of, hours: ANY_HOUR.repeat(of.dates.length) }) },
  ];
}

/** Long enough for five of anything. */
const MOST_MINUTES = 120;
/** More weeks than a course may have. */
const ANY_WEEKS = 26;
/** An hour that suits every technique. */
const ANY_HOUR = '*';
/** Clashes of more requests than this are not looked for one size after another. */
const MOST_TOGETHER = 3;

/**
 * The least set of requests that cannot be kept together: taken away one at a time first, then every smaller size is tried.
 * @returns null when all of them can be kept, or it was not settled in time
 */
export function clashOf(file: CaseFile, one: Case, enough: () => boolean): readonly Request[] | null {
  const all = requestsOf(one);
  const possible = (kept: readonly Request[]) =>
    isPossible(
      file,
      all.filter((request) => !kept.includes(request)).reduce((of, request) => request.without(of), one),
      enough,
    );
  if (possible(all) !== false) return null;
  let least: readonly Request[] = all;
  // What is not in a set that can be kept: every clash has at least one of these.
  const missing: Request[][] = [];
  // Goals that can be left out are tried first, so that what remains is about as few of them as can be.
  for (const request of [...all].reverse()) {
    const fewer = least.filter((other) => other !== request);
    const kept = possible(fewer);
    if (kept === false) least = fewer;
    if (kept === true) missing.push(all.filter((other) => !fewer.includes(other)));
  }
  const mayClash = (kept: readonly Request[]) => missing.every((some) => some.some((request) => kept.includes(request)));
  for (let size = 1; size < Math.min(least.length, MOST_TOGETHER + 1); size += 1) {
    const smaller = subsets(all, size).find((kept) => mayClash(kept) && possible(kept) === false);
    if (smaller) return smaller;
    if (enough()) return least;
  }
  return least;
}

/**
 * What a goal clashes with: requests of which each, taken away by itself, gives it its place beside all the rest. Where there are none
 * such, one clash after another, each with nothing in it that could be spared, until without all of them it has its place.
 * @returns nothing named where no such course has room for it: that is proved
 */
export function clashesWith(
  file: CaseFile,
  one: Case,
  technique: string,
  enough: () => boolean,
): readonly (readonly Request[])[] | 'has a place' | 'not settled' {
  const all = requestsOf(one).filter(({ code, technique: of }) => !(code === 'goal' && of === technique));
  const possible = (taken: readonly Request[]) =>
    isPossible(
      file,
      taken.reduce((of, request) => request.without(of), one),
      enough,
    );
  const now = possible([]);
  if (now !== false) return now ? 'has a place' : 'not settled';
  const each = all.filter((request) => possible([request]) === true);
  if (each.length > 0) return [each];
  const clashes: (readonly Request[])[] = [];
  for (let open: readonly Request[] = all; ;) {
    const settled = possible(all.filter((request) => !open.includes(request)));
    if (settled === true) return clashes;
    if (settled === null || enough()) return 'not settled';
    let least = open;
    for (const request of [...open].reverse()) {
      const fewer = least.filter((other) => other !== request);
      if (possible(all.filter((other) => !fewer.includes(other))) === false) least = fewer;
    }
    // Impossible whatever is taken away.
    if (least.length === 0) return [];
    clashes.push(least);
    open = open.filter((request) => !least.includes(request));
  }
}

export function subsets<T>(of: readonly T[], size: number): T[][] {
  if (size === 0) return [[]];
  return of.flatMap((first, index) => subsets(of.slice(index + 1), size - 1).map((rest) => [first, ...rest]));
}

/** A case with one of the goals that have no place, and without the others and what is pinned of them. */
export function withoutOthers(one: Case, left: readonly string[], technique: string): Case {
  const gone = new Set(left.filter((other) => other !== technique));
  return { ...one, goals: one.goals.filter(({ v }) => !gone.has(v)), pins: one.pins.filter(([, v]) => !gone.has(v)) };
}

/** A request as a few words. @example requestText({ code: 'times', technique: 'square-6' }, (id) => id) // "square-6 so often" */
export function requestText({ code, technique }: Pick<Request, 'code' | 'technique'>, name: (id: string) => string): string {
  switch (code) {
    case 'goal':
      return name(technique ?? '');
    case 'times':
      return `${name(technique ?? '')} more than once`;
    case 'by':
      return `the day ${name(technique ?? '')} is asked for`;
    case 'settled':
      return 'the tick that the group is settled, which is not set';
    case 'pin':
      return `${name(technique ?? '')} pinned to its class`;
    case 'classes':
      return 'the number of classes';
    case 'minutes':
      return 'the minutes of a class';
    case 'hours':
      return 'the hour of the day';
  }
}
