import type { Library } from '@/core/library';
import { invalid } from '../../errors';
import type { Desk } from '../../desk';
import { library } from '../../repositories/library';

/** Refuses families that are not in the studio's library. */
export async function knownFamilies(desk: Desk, field: string, families: readonly string[]): Promise<void> {
  const known = new Set((await library(desk)).families.map(({ id }) => id));
  if (families.some((family) => !known.has(family))) throw invalid({ field, message: 'Please choose one.' });
}

/** Refuses techniques that are not in the studio's library, each at its field. */
export function knownTechniques(library: Library, asked: readonly { readonly field: string; readonly technique: string }[]): void {
  const strangers = asked.filter(({ technique }) => library.find(technique) === null);
  if (strangers.length > 0) throw invalid(...strangers.map(({ field }) => ({ field, message: 'No such technique.' })));
}
