import { LIMITS, readCount, readMarks, readPhase, readSeconds, ROUTES, VOCABULARY } from './phase';
import { attempt, type Reader } from './tokens';
import {
  plainPhase,
  type Amount,
  type ConnectedPattern,
  type CyclePattern,
  type Lock,
  type OptionsPattern,
  type Parsed,
  type Pattern,
  type Phase,
  type PhaseKind,
  type PlainPattern,
  type PumpPattern,
  type Recovery,
  type Stage,
  type WholePattern,
} from './types';

/** Nothing before, between and after the rounds. */
const NOTHING_AROUND = { leadIn: [], entry: [], everyRound: [], leadOut: [] } as const;

const LOCKS: readonly Lock[] = ['chin', 'throat', 'pelvic', 'abdominal'];
const RATIO_KINDS: readonly PhaseKind[] = ['in', 'hold', 'out', 'empty'];

/**
 * Reads one line of breath notation.
 * @param line such as "4:7:8", "in 4 left, hold 2, out 6 right, alternating", "27 pumps at 60" or "natural"
 * @returns the pattern, or the problems with position, what was found and what was expected
 * @example parsePattern('4:7:8') // { ok: true, value: { kind: 'cycle', … } }
 */
export function parsePattern(line: string): Parsed<Pattern> {
  // Two numbers with nothing but a point between them are one, or two: it is not guessed which.
  const one = /^\s*((\d+)[.,](\d+))\s*$/.exec(line);
  if (one) {
    const expected = `a colon between two counts, or seconds such as “in ${one[2]}.${one[3]} s, out ${one[2]}.${one[3]} s”`;
    return {
      ok: false,
      problems: [{ at: line.indexOf(one[1]), length: one[1].length, found: `“${one[1]}”`, expected, suggestion: `${one[2]}:${one[3]}` }],
    };
  }
  return attempt(plainly(line), readPattern);
}

/** How long a stage lasts where counts are only written one after the other. */
const USUAL_STAGE: Amount = { unit: 'rounds', n: 6, cyclesPerRound: null, guided: null };

/** What people write for a pattern that the notation has another way for: "4 7 8", "box". */
function plainly(line: string): string {
  if (/^\s*(box|square)( breath)?\s*$/i.test(line)) return '4:4:4:4';
  return /^\s*\d{1,2}(\s*[ ,/.;-]\s*\d{1,2}){1,3}\s*$/.test(line) ? line.trim().replace(/\s*[ ,/.;-]\s*/g, ':') : line;
}

function readPattern(reader: Reader): Pattern {
  const first = readOption(reader);
  if (first.name === null && reader.next.text !== '|') {
    reader.end(VOCABULARY);
    return first.pattern;
  }
  const options = [first];
  while (reader.accept('|')) {
    options.push(readOption(reader));
    if (options.length > LIMITS.options) reader.fail(`at most ${LIMITS.options} options`);
  }
  if (options.length === 1) reader.fail('“|” and another option; a single way has no name', VOCABULARY);
  reader.end(VOCABULARY);
  return { kind: 'options', options };
}

function readOption(reader: Reader): OptionsPattern['options'][number] {
  const name = reader.quoted(LIMITS.nameCharacters);
  return { name, pattern: readWhole(reader) };
}

function readWhole(reader: Reader): WholePattern {
  const leadIn: Phase[] = [];
  const entry: Phase[] = [];
  const everyRound: Phase[] = [];
  for (;;) {
    if (reader.accept('first')) readAround(reader, leadIn);
    else if (reader.acceptAll(['each', 'set'])) readAround(reader, entry);
    else if (reader.acceptAll(['each', 'round'])) readAround(reader, everyRound);
    else break;
    reader.expect(';', 'a semicolon, then the pattern itself');
  }
  const main = readSequence(reader);
  const leadOut: Phase[] = [];
  if (reader.accept(';')) {
    reader.expect('last', '“last” and what ends the practice');
    readAround(reader, leadOut);
  }
  if (main.kind === 'natural') {
    if (leadIn.length + entry.length + everyRound.length + leadOut.length > 0)
      reader.fail('nothing before or after the natural breath, which has no beginning');
    return main;
  }
  return { ...main, leadIn, entry, everyRound, leadOut };
}

/** One way of breathing, or stages one after another. */
function readSequence(reader: Reader): WholePattern {
  const first = readMain(reader);
  if (reader.next.text !== 'for' && reader.next.text !== '>') return first;
  const stages: Stage[] = [{ pattern: first, amount: stageAmount(reader) }];
  while (reader.accept('>')) {
    stages.push({ pattern: readMain(reader), amount: stageAmount(reader) });
    if (stages.length > LIMITS.stages) reader.fail(`at most ${LIMITS.stages} stages`);
  }
  if (stages.length === 1) reader.fail('“>” and the next stage; how long one way lasts is its dose, in the field beside it', VOCABULARY);
  return { kind: 'stages', stages, ...NOTHING_AROUND };
}

/** How long a stage lasts; a few rounds where nothing is said. */
function stageAmount(reader: Reader): Amount {
  return reader.accept('for') ? readAmount(reader) : USUAL_STAGE;
}

function readAmount(reader: Reader): Amount {
  const unit = reader.peek(1).text;
  if (['s', 'sec', 'second', 'seconds'].includes(unit)) return { unit: 'seconds', n: readSeconds(reader, 'seconds of the stage') };
  if (['min', 'minute', 'minutes'].includes(unit)) {
    const n = reader.number('minutes of the stage', 0.5, 60, true);
    reader.accept(unit);
    return { unit: 'minutes', n };
  }
  const n = reader.number('rounds of the stage', 1, 200, false);
  if (!reader.accept('round', 'rounds', 'breath', 'breaths')) reader.fail('“rounds”, “s” or “min”', VOCABULARY);
  const cyclesPerRound = reader.accept('of') ? reader.number('cycles in a round', 1, 12, false) : null;
  const guided = reader.accept('guided') ? { first: reader.number('guided rounds', 0, n, false), last: reader.acceptAll(['and', 'last']) } : null;
  return { unit: 'rounds', n, cyclesPerRound, guided };
}

function readAround(reader: Reader, phases: Phase[]): void {
  reader.accept(':');
  do phases.push(readPhase(reader));
  while (reader.accept(','));
}

function readMain(reader: Reader): PlainPattern {
  if (reader.next.type === 'end') reader.fail('a pattern such as 4:7:8, or “in 4, out 6”');
  const natural = reader.accept('natural', 'deepened');
  if (natural) {
    reader.accept('breath');
    return { kind: 'natural', depth: natural === 'natural' ? 'natural' : 'deepened', locks: readLocks(reader) };
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
    locks: readLocks(reader),
    ...NOTHING_AROUND,
  };
}

function readPumps(reader: Reader): PumpPattern {
  const pumps = reader.number('a number of pumps', 1, LIMITS.pumps, false);
  reader.accept('pump', 'pumps');
  reader.expect('at', '“at” and the pumps a minute, such as “27 pumps at 60”');
  const perMinute = reader.number('pumps a minute', 20, LIMITS.pumpsPerMinute, false);
  return { kind: 'pumps', pumps, perMinute, locks: readLocks(reader), ...NOTHING_AROUND };
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
  if (phases.length > LIMITS.phases) reader.fail(`at most ${LIMITS.phases} phases`);
  if (![';', '>', '|', 'for'].includes(reader.next.text)) reader.end(VOCABULARY);
  if (!phases.some((phase) => phase.kind === 'in')) reader.fail('an inhale somewhere in the pattern, such as “in 4”', VOCABULARY);
  if (!phases.some((phase) => phase.kind === 'out')) reader.fail('an exhale somewhere in the pattern, such as “out 4”', VOCABULARY);
  const sided = alternating ? withSides(phases) : phases;
  return { kind: 'cycle', phases: sided, alternating, recovery, locks, ...NOTHING_AROUND };
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

/** Locks that are held through the block, after commas. */
function readLocks(reader: Reader): Lock[] {
  const locks: Lock[] = [];
  while (reader.next.text === ',' && reader.peek(1).text === 'lock') {
    reader.acceptAll([',', 'lock']);
    locks.push(readLock(reader));
  }
  return locks;
}

function readLock(reader: Reader): Lock {
  const lock = LOCKS.find((known) => known === reader.next.text);
  if (!lock) reader.fail('a lock: chin, throat, pelvic or abdominal', LOCKS);
  reader.accept(lock);
  return lock;
}
