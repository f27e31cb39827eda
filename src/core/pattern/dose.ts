import { guidedText, rangeText } from './format';
import { attempt, type Reader } from './tokens';
import type { Dose, Guided, Parsed, Rest } from './types';

export const DOSE_LIMITS = { rounds: 200, sets: 20, minutes: 60, cycles: 12, restSeconds: 600, restBreaths: 20 } as const;

const MINUTES = ['min', 'minute', 'minutes', 'm'];
const VOCABULARY = [
  'until',
  'settled',
  'about',
  'rounds',
  'round',
  'minutes',
  'min',
  'of',
  'rest',
  'breaths',
  'between',
  'after',
  'each',
  'sets',
  'guided',
  'last',
];
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
  const dose = reader.acceptAll(['until', 'settled']) ? readSettled(reader) : readAmount(reader);
  reader.end(VOCABULARY);
  return dose;
}

/** "until settled, about 5 min": the minutes planned for it. */
function readSettled(reader: Reader): Dose {
  reader.accept(',');
  reader.expect('about', '“about” and the minutes planned for it, such as “until settled, about 5 min”');
  const minutes = readMinutes(reader);
  return { kind: 'minutes', sets: 1, minutes, settled: true, cyclesPerRound: readRoundsOf(reader), ...readTails(reader, 1) };
}

function readAmount(reader: Reader): Dose {
  let sets = 1;
  if (['x', 'sets'].includes(reader.peek(1).text)) {
    sets = reader.number('a number of sets', 1, DOSE_LIMITS.sets, false);
    reader.accept('x', 'sets');
    reader.accept('of');
  }
  if (MINUTES.includes(reader.peek(1).text)) {
    const minutes = readMinutes(reader);
    return { kind: 'minutes', sets, minutes, settled: false, cyclesPerRound: readRoundsOf(reader), ...readTails(reader, sets) };
  }
  const rounds = reader.number('a number of rounds', 1, DOSE_LIMITS.rounds, false);
  if (!reader.accept('rounds', 'round', 'breaths', 'cycles')) reader.fail('“rounds”, or “min” for minutes', VOCABULARY);
  const cyclesPerRound = reader.accept('of') ? readCycles(reader) : null;
  return { kind: 'rounds', sets, rounds, cyclesPerRound, ...readTails(reader, sets) };
}

function readMinutes(reader: Reader): number {
  const minutes = reader.number('minutes', 0.25, DOSE_LIMITS.minutes, true);
  if (!reader.accept(...MINUTES)) reader.fail('“min” for minutes', VOCABULARY);
  return minutes;
}

function readRoundsOf(reader: Reader): number | null {
  return reader.acceptAll(['in', 'rounds', 'of']) ? readCycles(reader) : null;
}

function readCycles(reader: Reader): number {
  const cycles = reader.number('cycles in a round', 1, DOSE_LIMITS.cycles, false);
  reader.accept('cycles', 'breaths');
  return cycles;
}

/** What follows after commas: rests, and how many rounds are counted aloud. */
function readTails(reader: Reader, sets: number): { rests: readonly Rest[]; guided: Guided | null } {
  const rests: Rest[] = [];
  let guided: Guided | null = null;
  while (reader.accept(',')) {
    if (rests.length < 2 && reader.accept('rest')) {
      const rest = readRest(reader, sets);
      if (rests.some(({ every }) => every === rest.every)) reader.fail('one rest between rounds and one between sets');
      rests.push(rest);
    } else if (guided === null && reader.accept('guided')) guided = readGuided(reader);
    else reader.fail('“rest” and how long, or “guided” and how many rounds', VOCABULARY);
  }
  return { rests: rests.sort((a, b) => a.every.localeCompare(b.every)), guided };
}

function readGuided(reader: Reader): Guided {
  const first = reader.number('guided rounds', 0, DOSE_LIMITS.rounds, false);
  return { first, last: reader.acceptAll(['and', 'last']) };
}

function readRest(reader: Reader, sets: number): Rest {
  const ranged = reader.peek(1).text === '-';
  const inBreaths = ['breath', 'breaths'].includes(reader.peek(ranged ? 3 : 1).text);
  const [what, least, most] = inBreaths
    ? (['a rest in breaths', 1, DOSE_LIMITS.restBreaths] as const)
    : (['a rest in seconds', 1, DOSE_LIMITS.restSeconds] as const);
  const low = reader.number(what, least, most, !inBreaths);
  const high = reader.accept('-') ? reader.number(what, low, most, !inBreaths) : low;
  if (!reader.accept('breath', 'breaths', 's', 'sec', 'seconds')) reader.fail('“s” for seconds, or “breaths”', VOCABULARY);
  const unit = inBreaths ? 'breaths' : 'seconds';
  const implied = sets > 1 ? 'set' : 'round';
  if (reader.next.type === 'end' || reader.next.text === ',') return { low, high, unit, every: implied, afterLast: false };
  const afterLast = reader.acceptAll(['after', 'each']);
  if (!afterLast) reader.expect('between', BETWEEN);
  const every = reader.accept('rounds', 'round', 'sets', 'set');
  if (!every) reader.fail(BETWEEN, VOCABULARY);
  return { low, high, unit, every: every.startsWith('set') ? 'set' : 'round', afterLast };
}

/**
 * The one canonical way to write a dose.
 * @example formatDose(value) // "2 x 6 rounds of 2, rest 3 breaths after each set"
 */
export function formatDose(dose: Dose): string {
  const tails = [...dose.rests.map(restText), ...(dose.guided ? [guidedText(dose.guided)] : [])];
  return [amountText(dose), ...tails].join(', ');
}

function amountText(dose: Dose): string {
  const sets = dose.sets > 1 ? `${dose.sets} x ` : '';
  if (dose.kind === 'rounds')
    return `${sets}${dose.rounds} ${dose.rounds === 1 ? 'round' : 'rounds'}${dose.cyclesPerRound ? ` of ${dose.cyclesPerRound}` : ''}`;
  return `${dose.settled ? 'until settled, about ' : sets}${dose.minutes} min${dose.cyclesPerRound ? ` in rounds of ${dose.cyclesPerRound}` : ''}`;
}

function restText(rest: Rest): string {
  const unit = rest.unit === 'seconds' ? 's' : rest.high === 1 ? 'breath' : 'breaths';
  const place = rest.afterLast ? `after each ${rest.every}` : `between ${rest.every}s`;
  return `rest ${rangeText(rest)} ${unit} ${place}`;
}
