import type { Case, CaseFile } from './cases';
import { DAY_MS, goalsWithout, later, longer, settled, subsets, times, withoutOthers } from './requests';
import { isPossible } from './solve';

/** A change that makes every goal possible, worked out beforehand. */
export interface MendOf {
  readonly code: 'weeks' | 'minutes' | 'hour' | 'times' | 'later' | 'settled' | 'without' | 'practise' | 'unpin' | 'arrive' | 'ready';
  readonly technique: string | null;
  /** Weeks, minutes, times or percent; null where there is no number. */
  readonly number: number | null;
  readonly hour: 'm' | 'd' | 'e' | null;
  /** Where a climb would arrive instead. */
  readonly way?: { readonly pattern: string; readonly dose: string };
  readonly with: (one: Case) => Case;
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

/** What builds on what was asked, before what asks for less, before what gives something up. */
const GENTLEST = [
  'minutes',
  'weeks',
  'settled',
  'hour',
  'unpin',
  'later',
  'times',
  'ready',
  'arrive',
  'without',
  'practise',
] as const satisfies readonly MendOf['code'][];
const rank = (mends: readonly MendOf[]) => Math.max(...mends.map(({ code }) => GENTLEST.indexOf(code)));
const givesUp = (mends: readonly MendOf[]) => mends.some(({ code }) => code === 'without' || code === 'practise');

/**
 * Mends that were tried and work, the gentlest first: each alone; where none alone keeps every goal, two together, or one for each of
 * the goals that have no place.
 * @param left the techniques of the goals that have no place; all of them where it is not said
 */
export function mendsFor(
  file: CaseFile,
  one: Case,
  enough: () => boolean,
  left: readonly string[] = one.goals.map(({ v }) => v),
): readonly (readonly MendOf[])[] {
  const works = (of: Case, mends: readonly MendOf[]) =>
    isPossible(
      file,
      mends.reduce((so, mend) => mend.with(so), of),
      enough,
    ) === true;
  const singly = (of: Case): MendOf[] => {
    const single = [...weeksMend(file, of, enough), ...mendsIn(file, of)].filter((mend) => works(of, [mend]));
    single.push(...of.goals.flatMap(({ v }) => arriveMend(of, v, (mend) => works(of, [mend]))));
    // Of longer classes the shortest that does is enough.
    return single.filter((mend, index) => mend.code !== 'minutes' || single.findIndex(({ code }) => code === 'minutes') === index);
  };
  const found: (readonly MendOf[])[] = singly(one).map((mend) => [mend]);
  const together = function* () {
    yield* oneForEach(file, one, left, singly, enough);
    yield* pairsOf(file, one);
  };
  if (found.every(givesUp))
    for (const mends of together()) {
      if (found.filter((own) => !givesUp(own)).length >= MOST_TOGETHER_MENDS || enough()) break;
      const spare = found.some((own) => own.every((mend) => mends.some((other) => isAlike(mend, other))));
      if (!spare && works(one, mends)) found.push(mends);
    }
  return found.sort((a, b) => rank(a) - rank(b) || a.length - b.length);
}

const isAlike = (a: MendOf, b: MendOf) => a.code === b.code && a.technique === b.technique;

const MOST_TOGETHER_MENDS = 4;

/** Two changes of different things, none of which gives anything up. */
function* pairsOf(file: CaseFile, one: Case): Generator<readonly MendOf[]> {
  const candidates = [...[2, 4, 8].map((weeks) => weeksBy(one, weeks)), ...mendsIn(file, one).filter((mend) => !givesUp([mend]))];
  for (const pair of subsets(candidates, 2)) if (!isAlike(pair[0], pair[1])) yield pair;
}

/** For one goal without a place after another what gives it one beside those that have theirs by then; all of it together. */
function* oneForEach(
  file: CaseFile,
  one: Case,
  left: readonly string[],
  singly: (of: Case) => MendOf[],
  enough: () => boolean,
): Generator<readonly MendOf[]> {
  const mended = (mends: readonly MendOf[], of: Case) => mends.reduce((so, mend) => mend.with(so), of);
  const put = function* (at: number, chosen: readonly MendOf[]): Generator<readonly MendOf[]> {
    if (at === left.length) return yield chosen;
    const beside = mended(chosen, withoutOthers(one, left.slice(at), left[at]));
    if (enough()) return;
    if (isPossible(file, beside, enough)) return yield* put(at + 1, chosen);
    const ways = singly(beside).filter((mend) => !givesUp([mend]));
    for (const mend of ways.slice(0, MOST_EACH)) yield* put(at + 1, [...chosen.filter((other) => !isAlike(other, mend)), mend]);
  };
  // What one goal lacks may only be seen once another has what it lacks.
  for (let from = 0; from < left.length; from += 1) {
    left = [...left.slice(1), left[0]];
    yield* put(0, []);
  }
}

const MOST_EACH = 4;

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

/** How far a climb gets, short of its end; null where it gets nowhere. */
export function furthest(file: CaseFile, one: Case, technique: string, enough: () => boolean): MendOf['way'] | null {
  return arriveMend(one, technique, (mend) => isPossible(file, mend.with(one), enough) === true)[0]?.way ?? null;
}

/** The fewest weeks, more than it has, that make a case possible; null where none up to {@link MOST_WEEKS} more do. */
export function fewestWeeks(file: CaseFile, one: Case, enough: () => boolean): number | null {
  return weeksMend(file, one, enough)[0]?.number ?? null;
}

function weeksBy(one: Case, more: number): MendOf {
  const weeks = one.further?.weeks ?? Math.ceil((Date.parse(one.dates.at(-1)!) - Date.parse(one.dates[0]) + DAY_MS) / (7 * DAY_MS));
  return { code: 'weeks', technique: null, number: weeks + more, hour: null, with: (of) => longer(of, more) };
}

/** The fewest more weeks that do, if any do. */
function weeksMend(file: CaseFile, one: Case, enough: () => boolean): MendOf[] {
  const more = fewestMore((weeks) => isPossible(file, longer(one, weeks), enough) === true);
  return more === null ? [] : [weeksBy(one, more)];
}

/** The fewest more weeks that do, null where none of those that are looked at do. @param does which does for more weeks where it does for fewer */
export function fewestMore(does: (weeks: number) => boolean): number | null {
  if (!does(MOST_WEEKS)) return null;
  let [low, high] = [0, MOST_WEEKS];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (does(middle)) high = middle;
    else low = middle;
  }
  return high;
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
    case 'ready':
      return `${number} % of them ready for ${of}`;
    case 'without':
      return `without ${of}`;
    case 'practise':
      return `they already practise ${of}`;
    case 'unpin':
      return `${of} no longer pinned to class ${number}`;
  }
}
