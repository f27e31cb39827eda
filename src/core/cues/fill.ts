import { millis } from '../units';
import { segmentIndexAt, type Segment } from '../timing';
import type { Cue, LineBlock, SheetOptions } from './types';
import { wordsIn } from './words';

const STOP = 'If dizzy, strained or uneasy: let go, breathe as you like';
const LET_GO = 'Let go of a hold before you must';
/** How long before a technique begins its opening is said. */
const OPENING_MS = 8000;
/** Silence kept around a line that fills a gap, in milliseconds. */
const AIR = 600;

interface Wanted {
  readonly at: number;
  readonly say: string;
  readonly words: number;
  readonly kind: Cue['kind'];
  readonly block: number;
}

/**
 * Puts what has no moment of its own into the silences of a sheet, at the first one after its time that is long enough:
 * own cues of a block, the time left, the reminder to let go, and the stop signs once. What finds no silence in its block
 * is left out.
 */
export class Silences {
  private readonly wanted: readonly Wanted[];
  private readonly perWord: number;
  private readonly least: number;
  private next = 0;

  constructor(
    private readonly blocks: readonly LineBlock[],
    segments: readonly Segment[],
    options: SheetOptions,
  ) {
    this.wanted = options.loudness === 'silent' ? [] : wantedIn(blocks, segments, options);
    this.perWord = 1000 / options.wordsPerSecond;
    this.least = AIR + this.perWord;
  }

  /** Adds to `cues` what can be said between two moments; the first line that does not fit waits for a later silence. */
  fill(from: number, to: number, cues: Cue[]): void {
    // Most silences are the breath between two counts: nothing fits, whatever waits.
    if (to - from > this.least) this.use(from, to, cues);
  }

  private use(from: number, to: number, cues: Cue[]): void {
    let free = from;
    while (this.next < this.wanted.length) {
      const { at, say, words, kind, block } = this.wanted[this.next];
      const { start: blockStart, end: blockEnd } = this.blocks[block];
      const start = at === blockStart && free <= at ? at : Math.max(at, free + AIR);
      const until = start + words * this.perWord;
      if (Math.max(at, free) < blockEnd && until <= blockEnd) {
        if (until + AIR > to) return;
        cues.push({ at: millis(start), until: millis(until), block, say, kind });
        free = until;
      }
      this.next += 1;
    }
  }
}

/** What each block would like said, in the order of time. */
function wantedIn(blocks: readonly LineBlock[], segments: readonly Segment[], { loudness }: SheetOptions): Wanted[] {
  const wanted: Wanted[] = [];
  blocks.forEach((block, index) => {
    const length = block.end - block.start;
    const put = (at: number, say: string, kind: Cue['kind'], inside = index) => wanted.push({ at, say, words: wordsIn(say), kind, block: inside });
    const add = (share: number, say: string, kind: Cue['kind']) => put(block.start + Math.round(length * share), say, kind);
    const own = loudness === 'full' ? block.own : block.own.slice(0, 1);
    own.forEach((say, order) => {
      // How to begin is said before it begins, while the block before is still quiet.
      const ahead = order === 0 && block.kind === 'technique' && index > 0 && blocks[index - 1].kind !== 'technique';
      if (ahead) put(block.start - OPENING_MS, say, 'opening', index - 1);
      else add(order / own.length, say, order === 0 ? 'opening' : 'cue');
    });
    if (index === 0) add(0.4, STOP, 'stop sign');
    if (block.holds) add(0.5, LET_GO, 'cue');
    // Silences are for the time left only where they are long: not every minute of a counted block.
    for (let minute = 1; minute * 60_000 < length - 30_000; minute += 1) {
      const at = block.end - minute * 60_000;
      if (isQuiet(at, segments)) put(at, minute === 1 ? 'One minute left' : `${minute} minutes left`, 'time');
    }
  });
  return wanted.sort((a, b) => a.at - b.at || (a.kind === 'opening' ? -1 : 1));
}

/** Whether a moment lies in own-count or natural breathing. */
function isQuiet(at: number, segments: readonly Segment[]): boolean {
  return segments[segmentIndexAt(segments, at)]?.guided === false;
}
