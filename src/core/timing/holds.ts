import { knownOf } from './known';
import type { Phase, WholePattern } from '../pattern';
import { addSpans, exactly, millis, NO_TIME, timesSpan, type Millis, type Span } from '../units';
import { lengthSpan } from './spans';

export type HoldKind = 'hold' | 'empty';

/** How long holds of one kind last. */
export interface Holds {
  /** The longest single hold that the cycle, or a stage, has a part in. */
  readonly longest: Span;
  /** The longest single hold of all, those before and after the rounds too. */
  readonly anywhere: Span;
  /** The longest that stands wholly before or after the rounds. */
  readonly around: Span;
}

/** What stands in a row: a hold, what joins two holds (a changeover, a pause), or what ends them. */
interface Piece {
  readonly is: HoldKind | 'joint' | 'end';
  readonly span: Span;
  /** Whether it belongs to a cycle or a stage, not to what stands around them. */
  readonly inside: boolean;
}

const END: Piece = { is: 'end', span: NO_TIME, inside: false };

/**
 * The longest hold of a whole way of breathing. Holds of one kind in a row, with changeovers and pauses between them, are one
 * hold, also from the end of a cycle, a lead-in or a stage into what follows; a free breath or a recovery breath ends it.
 * @example holdsOf(mustParsePattern('hold 6, out 8, in 8, hold 6'), 'hold', millis(1000)).longest.high // 12000
 */
export const holdsOf: (room: WholePattern, kind: HoldKind, tempo: Millis) => Holds = knownOf(worked, (kind, tempo) => `${kind} ${tempo}`);

function worked(room: WholePattern, kind: HoldKind, tempo: Millis): Holds {
  if (room.kind === 'natural') return { longest: NO_TIME, anywhere: NO_TIME, around: NO_TIME };
  const around = (phases: readonly Phase[]) => piecesOf(phases, tempo, false);
  const [entry, every] = [around(room.entry), around(room.everyRound)];
  const stages = room.kind === 'stages' ? room.stages.map(({ pattern }) => pattern) : [room];
  // A round of more than one cycle, and a stage of more than one round, stand in it twice; so do rounds in a set, and sets.
  const round = [
    ...every,
    ...stages.flatMap((plain) => {
      const once = plain.kind === 'cycle' ? [...piecesOf(plain.phases, tempo, true), ...(plain.recovery ? [END] : [])] : [END];
      return [...once, ...once];
    }),
  ];
  const set = [...entry, ...round, ...round];
  const runs = merged([...around(room.leadIn), ...set, ...set, ...around(room.leadOut)], kind);
  return {
    longest: longestOf(runs.filter(({ inside }) => inside)),
    anywhere: longestOf(runs),
    around: longestOf(runs.filter(({ inside }) => !inside)),
  };
}

/** All the holding in one cycle, where cycles follow each other: merged holds of both kinds. */
export function heldInCycle(phases: readonly Phase[], tempo: Millis, recovers: boolean): Span {
  const once = [...piecesOf(phases, tempo, true), ...(recovers ? [END] : [])];
  const total = (times: number) =>
    addSpans(
      NO_TIME,
      ...(['hold', 'empty'] as const).flatMap((kind) => merged(Array.from({ length: times }, () => once).flat(), kind).map(({ span }) => span)),
    );
  const [two, three] = [total(2), total(3)];
  return { low: millis(three.low - two.low), high: millis(three.high - two.high) };
}

function piecesOf(phases: readonly Phase[], tempo: Millis, inside: boolean): Piece[] {
  return phases.flatMap(({ kind, length, gap, repeat }): Piece[] => {
    const is = kind === 'hold' || kind === 'empty' ? kind : kind === 'pause' ? 'joint' : 'end';
    const changeover: Piece[] = gap ? [{ is: gap.free ? 'end' : 'joint', span: exactly(gap.seconds * 1000), inside }] : [];
    return Array.from({ length: repeat }, () => [{ is, span: lengthSpan(length, tempo), inside } as Piece, ...changeover]).flat();
  });
}

interface Run {
  readonly span: Span;
  readonly inside: boolean;
}

function merged(pieces: readonly Piece[], kind: HoldKind): Run[] {
  const runs: Run[] = [];
  let run: Run | null = null;
  let joint = NO_TIME;
  for (const { is, span, inside } of pieces) {
    if (is === 'joint') joint = addSpans(joint, span);
    else if (is === kind) {
      run = run ? { span: addSpans(run.span, joint, span), inside: run.inside || inside } : { span, inside };
      joint = NO_TIME;
    } else {
      if (run) runs.push(run);
      run = null;
    }
    if (!run) joint = NO_TIME;
  }
  return run ? [...runs, run] : runs;
}

function longestOf(runs: readonly Run[]): Span {
  return runs.reduce<Span>((longest, { span }) => (span.high >= longest.high ? span : longest), NO_TIME);
}

/** Phases alone, without changeovers and pauses. */
export function lengthsOf(phases: readonly Phase[], kind: Phase['kind'], tempo: Millis): Span {
  return addSpans(NO_TIME, ...phases.filter((phase) => phase.kind === kind).map((phase) => timesSpan(lengthSpan(phase.length, tempo), phase.repeat)));
}
