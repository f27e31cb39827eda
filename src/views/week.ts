import type { IsoDate } from '@/core/units';
import type { SessionState } from './course';

/** What pages are given about the week. */

/** A class in the week. */
export interface WeekRow {
  readonly id: string;
  readonly version: number;
  readonly courseId: string;
  readonly course: string;
  readonly date: IsoDate;
  readonly start: string;
  readonly minutes: number;
  /** Whoever has it in hand; null where they have left. */
  readonly teacher: string | null;
  readonly mine: boolean;
  /** Whether whoever looks may open its plan. */
  readonly opens: boolean;
  /** Why nobody will teach it as it stands. */
  readonly nobody: 'is away' | 'has left' | null;
  readonly state: SessionState;
  /** The published version. */
  readonly number: number | null;
  /** Changed since it was published, and not published again. */
  readonly changed: boolean;
  /** Read, and to be read again: instructions became stricter. */
  readonly again: boolean;
  readonly logged: string | null;
  readonly cancelled: string | null;
  /** What it brings that the class before it did not have, in a line. */
  readonly fresh: string;
  /** Notes about it that whoever looks has not read. */
  readonly unread: number;
}

export interface WeekView {
  readonly monday: IsoDate;
  readonly today: IsoDate;
  readonly rows: readonly WeekRow[];
  /** Whether it is the whole studio's, or one's own. */
  readonly whole: boolean;
  readonly mayEdit: boolean;
}

/** Who can take a class. */
export interface CoverView {
  readonly session: { readonly id: string; readonly version: number; readonly date: IsoDate; readonly start: string; readonly minutes: number };
  readonly course: string;
  readonly cohort: string;
  /** Class `number` of `of`. */
  readonly number: number;
  readonly of: number;
  readonly teacher: { readonly name: string; readonly why: 'is away' | 'has left' | null };
  readonly able: readonly { readonly id: string; readonly name: string; readonly taught: number }[];
  readonly unable: readonly {
    readonly id: string;
    readonly name: string;
    readonly taught: number;
    readonly lacks: readonly string[];
    /** The smallest change that makes them able; looked for only where nobody is. */
    readonly change: {
      readonly minutes: number;
      readonly replaced: readonly { readonly from: string; readonly to: string; readonly minutes: number }[];
      readonly lines: readonly string[];
    } | null;
  }[];
  /** Who is not free, and why. */
  readonly busy: readonly string[];
  readonly mayChange: boolean;
  /** The version that is published; null where none is. */
  readonly published: number | null;
}
