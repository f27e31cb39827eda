import { countsUp, NO_CHANGES } from '../conventions';
import { millis } from '../units';
import { Silences } from './fill';
import type { Segment } from '../timing';
import type { Crowded, Cue, LineBlock, Sheet, SheetOptions } from './types';
import { callText, ownCall, PARTS, wordsIn } from './words';

export const DEFAULT_SHEET: SheetOptions = { loudness: 'full', wordsPerSecond: 2.5, wording: {}, schools: NO_CHANGES };

/**
 * Writes the cues of a class: calls with their spoken counts in guided rounds, rounds and sets, lines said in a phase,
 * the change to own count, rests and the end; then, in the silences, the technique's own cues, the time left, the
 * reminder to let go, and the stop signs once. No two cues overlap.
 */
export function cueSheet(blocks: readonly LineBlock[], segments: readonly Segment[], options: SheetOptions = DEFAULT_SHEET): Sheet {
  const silences = new Silences(blocks, segments, options);
  const writer = new Writer(blocks, options, silences);
  for (let index = 0; index < segments.length; index += 1) writer.segment(segments[index], segments[index - 1], segments[index + 1]);
  writer.end();
  return { cues: writer.cues, crowded: [...writer.crowded.values()] };
}

/** How a phase is called: the words, how long they take of which room, and the counts that are spoken after them. */
interface Choice {
  /** A phase that is called in this way; others like it are called alike. */
  readonly like: Segment;
  readonly text: string;
  readonly length: number;
  readonly room: number;
  readonly counts: readonly Counted[];
  /** Whether it is all that was wanted, so that something may stand before it. */
  readonly whole: boolean;
}

/** A count, from the start of its phase. */
interface Counted {
  readonly at: number;
  readonly until: number;
  readonly say: string;
}

const SILENT: readonly Counted[] = [];

/** What opens a segment besides its call. */
interface Opening {
  readonly text: string;
  readonly kind: Cue['kind'];
}

/** Whether two phases of one block are called alike. */
function alike(a: Segment, b: Segment): boolean {
  return (
    a.kind === b.kind &&
    a.side === b.side &&
    a.end - a.start === b.end - b.start &&
    a.counts === b.counts &&
    a.manner === b.manner &&
    a.open === b.open &&
    a.say === b.say
  );
}

class Writer {
  readonly cues: Cue[] = [];
  readonly crowded = new Map<string, Crowded>();
  private readonly perWord: number;
  private busyUntil = 0;
  private readonly worded: boolean;
  /** The calls of the present block. */
  private chosen: Choice[] = [];
  private chosenFor = -1;

  constructor(
    private readonly blocks: readonly LineBlock[],
    private readonly options: SheetOptions,
    private readonly silences: Silences,
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
      this.chosen = [];
      this.chosenFor = block;
    }
    const choice = this.known(segment) ?? this.choose(segment, counts);
    if (choice.text === '') return;
    const together = opening && choice.whole ? choice.length + wordsIn(opening.text) * this.perWord : Infinity;
    if (opening && together <= choice.room) this.place(start, end, block, 'round', `${opening.text}. ${choice.text}`, together);
    else this.place(start, end, block, 'call', choice.text, choice.length);
    if (opening && segment.stage > 1 && together > choice.room) this.crowd(block, opening.text, '');
    for (const { at, until, say } of choice.counts) {
      if (start + at >= this.busyUntil) this.write(start + at, start + until, block, say, 'count');
    }
  }

  private known(segment: Segment): Choice | undefined {
    for (const choice of this.chosen) if (alike(choice.like, segment)) return choice;
    return undefined;
  }

  /**
   * The longest wording of a call that can be said before the second count. A call that needs more than a count is said with
   * its number instead, and nothing is counted over it.
   */
  private choose(segment: Segment, counts: number): Choice {
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
      return this.keep({
        like: segment,
        text,
        length: wordsIn(text) * this.perWord,
        room,
        counts: counted ? this.counts(segment, counts, room) : SILENT,
        whole: text === wanted,
      });
    }
    this.crowd(block, wanted, '');
    return this.keep({ like: segment, text: '', length: 0, room: 0, counts: SILENT, whole: false });
  }

  /** Wording of a studio's own may name the round, and so is chosen each time. */
  private keep(choice: Choice): Choice {
    if (!this.worded) this.chosen.push(choice);
    return choice;
  }

  /** The first count is the call itself. */
  private counts({ kind, block }: Segment, counts: number, each: number): Counted[] {
    const length = Math.min(each, this.perWord);
    const up = kind !== null && countsUp(kind, this.blocks[block].counting);
    return Array.from({ length: Math.max(0, counts - 1) }, (_, index) => {
      const at = (index + 1) * each;
      const say = up ? index + 2 : counts - 1 - index;
      return { at: Math.round(at), until: Math.round(at + length), say: NUMBERS[say] ?? String(say) };
    });
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
    this.write(at, until, block, say, kind);
  }

  private write(at: number, until: number, block: number, say: string, kind: Cue['kind']): void {
    this.silences.fill(this.busyUntil, at, this.cues);
    this.cues.push({ at: millis(at), until: millis(until), block, say, kind });
    this.busyUntil = until;
  }

  /** What still waits is said in the silence at the end. */
  end(): void {
    this.silences.fill(this.busyUntil, Infinity, this.cues);
  }

  private crowd(block: number, wanted: string, spare: string): void {
    const key = `${block} ${wanted}`;
    if (!this.crowded.has(key)) this.crowded.set(key, { block, wanted, spare });
  }
}

const ROUNDS = Array.from({ length: 61 }, (_, round) => `Round ${round}`);
const NUMBERS = Array.from({ length: 61 }, (_, count) => String(count));
