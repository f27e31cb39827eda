import type { Problem } from './types';

export interface Token {
  readonly type: 'number' | 'word' | 'quoted' | 'sign' | 'end';
  readonly text: string;
  readonly at: number;
}

/** The longest line that is read at all. */
export const LONGEST_LINE = 8000;

/** Thrown inside the reader only; {@link attempt} turns it into a result. */
export class Stumble extends Error {
  constructor(readonly problem: Problem) {
    super(problem.expected);
  }
}

/** Signs that people type for the same thing. */
const SAME: Readonly<Record<string, string>> = { '×': 'x', '–': '-', '→': '>' };

function tokenise(line: string): Token[] {
  const tokens: Token[] = [];
  for (const match of line.matchAll(/\d+(?:\.\d+)?|[a-z]+|"[^"]*"|“[^”]*”|\S/gi)) {
    const text = match[0].toLowerCase();
    const type = /^\d/.test(text) ? 'number' : /^[a-z]/.test(text) ? 'word' : /^["“]./.test(text) ? 'quoted' : 'sign';
    tokens.push({ type, text: SAME[text] ?? text, at: match.index });
  }
  tokens.push({ type: 'end', text: '', at: line.length });
  return tokens;
}

/** A cursor over the tokens of one line, with the errors a reader of it can raise. */
export class Reader {
  private readonly tokens: readonly Token[];
  private index = 0;

  constructor(private readonly line: string) {
    this.tokens = tokenise(line);
  }

  get next(): Token {
    return this.tokens[this.index];
  }

  peek(ahead: number): Token {
    return this.tokens[Math.min(this.index + ahead, this.tokens.length - 1)];
  }

  /** Takes the next token when it is this text. */
  accept(...texts: readonly string[]): string | null {
    const { text, type } = this.next;
    if (type === 'end' || !texts.includes(text)) return null;
    this.index += 1;
    return text;
  }

  /** Takes several words in a row, or none. */
  acceptAll(words: readonly string[]): boolean {
    if (!words.every((word, ahead) => this.peek(ahead).text === word)) return false;
    this.index += words.length;
    return true;
  }

  /** Takes a quoted name, without its quotes; null when there is none. */
  quoted(most: number): string | null {
    if (this.next.type !== 'quoted') return null;
    const { at, text } = this.next;
    const name = this.line
      .slice(at + 1, at + text.length - 1)
      .replace(/\s+/g, ' ')
      .trim();
    if (name.length === 0 || name.length > most) this.fail(`a name of 1 to ${most} characters`);
    this.index += 1;
    return name;
  }

  /** Takes free text up to one of the stops, as it was typed, spaces tidied. */
  free(stops: readonly string[], most: number, expected: string): string {
    const from = this.next.at;
    while (this.next.type !== 'end' && !stops.includes(this.next.text)) this.index += 1;
    const text = this.line.slice(from, this.next.at).replace(/\s+/g, ' ').trim();
    if (text.length === 0) this.fail(expected);
    if (text.length > most) this.fail(`${expected}, of at most ${most} characters`);
    return text;
  }

  expect(text: string, expected: string): void {
    if (this.accept(text) === null) this.fail(expected);
  }

  atNumber(): boolean {
    return this.next.type === 'number';
  }

  /** Takes a number inside limits, whole unless decimals are allowed. */
  number(what: string, low: number, high: number, decimals: boolean): number {
    if (!this.atNumber()) this.fail(`${what}, a number from ${low} to ${high}`);
    const value = Number(this.next.text);
    if (!decimals && !Number.isInteger(value)) this.fail(`${what} as a whole number; for parts of a count write seconds, such as “${value} s”`);
    if (value < low) this.fail(`${what} of at least ${low}`);
    if (value > high) this.fail(`${what} of at most ${high}`);
    this.index += 1;
    return value;
  }

  end(vocabulary: readonly string[]): void {
    if (this.next.type === 'number') this.fail('a colon between counts, such as 4:7:8, or a comma before the next part');
    if (this.next.type !== 'end') this.fail('a comma before the next part, or leave it out', vocabulary);
  }

  /** Raises a problem at the next token, guessing what a misspelled word was meant to be. */
  fail(expected: string, vocabulary: readonly string[] = []): never {
    const { text, at, type } = this.next;
    throw new Stumble({
      at,
      length: Math.max(1, text.length),
      found: type === 'end' ? END : `“${this.line.slice(at, at + text.length)}”`,
      expected,
      suggestion: type === 'word' ? nearest(text, vocabulary) : null,
    });
  }
}

/** The vocabulary word within two slips of a misspelled one. @example nearest('hodl', ['hold']) // "hold" */
export function nearest(word: string, vocabulary: readonly string[]): string | null {
  const ranked = vocabulary.map((known) => ({ known, slips: slipsBetween(word, known) })).sort((a, b) => a.slips - b.slips);
  const best = ranked[0];
  return best && best.slips > 0 && best.slips <= Math.min(2, best.known.length - 1) ? best.known : null;
}

/** Levenshtein distance: how many letters must be changed, added or left out. */
export function slipsBetween(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, column) => column);
  for (let i = 1; i <= a.length; i += 1) {
    const previous = row;
    row = [i];
    for (let j = 1; j <= b.length; j += 1) {
      row[j] = Math.min(previous[j] + 1, row[j - 1] + 1, previous[j - 1] + (a[i - 1] === b[j - 1] ? 0 : 1));
    }
  }
  return row[b.length];
}

/** Runs a reader over a line: its value, or the problem it stumbled on. Bugs still throw. */
export function attempt<T>(line: string, read: (reader: Reader) => T) {
  if (line.length > LONGEST_LINE) {
    const problem: Problem = {
      at: LONGEST_LINE,
      length: 1,
      found: `${line.length} characters`,
      expected: `a line of at most ${LONGEST_LINE} characters`,
      suggestion: null,
    };
    return { ok: false, problems: [problem] } as const;
  }
  try {
    return { ok: true, value: read(new Reader(line)) } as const;
  } catch (error) {
    if (error instanceof Stumble) return { ok: false, problems: [error.problem] } as const;
    throw error;
  }
}

/** A problem as a colleague would say it. @example "“hodl” at character 7 does not fit there: write a phase. Did you mean “hold”?" */
export function problemText({ found, at, expected, suggestion }: Problem): string {
  const guess = suggestion ? ` Did you mean “${suggestion}”?` : '';
  const where = found === END ? 'Something is still missing' : `${found} at character ${at + 1} does not fit there`;
  return `${where}: write ${expected}.${guess}`;
}

const END = 'the end of the line';
