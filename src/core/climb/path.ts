import { formatPattern, mustParsePattern, type CyclePattern, type Pattern, type Phase } from '../pattern';
import { GROWTH_LIMITS } from './limits';
import { nextCounts } from './steps';

/** Patterns of a climb are never further apart than this. */
const MOST_STEPS = 60;

/** Layers in the order in which they come in: the hold after the inhale, then the empty hold. */
const LAYERS = ['hold', 'empty'] as const;

/**
 * The patterns of a climb, from one to another, one step at a time: a layer that is missing comes in, as long as it is to be but no
 * longer than the inhale; then every phase grows by at most one count. Pumps go along their steps.
 * @returns both ends included; null where the one is no step below the other
 * @example patternPath('4:5', '6:7') // ["4:5", "5:6", "6:7"]
 * @example patternPath('4:4', '4:4:4:4') // ["4:4", "4:4:4", "4:4:4:4"]
 */
export function patternPath(from: string, to: string): string[] | null {
  const path = [from];
  while (path.length <= MOST_STEPS) {
    const now = path[path.length - 1];
    if (now === to) return path;
    const next = nextPattern(now, to);
    if (next === null || next === now) return null;
    path.push(next);
  }
  return null;
}

function nextPattern(now: string, to: string): string | null {
  const [is, goal] = [mustParsePattern(now), mustParsePattern(to)];
  if (is.kind === 'pumps' && goal.kind === 'pumps') {
    const pumps = GROWTH_LIMITS.pumpSteps.find((step) => step > is.pumps);
    return pumps === undefined || pumps > goal.pumps ? null : formatPattern({ ...goal, pumps });
  }
  return withLayer(is, goal) ?? nextCounts(now, to);
}

/** A layer more, where the goal has one that is not there yet. */
function withLayer(is: Pattern, goal: Pattern): string | null {
  if (is.kind !== 'cycle' || goal.kind !== 'cycle') return null;
  const has = (of: CyclePattern, kind: Phase['kind']) => of.phases.some((phase) => phase.kind === kind);
  const layer = LAYERS.find((kind) => has(goal, kind) && !has(is, kind));
  const inhale = is.phases.find(({ kind }) => kind === 'in');
  if (!layer || !inhale || inhale.length.unit !== 'counts') return null;
  const longest = inhale.length.n;
  const short = (phase: Phase): Phase =>
    phase.length.unit === 'counts' ? { ...phase, length: { unit: 'counts', n: Math.min(phase.length.n, longest) } } : phase;
  let next = 0;
  const phases = goal.phases.flatMap((phase): Phase[] => {
    if (phase.kind === layer) return [short(phase)];
    const own = is.phases[next];
    if (own?.kind !== phase.kind) return [];
    next += 1;
    return [own];
  });
  return next === is.phases.length ? formatPattern({ ...is, phases }) : null;
}

/** A pattern with every phase so many counts longer, or shorter; null where that cannot be. @example shiftedPattern('4:5', 2) // "6:7" */
export function shiftedPattern(pattern: string, by: number): string | null {
  const read = mustParsePattern(pattern);
  if (read.kind !== 'cycle') return null;
  if (read.phases.some(({ length }) => length.unit !== 'counts' || length.n + by < 1)) return null;
  const phases = read.phases.map((phase) =>
    phase.length.unit === 'counts' ? { ...phase, length: { unit: 'counts' as const, n: phase.length.n + by } } : phase,
  );
  return formatPattern({ ...read, phases });
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
