import type { ClimbKind, Guards } from '@/core/climb';
import type { IsoDate } from '@/core/units';
import type { CourseRequest, CourseView } from './course';

/** What pages are given about the climbs of a course. */

/** How a technique is done in one class of a course, with the figures that a chart shows. */
export interface ClimbPoint {
  readonly session: string;
  readonly date: IsoDate;
  /** The number of the class, from 0. */
  readonly at: number;
  readonly pattern: string;
  readonly dose: string;
  readonly minutes: number;
  /** Counts of a whole cycle; null where it has none. */
  readonly counts: number | null;
  /** Breaths a minute. */
  readonly pace: number | null;
  /** How much of the time is held, in percent. */
  readonly held: number;
  /** Whether a log says that it was reached as planned; null while there is no log. */
  readonly reached: boolean | null;
  readonly lighter: boolean;
}

/** One step of a climb: the classes in a row that practise it so. */
export interface ClimbStair {
  readonly pattern: string;
  readonly dose: string;
  readonly from: number;
  readonly to: number;
  readonly classes: number;
  /** How many of those who came found it easy, in the last class with a log. */
  readonly easy: string | null;
}

/** A technique that grows in a course, on its way to a goal. */
export interface Climb {
  readonly technique: string;
  readonly name: string;
  readonly kind: ClimbKind;
  readonly tempo: number;
  /** Milliseconds a round takes, where rounds grow. */
  readonly roundMs: number | null;
  readonly from: string;
  readonly to: string;
  readonly step: string;
  readonly every: string;
  /** The day it is reached on; null where the plan does not reach it. */
  readonly arrives: IsoDate | null;
  /** In which week of the course that is. */
  readonly week: number | null;
  readonly stairs: readonly ClimbStair[];
  readonly points: readonly ClimbPoint[];
  /** Who keeps a count of their own beside the room's; for the director. */
  readonly own: readonly { readonly name: string; readonly count: string }[];
}

export interface ClimbsView {
  readonly course: CourseView;
  readonly naturalBreath: number;
  readonly classesAWeek: number;
  readonly guards: Guards;
  readonly climbs: readonly Climb[];
  /** What is asked of the course, to be changed by a climb; null for whoever may not. */
  readonly request: CourseRequest | null;
}
