import type { IsoDate } from '@/core/units';
import type { Arc, Check, ClassChange, CourseProblem, Goal, WayOut } from '@/core/course';

/** What pages are given about courses. */

/** What a course is asked for, with the versions it was seen at. */
export interface CourseRequest {
  readonly course: string;
  readonly version: number;
  readonly seen: { readonly session: string; readonly version: number }[];
  readonly name: string;
  readonly cohort: string;
  readonly teacher: string;
  readonly firstDate: string;
  readonly weeks: number;
  readonly weekdays: number[];
  readonly start: string;
  readonly minutes: number;
  readonly settled: boolean;
  readonly arc: Arc;
  /** What the cohort practises already. */
  readonly already: string[];
  readonly goals: Goal[];
}

/** A request as it is typed, and what a page works out from it what its weeks can give. */
export interface WeeksAsked {
  readonly problem: CourseProblem;
  readonly firstDate: IsoDate;
  readonly weeks: number;
  /** Days on which no class is held, and why. */
  readonly out: readonly { readonly date: IsoDate; readonly reason: string }[];
  /** Whether whoever asks sees how many people do what. */
  readonly counts: boolean;
}

/** What a change of a course does, or would do. */
export interface Outcome {
  readonly classes: readonly ClassChange[];
  /** By goal: the day it is reached on before and after; null where it is not. */
  readonly goals: readonly { readonly name: string; readonly was: IsoDate | null; readonly now: IsoDate | null; readonly asked: boolean }[];
  /** What has no place, and whether it had one before. */
  readonly unplaced: readonly { readonly text: string; readonly fresh: boolean }[];
  /** Checks that want mending; the first of those that would be new, in words. */
  readonly wrong: { readonly was: number; readonly now: number; readonly fresh: readonly string[] };
  /** Days of published classes that are still to come. */
  readonly published: readonly IsoDate[];
  /** Published classes that change: whose teacher is asked to read again what they had read or not, and what is held back by a check. */
  readonly again: readonly { readonly date: IsoDate; readonly teacher: string; readonly read: boolean; readonly held: boolean }[];
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
  /** What checks of one cause have in common. */
  readonly cause: string;
  /** Whether it stands in the way of publishing the class. */
  readonly stops: boolean;
  /** What it is known again by when it is accepted; null where it cannot be. */
  readonly key: string | null;
  readonly mend: {
    readonly kind: 'move' | 'shorten rest' | 'add preparation';
    readonly block: string;
    readonly part: string | null;
    readonly text: string;
  } | null;
}

export type SessionState = 'cancelled' | 'empty' | 'planned' | 'published' | 'acknowledged' | 'taught' | 'not logged';

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
  readonly pinned: boolean;
  /** Something above it in its family was practised before: it comes back as a review. */
  readonly review: boolean;
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
  /** What it is for: said by hand, else drafted from what stands in it. */
  readonly purpose: string;
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
    readonly mends: readonly WayOut[];
    readonly goals: readonly string[];
    /** By goal: the week it is reached in; null where it is not. */
    readonly reached: readonly (number | null)[];
    /** How it is built. */
    readonly arc: Arc;
    /** What a course that is spread over the weeks should be and is not. */
    readonly lacks: readonly string[];
    /** The series whose live days its classes are, where it is one's. */
    readonly series: { readonly id: string; readonly name: string } | null;
  };
  readonly cohort: { readonly id: string; readonly name: string; readonly people: number };
  readonly teacher: string;
  /** Classes that were to be held and are not. */
  readonly cancelled: readonly { readonly id: string; readonly date: IsoDate; readonly reason: string; readonly week: number }[];
  /** Days that fell out and are open, so that a class could come back. */
  readonly reopened: readonly IsoDate[];
  /** Classes that fall into closed days. */
  readonly closed: readonly IsoDate[];
  /** The last change, when it can be taken back, or done again. */
  readonly last: { readonly what: string; readonly back: boolean } | null;
  /** What the last logged class says of each climb in it. */
  readonly says: readonly StepSaid[];
  readonly accepted: readonly { readonly key: string; readonly text: string; readonly reason: string; readonly by: string }[];
  /** The course it was copied from, with what its classes said, the first beside the first. */
  readonly lastTime: { readonly name: string; readonly classes: readonly (string | null)[] } | null;
  /** Null before the first day. */
  readonly week: number | null;
  readonly today: IsoDate;
  readonly mayEdit: boolean;
  readonly sessions: readonly SessionPlank[];
  /** What each week is about, by its number. */
  readonly themes: Readonly<Record<number, string>>;
  readonly checks: readonly ShownCheck[];
  /** The director's alone. */
  readonly ready: readonly ReadyLine[];
  /** Who is not with the room, and the way back; the director's alone. */
  readonly behind: readonly BehindLine[];
  /** What the cohort practised before the course. */
  readonly already: readonly string[];
}

/** What a class said of a climb, and what would follow. */
export interface StepSaid {
  readonly technique: string;
  readonly name: string;
  readonly date: IsoDate;
  readonly text: string;
  readonly answer: 'advance' | 'stay' | 'back';
  /** How it was done, and how it is to be done next; null where no open class has it. */
  readonly step: string;
  readonly next: string | null;
  readonly before: string | null;
  /** The pattern with its holds a count shorter, where the first free breath says that they were too long. */
  readonly shorter: string | null;
}

/** How many of the cohort will be ready for a technique as it comes in. */
export interface ReadyLine {
  readonly technique: string;
  readonly name: string;
  readonly date: IsoDate;
  /** Whether it is about the goal: practised as often as is asked, by the end; else about what comes in. */
  readonly goal: boolean;
  /** How often a goal is to be practised. */
  readonly practise: number;
  /** By their places: the classes in which a goal stands as it is asked for, and in time. */
  readonly asAsked: readonly number[];
  /** The share of them that is asked for, in percent. */
  readonly share: number | null;
  readonly people: number;
  readonly expected: number;
  /** How many will have come to the classes it needs, whatever they were ready for in them; never fewer. */
  readonly came: number;
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

/** Somebody who missed what the next classes stand on, and their way back to the room. */
export interface BehindLine {
  /** Null for somebody who would join now. */
  readonly name: string | null;
  readonly steps: readonly { readonly date: IsoDate; readonly home: readonly string[]; readonly instead: readonly string[] }[];
  readonly withRoom: IsoDate | null;
}

/** A course in the list of courses. */
export interface CourseLine {
  readonly id: string;
  readonly name: string;
  readonly cohort: string;
  readonly teacher: string;
  readonly state: 'planning' | 'running' | 'finished';
  /** A class of its own. */
  readonly single: boolean;
  readonly week: number | null;
  readonly weeks: number;
  readonly firstDate: IsoDate;
  readonly lastDate: IsoDate;
  readonly sessions: number;
  readonly drafted: number;
}
