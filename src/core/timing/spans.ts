import {
  plainPatterns,
  type Length,
  type NaturalPattern,
  type Pattern,
  type Phase,
  type PlainPattern,
  type Stage,
  type StagesPattern,
} from '../pattern';
import { addSpans, exactly, millis, timesSpan, NO_TIME, type Millis, type Span } from '../units';

/** What turns notation into time: milliseconds a count, and the length of a natural breath. */
export interface Pace {
  readonly tempo: Millis;
  readonly naturalBreath: Millis;
}

/** Breathing that has a cycle: everything but the natural breath. */
export type CountedPattern = Exclude<PlainPattern, NaturalPattern>;
/** What a dose counts in rounds: a counted pattern, or stages, whose one pass is a cycle. */
export type TimedPattern = CountedPattern | StagesPattern;

/** One length at a tempo, rounded half up. @example lengthSpan({ unit: 'counts', n: 6 }, millis(1100)) // 6600 ms */
export function lengthSpan(length: Length, tempo: Millis): Span {
  if (length.unit === 'counts') return exactly(length.n * tempo);
  if (length.unit === 'seconds') return exactly(length.n * 1000);
  return { low: millis(length.low * 1000), high: millis(length.high * 1000) };
}

/** A phase with its repeats and their changeovers. */
export function phaseSpan(phase: Phase, tempo: Millis): Span {
  const once = addSpans(lengthSpan(phase.length, tempo), exactly((phase.gap?.seconds ?? 0) * 1000));
  return timesSpan(once, phase.repeat);
}

export function phasesSpan(phases: readonly Phase[], tempo: Millis): Span {
  return phases.length === 0 ? NO_TIME : addSpans(...phases.map((phase) => phaseSpan(phase, tempo)));
}

/** The part of a cycle that pace and hold share look at: without recovery breaths. */
export function countedCycle(pattern: CountedPattern, pace: Pace): Span {
  if (pattern.kind === 'pumps') return exactly((pattern.pumps * 60_000) / pattern.perMinute);
  if (pattern.kind === 'connected') return exactly(4 * millis(pattern.shortSeconds * 1000) + millis(pattern.longSeconds * 1000));
  return phasesSpan(pattern.phases, pace.tempo);
}

/** One written pass of the pattern with its recovery breaths; one pass of all stages. */
export function cycleSpan(pattern: TimedPattern, pace: Pace): Span {
  if (pattern.kind === 'stages') return addSpans(...pattern.stages.map((stage) => stageSpan(stage, pace).total));
  const recovery = pattern.kind === 'cycle' ? pattern.recovery : null;
  const rest: Span = recovery ? { low: millis(recovery.low * pace.naturalBreath), high: millis(recovery.high * pace.naturalBreath) } : NO_TIME;
  return addSpans(countedCycle(pattern, pace), rest);
}

/**
 * How long a stage lasts and how many complete rounds it holds; a stage by the clock ends with natural breath when its
 * rounds do not fill it.
 */
export function stageSpan({ pattern, amount }: Stage, pace: Pace): { readonly rounds: number; readonly cycles: number; readonly total: Span } {
  const clock = amount.unit === 'rounds' ? null : millis(amount.n * (amount.unit === 'seconds' ? 1000 : 60_000));
  if (pattern.kind === 'natural') return { rounds: 0, cycles: 1, total: exactly(clock ?? amount.n * pace.naturalBreath) };
  const cycles = amount.unit === 'rounds' ? (amount.cyclesPerRound ?? 1) : 1;
  const round = timesSpan(cycleSpan(pattern, pace), cycles);
  if (clock === null) return { rounds: amount.n, cycles, total: timesSpan(round, amount.n) };
  return { rounds: Math.floor(clock / round.high), cycles, total: exactly(clock) };
}

/** One breath for each turn from in to out; a connected round counts five, pumps none. */
export function breathsInCycle(pattern: CountedPattern): number {
  if (pattern.kind === 'connected') return 5;
  if (pattern.kind === 'pumps') return 0;
  const breathing = pattern.phases.filter((phase) => phase.kind === 'in' || phase.kind === 'out');
  return breathing.filter((phase, index) => phase.kind === 'out' && breathing[(index + breathing.length - 1) % breathing.length].kind === 'in')
    .length;
}

/**
 * Parts a cycle into its breaths, each from the inhale that follows an exhale. What comes before a first inhale belongs to the one
 * breath there is.
 * @example breathsOf([{ kind: 'in' }, { kind: 'out' }, { kind: 'in' }, { kind: 'out' }]).length // 2
 */
export function breathsOf<T extends { readonly kind: string | null }>(phases: readonly T[]): readonly (readonly T[])[] {
  const breaths: T[][] = [[]];
  let out = false;
  for (const phase of phases) {
    if (phase.kind === 'in' && out) breaths.push([]);
    if (phase.kind === 'in' || phase.kind === 'out') out = phase.kind === 'out';
    breaths.at(-1)!.push(phase);
  }
  return breaths;
}

/** The counted ways of breathing in a room's pattern, stage by stage. */
export function countedPatterns(pattern: Pattern): readonly CountedPattern[] {
  return plainPatterns(pattern).filter((plain): plain is CountedPattern => plain.kind !== 'natural');
}
