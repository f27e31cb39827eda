import type { IsoDate } from '@/core/units';
import type { StudioSchools } from '@/core/conventions';
import type { Cue } from '@/core/cues';
import type { ActingAside, Told } from '@/core/instructions';
import type { Block, NamedBlock } from '@/core/plan';
import type { Answer, InStep } from '@/core/screening';
import type { Caution, Seat } from '@/core/techniques';
import type { Effort, Reached } from '@/core/teach';
import type { SessionState, ShownCheck, StepSaid } from './course';

/** What pages are given about plans. */

/** An instruction on the director's page: with the answer it rests on. */
export interface ShownInstruction {
  readonly block: string;
  readonly answer: Answer;
  readonly text: string;
  readonly inStep: InStep | null;
}

/** Who does what instead; the director sees the answers, a teacher what to do, and nobody else anything. */
export type ForPeople =
  | {
      readonly for: 'director';
      readonly people: readonly { readonly id: string; readonly name: string; readonly instructions: readonly ShownInstruction[] }[];
    }
  | { readonly for: 'teacher'; readonly people: readonly { readonly id: string; readonly name: string; readonly instructions: readonly Told[] }[] };

/** One of the logs of a class. */
export interface ShownLog {
  readonly id: string;
  readonly summary: string;
  readonly at: string;
  readonly by: string;
  readonly reached: Reached;
  readonly note: string;
  /** How far it went, the first free breath, the room, and what to change, as they were said; empty where nothing was. */
  readonly said: readonly string[];
  /** A later log of the same teacher stands in for it. */
  readonly corrected: boolean;
  /** Stop signs of somebody nobody could name. */
  readonly unnamed: readonly string[];
  readonly people: readonly {
    readonly name: string;
    readonly came: boolean;
    readonly late: boolean;
    readonly effort: Effort;
    readonly stopSigns: readonly string[];
  }[];
}

export interface ShownVersion {
  readonly number: number;
  readonly teacher: string;
  readonly publishedAt: string;
  readonly changes: readonly string[];
  /** Why it was published though something stood against it. */
  readonly reason: string;
}

/** A session as its plan. */
export interface PlanView {
  readonly session: {
    readonly id: string;
    readonly date: IsoDate;
    readonly start: string;
    readonly minutes: number;
    readonly version: number;
    readonly blocks: readonly Block[];
  };
  readonly course: { readonly id: string; readonly name: string; readonly version: number };
  /** What the last class said of what is practised here, with the classes an answer may change as they were seen; the director's. */
  readonly says: { readonly said: readonly StepSaid[]; readonly seen: readonly { readonly session: string; readonly version: number }[] };
  readonly cohort: { readonly id: string; readonly name: string };
  /** What the class is for, and what its teacher should know. */
  readonly purpose: string;
  /** What it is for where nobody said so by hand. */
  readonly drafted: string;
  readonly note: string;
  /** The classes before and after it, and which it is of how many; 0 where it is cancelled. */
  readonly before: { readonly id: string; readonly date: IsoDate } | null;
  readonly after: { readonly id: string; readonly date: IsoDate } | null;
  readonly number: number;
  readonly of: number;
  readonly conversation: NoteView;
  /** What stands against publishing it and is the director's to judge. */
  readonly judged: readonly string[];
  readonly naturalBreath: number;
  readonly tempo: number;
  /** Where the cohort sits when nothing else is said. */
  readonly seat: Seat;
  readonly schools: StudioSchools;
  readonly mayEdit: boolean;
  readonly asOf: string;
  readonly state: SessionState;
  readonly asides: readonly ActingAside[];
  /** Null for whoever does not teach it and is not the director. */
  readonly forPeople: ForPeople | null;
  readonly cues: readonly Cue[];
  readonly cautions: readonly { readonly name: string; readonly cautions: readonly Caution[]; readonly watchFor: readonly string[] }[];
  readonly stopSigns: readonly string[];
  readonly emergency: string;
  readonly checks: readonly ShownCheck[];
  readonly versions: readonly ShownVersion[];
  readonly unpublished: readonly string[] | null;
  readonly askedAgain: boolean;
  readonly acknowledgedAt: string | null;
  /** The logs taken together, and each as it came. */
  readonly log: (ShownLog & { readonly unsettled: boolean; readonly each: readonly ShownLog[] }) | null;
  readonly ownWays: readonly {
    readonly id: string;
    readonly base: string;
    readonly name: string;
    readonly number: number;
    readonly pattern: string;
    readonly dose: string;
  }[];
  readonly teacher: string;
  readonly teachers: readonly { readonly id: string; readonly name: string; readonly lacks: readonly string[]; readonly away: boolean }[];
}

/** A session as it stands now, for whoever meant to save over it. */
export interface PlanNow {
  readonly version: number;
  readonly blocks: readonly NamedBlock[];
  readonly purpose: string;
  readonly note: string;
  /** What theirs has otherwise than yours, in words. */
  readonly differs: readonly string[];
}

export interface PlanLine {
  readonly id: string;
  readonly date: IsoDate;
  readonly start: string;
  readonly minutes: number;
  readonly planned: number;
  readonly course: string;
  readonly techniques: readonly string[];
  readonly state: SessionState;
  readonly number: number | null;
  readonly teacher: string | null;
  readonly logged: string | null;
  /** Several logs say different things and wait for the director. */
  readonly unsettled: boolean;
}

/** A log that waits for the director, in words. */
export interface HeldView {
  readonly id: string;
  readonly version: number;
  readonly by: string;
  readonly at: string;
  readonly why: string;
  readonly class: string | null;
  readonly summary: string;
  readonly note: string;
  readonly signs: readonly string[];
  /** Whether it can be taken into the class it names. */
  readonly takeable: boolean;
}

/** What became of publishing classes together. */
export interface Published {
  readonly published: readonly IsoDate[];
  /** What was held back, each with why. */
  readonly held: readonly { readonly date: IsoDate; readonly start: string; readonly why: string }[];
}

/** What is said about a class. */
export interface NoteView {
  readonly unread: number;
  readonly notes: readonly { readonly id: string; readonly by: string; readonly mine: boolean; readonly at: string; readonly text: string }[];
}

/** Where blocks can be taken from. */
export interface BlockSources {
  readonly templates: readonly { readonly id: string; readonly version: number; readonly name: string; readonly minutes: number }[];
  readonly classes: readonly { readonly id: string; readonly name: string }[];
}
