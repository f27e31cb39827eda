import { mustParseDose, mustParsePattern, plainPatterns, type Dose, type Pattern } from '../pattern';
import { tagsOf, USUAL_SETUP, type Setup, type Tag } from './tags';
import type { Family, Hour, Variant } from './types';

/** A variant with its family at hand and its notation read. */
export interface Technique extends Variant {
  readonly of: Family;
  readonly read: { readonly pattern: Pattern; readonly dose: Dose };
  readonly taughtAt: readonly Hour[];
  readonly nature: Family['character'];
  /** How it is usually done, and the facts of that which screening reads. */
  readonly setup: Setup;
  readonly tags: readonly Tag[];
}

/** A variant with what its family says where it says nothing itself. @throws when its notation does not read */
export function completed(variant: Variant, of: Family): Technique {
  const read = { pattern: mustParsePattern(variant.pattern), dose: mustParseDose(variant.dose) };
  const setup = { ...USUAL_SETUP, ...of.setup };
  return { ...variant, of, read, setup, tags: tagsOf(setup), taughtAt: variant.hours ?? of.hours, nature: variant.character ?? of.character };
}

/** Whether a technique closes a nostril, and so wants its preparation. */
export function isSideWork({ read }: Technique): boolean {
  return plainPatterns(read.pattern).some((part) => part.kind === 'cycle' && part.phases.some(({ side }) => side !== 'both'));
}
