import { parseDose } from './dose';
import { parsePattern } from './parse';
import { problemText } from './tokens';
import type { Dose, Parsed, Pattern } from './types';

function must<T>(line: string, parsed: Parsed<T>): T {
  if (parsed.ok) return parsed.value;
  throw new Error(`Stored notation no longer reads: “${line}”. ${parsed.problems.map(problemText).join(' ')}`);
}

/** Reads a pattern that was checked before it was stored; a failure here is a bug and throws. */
export function mustParsePattern(line: string): Pattern {
  return must(line, parsePattern(line));
}

/** Reads a dose that was checked before it was stored; a failure here is a bug and throws. */
export function mustParseDose(line: string): Dose {
  return must(line, parseDose(line));
}
