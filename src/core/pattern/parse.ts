import { attempt, type Reader } from './tokens';
import {
  plainPhase,
  type ConnectedPattern,
  type CyclePattern,
  type Length,
  type Lock,
  type Manner,
  type Parsed,
  type Pattern,
  type Phase,
  type PhaseKind,
  type PumpPattern,
  type Recovery,
  type Route,
  type Side,
} from './types';

/** The limits that keep a pattern sane; each is named in the message that refuses it. */
export const LIMITS = { counts: 60, seconds: 180, pauseSeconds: 1.5, pumps: 300, pumpsPerMinute: 150, repeats: 8 } as const;

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
const ROUTES: readonly Route[] = ['nose', 'mouth', 'either'];
const MANNERS: readonly Manner[] = ['throat', 'narrowed', 'hiss', 'hum', 'sigh'];
const LOCKS: readonly Lock[] = ['chin', 'throat', 'pelvic', 'abdominal'];
const RATIO_KINDS: readonly PhaseKind[] = ['in', 'hold', 'out', 'empty'];
const VOCABULARY = [
  ...Object.keys(KIND_WORDS),
  ...SIDES,
  ...ROUTES,
  ...MANNERS,
  'strong',
  'nine',
  'tenths',
  'gap',
  'free',
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
];
const PHASE_EXPECTED = 'a phase: in, hold, out, empty or pause, with a count';

/**
 * Reads one line of breath notation.
 * @param line such as "4:7:8", "in 4 left, hold 2, out 6 right, alternating", "27 pumps at 60" or "natural"
 * @returns the pattern, or the problems with position, what was found and what was expected
 * @example parsePattern('4:7:8') // { ok: true, value: { kind: 'cycle', … } }
 */
export function parsePattern(line: string): Parsed<Pattern> {
  return attempt(line, readPattern);
}

function readPattern(reader: Reader): Pattern {
  const leadIn: Phase[] = [];
  const entry: Phase[] = [];
  for (;;) {
    if (reader.accept('first')) readAround(reader, leadIn);
    else if (reader.acceptAll(['each', 'set'])) readAround(reader, entry);
    else break;
    reader.expect(';', 'a semicolon, then the pattern itself');
  }
  const main = readMain(reader);
  const leadOut: Phase[] = [];
  if (reader.accept(';')) {
    reader.expect('last', '“last” and what ends the practice');
    readAround(reader, leadOut);
  }
  reader.end(VOCABULARY);
  return main.kind === 'natural' ? main : { ...main, leadIn, entry, leadOut };
}

function readAround(reader: Reader, phases: Phase[]): void {
  reader.accept(':');
  do phases.push(readPhase(reader));
  while (reader.accept(','));
}

function readMain(reader: Reader): Pattern {
  if (reader.next.type === 'end') reader.fail('a pattern such as 4:7:8, or “in 4, out 6”');
  const natural = reader.accept('natural', 'deepened');
  if (natural) {
    reader.accept('breath');
    return { kind: 'natural', depth: natural === 'natural' ? 'natural' : 'deepened' };
  }
  if (reader.accept('connected')) return readConnected(reader);
  if (reader.atNumber() && reader.peek(1).text === ':') return readTails(reader, readRatio(reader));
  if (reader.atNumber() && ['pump', 'pumps'].includes(reader.peek(1).text)) return readPumps(reader);
  return readTails(reader, [readPhase(reader)]);
}

function readConnected(reader: Reader): ConnectedPattern {
  const shortSeconds = readSeconds(reader, 'seconds for a short breath');
  reader.expect(',', 'a comma, then “long” and its seconds');
  reader.expect('long', '“long” and its seconds');
  const longSeconds = readSeconds(reader, 'seconds for the long breath');
  const route = reader.accept(...ROUTES);
  return {
    kind: 'connected',
    shortSeconds,
    longSeconds,
    route: ROUTES.find((known) => known === route) ?? 'nose',
    leadIn: [],
    entry: [],
    leadOut: [],
  };
}

function readPumps(reader: Reader): PumpPattern {
  const pumps = reader.number('a number of pumps', 1, LIMITS.pumps, false);
  reader.accept('pump', 'pumps');
  reader.expect('at', '“at” and the pumps a minute, such as “27 pumps at 60”');
  const perMinute = reader.number('pumps a minute', 20, LIMITS.pumpsPerMinute, false);
  return { kind: 'pumps', pumps, perMinute, leadIn: [], entry: [], leadOut: [] };
}

function readRatio(reader: Reader): Phase[] {
  const counts = [readCount(reader)];
  while (reader.accept(':')) {
    if (counts.length === RATIO_KINDS.length) reader.fail('at most four counts: in, hold, out, empty');
    counts.push(readCount(reader));
  }
  const kinds: readonly PhaseKind[] = counts.length === 2 ? ['in', 'out'] : RATIO_KINDS.slice(0, counts.length);
  const marked = readMarks(reader);
  return counts.map((n, index) => {
    const phase = plainPhase(kinds[index], { unit: 'counts', n });
    const breathes = phase.kind === 'in' || phase.kind === 'out';
    return breathes ? { ...phase, ...marked } : phase;
  });
}

function readTails(reader: Reader, first: Phase[]): CyclePattern {
  const phases = [...first];
  const locks: Lock[] = [];
  let alternating = reader.accept('alternating') !== null;
  let recovery: Recovery | null = null;
  while (reader.accept(',')) {
    if (reader.accept('alternating')) alternating = true;
    else if (reader.accept('recover')) recovery = readRecovery(reader);
    else if (reader.accept('lock')) locks.push(readLock(reader));
    else if (recovery || locks.length > 0) reader.fail('“alternating”, “recover” or “lock”; phases come before these', VOCABULARY);
    else phases.push(readPhase(reader));
  }
  if (reader.next.type !== 'end' && reader.next.text !== ';') reader.fail('a comma, or the end of the line', VOCABULARY);
  if (!phases.some((phase) => phase.kind === 'in')) reader.fail('an inhale somewhere in the pattern, such as “in 4”', VOCABULARY);
  if (!phases.some((phase) => phase.kind === 'out')) reader.fail('an exhale somewhere in the pattern, such as “out 4”', VOCABULARY);
  const sided = alternating ? withSides(phases) : phases;
  return { kind: 'cycle', phases: sided, alternating, recovery, locks, leadIn: [], entry: [], leadOut: [] };
}

/** "4:6 alternating" means in left, out right, to begin with. */
function withSides(phases: readonly Phase[]): Phase[] {
  if (phases.some((phase) => phase.side !== 'both')) return [...phases];
  return phases.map((phase) => (phase.kind === 'in' ? { ...phase, side: 'left' } : phase.kind === 'out' ? { ...phase, side: 'right' } : phase));
}

function readRecovery(reader: Reader): Recovery {
  const low = reader.number('recovery breaths', 1, 6, false);
  const high = reader.accept('-') ? reader.number('recovery breaths', low, 6, false) : low;
  return { low, high };
}

function readLock(reader: Reader): Lock {
  const lock = LOCKS.find((known) => known === reader.next.text);
  if (!lock) reader.fail('a lock: chin, throat, pelvic or abdominal', LOCKS);
  reader.accept(lock);
  return lock;
}

function readPhase(reader: Reader): Phase {
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
  if (kind !== 'in' && kind !== 'out' && (marks.side !== 'both' || marks.manner !== null)) {
    reader.fail('a side or a manner only on an inhale or an exhale');
  }
  return { kind, length, repeat, ...marks, gap: readGap(reader) };
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

function readSeconds(reader: Reader, what: string, shortest = 0.5): number {
  const n = reader.number(what, shortest, LIMITS.seconds, true);
  if (!reader.accept('s', 'sec', 'second', 'seconds')) reader.fail('“s” for seconds');
  return n;
}

function readCount(reader: Reader): number {
  return reader.number('a count', 1, LIMITS.counts, false);
}

type Marks = Pick<Phase, 'side' | 'route' | 'manner' | 'nineTenths' | 'gap'>;

function readMarks(reader: Reader): Marks {
  const marks = { side: 'both' as Side, route: null as Route | null, manner: null as Manner | null, nineTenths: false, gap: null };
  for (;;) {
    const word = reader.next.text;
    const side = SIDES.find((known) => known === word);
    const route = ROUTES.find((known) => known === word);
    const manner = MANNERS.find((known) => known === word);
    if (side) marks.side = side;
    else if (route) marks.route = route;
    else if (manner) marks.manner = manner;
    else if (reader.acceptAll(['strong', 'throat'])) {
      marks.manner = 'strong throat';
      continue;
    } else if (reader.acceptAll(['nine', 'tenths'])) {
      marks.nineTenths = true;
      continue;
    } else return marks;
    reader.accept(word);
  }
}

function readGap(reader: Reader): Phase['gap'] {
  if (!reader.accept('gap')) return null;
  const seconds = readSeconds(reader, 'seconds between');
  return { seconds, free: reader.accept('free') !== null };
}
