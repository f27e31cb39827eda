import type { Case, CaseFile } from './cases';
import { isPossible } from './solve';

/** One thing that was asked for, and the case without it. */
export interface Request {
  readonly code: 'goal' | 'times' | 'by' | 'pin' | 'settled' | 'classes' | 'minutes' | 'hours';
  /** The technique it is about; null for classes, minutes and hours. */
  readonly technique: string | null;
  readonly without: (one: Case) => Case;
}

/** A change that makes every goal possible, worked out beforehand. */
export interface MendOf {
  readonly code: 'weeks' | 'minutes' | 'hour' | 'times' | 'later' | 'settled' | 'without' | 'practise' | 'unpin' | 'arrive';
  readonly technique: string | null;
  /** Weeks, minutes or times; null where there is no number. */
  readonly number: number | null;
  readonly hour: 'm' | 'd' | 'e' | null;
  /** Where a climb would arrive instead. */
  readonly way?: { readonly pattern: string; readonly dose: string };
  readonly with: (one: Case) => Case;
}

const DAY_MS = 86_400_000;
const day = (date: string, more: number) => new Date(Date.parse(date) + more * DAY_MS).toISOString().slice(0, 10);

/** A case with as many more classes as fit so many weeks, on the weekdays and at the hours it has. */
export function longer(one: Case, weeks: number): Case {
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

function laterDates({ dates, further }: Case, weeks: number, fits: (date: string) => boolean): string[] {
  const last = dates.at(-1)!;
  if (further) return further.dates.filter((date) => date > last && date < day(further.firstDate, (further.weeks + weeks) * 7));
  return Array.from({ length: weeks * 7 }, (_, index) => day(last, index + 1)).filter(fits);
}

const goalsWithout = (one: Case, technique: string): Case => ({ ...one, goals: one.goals.filter(({ v }) => v !== technique) });
const times = (one: Case, technique: string, r: number): Case => ({
  ...one,
  goals: one.goals.map((goal) => (goal.v === technique ? { ...goal, r } : goal)),
});

const later = (one: Case, technique: string): Case => ({
  ...one,
  goals: one.goals.map((goal) => (goal.v === technique ? { ...goal, by: undefined } : goal)),
});
const settled = (one: Case): Case => ({ ...one, unsettled: [] });

/** Everything a case asks for that could be taken away. */
export function requestsOf(one: Case): Request[] {
  const open = one.dates.filter((_, at) => !one.fixed[at]).length;
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
    { code: 'classes', technique: null, without: (of) => longer(of, Math.max(8, open)) },
    { code: 'minutes', technique: null, without: (of) => ({ ...of, minutes: of.minutes.map((minutes) => Math.max(minutes, MOST_MINUTES)) }) },
    { code: 'hours', technique: null, without: (of) => ({ ...of, hours: ANY_HOUR.repeat(of.dates.length) }) },
  ];
}

/** Long enough for five of anything. */
const MOST_MINUTES = 120;
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

function subsets<T>(of: readonly T[], size: number): T[][] {
  if (size === 0) return [[]];
  return of.flatMap((first, index) => subsets(of.slice(index + 1), size - 1).map((rest) => [first, ...rest]));
}

/** Weeks a course is made longer by, at the most, to see whether that helps. */
const MOST_WEEKS = 16;
const LENGTHS = [45, 60, 75, 90] as const;

/** Single changes that could make a case possible, the gentlest first. */
function mendsIn(file: CaseFile, one: Case): MendOf[] {
  const longest = Math.max(...one.minutes);
  const plain = { technique: null, number: null, hour: null } as const;
  const needed = new Set<string>();
  const already = new Set(one.already);
  const walk = (id: string): void => {
    if (needed.has(id) || already.has(id)) return;
    needed.add(id);
    for (const [needs, to] of file.edges) if (to === id) walk(needs);
  };
  for (const { v } of one.goals) walk(v);
  return [
    ...LENGTHS.filter((minutes) => minutes > longest).map((minutes): MendOf => ({
      ...plain,
      code: 'minutes',
      number: minutes,
      with: (of) => ({ ...of, minutes: of.minutes.map((own, at) => (of.fixed[at] ? own : Math.max(own, minutes))) }),
    })),
    ...(['m', 'd', 'e'] as const)
      .filter((hour) => [...one.hours].some((own) => own !== hour))
      .map((hour): MendOf => ({ ...plain, code: 'hour', hour, with: (of) => ({ ...of, hours: hour.repeat(of.dates.length) }) })),
    ...one.goals
      .filter(({ r }) => r > 1)
      .map(({ v, r }): MendOf => ({ ...plain, code: 'times', technique: v, number: r - 1, with: (of) => times(of, v, r - 1) })),
    ...one.goals.filter(({ by }) => by !== undefined).map(({ v }): MendOf => ({ ...plain, code: 'later', technique: v, with: (of) => later(of, v) })),
    ...((one.unsettled ?? []).some((id) => needed.has(id)) ? [{ ...plain, code: 'settled', with: settled } as const] : []),
    ...one.pins.map(([at, v]): MendOf => ({
      ...plain,
      code: 'unpin',
      technique: v,
      number: at + 1,
      with: (of) => ({ ...of, pins: of.pins.filter((pin) => pin[0] !== at || pin[1] !== v) }),
    })),
    ...[...needed]
      .filter((id) => !one.goals.some(({ v }) => v === id))
      .map((id): MendOf => ({ ...plain, code: 'practise', technique: id, with: (of) => ({ ...of, already: [...of.already, id] }) })),
    ...(one.goals.length > 1 ? one.goals : []).map(({ v }): MendOf => ({
      ...plain,
      code: 'without',
      technique: v,
      with: (of) => goalsWithout(of, v),
    })),
  ];
}

/** Mends that were tried and work, each alone; pairs where no single one does. */
export function mendsFor(file: CaseFile, one: Case, enough: () => boolean): readonly (readonly MendOf[])[] {
  const works = (mends: readonly MendOf[]) =>
    isPossible(
      file,
      mends.reduce((of, mend) => mend.with(of), one),
      enough,
    ) === true;
  const single = [...weeksMend(file, one, enough), ...mendsIn(file, one)].filter((mend) => works([mend]));
  single.push(...one.goals.flatMap(({ v }) => arriveMend(one, v, (mend) => works([mend]))));
  // Of longer classes the shortest that does is enough.
  const shortest = single.filter((mend, index) => mend.code !== 'minutes' || single.findIndex(({ code }) => code === 'minutes') === index);
  if (shortest.length > 0) return shortest.map((mend) => [mend]);
  const candidates = [...[2, 4, 8].map((weeks) => weeksBy(one, weeks)), ...mendsIn(file, one)];
  const pairs: (readonly MendOf[])[] = [];
  for (const pair of subsets(candidates, 2)) {
    if (pairs.length >= MOST_PAIRS || enough()) break;
    if (pair[0].code === pair[1].code && pair[0].technique === pair[1].technique) continue;
    if (works(pair)) pairs.push(pair);
  }
  return pairs;
}

const MOST_PAIRS = 6;

/** The furthest a climb could be asked to arrive at, short of its end, if that does. */
function arriveMend(one: Case, technique: string, works: (mend: MendOf) => boolean): MendOf[] {
  const steps = one.goals.find(({ v }) => v === technique)?.steps ?? [];
  const upTo = (step: number): MendOf => ({
    code: 'arrive',
    technique,
    number: null,
    hour: null,
    way: steps[step].way,
    with: (of) => ({ ...of, goals: of.goals.map((goal) => (goal.v === technique ? { ...goal, steps: steps.slice(0, step + 1) } : goal)) }),
  });
  // Where a shorter climb does not do, no longer one does.
  // What was taught stands on its step: no climb ends below it.
  const taught = one.fixed.flatMap((held) => (held ?? []).flatMap((own) => (typeof own !== 'string' && own[0] === technique ? [own[1]] : [])));
  const least = Math.max(0, ...taught);
  const at = steps.flatMap(({ way, once }, step) => (way && !once && step >= least && step < steps.length - 1 ? [step] : []));
  let [low, high] = [-1, at.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (works(upTo(at[middle]))) low = middle;
    else high = middle - 1;
  }
  return low < 0 ? [] : [upTo(at[low])];
}

function weeksBy(one: Case, more: number): MendOf {
  const weeks = one.further?.weeks ?? Math.ceil((Date.parse(one.dates.at(-1)!) - Date.parse(one.dates[0]) + DAY_MS) / (7 * DAY_MS));
  return { code: 'weeks', technique: null, number: weeks + more, hour: null, with: (of) => longer(of, more) };
}

/** The fewest more weeks that do, if any do. */
function weeksMend(file: CaseFile, one: Case, enough: () => boolean): MendOf[] {
  const does = (more: number) => isPossible(file, longer(one, more), enough) === true;
  if (!does(MOST_WEEKS)) return [];
  let [low, high] = [0, MOST_WEEKS];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (does(middle)) high = middle;
    else low = middle;
  }
  return [weeksBy(one, high)];
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

const HOURS = { m: 'a morning class', d: 'a class by day', e: 'an evening class' } as const;

/** A mend as its button says it. @example mendOfText({ code: 'weeks', number: 12, technique: null, hour: null }, (id) => id) // "12 weeks" */
export function mendOfText({ code, technique, number, hour, way }: Omit<MendOf, 'with'>, name: (id: string) => string): string {
  const of = name(technique ?? '');
  switch (code) {
    case 'weeks':
      return `${number} weeks`;
    case 'minutes':
      return `${number} minutes`;
    case 'hour':
      return HOURS[hour ?? 'm'];
    case 'times':
      return `${of} ${number === 1 ? 'once' : `${number} times`}`;
    case 'later':
      return `${of} later than its day`;
    case 'settled':
      return 'a settled group';
    case 'arrive':
      return `${of} up to ${way?.pattern} for ${way?.dose}`;
    case 'without':
      return `without ${of}`;
    case 'practise':
      return `they already practise ${of}`;
    case 'unpin':
      return `${of} no longer pinned to class ${number}`;
  }
}
