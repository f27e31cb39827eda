import { formatPattern } from './format';
import type { CyclePattern, Pattern, Phase, PlainPattern, WholePattern } from './types';

/** What the room does: the pattern itself, or the first of its options. */
export function roomPattern(pattern: Pattern): WholePattern {
  return pattern.kind === 'options' ? pattern.options[0].pattern : pattern;
}

/** One of the complete ways of a block: what the room does, or an option beside it. */
export interface Way {
  /** What it is called to people. */
  readonly name: string;
  readonly pattern: WholePattern;
}

/**
 * The ways of a block side by side, the room's first; just one where there are no options.
 * @example waysOf(mustParsePattern('"full" 4:4 | natural')).map(({ name }) => name) // ["full", "natural"]
 */
export function waysOf(pattern: Pattern): readonly Way[] {
  if (pattern.kind !== 'options') return [{ name: formatPattern(pattern), pattern }];
  return pattern.options.map(({ name, pattern: option }) => ({ name: name ?? formatPattern(option), pattern: option }));
}

/** The ways of breathing the room's pattern is put together from: its stages, or itself. */
export function plainPatterns(pattern: Pattern): readonly PlainPattern[] {
  const room = roomPattern(pattern);
  return room.kind === 'stages' ? room.stages.map((stage) => stage.pattern) : [room];
}

/**
 * How many rounds the grid of a pattern is written out as; 1 without a grid.
 * @example gridRounds(mustParsePattern('in 5 open/narrowed, out 5 open/narrowed') as CyclePattern) // 4
 */
export function gridRounds(pattern: CyclePattern): number {
  return pattern.phases.reduce((rounds, { manners }) => rounds * (manners?.length ?? 1), 1);
}

/** A grid written out: the phases of each of its rounds, the first phase's manners changing fastest; one round without a grid. */
export function writtenRounds(pattern: CyclePattern): readonly (readonly Phase[])[] {
  const rounds = gridRounds(pattern);
  return rounds === 1 ? [pattern.phases] : Array.from({ length: rounds }, (_, round) => phasesInRound(pattern.phases, round));
}

function phasesInRound(phases: readonly Phase[], round: number): readonly Phase[] {
  let rest = round;
  return phases.map((phase) => {
    if (!phase.manners) return phase;
    const manner = phase.manners[rest % phase.manners.length];
    rest = Math.floor(rest / phase.manners.length);
    return { ...phase, manner };
  });
}

/** How many counts one whole breath of a pattern has; null where nothing is counted. @example breathCounts(mustParsePattern('4:7:8')) // 19 */
export function breathCounts(pattern: Pattern): number | null {
  const room = roomPattern(pattern);
  if (room.kind !== 'cycle') return null;
  return room.phases.reduce((sum, { length, repeat }) => sum + (length.unit === 'counts' ? length.n * repeat : 0), 0) || null;
}
