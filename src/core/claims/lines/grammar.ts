import { SLOTS } from './slots';

/** Sentences put together from forms. */

/** A number from 0 to below 1 again and again, the same for the same seed. @source mulberry32 */
export function chances(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** A form filled in. @example filled('{subject} {cure} {illness}', chance) // "slow breathing ends migraines" */
export function filled(form: string, chance: () => number): string {
  const pick = <T>(of: readonly T[]): T => of[Math.floor(chance() * of.length)];
  let text = form;
  // The innermost braces first: one of several, or a slot.
  for (let inner = /\{([^{}]*)\}/.exec(text); inner; inner = /\{([^{}]*)\}/.exec(text)) {
    const word = inner[1].includes('|') ? pick(inner[1].split('|')) : pick(SLOTS[inner[1]] ?? [inner[1]]);
    text = text.slice(0, inner.index) + word + text.slice(inner.index + inner[0].length);
  }
  return text
    .replace(/\s+/g, ' ')
    .replace(/ ([,;?])/g, '$1')
    .trim();
}
