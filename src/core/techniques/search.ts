import { formatPattern, parsePattern, shortPattern, slipsBetween } from '../pattern';
import type { Technique } from './technique';
import type { Family } from './types';

/** Names that belong to more than one family: alias → family names. */
export function sharedAliases(families: readonly Family[]): ReadonlyMap<string, readonly string[]> {
  const named = new Map<string, string[]>();
  for (const family of families) {
    for (const alias of family.aliases) named.set(alias, [...(named.get(alias) ?? []), family.name]);
  }
  // A side's name added to an alias still leaves people saying the short one.
  for (const [alias, owners] of named) {
    for (const [longer, others] of named) if (longer.startsWith(`${alias} `)) owners.push(...others.filter((other) => !owners.includes(other)));
  }
  return new Map([...named].filter(([, owners]) => owners.length > 1));
}

/**
 * Finds techniques by any name, alias, misspelling or pattern, best first; everything when nothing is asked.
 * @example searchTechniques(SHIPPED.techniques, 'ujayi')[0].family // "throat"
 */
export function searchTechniques(techniques: readonly Technique[], query: string): Technique[] {
  const asked = query.trim().toLowerCase();
  if (asked === '') return [...techniques];
  const parsed = /\d/.test(asked) ? parsePattern(asked) : null;
  const ratio = parsed?.ok ? shortPattern(parsed.value) : asked.replace(/\s/g, '');
  const scored = techniques.map((technique) => ({ technique, score: score(technique, asked, ratio) }));
  return scored
    .filter(({ score }) => score < Infinity)
    .sort((a, b) => a.score - b.score)
    .map(({ technique }) => technique);
}

function score(technique: Technique, asked: string, ratio: string): number {
  const pattern = shortPattern(technique.read.pattern);
  if (pattern === ratio || formatPattern(technique.read.pattern) === asked) return 0;
  const names = [technique.name, technique.of.name, ...technique.of.aliases, ...(technique.aliases ?? [])].map((name) => name.toLowerCase());
  if (names.some((name) => name === asked)) return 1;
  if (names.some((name) => name.includes(asked))) return 2;
  if (/\d/.test(asked)) return pattern.startsWith(ratio) ? 3 : Infinity;
  const slips = Math.min(
    ...names
      .flatMap((name) => [name, ...name.split(/[\s:,]+/)])
      .filter((name) => name.length > 3)
      .map((name) => slipsBetween(asked, name)),
    Infinity,
  );
  return slips <= Math.max(1, Math.floor(asked.length / 4)) ? 4 + slips : Infinity;
}
