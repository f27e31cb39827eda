import { SHIPPED_EDGES, type Edge } from '../ladder';
import { completed, FAMILIES, ownFamily, PARTS, VARIANTS, type Family, type OwnTechnique, type SessionPart, type Technique } from '../techniques';

/** A technique of a studio's own with its place on the ladder: edges down to what it needs, and up to what needs it. */
export interface OwnEntry {
  readonly technique: OwnTechnique;
  readonly edges: readonly Edge[];
}

/** Families, techniques, ladder and session parts, shipped and a studio's own. */
export interface Library {
  readonly families: readonly Family[];
  /** From the ground up, the studio's own last. */
  readonly techniques: readonly Technique[];
  readonly edges: readonly Edge[];
  readonly parts: readonly SessionPart[];
  /** A technique by its id, or null. */
  readonly find: (id: string) => Technique | null;
  /** A technique that must exist. @throws on an unknown id */
  readonly technique: (id: string) => Technique;
  readonly findPart: (id: string) => SessionPart | null;
  /** A part that must exist. @throws on an unknown id */
  readonly part: (id: string) => SessionPart;
}

/**
 * The library of a studio: what is shipped, and what it added.
 * @throws when an own technique names a family that is not there, or its notation does not read: what is stored was checked
 * @example libraryOf([]).technique('4-7-8').name // "4:7:8"
 */
export function libraryOf(own: readonly OwnEntry[]): Library {
  // What is shipped is one library, so that what follows from its techniques is worked out once.
  if (own.length === 0) return (shipped ??= made([]));
  return made(own);
}

let shipped: Library | null = null;

function made(own: readonly OwnEntry[]): Library {
  const families = [...FAMILIES, ...own.flatMap(({ technique }) => (technique.family === null ? [ownFamily(technique)] : []))];
  const familyById = new Map(families.map((family) => [family.id, family]));
  const family = (id: string) => must(familyById.get(id), 'family', id);
  const techniques = [
    ...VARIANTS.map((variant) => completed(variant, family(variant.family))),
    ...own.map(({ technique }) => completed({ ...technique, family: technique.family ?? technique.id }, family(technique.family ?? technique.id))),
  ];
  const byId = new Map(techniques.map((technique) => [technique.id, technique]));
  const partById = new Map(PARTS.map((part) => [part.id, part]));
  return {
    families,
    techniques,
    edges: [...SHIPPED_EDGES, ...own.flatMap(({ edges }) => edges)],
    parts: PARTS,
    find: (id) => byId.get(id) ?? null,
    technique: (id) => must(byId.get(id), 'technique', id),
    findPart: (id) => partById.get(id) ?? null,
    part: (id) => must(partById.get(id), 'session part', id),
  };
}

function must<T>(found: T | undefined, what: string, id: string): T {
  if (found === undefined) throw new Error(`No such ${what}: ${id}`);
  return found;
}

/** What the product ships with, before a studio adds anything. */
export const SHIPPED_LIBRARY: Library = libraryOf([]);
