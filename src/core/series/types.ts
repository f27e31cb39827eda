import type { TechniqueBlock } from '../plan';
import type { Effort } from '../teach';
import type { IsoDate } from '../units';

/** What a day of a series is: alone at the fixed hour, lighter, or a class with a teacher. */
export const DAY_KINDS = ['own', 'gentle', 'live'] as const;
export type DayKind = (typeof DAY_KINDS)[number];

/** One day: what is practised, each so many minutes. Day 1 is the first of the list. */
export interface SeriesDay {
  readonly kind: DayKind;
  readonly blocks: readonly TechniqueBlock[];
}

/** By day, what stays as it is while the rest is drafted; null, or nothing, where a day is free. */
export type StayingDays = readonly (SeriesDay | null)[];

/** What follows for somebody's own days when one was missed. Never is anything doubled up. */
export const MISSED_RULES = ['go on', 'repeat', 'step back'] as const;
export type MissedRule = (typeof MISSED_RULES)[number];

/** Days on which nobody practises: the days after them come so much later. */
export interface Pause {
  readonly from: IsoDate;
  readonly until: IsoDate;
}

/** A series as its days are worked out from it. */
export interface Series {
  readonly firstDate: IsoDate;
  readonly days: readonly SeriesDay[];
  readonly missed: MissedRule;
  readonly pauses: readonly Pause[];
}

/** What somebody says of a day. */
export const DID = ['done', 'something else', 'not today'] as const;
export type Did = (typeof DID)[number];

export interface CheckIn {
  readonly date: IsoDate;
  /** The day they had, from 1. */
  readonly day: number;
  readonly did: Did;
  /** Null where they did not say. */
  readonly felt: Effort | null;
  /** The easier version was taken. */
  readonly easier: boolean;
  /** What they were given to practise that day. */
  readonly techniques: readonly string[];
  /** Whether something felt wrong; which signs stays sealed. */
  readonly signs: boolean;
  /** The director took back the step that followed from it. */
  readonly undone: boolean;
}
