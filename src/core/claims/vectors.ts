import cut from './vectors.json';

/** Word vectors of a hundred dimensions, of unit length, cut to a vocabulary by `scripts/cutVectors.ts`. */

const DIMENSIONS = 100;

let known: { readonly index: ReadonlyMap<string, number>; readonly numbers: Float32Array } | null = null;

function all() {
  if (known) return known;
  const words = cut.words.split(' ');
  const numbers = Float32Array.from(new Int8Array(Buffer.from(cut.bytes, 'base64')));
  for (let at = 0; at < numbers.length; at += DIMENSIONS) {
    const one = numbers.subarray(at, at + DIMENSIONS);
    const length = Math.sqrt(one.reduce((sum, n) => sum + n * n, 0)) || 1;
    for (let n = 0; n < DIMENSIONS; n += 1) one[n] /= length;
  }
  known = { index: new Map(words.map((word, at) => [word, at * DIMENSIONS])), numbers };
  return known;
}

/** Whether a word has a vector. */
export const isKnown = (word: string): boolean => all().index.has(word);

/** A word's vector; null where there is none. @example vectorOf('breath')?.length // 100 */
export function vectorOf(word: string): Float32Array | null {
  const { index, numbers } = all();
  const at = index.get(word);
  return at === undefined ? null : numbers.subarray(at, at + DIMENSIONS);
}

/** How near two vectors of unit length are: 1 for the same. */
export function nearness(a: Float32Array, b: Float32Array): number {
  let sum = 0;
  for (let at = 0; at < DIMENSIONS; at += 1) sum += a[at] * b[at];
  return sum;
}
