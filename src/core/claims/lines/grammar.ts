import { SLOTS } from './slots';

/** Sentences put together from forms. */

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
