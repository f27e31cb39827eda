import type { IsoDate } from '@/core/units';
import type { Check, Goal, MendCode } from '@/core/course';

/** What pages are given about courses. */

/** What a course is asked for, with the versions it was seen at. */
export interface CourseRequest {
  readonly course: string;
  readonly version: number;
  readonly seen: { readonly session: string; readonly version: number }[];
  readonly name: string;
  readonly weeks: number;
  readonly start: string;
  readonly minutes: number;
  readonly goals: Goal[];
}

/** A course's request as it is now, beside one that was to be kept: what it has otherwise, in words. */
export interface RequestNow {
  readonly request: CourseRequest;
  readonly differs: readonly string[];
}

/** A check as the page shows it. */
export interface ShownCheck {
  readonly severity: Check['severity'];
  readonly session: string;
  readonly date: IsoDate;
  readonly block: string | null;
  readonly title: string | null;
  readonly text: string;
  readonly mend: { readonly kind: 'move' | 'shorten rest' | 'add preparation'; readonly block: string; readonly text: string } | null;
}

export type SessionState = 'empty' | 'planned' | 'published' | 'acknowledged' | 'taught' | 'not logged';

/** A technique on a plank of the course ladder. */
export interface Chip {
  readonly id: string;
  readonly technique: string;
  readonly name: string;
  readonly family: string;
  readonly familyName: string;
  readonly chip: string;
  readonly pattern: string;
  readonly dose: string;
  readonly fresh: boolean;
}

/** A session as a plank of the course ladder. */
export interface SessionPlank {
  readonly id: string;
  readonly version: number;
  readonly date: IsoDate;
  readonly start: string;
  readonly minutes: number;
  readonly fixed: boolean;
  readonly planned: number;
  readonly techniques: readonly Chip[];
  readonly week: number;
  readonly state: SessionState;
  readonly logged: string | null;
}

/** A course as its ladder: sessions with what they practise, where they stand, and what is wrong where. */
export interface CourseView {
  readonly course: {
    readonly id: string;
    readonly name: string;
    readonly version: number;
    readonly weeks: number;
    readonly start: string;
    readonly minutes: number;
    readonly weekdays: readonly number[];
    readonly unplaced: readonly string[];
    /** What would make every goal possible, tried beforehand: what the button says, and what it sends. */
    readonly mends: readonly { readonly text: string; readonly mends: readonly MendCode[] }[];
    readonly goals: readonly string[];
  };
  readonly cohort: { readonly id: string; readonly name: string; readonly people: number };
  readonly teacher: string;
  /** Null before the first day. */
  readonly week: number | null;
  readonly today: IsoDate;
  readonly mayEdit: boolean;
  readonly sessions: readonly SessionPlank[];
  readonly checks: readonly ShownCheck[];
  /** The director's alone. */
  readonly ready: readonly ReadyLine[];
}

/** How many of the cohort will be ready for a technique as it comes in. */
export interface ReadyLine {
  readonly technique: string;
  readonly name: string;
  readonly date: IsoDate;
  readonly people: number;
  readonly expected: number;
  /** What holds in four cases of five. */
  readonly low: number;
  readonly high: number;
  /** Who will more likely than not lack something; for the director. */
  readonly likelyNot: readonly string[];
  /** The one review that would help most. */
  readonly review: {
    readonly session: string;
    readonly date: IsoDate;
    readonly technique: string;
    readonly name: string;
    readonly more: number;
  } | null;
}

/** A course in the list of courses. */
export interface CourseLine {
  readonly id: string;
  readonly name: string;
  readonly cohort: string;
  readonly teacher: string;
  readonly state: 'planning' | 'running' | 'finished';
  readonly week: number | null;
  readonly weeks: number;
  readonly firstDate: IsoDate;
  readonly lastDate: IsoDate;
  readonly sessions: number;
  readonly drafted: number;
}
