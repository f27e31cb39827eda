import type { BlockDone } from './log';

/** Stretches of a class that were played, in milliseconds from its beginning, in order and apart from each other. */
export type Played = readonly (readonly [from: number, to: number])[];

/** From which share of a block on it was done whole, and below which it was left out. */
export const RAN = { whole: 0.9, leftOut: 0.1 } as const;

/** With one more stretch. @example withPlayed([[0, 10]], 5, 20) // [[0, 20]] */
export function withPlayed(played: Played, from: number, to: number): Played {
  if (to <= from) return played;
  const apart = played.filter(([begin, end]) => end < from || begin > to);
  const joined = played.filter(([begin, end]) => end >= from && begin <= to);
  const all: readonly [number, number] = [Math.min(from, ...joined.map(([begin]) => begin)), Math.max(to, ...joined.map(([, end]) => end))];
  return [...apart, all].sort((a, b) => a[0] - b[0]);
}

interface Stretch {
  readonly id: string;
  readonly start: number;
  readonly end: number;
}

/**
 * What of a class was not done whole, as its screen ran: ended early, skipped, shortened on the way.
 * @param planned the blocks as they were published
 * @param ran the same as they ran, some of them shorter or gone
 * @example doneIn(blocks, blocks, [[0, 600_000]]) // what began after ten minutes is left out
 */
export function doneIn(planned: readonly Stretch[], ran: readonly Stretch[], played: Played): BlockDone[] {
  return planned.flatMap(({ id: block, start, end }): BlockDone[] => {
    const own = ran.find(({ id }) => id === block);
    const done = own ? played.reduce((sum, [from, to]) => sum + Math.max(0, Math.min(to, own.end) - Math.max(from, own.start)), 0) : 0;
    const share = end > start ? done / (end - start) : 1;
    if (share >= RAN.whole) return [];
    return [{ block, done: share < RAN.leftOut ? 'left out' : 'part' }];
  });
}
