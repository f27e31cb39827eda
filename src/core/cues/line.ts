import { readBlock, type Block } from '../plan';
import { findPart, techniqueOf } from '../techniques';
import { segmentsOf, type Segment } from '../timing';
import { clockText, millis, type Millis } from '../units';

/** One block on the time line of a class. */
export interface LineBlock {
  readonly id: string;
  readonly kind: Block['kind'];
  readonly name: string;
  /** What is done and how much of it: "4:7:8 · 4 rounds". */
  readonly detail: string;
  readonly start: Millis;
  readonly end: Millis;
  readonly sets: number;
  readonly rounds: number;
}

export interface LineSegment extends Segment {
  /** Index of its block. */
  readonly block: number;
}

/** One line to say, at one moment of the class. */
export interface Cue {
  readonly at: Millis;
  readonly block: number;
  readonly say: string;
  readonly kind: 'opening' | 'call' | 'round' | 'cue' | 'end';
}

/** A whole class as time: blocks, what is done when, and what is said. Plain data, so that a device can keep it. */
export interface ClassLine {
  readonly blocks: readonly LineBlock[];
  readonly segments: readonly LineSegment[];
  readonly cues: readonly Cue[];
  readonly total: Millis;
}

/** Rounds counted aloud before people go on by their own count. */
const GUIDED_ROUNDS = 3;

/**
 * Lays a session's blocks out in time, without a hole: what a timed dose leaves over becomes natural breath.
 * @example layOut(blocks, millis(4000)).total === sessionTime(blocks) // true
 */
export function layOut(blocks: readonly Block[], naturalBreath: Millis): ClassLine {
  const laid: LineBlock[] = [];
  const segments: LineSegment[] = [];
  const cues: Cue[] = [];
  let start = 0;
  blocks.forEach((block, index) => {
    const read = readBlock(block, naturalBreath);
    const end = start + read.timing.planned;
    const own = segmentsOf(read.pattern, read.dose, read.pace).map((segment) => shifted(segment, start, index));
    const last = own.at(-1)?.end ?? start;
    if (last < end) own.push(shifted({ ...FREE, start: millis(last - start), end: millis(end - start) }, start, index));
    segments.push(...own);
    const detail = block.kind === 'technique' ? `${block.pattern} · ${block.dose}` : clockText(read.timing.planned);
    const rounds = read.timing.rounds;
    laid.push({ id: block.id, kind: block.kind, name: read.name, detail, start: millis(start), end: millis(end), sets: read.timing.sets, rounds });
    cues.push(...cuesOf(block, own, index, start, rounds));
    start = end;
  });
  return { blocks: laid, segments, cues, total: millis(start) };
}

const FREE: Segment = {
  start: millis(0),
  end: millis(0),
  part: 'natural',
  kind: null,
  counts: null,
  side: 'both',
  manner: null,
  route: null,
  open: false,
  set: 0,
  round: 0,
  cycle: 0,
  of: 0,
  stage: 0,
  say: [],
};

function shifted(segment: Segment, by: number, block: number): LineSegment {
  return { ...segment, start: millis(segment.start + by), end: millis(segment.end + by), block };
}

function cuesOf(block: Block, segments: readonly LineSegment[], index: number, start: number, rounds: number): Cue[] {
  const cue = (at: number, say: string, kind: Cue['kind']): Cue => ({ at: millis(at), block: index, say, kind });
  const own = block.kind === 'technique' ? techniqueOf(block.technique).of.cues : (findPart(block.part)?.cues ?? []);
  if (rounds === 0)
    return spread(own, segments[0]?.start ?? start, segments.at(-1)?.end ?? start).map(({ at, say }, order) =>
      cue(at, say, order === 0 ? 'opening' : 'cue'),
    );
  const cues: Cue[] = [];
  const starts = roundStarts(segments);
  starts.forEach(({ at, round, set }, order) => {
    const ownCue = own[order];
    if (ownCue) cues.push(cue(at, ownCue, order === 0 ? 'opening' : 'cue'));
    if (order === GUIDED_ROUNDS && starts.length > GUIDED_ROUNDS + 1) cues.push(cue(at, 'On your own count now', 'round'));
    if (order === starts.length - 1 && order > 0) cues.push(cue(at, 'Last round', 'round'));
    else if (order > 0) cues.push(cue(at, set > 1 && round === 1 ? `Set ${set}, round 1` : `Round ${round}`, 'round'));
  });
  for (const segment of segments)
    if (segment.kind && segment.round <= GUIDED_ROUNDS && segment.set <= 1) cues.push(cue(segment.start, callText(segment), 'call'));
  cues.push(cue(segments.filter(({ part }) => part !== 'natural').at(-1)?.end ?? start, 'Let it go, breathe as you like', 'end'));
  return cues.sort((a, b) => a.at - b.at);
}

function roundStarts(segments: readonly LineSegment[]) {
  const starts: { at: number; round: number; set: number }[] = [];
  for (const { start, round, set, part } of segments) {
    const last = starts.at(-1);
    if (part === 'round' && (last?.round !== round || last.set !== set)) starts.push({ at: start, round, set });
  }
  return starts;
}

function spread(lines: readonly string[], from: number, to: number) {
  return lines.map((say, order) => ({ say, at: from + Math.round(((to - from) * order) / lines.length) }));
}

const CALLS = { in: 'In', hold: 'Hold', out: 'Out', empty: 'Empty, stay', pause: 'Pause', pumps: 'Pumps' } as const;

/** What is called as a phase begins. @example callText(segment) // "Out, right, 6" */
export function callText({ kind, side, counts, manner, open }: Pick<Segment, 'kind' | 'side' | 'counts' | 'manner' | 'open'>): string {
  if (!kind) return 'Natural breath';
  return [CALLS[kind], side === 'both' ? '' : side, manner ?? '', counts ? String(counts) : '', open ? 'to ease' : ''].filter(Boolean).join(', ');
}

/** The name of what is being done now, without its count. @example phaseText(segment) // "Out, right" */
export function phaseText(segment: Pick<Segment, 'kind' | 'side' | 'part'>): string {
  if (segment.kind) return callText({ ...segment, counts: null, manner: null, open: false });
  return {
    rest: 'Rest',
    recover: 'Recover',
    changeover: 'Change over',
    natural: 'Natural breath',
    round: 'Breathe',
    entry: 'Breathe',
    'lead-in': 'Breathe',
    'lead-out': 'Breathe',
  }[segment.part];
}
