import type { IsoDate } from '../units';
import { bearings, permits } from './decide';
import { hasFeature, type Features } from './features';
import { SHIPPED, type Rulebook } from './rulebook';
import { ANSWERS, type Answer, type ScreenedPerson } from './types';

/** Decisions for many people, dates and techniques at once: the strictest answer of each, and the rules behind it. */
export interface Decided {
  /** Index into {@link ANSWERS}, by person, then date, then technique. */
  readonly answers: Uint8Array;
  /** The rules that apply, strictest first. */
  readonly rulesOf: (person: number, date: number, technique: number) => readonly string[];
  readonly answerOf: (person: number, date: number, technique: number) => Answer;
}

/**
 * Decides every technique for every person on every date. Rules are numbered from the strictest; which of them a technique
 * meets and which bear on a person are sets of bits, so that a decision is the first bit they share.
 * The same answers as {@link decide}, thousands of times faster.
 * @param techniques the ways of each, the room's first
 * @example decideMany(people, [[featuresOf(pattern, dose, pace)]], dates).answerOf(0, 0, 0) // "adapt"
 */
export function decideMany(
  people: readonly ScreenedPerson[],
  techniques: readonly (readonly Features[])[],
  dates: readonly IsoDate[],
  rulebook: Rulebook = SHIPPED,
): Decided {
  const rules = [...rulebook.rules].sort((a, b) => ANSWERS.indexOf(a.answer) - ANSWERS.indexOf(b.answer));
  const numberOf = new Map(rules.map(({ id }, index) => [id, index]));
  const strictness = Uint8Array.from(rules, ({ answer }) => ANSWERS.indexOf(answer));
  const words = Math.ceil(rules.length / 32);
  const met = techniques.map((ways) =>
    ways.map((features) =>
      bitsOf(
        words,
        rules.flatMap(({ feature }, index) => (hasFeature(features, feature) ? [index] : [])),
      ),
    ),
  );
  const answers = new Uint8Array(people.length * dates.length * techniques.length).fill(ANSWERS.indexOf('clear'));
  // People on whom the same rules bear are decided once.
  const known = new Map<string, { readonly bearing: Uint32Array; readonly row: Uint8Array }>();
  const bearing: Uint32Array[] = [];
  for (let person = 0; person < people.length; person += 1) {
    for (let date = 0; date < dates.length; date += 1) {
      const bear = [...new Set(bearings(people[person], dates[date], undefined, rulebook).map(({ rule }) => numberOf.get(rule.id)!))];
      const key = bear.join();
      let decided = known.get(key);
      if (!decided) {
        const bits = bitsOf(words, bear);
        decided = { bearing: bits, row: Uint8Array.from(met, (ways) => answerOfWays(ways, bits, strictness)) };
        known.set(key, decided);
      }
      bearing.push(decided.bearing);
      answers.set(decided.row, (person * dates.length + date) * techniques.length);
    }
  }
  return {
    answers,
    answerOf: (person, date, technique) => ANSWERS[answers[(person * dates.length + date) * techniques.length + technique]],
    rulesOf: (person, date, technique) => {
      const bits = bearing[person * dates.length + date];
      return rules
        .filter((_, index) => met[technique].some((way) => (bits[index >> 5] & way[index >> 5] & (1 << (index & 31))) !== 0))
        .map(({ id }) => id);
    },
  };
}

/** The answer of a block: of its first way that may be done, else of the room's. */
function answerOfWays(ways: readonly Uint32Array[], bits: Uint32Array, strictness: Uint8Array): number {
  const first = strictest(bits, ways[0], strictness);
  if (ways.length === 1 || permits(ANSWERS[first])) return first;
  return ways.some((way) => permits(ANSWERS[strictest(bits, way, strictness)])) ? ANSWERS.indexOf('adapt') : first;
}

function bitsOf(words: number, indices: readonly number[]): Uint32Array {
  const bits = new Uint32Array(words);
  for (const index of indices) bits[index >> 5] |= 1 << (index & 31);
  return bits;
}

/** The strictness of the first rule two sets share; clear when they share none. */
function strictest(a: Uint32Array, b: Uint32Array, strictness: Uint8Array): number {
  for (let word = 0; word < a.length; word += 1) {
    const both = a[word] & b[word];
    if (both !== 0) return strictness[word * 32 + (31 - Math.clz32(both & -both))];
  }
  return ANSWERS.indexOf('clear');
}
