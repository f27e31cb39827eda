import {
  formatPattern,
  mustParsePattern,
  parsePattern,
  type CyclePattern,
  type Length,
  type Pattern,
  type Phase,
  type PlainPattern,
  type WholePattern,
} from '../pattern';
import { lengthSpan } from '../timing';
import { millis, type Millis } from '../units';
import { GROWTH_LIMITS } from './limits';

/** Of a count of a second, where nobody says how a studio counts. */
const A_SECOND = millis(1000);

/** Layers in the order in which they come in: the hold after the inhale, then the empty hold. */
const LAYERS = ['hold', 'empty'] as const;

/**
 * The patterns of a climb, from one to another, one step at a time: a layer that is missing comes in, as long as it is to be but no
 * longer than the inhale; then every phase grows by at most one count, or a quarter where it is in seconds. Pumps go along their steps.
 * @returns both ends included; null where the one is no step below the other
 * @example patternPath('4:5', '6:7') // ["4:5", "5:6", "6:7"]
 * @example patternPath('4:4', '4:4:4:4') // ["4:4", "4:4:4", "4:4:4:4"]
 */
export function patternPath(from: string, to: string, tempo: Millis = A_SECOND): string[] | null {
  const path = [from];
  // A step changes something, and nothing comes twice.
  for (const seen = new Set(path); ;) {
    const now = path[path.length - 1];
    if (now === to) return path;
    const next = nextPattern(now, to, tempo);
    if (next === null || seen.has(next)) return null;
    seen.add(next);
    path.push(next);
  }
}

/**
 * One step of a climb of patterns towards its end.
 * @returns the next pattern in canonical text; null where it is there, or the one does not grow into the other
 * @example nextPattern('4:4:4', '6:6:6') // "5:5:5"
 */
export function nextPattern(now: string, to: string, tempo: Millis = A_SECOND): string | null {
  if (now === to) return null;
  const [is, goal] = [mustParsePattern(now), mustParsePattern(to)];
  const next = is.kind === 'options' || goal.kind === 'options' ? null : grown(is, goal, tempo);
  return next && formatPattern(next);
}

function grown(is: WholePattern, goal: WholePattern, tempo: Millis): Pattern | null {
  if (is.kind === 'stages' && goal.kind === 'stages') {
    if (is.stages.length !== goal.stages.length) return null;
    const stages = is.stages.map(({ pattern }, at) => grownPlain(pattern, goal.stages[at].pattern, tempo));
    if (stages.includes(null)) return null;
    const around = grownAround(is, goal, tempo);
    return around && { ...goal, ...around, stages: goal.stages.map((stage, at) => ({ ...stage, pattern: stages[at]! })) };
  }
  return is.kind === 'stages' || goal.kind === 'stages' ? null : grownPlain(is, goal, tempo);
}

function grownPlain(is: PlainPattern, goal: PlainPattern, tempo: Millis): PlainPattern | null {
  if (is.kind === 'natural' || goal.kind === 'natural') return is.kind === goal.kind ? goal : null;
  if (is.kind !== goal.kind) return null;
  const around = grownAround(is, goal, tempo);
  if (!around) return null;
  if (is.kind === 'pumps' && goal.kind === 'pumps') {
    const next = GROWTH_LIMITS.pumpSteps.find((step) => step > is.pumps) ?? is.pumps;
    return { ...goal, ...around, pumps: Math.min(goal.pumps, Math.max(next, is.pumps)) };
  }
  if (is.kind !== 'cycle' || goal.kind !== 'cycle') return { ...goal, ...around };
  const phases = withLayer(is, goal, tempo) ?? towards(is.phases, goal.phases, tempo);
  return phases && { ...goal, ...around, phases };
}

const AROUND = ['leadIn', 'entry', 'everyRound', 'leadOut'] as const;
type Around = Pick<CyclePattern, (typeof AROUND)[number]>;

/** What stands around the rounds, a step on; what was not there before comes as it is to be. */
function grownAround(is: Around, goal: Around, tempo: Millis): Around | null {
  const each = AROUND.map((where) => (is[where].length === 0 ? goal[where] : goal[where].length === 0 ? [] : towards(is[where], goal[where], tempo)));
  if (each.includes(null)) return null;
  const [leadIn, entry, everyRound, leadOut] = each as (readonly Phase[])[];
  return { leadIn, entry, everyRound, leadOut };
}

/** Phases one step nearer to those of a goal; null where they are not the same ones. */
function towards(is: readonly Phase[], goal: readonly Phase[], tempo: Millis): Phase[] | null {
  if (
    is.length !== goal.length ||
    is.some(({ kind, side, repeat }, at) => goal[at].kind !== kind || goal[at].side !== side || goal[at].repeat !== repeat)
  )
    return null;
  return goal.map((phase, at) => ({ ...phase, length: nearer(is[at], phase, tempo) }));
}

/** A length one step nearer to what it is to be: a count, or a quarter of what it takes; a hold may take a second more. What gets shorter does so a count a step. */
function nearer(old: Phase, phase: Phase, tempo: Millis): Length {
  const [was, to] = [old.length, phase.length];
  if (was.unit === 'counts' && to.unit === 'counts')
    return { unit: 'counts', n: was.n + Math.sign(to.n - was.n) * Math.min(GROWTH_LIMITS.counts, Math.abs(to.n - was.n)) };
  const [from, target] = [lengthSpan(was, tempo).high / 1000, lengthSpan(to, tempo).high / 1000];
  const holds = phase.kind === 'hold' || phase.kind === 'empty';
  const most = Math.max(from * (1 + GROWTH_LIMITS.secondsShare), holds ? from + GROWTH_LIMITS.holdSeconds : 0);
  if (target <= most) return to;
  // Tenths of a second are as fine as anybody counts.
  const tenths = Math.floor(most * 10 + 1e-6) / 10;
  if (to.unit === 'counts') return { unit: 'counts', n: Math.max(1, Math.floor((most * 1000) / tempo)) };
  return to.unit === 'seconds' ? { unit: 'seconds', n: tenths } : { unit: 'ease', low: Math.min(to.low, tenths), high: tenths };
}

/** A layer more, where the goal has one that is not there yet; the phases that are there stay as they are. */
function withLayer(is: CyclePattern, goal: CyclePattern, tempo: Millis): Phase[] | null {
  const has = (of: CyclePattern, kind: Phase['kind']) => of.phases.some((phase) => phase.kind === kind);
  const layer = LAYERS.find((kind) => has(goal, kind) && !has(is, kind));
  const inhales = is.phases.filter(({ kind }) => kind === 'in').map(({ length }) => lengthSpan(length, tempo).high);
  if (!layer || inhales.length === 0) return null;
  const longest = Math.max(...inhales);
  const short = (phase: Phase): Phase => {
    const { length } = phase;
    if (lengthSpan(length, tempo).high <= longest) return phase;
    if (length.unit === 'counts') return { ...phase, length: { unit: 'counts', n: Math.floor(longest / tempo) } };
    const most = longest / 1000;
    return {
      ...phase,
      length: length.unit === 'seconds' ? { unit: 'seconds', n: most } : { unit: 'ease', low: Math.min(length.low, most), high: most },
    };
  };
  let next = 0;
  const phases = goal.phases.flatMap((phase): Phase[] => {
    if (phase.kind === layer) return [short(phase)];
    const own = is.phases[next];
    if (own?.kind !== phase.kind) return [];
    next += 1;
    return [own];
  });
  return next === is.phases.length ? phases : null;
}

/** A pattern with every phase so many counts longer, or shorter; null where that cannot be. @example shiftedPattern('4:5', 2) // "6:7" */
export function shiftedPattern(pattern: string, by: number): string | null {
  const read = mustParsePattern(pattern);
  if (read.kind !== 'cycle') return null;
  if (read.phases.some(({ length }) => length.unit !== 'counts' || length.n + by < 1)) return null;
  const phases = read.phases.map((phase) =>
    phase.length.unit === 'counts' ? { ...phase, length: { unit: 'counts' as const, n: phase.length.n + by } } : phase,
  );
  const text = formatPattern({ ...read, phases });
  return parsePattern(text).ok ? text : null;
}

/** Whether anything in a pattern is held. @example isHeld('4:4:4') // true */
export function isHeld(pattern: string): boolean {
  const read = mustParsePattern(pattern);
  return read.kind === 'cycle' && read.phases.some(({ kind }) => kind === 'hold' || kind === 'empty');
}

/** A pattern with every hold in it a count shorter; null where nothing is held, or a hold cannot be shorter. @example shorterHold('4:6:4') // "4:5:4" */
export function shorterHold(pattern: string): string | null {
  const read = mustParsePattern(pattern);
  if (read.kind !== 'cycle' || !isHeld(pattern)) return null;
  const held = read.phases.filter(({ kind }) => kind === 'hold' || kind === 'empty');
  if (held.some(({ length }) => length.unit !== 'counts' || length.n < 2)) return null;
  const phases = read.phases.map((phase) =>
    held.includes(phase) && phase.length.unit === 'counts' ? { ...phase, length: { unit: 'counts' as const, n: phase.length.n - 1 } } : phase,
  );
  return formatPattern({ ...read, phases });
}
