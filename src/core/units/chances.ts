const { imul } = Math;

/** Numbers from 0 to below 1 as if by chance, the same for the same seed. @source mulberry32 @example chances(7)() === chances(7)() // true */
export function chances(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}
