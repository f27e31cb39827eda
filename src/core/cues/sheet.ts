import type { Millis } from '../units';
import { fillGaps } from './fill';
import type { Segment } from '../timing';
import type { Crowded, Cue, LineBlock, Sheet, SheetOptions } from './types';
import { callText, ownCall, PARTS, wordsIn } from './words';

export const DEFAULT_SHEET: SheetOptions = { loudness: 'full', wordsPerSecond: 2.5, wording: {} };

/**
 * Writes the cues of a class: calls with their spoken counts in guided rounds, rounds and sets, lines said in a phase,
 * the change to own count, rests and the end; then, in the silences, the technique's own cues, the time left, the
 * reminder to let go, and the stop signs once. No two cues overlap.
 */
export function cueSheet(blocks: readonly LineBlock[], segments: readonly Segment[], options: SheetOptions = DEFAULT_SHEET): Sheet {
  const writer = new Writer(blocks, options);
  for (let index = 0; index < segments.length; index += 1) writer.segment(segments[index], segments[index - 1], segments[index + 1]);
  const cues = options.loudness === 'silent' ? writer.cues : fillGaps(blocks, segments, writer.cues, options);
  return { cues, crowded: [...writer.crowded.values()] };
}

/** How a phase is called: the words, how long they take of which room, and whether its counts are spoken after it. */
interface Choice {
  readonly text: string;
  readonly length: number;
  readonly room: number;
  readonly counted: boolean;
  /** Whether it is all that was wanted, so that something may stand before it. */
  readonly whole: boolean;
}

/** What opens a segment besides its call. */
interface Opening {
  readonly text: string;
  readonly kind: Cue['kind'];
}

const KINDS = ['in', 'hold', 'out', 'empty', 'pause', 'pumps'] as const;
const SIDES = ['both', 'left', 'right'] as const;
const MANNERS = [null, 'throat', 'strong throat', 'narrowed', 'hiss', 'hum', 'sigh', 'released'] as const;

/** A number that is the same for phases that are called alike in one block. */
function keyOf({ kind, side, manner, open, counts, start, end, say }: Segment): number {
  const how = ((KINDS.indexOf(kind ?? 'in') * 3 + SIDES.indexOf(side)) * 8 + MANNERS.indexOf(manner)) * 4 + (open ? 1 : 0) + (say.length > 0 ? 2 : 0);
  return (how * 512 + (counts ?? 0)) * 1_000_000 + (end - start);
}

class Writer {
  readonly cues: Cue[] = [];
  readonly crowded = new Map<string, Crowded>();
  private readonly perWord: number;
  private busyUntil = 0;
  private readonly worded: boolean;
  private readonly chosen = new Map<number, Choice | null>();
  private chosenFor = -1;

  constructor(
    private readonly blocks: readonly LineBlock[],
    private readonly options: SheetOptions,
  ) {
    this.perWord = 1000 / options.wordsPerSecond;
    this.worded = Object.keys(options.wording).length > 0;
  }

  segment(segment: Segment, before: Segment | undefined, after: Segment | undefined): void {
    const { loudness } = this.options;
    const opening = this.announcement(segment, before);
    const calls = loudness !== 'silent' && this.called(segment);
    const counts = loudness === 'full' && calls && segment.kind !== 'pumps' && segment.say.length === 0 ? (segment.counts ?? 0) : 0;
    if (calls && segment.kind) this.call(segment, opening, counts);
    else if (opening) this.put(segment, segment.start, segment.end, opening.kind, opening.text);
    if (calls) this.said(segment);
    // The end has no room where the next call begins at once.
    if (this.endsRounds(segment, after) && !(after && this.called(after)))
      this.put(segment, segment.end, segment.end + 4000, 'end', 'Let it go, breathe as you like');
  }

  private called({ guided, part }: Segment): boolean {
    return guided || part === 'lead-in' || part === 'entry' || part === 'lead-out';
  }

  /** What opens a segment besides its call: rounds, sets, stages, the change to own count, rests. */
  private announcement(segment: Segment, before: Segment | undefined): Opening | null {
    const { part, round, set, of, stage, guided } = segment;
    const sameBlock = before?.block === segment.block;
    if (part === 'rest' || part === 'recover' || part === 'changeover') return { text: PARTS[part], kind: 'rest' };
    if (part !== 'round' || (sameBlock && before.part === 'round' && before.round === round && before.set === set && before.stage === stage))
      return null;
    if (sameBlock && before.part !== 'round' && before.round === round && before.set === set && before.stage === stage && segment.cycle > 1)
      return null;
    if (stage > 1 && round === 1 && (!sameBlock || before.stage !== stage)) return { text: 'The next stage', kind: 'round' };
    if (!guided && (round > 1 || set > 1) && before?.guided !== false && sameBlock && before.part !== 'natural')
      return { text: round === of ? 'Last round, on your own count' : 'On your own count now', kind: 'round' };
    if (round === of && of > 1) return { text: 'Last round', kind: 'round' };
    if (round === 1) return set > 1 ? { text: `Set ${set}`, kind: 'round' } : null;
    return guided ? { text: ROUNDS[round] ?? `Round ${round}`, kind: 'round' } : null;
  }

  /**
   * A call, then its counts. Rounds repeat, so the wording of a phase is chosen once a block; what opens the segment is said
   * before it when both fit.
   */
  private call(segment: Segment, opening: Opening | null, counts: number): void {
    const { start, end, block } = segment;
    if (block !== this.chosenFor) {
      this.chosen.clear();
      this.chosenFor = block;
    }
    const key = keyOf(segment);
    let choice = this.chosen.get(key);
    if (choice === undefined) {
      choice = this.choose(segment, counts);
      // Wording of a studio's own may name the round, and so is chosen each time.
      if (!this.worded) this.chosen.set(key, choice);
    }
    if (choice === null) return;
    const together = opening && choice.whole ? choice.length + wordsIn(opening.text) * this.perWord : Infinity;
    if (opening && together <= choice.room) this.place(start, end, block, 'round', `${opening.text}. ${choice.text}`, together);
    else this.place(start, end, block, 'call', choice.text, choice.length);
    if (opening && segment.stage > 1 && together > choice.room) this.crowd(block, opening.text, '');
    if (choice.counted) this.counts(segment, counts, choice.room);
  }

  /**
   * The longest wording of a call that can be said before the second count. A call that needs more than a count is said with
   * its number instead, and nothing is counted over it.
   */
  private choose(segment: Segment, counts: number): Choice | null {
    const { start, end, block, side } = segment;
    const own = this.worded ? ownCall(this.options.wording, this.blocks[block].family, segment) : null;
    const short = callText({ ...segment, counts: null, manner: null, open: false });
    const least = side === 'both' ? short.split(',')[0] : short;
    const wanted = own ?? callText(counts > 1 ? { ...segment, counts: null } : segment);
    const spoken = counts > 1 ? [wanted, short, least] : [];
    const alone = [own ?? callText(segment), short, least];
    for (const [texts, room] of [[spoken, (end - start) / Math.max(1, counts)] as const, [alone, end - start] as const]) {
      const text = texts.find((one) => this.fits(one, room));
      if (text === undefined) continue;
      const counted = texts === spoken;
      if (!counted && counts > 1) this.crowd(block, `${wanted}, with its counts`, text);
      else if (text !== wanted) this.crowd(block, wanted, text);
      return { text, length: wordsIn(text) * this.perWord, room, counted, whole: text === wanted };
    }
    this.crowd(block, wanted, '');
    return null;
  }

  /** The first count is the call itself; up on the inhale, down in holds and on the exhale. */
  private counts({ start, kind, block }: Segment, counts: number, each: number): void {
    const length = Math.min(each, this.perWord);
    const up = kind === 'in';
    for (let count = 2; count <= counts; count += 1) {
      const at = start + (count - 1) * each;
      if (at < this.busyUntil) continue;
      this.cues.push({
        at: Math.round(at) as Millis,
        until: Math.round(at + length) as Millis,
        block,
        say: NUMBERS[up ? count : counts + 1 - count] ?? String(up ? count : counts + 1 - count),
        kind: 'count',
      });
      this.busyUntil = at + length;
    }
  }

  /** Lines said in a phase: where they were put, else spread evenly behind the call. */
  private said(segment: Segment): void {
    const { say, start, end } = segment;
    for (let index = 0; index < say.length; index += 1) {
      const { text, atSeconds } = say[index];
      const at = start + (atSeconds === null ? ((end - start) * index) / say.length : Math.min(atSeconds * 1000, end - start));
      this.put(segment, Math.max(at, index === 0 ? this.busyUntil : 0), index + 1 < say.length ? Infinity : end, 'path', text);
    }
  }

  /** Whether the rounds of a block end here; a rest that follows says so itself. */
  private endsRounds({ round, of, set, block, stage, part }: Segment, after: Segment | undefined): boolean {
    if (part !== 'round' && part !== 'recover' && part !== 'changeover') return false;
    if (round !== of || set !== this.blocks[block].sets) return false;
    return after?.block !== block || ((after.part === 'natural' || after.part === 'lead-out') && after.stage <= stage);
  }

  private fits(text: string, room: number): boolean {
    return wordsIn(text) * this.perWord <= room;
  }

  private put({ block }: Segment, at: number, end: number, kind: Cue['kind'], say: string): void {
    this.place(at, end, block, kind, say, wordsIn(say) * this.perWord);
  }

  private place(at: number, end: number, block: number, kind: Cue['kind'], say: string, length: number): void {
    const until = at + length;
    if (at < this.busyUntil || until > end) return this.crowd(block, say, '');
    this.cues.push({ at: Math.round(at) as Millis, until: Math.round(until) as Millis, block, say, kind });
    this.busyUntil = until;
  }

  private crowd(block: number, wanted: string, spare: string): void {
    const key = `${block} ${wanted}`;
    if (!this.crowded.has(key)) this.crowded.set(key, { block, wanted, spare });
  }
}

const ROUNDS = Array.from({ length: 61 }, (_, round) => `Round ${round}`);
const NUMBERS = Array.from({ length: 61 }, (_, count) => String(count));
