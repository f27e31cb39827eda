import { techniquesIn, type Block } from '../plan';
import type { Library } from '../library';
import type { IsoDate } from '../units';

/** Since when somebody may teach a family of techniques. */
export interface Qualification {
  readonly family: string;
  /** The first day it holds. */
  readonly since: string;
}

/** Whether somebody may teach a family on a date; the day it was given counts. @example isQualified([{ family: 'belly', since: '2026-11-24' }], 'belly', isoDate('2026-11-24')) // true */
export function isQualified(qualifications: readonly Qualification[], family: string, date: IsoDate): boolean {
  return qualifications.some((one) => one.family === family && one.since <= date);
}

/** Names of the techniques in some blocks that somebody is not qualified for on the date they are taught. */
export function lacking(blocks: readonly Block[], qualifications: readonly Qualification[], date: IsoDate, library: Library): string[] {
  const names = techniquesIn(blocks)
    .map(({ technique }) => library.technique(technique))
    .filter(({ family }) => !isQualified(qualifications, family, date))
    .map(({ name }) => name);
  return [...new Set(names)];
}
