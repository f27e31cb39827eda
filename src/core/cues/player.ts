import { countsUp, type Counting } from '../conventions';
import { millis, type Millis } from '../units';
import { beginningOf, segmentIndexAt, type Segment } from '../timing';
import type { ClassLine, Cue, LineBlock } from './types';
import { handMove, type HandMove } from './words';

/** Where a class stands. Positions follow from the clock given in, so that nothing can drift. */
export interface PlayerState {
  /** Position when the clock showed `clockAt`. */
  readonly position: Millis;
  /** Milliseconds of the device's clock; meaningless while paused. */
  readonly clockAt: number;
  readonly playing: boolean;
  /** How many times as fast it runs, as a rehearsal may; as it is where it is not said. */
  readonly speed?: number;
}

/** How fast a rehearsal runs that is in a hurry. */
export const HURRIED = 4;

export type PlayerMove = 'faster' | 'play' | 'pause' | 'again' | 'next block' | 'previous block';

/** Before anything was pressed. */
export const AT_THE_START: PlayerState = { position: millis(0), clockAt: 0, playing: false };

/** The position at an instant, never past the end. @example positionAt(state, clock, line) // 61_000 */
export function positionAt(state: PlayerState, clock: number, line: ClassLine): Millis {
  const at = state.playing ? state.position + Math.max(0, clock - state.clockAt) * (state.speed ?? 1) : state.position;
  return millis(Math.min(at, line.total));
}

/** The next state after a move at an instant. */
export function step(state: PlayerState, move: PlayerMove, clock: number, line: ClassLine): PlayerState {
  const at = positionAt(state, clock, line);
  const here = (position: number, playing = state.playing, speed = state.speed ?? 1): PlayerState => ({
    position: millis(position),
    clockAt: clock,
    playing,
    ...(speed === 1 ? {} : { speed }),
  });
  switch (move) {
    case 'play':
      return here(at, at < line.total);
    case 'pause':
      return here(at, false);
    case 'faster':
      return here(at, state.playing, state.speed ? 1 : HURRIED);
    case 'again':
      return here(roundStart(line, at));
    case 'next block':
      return here(blockAt(line, at)?.end ?? line.total);
    case 'previous block':
      return here(previousStart(line, at));
  }
}

function blockAt(line: ClassLine, at: number): LineBlock | null {
  return line.blocks.find(({ start, end }) => start <= at && at < end) ?? null;
}

/** Where the present round began; the block's start outside of rounds. */
function roundStart({ blocks, segments }: ClassLine, at: number): number {
  const index = segmentIndexAt(segments, at);
  const segment = segments[index];
  if (!segment) return at;
  return segment.round === 0 ? blocks[segment.block].start : beginningOf(segments, index, 'round').start;
}

/** The block's own start, or the one before it within its first three seconds. */
function previousStart(line: ClassLine, at: number): number {
  const block = blockAt(line, at) ?? line.blocks.at(-1);
  if (!block) return 0;
  if (at - block.start > 3000) return block.start;
  return line.blocks.findLast(({ end }) => end <= block.start && end > 0)?.start ?? 0;
}

/** Everything a class screen shows at a position. */
export interface Moment {
  readonly block: LineBlock;
  readonly segment: Segment;
  /** Where the segment stands in the line. */
  readonly index: number;
  /** What the hand does as it begins. */
  readonly hand: HandMove;
  readonly next: Segment | null;
  /** The count to say, up or down as the studio speaks it; null when not counted. */
  readonly count: number | null;
  /** How far the phase has come, 0 to 1. */
  readonly through: number;
  readonly round: number;
  readonly rounds: number;
  readonly leftInSegment: Millis;
  readonly leftInBlock: Millis;
  readonly left: Millis;
  readonly nextCue: Cue | null;
  readonly over: boolean;
}

/** What the class screen announces as the next cue: calls and counts are shown by the screen itself. */
const SHOWN = new Set<Cue['kind']>(['opening', 'cue', 'path', 'stop sign', 'end']);

/** Reads the line at a position; null for a class without blocks. */
export function momentAt(line: ClassLine, position: number): Moment | null {
  const over = position >= line.total;
  const index = segmentIndexAt(line.segments, over ? line.total - 1 : position);
  const segment = line.segments[index];
  if (!segment) return null;
  const block = line.blocks[segment.block];
  const through = Math.min(1, Math.max(0, (position - segment.start) / (segment.end - segment.start)));
  return {
    block,
    segment,
    index,
    hand: handMove(segment, line.segments[index - 1]),
    next: line.segments[index + 1] ?? null,
    count: countAt(segment, through, block.counting),
    through,
    round: segment.round,
    rounds: segment.of,
    leftInSegment: millis(Math.max(0, segment.end - position)),
    leftInBlock: millis(Math.max(0, block.end - position)),
    left: millis(Math.max(0, line.total - position)),
    nextCue: line.cues.find(({ at, kind }) => at > position && SHOWN.has(kind)) ?? null,
    over,
  };
}

function countAt({ counts, kind }: Segment, through: number, counting: Counting): number | null {
  if (!counts || !kind) return null;
  const up = Math.min(counts, Math.floor(through * counts + 1e-9) + 1);
  return countsUp(kind, counting) ? up : counts + 1 - up;
}
