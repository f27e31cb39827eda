import type { IsoDate } from '@/core/units';
import type { ClassLine, SheetOptions } from '@/core/cues';
import type { Stricter, Told } from '@/core/instructions';
import type { NamedBlock } from '@/core/plan';
import type { DOOR_QUESTIONS } from '@/core/screening';
import type { Millis } from '@/core/units';
import type { ClassLog } from '@/core/teach';
import type { SessionState } from './course';
import type { NoteView } from './plan';

/** What pages are given about classes to be taught. */

/** Everything a device needs to teach a class without a network. */
export interface ClassView {
  readonly session: { readonly id: string; readonly date: IsoDate; readonly start: string; readonly minutes: number };
  readonly course: string;
  readonly today: boolean;
  readonly past: boolean;
  /** From which instant on it may be logged. */
  readonly logFrom: string;
  readonly plan: {
    readonly id: string;
    readonly number: number;
    readonly changes: readonly string[];
    /** What the class is for, and what its teacher should know. */
    readonly purpose: string;
    readonly note: string;
  };
  readonly conversation: NoteView;
  /** The teacher's own log, while they may still put it right. */
  readonly ownLog: Omit<ClassLog, 'at' | 'taughtBy' | 'corrects'> | null;
  readonly acknowledged: boolean;
  /** What became stricter since the teacher read it. */
  readonly stricter: readonly Stricter[];
  readonly logged: boolean;
  readonly asOf: string;
  readonly line: ClassLine;
  /** What the device needs to shorten the class: the blocks as published, and when it should end in the studio's zone. */
  readonly planned: readonly NamedBlock[];
  readonly naturalBreath: Millis;
  readonly speech: SheetOptions;
  readonly endsAt: string;
  readonly zone: string;
  /** Seat, eyes and what keeps the time in most blocks. */
  readonly usually: string;
  readonly blocks: readonly {
    readonly id: string;
    readonly kind: NamedBlock['kind'];
    readonly name: string;
    readonly minutes: number;
    readonly detail: string | null;
    /** Seat, eyes and what keeps the time where it is not as usual here, and what people do; empty where nothing is. */
    readonly how: string;
    readonly lines: readonly string[];
    readonly note: string;
  }[];
  readonly cautions: readonly { readonly name: string; readonly cautions: readonly string[]; readonly watchFor: readonly string[] }[];
  readonly people: readonly { readonly id: string; readonly name: string; readonly byDoor: Readonly<Record<string, readonly Told[]>> }[];
  readonly doorQuestions: typeof DOOR_QUESTIONS;
  /** Whether anything in it is held: then the first free breath is asked for. */
  readonly holds: boolean;
  /** Whose class it is, where somebody else logs it for them. */
  readonly teacher: string | null;
  readonly stopSigns: readonly string[];
  readonly helpSigns: readonly string[];
  readonly emergency: string;
}

/** A class in a teacher's hands. */
export interface TeachingClass {
  readonly id: string;
  readonly courseId: string;
  readonly date: IsoDate;
  readonly start: string;
  readonly minutes: number;
  readonly course: string;
  readonly techniques: readonly string[];
  readonly number: number;
  /** Read, and to be read again: instructions became stricter since. */
  readonly again: boolean;
  readonly state: SessionState;
  readonly today: boolean;
  readonly thisWeek: boolean;
  readonly logged: string | null;
}

/** What became of a log that was sent. */
export interface LogAnswer {
  /** `again` is one that was here already; `held` waits for the director as it came. */
  readonly kept: 'taken' | 'held' | 'again';
}
