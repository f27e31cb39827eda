import type { IsoDate } from '../units';
import type { FeatureTest } from './features';

/** Strictest first. */
export const ANSWERS = ['leave out', 'ask first', 'adapt', 'watch', 'clear'] as const;
export type Answer = (typeof ANSWERS)[number];

/** A change to a technique, for one person. */
export type Adaptation =
  | { readonly to: 'no hold in' | 'no hold out' | 'pace 6 or faster' | 'nose only' | 'imagined sides' | 'hand-free' | 'holds optional' }
  | { readonly to: 'cap hold in'; readonly seconds: number }
  | {
      readonly to:
        'not flat' | 'chair or lying' | 'chair offered' | 'not standing' | 'eyes open' | 'no twist' | 'no neck circles' | 'no forward bend';
    };

/** One cell of the rulebook: a feature and what follows from it. */
export interface Rule {
  /** A slug that never changes: "pregnancy.hold-in"; a rule of a studio's own has the id it was made with. */
  readonly id: string;
  readonly condition: ConditionId;
  readonly feature: FeatureTest;
  readonly answer: Exclude<Answer, 'clear'>;
  readonly adaptation: Adaptation | null;
  /** Holds only in this state of the condition; null always holds. */
  readonly only: RuleState | null;
  readonly note: string | null;
  /** Changed or added by the studio. */
  readonly ours: boolean;
}

export type ConditionId = string;

/** States of a condition in which a rule holds. */
export const RULE_STATES = {
  'high-risk': 'high-risk',
  'from-16w0d': 'from 16w0d',
  controlled: 'controlled',
  uncontrolled: 'uncontrolled or not known',
  'no-consent': 'without a guardian’s consent',
  'within-2-h': 'within 2 h',
} as const;
export type RuleState = keyof typeof RULE_STATES;

/** What a person said of one condition; a no is not among them, and "not asked" is what no form ever asked them. Dates are those of the birth, the surgery, or the due date. */
export interface ConditionAnswer {
  readonly condition: ConditionId;
  readonly answer: 'yes' | "don't know" | 'prefer not to say' | 'not asked';
  readonly date: IsoDate | null;
  /** What was said of "controlled", "high-risk", "surgical"; a part that is missing is not known. */
  readonly parts: Parts;
}

/** What a question of the form, or a part of one, can be answered with. */
export const SAID = ['no', 'yes', "don't know", 'prefer not to say'] as const;
export type Said = (typeof SAID)[number];
export type Parts = Readonly<Record<string, Said>>;

/** A clinician's yes: it removes only the ask-first rules in its scope, until its date, the last day included. */
export interface Clearance {
  readonly rules: readonly string[];
  readonly on: IsoDate;
  readonly until: IsoDate;
}

/** Rules the director set aside for one person, with a reason and an end. */
export interface Override {
  readonly id: string;
  readonly rules: readonly string[];
  readonly reason: string;
  readonly by: string;
  readonly from: IsoDate;
  /** The last day it holds. */
  readonly until: IsoDate;
}

/** Everything screening knows of a person on some day. */
export interface ScreenedPerson {
  readonly screenedOn: IsoDate | null;
  readonly birthDate: IsoDate | null;
  readonly answers: readonly ConditionAnswer[];
  readonly guardianConsent: boolean;
  readonly clearances: readonly Clearance[];
  readonly overrides: readonly Override[];
}

/** Somebody of whom nothing is known. */
export const NOT_SCREENED: ScreenedPerson = {
  screenedOn: null,
  birthDate: null,
  answers: [],
  guardianConsent: false,
  clearances: [],
  overrides: [],
};

/** One rule that applies to a person for a technique. */
export interface Finding {
  readonly ruleId: string;
  readonly answer: Exclude<Answer, 'clear'>;
  readonly condition: string;
  readonly feature: string;
  readonly reason: string;
  readonly adaptation: Adaptation | null;
  readonly note: string | null;
  /** Whether the studio's own rulebook says so, in place of the shipped one. */
  readonly ours: boolean;
  /** The option of a block that it is about; null for what the person does. */
  readonly option: string | null;
}

/** The strictest answer, with every finding that applies, strictest first. */
export interface Decision {
  readonly answer: Answer;
  readonly findings: readonly Finding[];
}
