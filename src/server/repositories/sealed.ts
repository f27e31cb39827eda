import { array, boolean, mixed, object, string, type ObjectSchema } from 'yup';
import { ASKED, SAID, type ConditionAnswer, type Said } from '@/core/screening';
import type { Place, Vault } from '../auth/vault';

type WithVault = { readonly vault: Vault };

/** What is sealed with a person's key. */
export interface SealedAnswers {
  readonly birthDate: string | null;
  readonly guardianConsent: boolean;
  readonly answers: readonly ConditionAnswer[];
  /** The conditions that were answered with a no. Records from before this was kept have none: whatever they do not name was a no. */
  readonly no?: readonly string[];
}

/** What a clinician answered. */
export interface SealedScope {
  readonly rules: readonly string[];
  readonly note: string;
}

/** What an override sets aside and why. */
export interface SealedOverride {
  readonly rules: readonly string[];
  readonly reason: string;
}

const strings = () => array().of(string().required()).required();
const SHAPES = {
  answers: object({
    birthDate: string().nullable().defined(),
    guardianConsent: boolean().required(),
    answers: array()
      .of(
        object({
          condition: string()
            .oneOf(ASKED.map(({ id }) => id))
            .required(),
          answer: string().oneOf(['yes', "don't know", 'prefer not to say', 'not asked']).required(),
          date: string().nullable().defined(),
          parts: mixed<Readonly<Record<string, Said>>>()
            .required()
            .test('parts', 'unknown', (value) => Object.values(value).every((said) => SAID.includes(said))),
        }),
      )
      .required(),
    no: array().of(string().required()),
  }),
  scope: object({ rules: strings(), note: string().defined() }),
  override: object({ rules: strings(), reason: string().defined() }),
} as const;

interface Shapes {
  readonly answers: SealedAnswers;
  readonly scope: SealedScope;
  readonly override: SealedOverride;
}

/**
 * Opens something sealed and checks that it is what it should be.
 * @throws when it cannot be opened, or is not of this shape: whoever reads it plans for that person as for somebody unknown
 */
export function openSealed<Shape extends keyof Shapes>(vault: Vault, wrappedKey: string, sealed: string, place: Place, shape: Shape): Shapes[Shape] {
  const value = JSON.parse(vault.open(wrappedKey, sealed, place), partsOf) as unknown;
  return (SHAPES[shape] as ObjectSchema<object>).validateSync(value, { strict: true }) as unknown as Shapes[Shape];
}

/** Answers from before a part could be denied: a part that was ticked is a yes, one that was left open is not known. */
function partsOf(_: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || !('states' in value)) return value;
  const { states, ...answer } = value as { states: readonly string[] };
  return { ...answer, parts: Object.fromEntries(states.map((state) => [state, 'yes'])) };
}

/** What is known of every condition: a form that never asked of one says nothing about it. */
export function knownAnswers({ answers, no }: Pick<SealedAnswers, 'answers' | 'no'>): readonly ConditionAnswer[] {
  if (!no) return answers;
  const said = new Set([...no, ...answers.map(({ condition }) => condition)]);
  const unasked = ASKED.filter(({ id }) => !said.has(id));
  return [...answers, ...unasked.map(({ id }): ConditionAnswer => ({ condition: id, answer: 'not asked', date: null, parts: {} }))];
}

/** Words of somebody, sealed with their key; null where there are none. */
export function sealedWords({ vault }: WithVault, wrappedKey: string, place: Place, words: readonly string[]): string | null {
  return words.length > 0 ? vault.seal(wrappedKey, JSON.stringify(words), place) : null;
}

/** The same, opened; null where none are kept, or they cannot be opened any more. */
export function openedWords({ vault }: WithVault, wrappedKey: string, place: Place, sealed: string | null | undefined): readonly string[] | null {
  try {
    return sealed ? (JSON.parse(vault.open(wrappedKey, sealed, place)) as string[]) : null;
  } catch {
    return null;
  }
}
