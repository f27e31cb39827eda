import { countsUp, NO_CHANGES } from '../conventions';
import { millis, plus, type Millis } from '../units';
import { Silences } from './fill';
import type { Segment } from '../timing';
import type { Crowded, Cue, LineBlock, Sheet, SheetOptions } from './types';
import { callText, handMove, ownCall, PARTS, phaseText, wordsIn, type HandMove } from './words';

export const DEFAULT_SHEET: SheetOptions = { loudness: 'full', wordsPerSecond: 2.5, wording: {}, spacer: '', schools: NO_CHANGES };

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
  return {
    cues: writer.cues,
    crowded: [...writer.crowded.values(), ...silences.missed.map(({ block, say }) => ({ block, wanted: say, spare: '' }))],
  };
}

/** A rest so long ends with a word, so long before its end, in milliseconds. */
const [LONG_REST, READY_BEFORE] = [10_000, 4000] as const;

/** How a phase is called: the words, how long they take of which room, and the counts that are spoken after them. */
interface Choice {
  /** A phase that is called in this way; others like it are called alike. */
  readonly like: Segment;
  readonly hand: HandMove;
  readonly text: string;
  /** The same without its number, for when something is said before it and the number would come late. */
  readonly plain: string;
  readonly length: number;
  readonly room: number;
  readonly counts: readonly Counted[];
  /** Whether it is all that was wanted, so that something may stand before it. */
  readonly whole: boolean;
}

/** A count, from the start of its phase. */
interface Counted {
  readonly at: Millis;
  readonly until: Millis;
  readonly say: string;
}

const SILENT: readonly Counted[] = [];

/** What opens a segment besides its call. */
interface Opening {
  readonly text: string;
  readonly words: number;
  readonly kind: Cue['kind'];
  /** Said even where a count has to give way to it. */
  readonly must: boolean;
}

const opening = (text: string, kind: Cue['kind'] = 'round', must = true): Opening => ({ text, words: wordsIn(text), kind, must });
const CLOSING = opening('To close');
const OWN_COUNT = opening('On your own count now');
const LAST_OWN_COUNT = opening('Last round, on your own count');
const LAST_ROUND = opening('Last round');
const ONCE_MORE = opening('Once more like this');
const RESTS = { rest: opening(PARTS.rest, 'rest'), recover: opening(PARTS.recover, 'rest'), changeover: opening(PARTS.changeover, 'rest') };
const ROUNDS = Array.from({ length: 61 }, (_, round) => opening(`Round ${round}`, 'round', false));

/** Whether two phases of one block are called alike. */
function alike(a: Segment, b: Segment): boolean {
  return (
    a.kind === b.kind &&
    a.side === b.side &&
    a.end - a.start === b.end - b.start &&
    a.counts === b.counts &&
    a.manner === b.manner &&
    a.route === b.route &&
    a.long === b.long &&
    a.open === b.open &&
    a.say === b.say
  );
}

class Writer {
  readonly cues: Cue[] = [];
  readonly crowded = new Map<string, Crowded>();
  private readonly perWord: number;
  private busyUntil = millis(0);
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
    const opens = this.announcement(segment, before);
    const calls = loudness !== 'silent' && this.called(segment);
    const counts = loudness === 'full' && calls && segment.kind !== 'pumps' && segment.say.length === 0 ? (segment.counts ?? 0) : 0;
    if (calls && segment.kind) this.call(segment, handMove(segment, before), opens, counts);
    else if (opens) this.put(segment, segment.start, segment.end, opens.kind, opens.text);
    if (calls) this.said(segment);
    // The end has no room where the next call begins at once.
    if (this.endsRounds(segment, after) && !(after && this.called(after)))
      this.put(segment, segment.end, segment.end + 4000, 'end', this.blocks[segment.block].ends);
    if (segment.part === 'rest' && after?.block === segment.block && segment.end - segment.start >= LONG_REST)
      this.put(segment, Math.max(this.busyUntil, segment.end - READY_BEFORE), segment.end, 'cue', 'Ready');
  }

  private called({ guided, part }: Segment): boolean {
    return guided || part === 'lead-in' || part === 'entry' || part === 'each round' || part === 'lead-out';
  }

  /** What opens a segment besides its call: rounds, sets, stages, the change to own count, rests. */
  private announcement(segment: Segment, before: Segment | undefined): Opening | null {
    const { part, round, set, of, stage, guided } = segment;
    const sameBlock = before?.block === segment.block;
    if (part === 'rest' || part === 'recover' || part === 'changeover') return RESTS[part];
    if (part === 'entry') return set > 1 && before?.part !== part ? opening(`Set ${set}`) : null;
    if (part === 'lead-out') return sameBlock && before.part === part ? null : CLOSING;
    if (part === 'natural' && stage > 1 && before?.stage !== stage) return opening(this.blocks[segment.block].stageCalls[stage - 1]);
    if (part !== 'round' || (sameBlock && before.part === 'round' && before.round === round && before.set === set && before.stage === stage))
      return null;
    if (sameBlock && before.part !== 'round' && before.round === round && before.set === set && before.stage === stage && segment.cycle > 1)
      return null;
    if (stage > 1 && round === 1 && (!sameBlock || before.stage !== stage)) return opening(this.blocks[segment.block].stageCalls[stage - 1]);
    if (!guided && (round > 1 || set > 1) && before?.guided !== false && sameBlock && before.part !== 'natural')
      return round === of ? LAST_OWN_COUNT : OWN_COUNT;
    if (round === of && of > 1) return stage > 0 && stage < this.blocks[segment.block].stages.length ? ONCE_MORE : LAST_ROUND;
    if (round === 1) return set > 1 && before?.part !== 'entry' ? opening(`Set ${set}`) : null;
    return guided ? (ROUNDS[round] ?? opening(`Round ${round}`, 'round', false)) : null;
  }

  /**
   * A call, then its counts. Rounds repeat, so the wording of a phase is chosen once a block; what opens the segment is said
   * before it when both fit.
   */
  private call(segment: Segment, hand: HandMove, opens: Opening | null, counts: number): void {
    const { start, end, block } = segment;
    if (block !== this.chosenFor) {
      this.chosen = [];
      this.chosenFor = block;
    }
    const choice = this.known(segment, hand) ?? this.choose(segment, hand, counts);
    if (choice.text === '') return;
    const before = opens && choice.whole ? opens.words * this.perWord : Infinity;
    const late = before + wordsIn(choice.plain) * this.perWord;
    if (opens && before + choice.length <= choice.room)
      this.place(start, end, block, 'round', `${opens.text}. ${choice.text}`, before + choice.length);
    else if (opens?.must && late <= end - start) this.place(start, end, block, 'round', `${opens.text}. ${choice.plain}`, late);
    else {
      this.place(start, end, block, 'call', choice.text, choice.length);
      if (opens?.must) this.crowd(block, opens.text, '');
    }
    const { counts: spoken } = choice;
    for (let index = 0; index < spoken.length; index += 1) {
      const count = spoken[index];
      const from = plus(start, count.at);
      if (from >= this.busyUntil) this.write(from, plus(start, count.until), block, count.say, 'count');
    }
  }

  private known(segment: Segment, hand: HandMove): Choice | undefined {
    for (const choice of this.chosen) if (choice.hand === hand && alike(choice.like, segment)) return choice;
    return undefined;
  }

  /**
   * The longest wording of a call that can be said before the second count, with the first number where the words fit. A call that
   * needs more than a count is said with how many there are instead, and nothing is counted over it.
   */
  private choose(segment: Segment, hand: HandMove, counts: number): Choice {
    const { start, end, block } = segment;
    const own = this.worded ? ownCall(this.options.wording, this.blocks[block].family, segment) : null;
    const each = (end - start) / Math.max(1, counts);
    const at = this.blocks[block];
    const wanted = own ?? callText(segment, counts > 1 ? null : segment.counts, hand, at);
    const first = counts > 1 && segment.kind ? (countsUp(segment.kind, at.counting) ? 1 : counts) : null;
    const numbered = own === null && first !== null ? callText(segment, first, hand, at) : null;
    const counted = counts > 1 ? (numbered !== null && this.fits(numbered, each) ? numbered : this.longest(wanted, segment, each)) : null;
    const text = counted ?? this.longest(own ?? callText(segment, segment.counts, hand, at), segment, end - start) ?? '';
    if (counts > 1 && counted === null && text !== '') this.crowd(block, `${wanted}, with its counts`, text);
    else if (text !== wanted && text !== numbered) this.crowd(block, wanted, text);
    return this.keep({
      like: segment,
      hand,
      text,
      plain: text === numbered ? wanted : text,
      length: wordsIn(text) * this.perWord,
      room: counted === null ? end - start : each,
      counts: counted === null ? SILENT : this.counts(segment, counts, each),
      whole: text === wanted || text === numbered,
    });
  }

  /** What is wanted, else the phase's name, else its first word, whichever can be said in time. */
  private longest(wanted: string, segment: Segment, room: number): string | null {
    if (this.fits(wanted, room)) return wanted;
    const short = phaseText(segment, this.blocks[segment.block].sided);
    if (this.fits(short, room)) return short;
    const least = segment.side === 'both' ? short.split(',')[0] : short;
    return this.fits(least, room) ? least : null;
  }

  /** Wording of a studio's own may name the round, and so is chosen each time. */
  private keep(choice: Choice): Choice {
    if (!this.worded) this.chosen.push(choice);
    return choice;
  }

  /** The first count is the call itself. */
  private counts({ kind, block }: Segment, counts: number, each: number): Counted[] {
    const { spacer } = this.options;
    const spaced = spacer !== '' && (1 + wordsIn(spacer)) * this.perWord <= each;
    const length = Math.min(each, spaced ? (1 + wordsIn(spacer)) * this.perWord : this.perWord);
    const up = kind !== null && countsUp(kind, this.blocks[block].counting);
    const spoken: Counted[] = [];
    for (let count = 1; count < counts; count += 1) {
      const at = count * each;
      const say = up ? count + 1 : counts - count;
      spoken.push({ at: millis(at), until: millis(at + length), say: spaced ? `${say} ${spacer}` : (NUMBERS[say] ?? String(say)) });
    }
    return spoken;
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
    const until = millis(at + length);
    if (at < this.busyUntil || until > end) return this.crowd(block, say, '');
    this.write(millis(at), until, block, say, kind);
  }

  private write(at: Millis, until: Millis, block: number, say: string, kind: Cue['kind']): void {
    this.silences.fill(this.busyUntil, at, this.cues);
    this.cues.push({ at, until, block, say, kind });
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

const NUMBERS = Array.from({ length: 61 }, (_, count) => String(count));
