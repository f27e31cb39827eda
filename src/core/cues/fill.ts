import type { CueMoment } from '../techniques';
import { millis } from '../units';
import { segmentIndexAt, type Segment } from '../timing';
import type { Cue, LineBlock, SheetOptions } from './types';
import { wordsIn } from './words';

const STOP = 'If dizzy, strained or uneasy: let go, breathe as you like';
const LET_GO = 'Let go of a hold before you must';
/** Silence kept around a line that fills a gap, in milliseconds. */
const AIR = 600;
/** How late the time left is still said, in milliseconds. */
const STILL_TRUE = 15_000;

/** How long before its end one is told how to come out of a rest, in milliseconds. */
const OUT_OF_REST = 20_000;

/** A line that waits for a silence. */
interface Wanted {
  readonly at: number;
  /** When it is too late for it. */
  readonly by: number;
  readonly say: string;
  readonly length: number;
  readonly kind: Cue['kind'];
  /** The block it is said in, and the one it is about. */
  readonly block: number;
  readonly about: number;
  /** The phase it belongs to; null for any silence. */
  readonly phase: CueMoment | null;
}

/**
 * Puts what has no moment of its own into the silences of a sheet, at the first one after its time that is long enough: what opens
 * a block before it begins, a technique's own cues in the phases they are about, the time left, the reminder to let go, and the stop
 * signs once. What finds no silence in time is not said; openings that were not are kept in {@link missed}.
 */
export class Silences {
  readonly missed: { readonly block: number; readonly say: string }[] = [];
  private readonly wanted: readonly Wanted[];
  private readonly least: number;
  private next = 0;
  private waiting: Wanted[] = [];

  constructor(
    private readonly blocks: readonly LineBlock[],
    private readonly segments: readonly Segment[],
    options: SheetOptions,
  ) {
    const perWord = 1000 / options.wordsPerSecond;
    this.wanted = options.loudness === 'silent' ? [] : wantedIn(blocks, segments, options, perWord);
    this.least = AIR + perWord;
  }

  /** Adds to `cues` what can be said between two moments. */
  fill(from: number, to: number, cues: Cue[]): void {
    // Most silences are the breath between two counts: nothing fits, whatever waits.
    if (to - from > this.least) this.use(from, to, cues);
  }

  private use(from: number, to: number, cues: Cue[]): void {
    while (this.next < this.wanted.length && this.wanted[this.next].at < to) this.waiting.push(this.wanted[this.next++]);
    if (this.waiting.length === 0) return;
    let free = from;
    this.waiting = this.waiting.filter((line) => {
      const start = this.placeFor(line, free, to);
      if (start !== null) {
        const until = start + line.length;
        cues.push({ at: millis(start), until: millis(until), block: line.block, say: line.say, kind: line.kind });
        free = until;
        return false;
      }
      if (to < line.by) return true;
      if (line.kind === 'opening' && line.about > 0) this.missed.push({ block: line.about, say: line.say });
      return false;
    });
  }

  /** Where a line can begin between two moments; null where it cannot. */
  private placeFor({ at, by, length, block, phase }: Wanted, free: number, to: number): number | null {
    const first = at === this.blocks[block].start && free <= at ? at : Math.max(at, free + AIR);
    const last = Math.min(to - AIR, by);
    if (first + length > last) return null;
    if (phase === null) return first;
    for (let index = segmentIndexAt(this.segments, first); index < this.segments.length && this.segments[index].start < last; index += 1) {
      const segment = this.segments[index];
      const start = Math.max(first, segment.start);
      if (segment.block === block && isIn(phase, segment) && start + length <= Math.min(segment.end, last)) return start;
    }
    return null;
  }
}

/** Whether a stretch is the moment a cue is about. */
function isIn(phase: CueMoment, { kind, part }: Segment): boolean {
  return phase === 'recover' ? part === 'recover' : kind === phase;
}

/** What each block would like said, in the order of time. */
function wantedIn(blocks: readonly LineBlock[], segments: readonly Segment[], { loudness }: SheetOptions, perWord: number): Wanted[] {
  const wanted: Wanted[] = [];
  const own: Segment[][] = blocks.map(() => []);
  for (const segment of segments) own[segment.block].push(segment);
  blocks.forEach((block, index) => {
    const length = block.end - block.start;
    const put = (say: string, kind: Cue['kind'], more: Partial<Wanted> & Pick<Wanted, 'at'>) =>
      wanted.push({ by: block.end, say, length: wordsIn(say) * perWord, kind, block: index, about: index, phase: null, ...more });
    const at = (share: number) => block.start + Math.round(length * share);
    const openings = block.own.filter(({ when }) => when === 'opening').map(({ say }) => say);
    const begins = own[index].find(({ part, kind }) => part === 'round' || (part === 'natural' && kind === null))?.start ?? block.end;
    const quietBefore = index > 0 && blocks[index - 1].kind !== 'technique';
    const talk = openings.reduce((sum, say) => sum + wordsIn(say) * perWord + AIR, AIR);
    for (const say of openings) {
      // How to begin is said before it begins, while the block before is still quiet.
      if (quietBefore && block.kind === 'technique')
        put(say, 'opening', { at: Math.max(blocks[index - 1].start, block.start - talk), by: block.start, block: index - 1 });
      else put(say, 'opening', { at: block.start, by: block.kind === 'technique' && index > 0 ? begins : block.end });
    }
    const has = (phase: CueMoment) => own[index].some((segment) => isIn(phase, segment));
    const plain = own[index].every(({ kind }) => kind === null);
    const rest = loudness === 'full' ? block.own.filter(({ when }) => when !== 'opening' && (when === 'any' || plain || has(when))) : [];
    const said = [...block.lines.map((say) => ({ say, when: 'any' as const })), ...rest];
    said.forEach(({ say, when }, order) => {
      // How one comes out of a rest is said as it ends.
      const last = block.kind === 'rest' && order > 0 && order === said.length - 1;
      const from = last ? Math.max(at(order / said.length), block.end - wordsIn(say) * perWord - OUT_OF_REST) : at(order / said.length);
      put(say, 'cue', { at: from, phase: when === 'any' || plain ? null : when });
    });
    if (index === 0) put(STOP, 'stop sign', { at: at(0.4) });
    const held = (['hold', 'empty'] as const).find(has);
    if (held) put(LET_GO, 'cue', { at: at(0.5), phase: held });
    // How long it still goes is said in the natural breath alone: not into a rest, a hold, or somebody's own count.
    for (let minute = 1; !block.settled && !RESTING.has(block.kind) && minute * 60_000 < length - 30_000; minute += 1) {
      const moment = block.end - minute * 60_000;
      if (isQuiet(moment, segments))
        put(minute === 1 ? 'One minute left' : `${minute} minutes left`, 'time', { at: moment, by: moment + STILL_TRUE });
    }
  });
  return wanted.sort((a, b) => a.at - b.at || (a.kind === 'opening' ? -1 : b.kind === 'opening' ? 1 : 0));
}

/** Blocks in which nobody is told the time. */
const RESTING = new Set<LineBlock['kind']>(['rest', 'close']);

/** Whether a moment lies in the natural breath. */
function isQuiet(at: number, segments: readonly Segment[]): boolean {
  const segment = segments[segmentIndexAt(segments, at)];
  return segment?.kind === null && segment.part === 'natural';
}
