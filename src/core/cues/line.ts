import { plainPatterns } from '../pattern';
import { readBlock, type Block } from '../plan';
import { findPart, techniqueOf } from '../techniques';
import { segmentsOf, type Segment } from '../timing';
import { clockText, millis, type Millis } from '../units';
import { cueSheet, DEFAULT_SHEET, type Crowded, type Cue, type SheetOptions } from './sheet';

/** One block on the time line of a class. */
export interface LineBlock {
  readonly id: string;
  readonly kind: Block['kind'];
  readonly name: string;
  /** The technique's family, or the part's id: what a studio's own wording is kept by. */
  readonly family: string;
  /** What is done and how much of it: "4:7:8 · 4 rounds". */
  readonly detail: string;
  readonly start: Millis;
  readonly end: Millis;
  readonly sets: number;
  /** Milliseconds a count. */
  readonly tempo: Millis;
  /** Whether anybody is asked to hold. */
  readonly holds: boolean;
  /** The technique's or part's own cues. */
  readonly own: readonly string[];
}

/** A whole class as time: blocks, what is done when, and what is said. Plain data, so that a device can keep it. */
export interface ClassLine {
  readonly blocks: readonly LineBlock[];
  readonly segments: readonly Segment[];
  readonly cues: readonly Cue[];
  readonly crowded: readonly Crowded[];
  readonly total: Millis;
}

/**
 * Lays a session's blocks out in time, without a hole: what a timed dose leaves over becomes natural breath.
 * @example layOut(blocks, millis(4000)).total === sessionTime(blocks) // true
 */
export function layOut(blocks: readonly Block[], naturalBreath: Millis, options: SheetOptions = DEFAULT_SHEET): ClassLine {
  const laid: LineBlock[] = [];
  const segments: Segment[] = [];
  let start = 0;
  blocks.forEach((block, index) => {
    const { pattern, dose, pace, timing, name } = readBlock(block, naturalBreath);
    const end = millis(start + timing.planned);
    const own = segmentsOf(pattern, dose, pace, { start, block: index });
    for (const segment of own) segments.push(segment);
    const done = own.at(-1)?.end ?? start;
    if (done < end) segments.push({ ...FREE, start: millis(done), end, block: index });
    const technique = block.kind === 'technique' ? techniqueOf(block.technique) : null;
    laid.push({
      id: block.id,
      kind: block.kind,
      name,
      family: block.kind === 'technique' ? techniqueOf(block.technique).family : block.part,
      detail: block.kind === 'technique' ? `${block.pattern} · ${block.dose}` : clockText(timing.planned),
      start: millis(start),
      end,
      sets: timing.sets,
      tempo: pace.tempo,
      holds: plainPatterns(pattern).some((plain) => plain.kind === 'cycle' && plain.phases.some(({ kind }) => kind === 'hold' || kind === 'empty')),
      own: technique?.of.cues ?? (block.kind === 'technique' ? [] : (findPart(block.part)?.cues ?? [])),
    });
    start = end;
  });
  return { blocks: laid, segments, ...cueSheet(laid, segments, options), total: millis(start) };
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
  say: [],
  set: 0,
  round: 0,
  cycle: 0,
  of: 0,
  stage: 0,
  guided: false,
  block: 0,
};
