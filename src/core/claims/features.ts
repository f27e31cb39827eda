import { claimsIn } from './rules';
import { CONCEPTS, FUNCTION_WORDS } from './concepts';
import { isKnown, nearness, vectorOf } from './vectors';

/** What a line is looked at by: what its words mean, how they stand to each other, and how it is said. */
export type Features = ReadonlyMap<string, number>;

/** A word of a line, where it stands. */
export interface Token {
  readonly word: string;
  readonly at: number;
  readonly length: number;
}

const { max, sqrt } = Math;

const NOT = /^(do|does|did|is|are|was|were|has|have|had|would|could|should|need)n'?t$/;
const SHORT: Readonly<Record<string, readonly string[]>> = {
  "can't": ['can', 'not'],
  cannot: ['can', 'not'],
  "won't": ['will', 'not'],
  "you'll": ['you', 'will'],
  "they'll": ['they', 'will'],
  "i've": ['i', 'have'],
  "we've": ['we', 'have'],
  "i'm": ['i', 'am'],
  "it's": ['it', 'is'],
  "that's": ['that', 'is'],
  "there's": ['there', 'is'],
};

/** The words of a line, small, with slips of spelling mended. @example tokensOf('Doesn’t hurt')[1].word // "not" */
export function tokensOf(text: string): Token[] {
  return [...text.matchAll(/[a-z]+(?:['’][a-z]+)*|\d+|[?,;:.!–]/gi)].flatMap((match): Token[] => {
    const word = match[0].toLowerCase().replaceAll('’', "'");
    const here = { at: match.index, length: match[0].length };
    const split = SHORT[word] ?? (NOT.test(word) ? [NOT.exec(word)![1], 'not'] : [word.replace(/'s?$/, '')]);
    return split.map((one) => ({ word: known(one), ...here }));
  });
}

/** Letters of a word that is still looked at for slips; none that anybody knows is longer. */
const LONGEST_WORD = 24;

const mended = new Map<string, string>();

/** A word as it is known: itself, or what it becomes by one letter more, less, changed or the other way round. */
function known(word: string): string {
  if (word.length < 5 || word.length > LONGEST_WORD || isKnown(word) || isKnown(singular(word))) return word;
  const had = mended.get(word);
  if (had !== undefined) return had;
  const found = near(word).find(isKnown) ?? word;
  if (mended.size < 5000) mended.set(word, found);
  return found;
}

function near(word: string): string[] {
  const cuts = Array.from({ length: word.length + 1 }, (_, at) => [word.slice(0, at), word.slice(at)] as const);
  const letters = [...'aeinortslcudpmhgbfywkvxzjq'];
  return [
    ...cuts.filter(([, b]) => b.length > 1).map(([a, b]) => a + b[1] + b[0] + b.slice(2)),
    ...cuts.filter(([, b]) => b.length > 0).map(([a, b]) => a + b.slice(1)),
    ...cuts.flatMap(([a, b]) => letters.map((letter) => a + letter + b)),
    ...cuts.filter(([, b]) => b.length > 0).flatMap(([a, b]) => letters.map((letter) => a + letter + b.slice(1))),
  ].filter((one) => one.length > 3);
}

const singular = (word: string): string => word.replace(/ies$/, 'y').replace(/(?<=[^s])s$/, '');

const meaning = (word: string): Float32Array | null => vectorOf(word) ?? vectorOf(singular(word));

const concepts = Object.entries(CONCEPTS).map(([name, words]) => ({
  name,
  words: new Set(words),
  vectors: words.flatMap((word) => vectorOf(word) ?? []),
}));
const meant = new Map<string, readonly (readonly [name: string, much: number])[]>();

/** How much a word means each notion: 1 where it is one of its words. Only what is near at all. */
function meansOf(word: string): readonly (readonly [name: string, much: number])[] {
  const had = meant.get(word);
  if (had) return had;
  const own = FUNCTION_WORDS.has(word) ? null : meaning(word);
  const found = concepts.flatMap(({ name, words, vectors }) => {
    if (words.has(word) || words.has(singular(word))) return [[name, 1] as const];
    if (!own) return [];
    const much = max(...vectors.map((one) => nearness(own, one)));
    return much > FAR ? [[name, (much - FAR) / (1 - FAR)] as const] : [];
  });
  if (meant.size < 20_000) meant.set(word, found);
  return found;
}

const DENIES = new Set(['not', 'no', 'never', 'nobody', 'none', 'nothing', 'neither', 'nor', 'without', 'cannot']);
const SUPPOSES = new Set(['if', 'whoever', 'whether', 'anyone', 'should', 'with']);
/** "With this breath" supposes nothing. */
const OURS = new Set(['this', 'these', 'the', 'our', 'it']);
/** Words that a denial reaches. */
const DENIED = 7;

/** By word: "-" where it is denied, "?" where it is only supposed, at the beginning of a sentence. */
function stanceOf(words: readonly string[]): string[] {
  let [denied, supposed] = [0, SUPPOSES.has(words[0]) && !OURS.has(words[1])];
  return words.map((word) => {
    if (/^[?,;:.!–]$/.test(word)) {
      denied = 0;
      supposed = false;
    }
    const stance = denied > 0 ? '-' : supposed ? '?' : '';
    denied = DENIES.has(word) ? DENIED : max(0, denied - 1);
    return stance;
  });
}

/** Words less near than this have nothing to do with each other. */
const FAR = 0.45;
/** As much as this of a notion, a word stands for it. */
const STANDS_FOR = 0.35;
/** Words that a short one may be away from what it says something about. */
const REACH = 4;

/** What a sentence is looked at by. @example featuresOf('This cures asthma').get('c:illness') // 1 */
export function featuresOf(text: string): Features {
  const tokens = tokensOf(text);
  const words = tokens.map(({ word }) => word);
  const found = new Map<string, number>([['bias', 1]]);
  const put = (name: string, value = 1) => found.set(name, max(found.get(name) ?? 0, value));
  const much = new Map<string, number>();
  // What is said not to be, and what is only supposed, are other things than what is.
  const stance = stanceOf(words);
  const tagged = words.map((word, at) => {
    const means = meansOf(word).map(([name, value]) => [stance[at] + name, value] as const);
    for (const [name, value] of means) much.set(name, max(much.get(name) ?? 0, value));
    return means.filter(([, value]) => value >= STANDS_FOR).map(([name]) => name);
  });
  words.forEach((word, at) => {
    put(`w:${word}`, 0.4);
    put(`b:${words[at - 1] ?? '^'} ${word}`, 0.4);
    // A short word, and what it is said of; and the other way round.
    for (let gap = 1; gap <= REACH; gap += 1) {
      for (const name of FUNCTION_WORDS.has(word) ? (tagged[at + gap] ?? []) : []) put(`f:${word}>${name}`, 1 - gap * 0.12);
      for (const name of FUNCTION_WORDS.has(words[at + gap]) ? tagged[at] : []) put(`f:${name}>${words[at + gap]}`, 1 - gap * 0.12);
    }
    for (let gap = 1; gap <= REACH; gap += 1)
      for (const a of tagged[at]) for (const b of tagged[at + gap] ?? []) if (a !== b) put(`o:${a}>${b}`, 0.8);
  });
  for (const name of tagged[0] ?? []) put(`first:${name}`);
  put(`first:${FUNCTION_WORDS.has(words[0]) ? words[0] : '*'}`);
  const all = [...much].sort(([a], [b]) => (a < b ? -1 : 1));
  all.forEach(([a, value], at) => {
    put(`c:${a}`, value);
    for (const [b, other] of all.slice(at + 1)) put(`p:${a}+${b}`, sqrt(value * other));
  });
  const own = words.flatMap((word) => (FUNCTION_WORDS.has(word) ? [] : (meaning(word) ?? [])) as Float32Array[]);
  if (own.length > 0) for (let n = 0; n < own[0].length; n += 1) found.set(`m:${n}`, (own.reduce((sum, one) => sum + one[n], 0) / own.length) * 1.2);
  if (words.length <= 4) put('short');
  if (words.length >= 14) put('long');
  if (claimsIn(text).length > 0) put('rule', 1.5);
  return found;
}

/** The notion a word means most; the empty text where it means none. @example meansMost('statins') // "medicine" */
export function meansMost(word: string): string {
  return meansOf(word).reduce<readonly [string, number]>((most, one) => (one[1] > most[1] ? one : most), ['', 0])[0];
}
