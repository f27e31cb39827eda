import { parseDose } from './dose';
import { parsePattern } from './parse';
import { problemText } from './tokens';
import type { Dose, Parsed, Pattern } from './types';

/** Lines already read are kept: a course reads the same few hundred over and over, and what is read never changes. */
const MOST_KEPT = 5000;

function reading<T>(parse: (line: string) => Parsed<T>): (line: string) => T {
  const kept = new Map<string, T>();
  return (line) => {
    const known = kept.get(line);
    if (known !== undefined) return known;
    const parsed = parse(line);
    if (!parsed.ok) throw new Error(`Stored notation no longer reads: “${line}”. ${parsed.problems.map(problemText).join(' ')}`);
    if (kept.size >= MOST_KEPT) kept.clear();
    kept.set(line, parsed.value);
    return parsed.value;
  };
}

/** Reads a pattern that was checked before it was stored; a failure here is a bug and throws. */
export const mustParsePattern: (line: string) => Pattern = reading(parsePattern);

/** Reads a dose that was checked before it was stored; a failure here is a bug and throws. */
export const mustParseDose: (line: string) => Dose = reading(parseDose);
