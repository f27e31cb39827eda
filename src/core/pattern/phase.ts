import { type Reader } from './tokens';
import { type Length, type Manner, type Phase, type PhaseKind, type Route, type Said, type Side } from './types';

/** The limits that keep a pattern sane; each is named in the message that refuses it. */
export const LIMITS = {
  counts: 60,
  seconds: 180,
  pauseSeconds: 1.5,
  pumps: 300,
  pumpsPerMinute: 150,
  repeats: 8,
  phases: 24,
  stages: 12,
  options: 4,
  said: 12,
  saidCharacters: 60,
  nameCharacters: 40,
} as const;

const KIND_WORDS: Readonly<Record<string, PhaseKind>> = {
  in: 'in',
  inhale: 'in',
  hold: 'hold',
  retain: 'hold',
  out: 'out',
  exhale: 'out',
  empty: 'empty',
  pause: 'pause',
};
const SIDES: readonly Side[] = ['left', 'right', 'both'];
export const ROUTES: readonly Route[] = ['nose', 'mouth', 'either'];
/** Manners of one word; "strong throat" has two. */
const MANNERS: readonly Manner[] = ['throat', 'narrowed', 'hiss', 'hum', 'sigh', 'released'];

/** Every word of the notation, for guessing what a misspelled one was meant to be. */
export const VOCABULARY = [
  ...Object.keys(KIND_WORDS),
  ...SIDES,
  ...ROUTES,
  ...MANNERS,
  'open',
  'strong',
  'nine',
  'tenths',
  'gap',
  'free',
  'say',
  'alternating',
  'recover',
  'lock',
  'natural',
  'deepened',
  'connected',
  'pumps',
  'first',
  'each',
  'last',
  'long',
  'ease',
  'for',
  'rounds',
  'round',
  'guided',
];
const PHASE_EXPECTED = 'a phase: in, hold, out, empty or pause, with a count';

/** Reads one phase: how often, what, how long, how, what comes between, what is said in it. */
export function readPhase(reader: Reader): Phase {
  let repeat = 1;
  if (reader.atNumber()) {
    repeat = reader.number('how often the phase repeats', 2, LIMITS.repeats, false);
    reader.expect('x', '“x” and a phase, such as “2 x in 25 s”');
  }
  reader.accept('breathe');
  const word = reader.next.text;
  if (!Object.hasOwn(KIND_WORDS, word)) reader.fail(PHASE_EXPECTED, VOCABULARY);
  reader.accept(word);
  const emptied = word === 'hold' && reader.accept('out', 'empty') !== null;
  if (word === 'hold' && !emptied) reader.accept('in');
  const kind = emptied ? 'empty' : KIND_WORDS[word];
  const length = readLength(reader, kind);
  const marks = readMarks(reader);
  if (kind !== 'in' && kind !== 'out' && (marks.side !== 'both' || marks.manner !== null || marks.manners !== null)) {
    reader.fail('a side or a manner only on an inhale or an exhale');
  }
  return { kind, length, repeat, ...marks, gap: readGap(reader), say: readSaid(reader) };
}

function readLength(reader: Reader, kind: PhaseKind): Length {
  if (kind === 'pause') {
    const n = reader.number('a pause in seconds', 0.1, LIMITS.pauseSeconds, true);
    reader.accept('s', 'sec', 'second', 'seconds');
    return { unit: 'seconds', n };
  }
  if (reader.accept('to')) reader.expect('ease', '“to ease”');
  if (isSeconds(reader)) return readSpan(reader, readSeconds(reader, 'seconds'));
  if (reader.peek(1).text === '-') return readSpan(reader, reader.number('seconds', 0.5, LIMITS.seconds, true));
  return { unit: 'counts', n: readCount(reader) };
}

function readSpan(reader: Reader, low: number): Length {
  if (!reader.accept('-')) return { unit: 'seconds', n: low };
  const high = readSeconds(reader, 'a longest length, in seconds,', low);
  return { unit: 'ease', low, high };
}

function isSeconds(reader: Reader): boolean {
  return ['s', 'sec', 'second', 'seconds'].includes(reader.peek(1).text);
}

export function readSeconds(reader: Reader, what: string, shortest = 0.5): number {
  const n = reader.number(what, shortest, LIMITS.seconds, true);
  if (!reader.accept('s', 'sec', 'second', 'seconds')) reader.fail('“s” for seconds');
  return n;
}

export function readCount(reader: Reader): number {
  return reader.number('a count', 1, LIMITS.counts, false);
}

type Marks = Pick<Phase, 'side' | 'route' | 'manner' | 'manners' | 'nineTenths' | 'gap'>;

export function readMarks(reader: Reader): Marks {
  const marks = { side: 'both' as Side, route: null as Route | null, manner: null as Manner | null, nineTenths: false, gap: null };
  let manners: (Manner | null)[] | null = null;
  for (;;) {
    const word = reader.next.text;
    const side = SIDES.find((known) => known === word);
    const route = ROUTES.find((known) => known === word);
    if (side) marks.side = side;
    else if (route) marks.route = route;
    else if (reader.acceptAll(['nine', 'tenths'])) {
      marks.nineTenths = true;
      continue;
    } else {
      const manner = readManner(reader);
      if (manner === undefined) return { ...marks, manners };
      if (marks.manner !== null || manners) reader.fail('one manner; only “narrowed” and “throat” go together', VOCABULARY);
      marks.manner = manner;
      manners = readGrid(reader, manner);
      continue;
    }
    reader.accept(word);
  }
}

/** One manner; null for an open breath, undefined when the next word is none. */
function readManner(reader: Reader): Manner | null | undefined {
  if (reader.acceptAll(['strong', 'throat'])) return 'strong throat';
  // A soft throat sound goes with nostrils that the hand narrows.
  if (reader.acceptAll(['narrowed', 'throat']) || reader.acceptAll(['throat', 'narrowed'])) return 'narrowed throat';
  if (reader.accept('open')) return null;
  const manner = MANNERS.find((known) => known === reader.next.text);
  if (manner) reader.accept(manner);
  return manner;
}

/** "open/narrowed": what the rounds of a grid take in turn. */
function readGrid(reader: Reader, first: Manner | null): (Manner | null)[] | null {
  const manners = [first];
  while (reader.accept('/')) {
    const next = readManner(reader);
    if (next === undefined || manners.includes(next)) reader.fail('another manner after “/”, such as open/narrowed', VOCABULARY);
    manners.push(next);
  }
  return manners.length > 1 ? manners : null;
}

/** "say (hand, forearm at 5 s)": what is said in the phase, spread evenly where no time is given. */
function readSaid(reader: Reader): Said[] {
  if (!reader.accept('say')) return [];
  reader.expect('(', '“(” and what to say, such as “say (hand, forearm)”');
  const said: Said[] = [];
  do {
    const line = reader.free([',', ')'], LIMITS.saidCharacters, 'something to say');
    const timed = /^(.*\S) at (\d+(?:\.\d+)?) s$/i.exec(line);
    said.push(timed ? { text: timed[1], atSeconds: Number(timed[2]) } : { text: line, atSeconds: null });
    if (said.length > LIMITS.said) reader.fail(`at most ${LIMITS.said} lines to say`);
  } while (reader.accept(','));
  reader.expect(')', '“)” after what to say');
  return said;
}

function readGap(reader: Reader): Phase['gap'] {
  if (!reader.accept('gap')) return null;
  const seconds = readSeconds(reader, 'seconds between');
  return { seconds, free: reader.accept('free') !== null };
}
