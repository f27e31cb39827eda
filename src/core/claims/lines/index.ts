import { FAMILIES, PARTS } from '../../techniques';
import type { Labelled } from '../train';
import { CLAIMS } from './claims';
import { GIVEN } from './given';
import { CLAIM_FORMS, KINDS, type Kind } from './claimForms';
import { chances } from '../../units';
import { filled } from './grammar';
import { HARMLESS_FORMS } from './harmlessForms';
import { HARMLESS } from './harmless';
import { LIFE_CLAIMS, LIFE_HARMLESS } from './life';
import { NAMES } from './names';

/** A line somebody wrote, with what it claims; null where it claims nothing. */
export interface Written {
  readonly text: string;
  readonly kind: Kind | 'any' | null;
  readonly from: 'first' | 'given' | 'life' | 'name' | 'shipped';
}

/** Lines that were written one by one: these are what a check is measured on, where it was not trained on them. */
export const WRITTEN: readonly Written[] = [
  ...CLAIMS.map((text): Written => ({ text, kind: 'any', from: 'first' })),
  ...HARMLESS.map((text): Written => ({ text, kind: null, from: 'first' })),
  ...GIVEN.map(({ kind, text }): Written => ({ text, kind: (KINDS as readonly string[]).includes(kind) ? (kind as Kind) : null, from: 'given' })),
  ...KINDS.flatMap((kind) => LIFE_CLAIMS[kind].map((text): Written => ({ text, kind, from: 'life' }))),
  ...LIFE_HARMLESS.map((text): Written => ({ text, kind: null, from: 'life' })),
];

/** What the studio ships, and what things are called, says nothing that it could not stand behind. */
const SAID = new Set([
  ...FAMILIES.flatMap(({ about, cues, watchFor, cautions }) => [
    about,
    ...cues.map(({ say }) => say),
    ...watchFor,
    ...cautions.flatMap(({ caution, reason }) => [caution, reason]),
  ]),
  ...PARTS.flatMap(({ cues }) => cues),
]);
export const SHIPPED: readonly Written[] = [
  ...[...SAID].map((text): Written => ({ text, kind: null, from: 'shipped' })),
  ...NAMES.map((text): Written => ({ text, kind: null, from: 'name' })),
];

const weighed = (text: string, claim: 0 | 1, weight: number): Labelled => ({ text, claim, weight });
/** Lines from each form, and how much a written line counts beside one from a form. */
const [OF_A_CLAIM, OF_A_HARMLESS, BESIDE, FROM_A_FORM, WRITTEN_ONE, SHIPPED_ONE, A_NAME] = [8, 16, 400, 0.4, 1.5, 0.6, 0.2] as const;

/** Lines put together from the forms, always the same ones. */
export function formedLines(): Labelled[] {
  const chance = chances(1);
  const times = <T>(n: number, make: () => T): T[] => Array.from({ length: n }, make);
  const claims = KINDS.flatMap((kind) => CLAIM_FORMS[kind].flatMap((form) => times(OF_A_CLAIM, () => filled(form, chance))));
  const harmless = HARMLESS_FORMS.flatMap((form) => times(OF_A_HARMLESS, () => filled(form, chance)));
  const one = (of: readonly string[]) => of[Math.floor(chance() * of.length)];
  // A claim is one beside something else as well, before it or after.
  const beside = times(BESIDE, () => (chance() < 0.5 ? `${one(claims)}, ${one(harmless)}` : `${one(harmless)}, and ${one(claims)}`));
  const both = times(BESIDE, () => `${one(harmless)}, and ${one(harmless)}`);
  return [
    ...[...claims, ...beside].map((text) => weighed(text, 1, FROM_A_FORM)),
    ...[...harmless, ...both].map((text) => weighed(text, 0, FROM_A_FORM)),
  ];
}

const SO_MUCH = { first: WRITTEN_ONE, given: WRITTEN_ONE, life: WRITTEN_ONE, shipped: SHIPPED_ONE, name: A_NAME } as const;

/** Written lines as they are trained on. */
export const labelled = (lines: readonly Written[]): Labelled[] =>
  lines.map(({ text, kind, from }) => weighed(text, kind === null ? 0 : 1, SO_MUCH[from]));
