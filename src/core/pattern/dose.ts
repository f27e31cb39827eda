import { attempt, type Reader } from './tokens';
import type { Dose, Guided, Parsed, Rest } from './types';

export const DOSE_LIMITS = { rounds: 200, sets: 20, minutes: 60, cycles: 12, restSeconds: 600, restBreaths: 20 } as const;

const VOCABULARY = ['rounds', 'round', 'minutes', 'min', 'of', 'rest', 'breaths', 'between', 'after', 'each', 'sets', 'guided', 'last'];
const BETWEEN = '“between rounds”, “after each round”, “between sets” or “after each set”';

/**
 * Reads a dose.
 * @param line such as "9 rounds of 2", "2 x 6 rounds, rest 3 breaths after each set", "5 min"
 * @example parseDose('5 min') // { ok: true, value: { kind: 'minutes', minutes: 5, … } }
 */
export function parseDose(line: string): Parsed<Dose> {
  return attempt(line, readDose);
}

function readDose(reader: Reader): Dose {
  if (reader.next.type === 'end') reader.fail('a dose such as “9 rounds”, or “5 min”');
  const [, after] = [reader.next, reader.peek(1)];
  const dose = ['min', 'minute', 'minutes', 'm'].includes(after.text) ? readMinutes(reader) : readRounds(reader);
  reader.end(VOCABULARY);
  return dose;
}

function readMinutes(reader: Reader): Dose {
  const minutes = reader.number('minutes', 0.25, DOSE_LIMITS.minutes, true);
  reader.accept('min', 'minute', 'minutes', 'm');
  const cyclesPerRound = reader.acceptAll(['in', 'rounds', 'of']) ? readCycles(reader) : null;
  return { kind: 'minutes', minutes, cyclesPerRound, ...readTails(reader, 1) };
}

function readRounds(reader: Reader): Dose {
  let sets = 1;
  let rounds = reader.number('a number of rounds', 1, DOSE_LIMITS.rounds, false);
  if (reader.accept('x', 'sets')) {
    if (rounds > DOSE_LIMITS.sets) reader.fail(`at most ${DOSE_LIMITS.sets} sets`);
    sets = rounds;
    reader.accept('of');
    rounds = reader.number('a number of rounds', 1, DOSE_LIMITS.rounds, false);
  }
  if (!reader.accept('rounds', 'round', 'breaths', 'cycles')) reader.fail('“rounds”, or “min” for minutes', VOCABULARY);
  const cyclesPerRound = reader.accept('of') ? readCycles(reader) : null;
  return { kind: 'rounds', sets, rounds, cyclesPerRound, ...readTails(reader, sets) };
}

function readCycles(reader: Reader): number {
  const cycles = reader.number('cycles in a round', 1, DOSE_LIMITS.cycles, false);
  reader.accept('cycles', 'breaths');
  return cycles;
}

/** What follows after commas: a rest, and how many rounds are counted aloud. */
function readTails(reader: Reader, sets: number): { rest: Rest | null; guided: Guided | null } {
  let rest: Rest | null = null;
  let guided: Guided | null = null;
  while (reader.accept(',')) {
    if (rest === null && reader.accept('rest')) rest = readRest(reader, sets);
    else if (guided === null && reader.accept('guided')) guided = readGuided(reader);
    else reader.fail('“rest” and how long, or “guided” and how many rounds', VOCABULARY);
  }
  return { rest, guided };
}

function readGuided(reader: Reader): Guided {
  const first = reader.number('guided rounds', 0, DOSE_LIMITS.rounds, false);
  return { first, last: reader.acceptAll(['and', 'last']) };
}

function readRest(reader: Reader, sets: number): Rest {
  const inBreaths = ['breath', 'breaths'].includes(reader.peek(1).text);
  const n = inBreaths
    ? reader.number('a rest in breaths', 1, DOSE_LIMITS.restBreaths, false)
    : reader.number('a rest in seconds', 1, DOSE_LIMITS.restSeconds, true);
  if (!reader.accept('breath', 'breaths', 's', 'sec', 'seconds')) reader.fail('“s” for seconds, or “breaths”', VOCABULARY);
  const unit = inBreaths ? 'breaths' : 'seconds';
  const implied = sets > 1 ? 'set' : 'round';
  if (reader.next.type === 'end' || reader.next.text === ',') return { n, unit, every: implied, afterLast: false };
  const afterLast = reader.acceptAll(['after', 'each']);
  if (!afterLast) reader.expect('between', BETWEEN);
  const every = reader.accept('rounds', 'round', 'sets', 'set');
  if (!every) reader.fail(BETWEEN, VOCABULARY);
  return { n, unit, every: every.startsWith('set') ? 'set' : 'round', afterLast };
}

/**
 * The one canonical way to write a dose.
 * @example formatDose(value) // "2 x 6 rounds of 2, rest 3 breaths after each set"
 */
export function formatDose(dose: Dose): string {
  const rest = `${dose.rest ? `, ${restText(dose.rest)}` : ''}${dose.guided ? `, ${guidedText(dose.guided)}` : ''}`;
  if (dose.kind === 'minutes') return `${dose.minutes} min${dose.cyclesPerRound ? ` in rounds of ${dose.cyclesPerRound}` : ''}${rest}`;
  const sets = dose.sets > 1 ? `${dose.sets} x ` : '';
  const rounds = `${dose.rounds} ${dose.rounds === 1 ? 'round' : 'rounds'}`;
  return `${sets}${rounds}${dose.cyclesPerRound ? ` of ${dose.cyclesPerRound}` : ''}${rest}`;
}

function guidedText({ first, last }: Guided): string {
  return `guided ${first}${last ? ' and last' : ''}`;
}

function restText(rest: Rest): string {
  const unit = rest.unit === 'seconds' ? 's' : rest.n === 1 ? 'breath' : 'breaths';
  const place = rest.afterLast ? `after each ${rest.every}` : `between ${rest.every}s`;
  return `rest ${rest.n} ${unit} ${place}`;
}
