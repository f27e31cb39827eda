import { formatDose, formatPattern, parseDose, parsePattern, problemText } from '../pattern';
import type { Library } from '../library';

/** A studio's own way as it travels between studios. */
export interface TravellingWay {
  readonly name: string;
  /** The shipped technique it is a way of doing. */
  readonly base: string;
  readonly pattern: string;
  readonly dose: string;
}

/** What is wrong with one row of a file; rows count from 1, row 0 is the file itself. */
export interface RowProblem {
  readonly row: number;
  readonly message: string;
}

export const WAYS_FORMAT = 'oaken-ladder/ways';
const VERSION = 1;
const MOST_WAYS = 500;
const MOST_CHARACTERS = 1_000_000;

/** The file of own ways: documented JSON, see docs/ways.schema.json. */
export function writeWays(ways: readonly TravellingWay[]): string {
  return `${JSON.stringify({ format: WAYS_FORMAT, version: VERSION, ways: ways.map(({ name, base, pattern, dose }) => ({ name, base, pattern, dose })) }, null, 2)}\n`;
}

/**
 * Reads a file of own ways. Patterns and doses come back in canonical text. Every bad row is named with its reason; what has
 * one is not to be brought in at all.
 * @param taken names the studio already has, in any case
 * @example readWays('{', [], library).problems // [{ row: 0, message: 'This file is not JSON …' }]
 */
export function readWays(
  text: string,
  taken: readonly string[],
  library: Library,
): { readonly ways: readonly TravellingWay[]; readonly problems: readonly RowProblem[] } {
  const whole = (message: string) => ({ ways: [], problems: [{ row: 0, message }] });
  if (text.length > MOST_CHARACTERS) return whole('This file is too large: a million characters at most.');
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch {
    return whole('This file is not JSON. Choose one that was taken along from here or from another studio.');
  }
  if (!isRecord(file) || file.format !== WAYS_FORMAT || !Array.isArray(file.ways))
    return whole(`This is not a file of own ways: its format should say “${WAYS_FORMAT}”.`);
  if (file.version !== VERSION) return whole(`This file is of version ${String(file.version)}; only version ${VERSION} can be read.`);
  if (file.ways.length > MOST_WAYS) return whole(`At most ${MOST_WAYS} ways in one file.`);
  const names = new Set(taken.map((name) => name.toLowerCase()));
  const problems: RowProblem[] = [];
  const ways = file.ways.flatMap((row: unknown, index): TravellingWay[] => {
    const found = readRow(row, names, library);
    if (Array.isArray(found)) {
      problems.push(...found.map((message) => ({ row: index + 1, message })));
      return [];
    }
    names.add(found.name.toLowerCase());
    return [found];
  });
  return { ways, problems };
}

function readRow(row: unknown, names: ReadonlySet<string>, library: Library): TravellingWay | string[] {
  if (!isRecord(row)) return ['This is no way: it should have a name, a base, a pattern and a dose.'];
  const [name, base, pattern, dose] = ['name', 'base', 'pattern', 'dose'].map((key) => (typeof row[key] === 'string' ? row[key].trim() : ''));
  const [read, amount] = [parsePattern(pattern), parseDose(dose)];
  const messages = [
    ...(name.length === 0 || name.length > 60 || /[\p{Cc}\p{Cf}]/u.test(name) ? ['The name should have 1 to 60 characters that can be seen.'] : []),
    ...(names.has(name.toLowerCase()) ? [`“${name}” is here already.`] : []),
    ...(library.find(base) ? [] : [`There is no technique “${base.slice(0, 60)}” in the library.`]),
    ...(read.ok ? [] : [`Pattern: ${read.problems.map(problemText).join(' ')}`]),
    ...(amount.ok ? [] : [`Dose: ${amount.problems.map(problemText).join(' ')}`]),
  ];
  return messages.length === 0 && read.ok && amount.ok
    ? { name, base, pattern: formatPattern(read.value), dose: formatDose(amount.value) }
    : messages;
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
