import { mustParseDose, mustParsePattern, parsePattern, formatPattern, shortPattern, slipsBetween, type Dose, type Pattern } from '../pattern';
import { FAMILIES } from './families';
import { PARTS } from './parts';
import type { Family, Hour, SessionPart, Variant } from './types';
import { VARIANTS } from './variants';

/** A variant with its family at hand and its notation read. */
export interface Technique extends Variant {
  readonly of: Family;
  readonly read: { readonly pattern: Pattern; readonly dose: Dose };
  readonly taughtAt: readonly Hour[];
  readonly nature: Family['character'];
}

const families = new Map(FAMILIES.map((family) => [family.id, family]));

function complete(variant: Variant): Technique {
  const of = families.get(variant.family);
  if (!of) throw new Error(`Variant ${variant.id} names no known family: ${variant.family}`);
  const read = { pattern: mustParsePattern(variant.pattern), dose: mustParseDose(variant.dose) };
  return { ...variant, of, read, taughtAt: variant.hours ?? of.hours, nature: variant.character ?? of.character };
}

/** Every shipped technique, from the ground up. */
export const TECHNIQUES: readonly Technique[] = VARIANTS.map(complete);

const byId = new Map(TECHNIQUES.map((technique) => [technique.id, technique]));
const partById = new Map(PARTS.map((part) => [part.id, part]));

/** A technique by its id, or null. */
export function findTechnique(id: string): Technique | null {
  return byId.get(id) ?? null;
}

/** A technique that must exist; throws on an unknown id. */
export function techniqueOf(id: string): Technique {
  const found = byId.get(id);
  if (!found) throw new Error(`No such technique: ${id}`);
  return found;
}

export function findPart(id: string): SessionPart | null {
  return partById.get(id) ?? null;
}

export function partOf(id: string): SessionPart {
  const found = partById.get(id);
  if (!found) throw new Error(`No such session part: ${id}`);
  return found;
}

/** Names that belong to more than one family: alias → family names. */
export function sharedAliases(): ReadonlyMap<string, readonly string[]> {
  const named = new Map<string, string[]>();
  for (const family of FAMILIES) {
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
 * @example searchTechniques('ujayi')[0].family // "throat"
 */
export function searchTechniques(query: string): Technique[] {
  const asked = query.trim().toLowerCase();
  if (asked === '') return [...TECHNIQUES];
  const parsed = /\d/.test(asked) ? parsePattern(asked) : null;
  const ratio = parsed?.ok ? shortPattern(parsed.value) : asked.replace(/\s/g, '');
  const scored = TECHNIQUES.map((technique) => ({ technique, score: score(technique, asked, ratio) }));
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
