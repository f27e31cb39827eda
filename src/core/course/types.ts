import type { Pace } from './arc';
import type { BREATH_SHARES } from './hour';
import type { Qualification } from '../staff';
import type { Basis, Block, TechniqueBlock } from '../plan';
import type { Guards } from '../climb';
import type { Edge } from '../ladder';
import type { OwnEntry } from '../library';
import type { Hour, Seat } from '../techniques';
import type { IsoDate, Millis } from '../units';

/** A dated class of a course. It owns its blocks; the course ladder is a view of them. */
export interface CourseSession {
  readonly id: string;
  readonly date: IsoDate;
  /** Wall clock "05:45". */
  readonly start: string;
  readonly minutes: number;
  readonly blocks: readonly Block[];
  /** Past or published: a draft never touches it. */
  readonly fixed: boolean;
  /** Its log says that less was reached than was planned. */
  readonly short?: boolean;
  /** In whose hands one is that may change all the same: published to its teacher, or read by them. */
  readonly inHand?: 'published' | 'read';
}

/** What the director wants reached: a technique, its own or a higher dose and counts, practised so many times. */
export interface Goal {
  readonly technique: string;
  readonly pattern: string;
  readonly dose: string;
  readonly practise: number;
  /** The last day it may be reached on, where that matters. */
  readonly by?: IsoDate | null;
  /** Days between two steps of its climb, where they are to be longer than the rules ask. */
  readonly everyDays?: number | null;
  /** The most minutes it grows by at once, where that is to be less than the guard allows. */
  readonly stepMinutes?: number | null;
  /** The share of the people, in percent, that is to be ready for it: each having practised it so often, with all that it stands on. */
  readonly ready?: number | null;
}

/** How somebody comes to the classes of a course, without who they are. */
export interface Comer {
  /** Their chance of coming to a class of which nothing is known yet. */
  readonly rate: number;
  /** Classes that were logged, and whether they came. */
  readonly came: Readonly<Record<string, boolean>>;
}

/** How a course is built: when new things come, and how much of the hour is breathing. */
export interface Arc {
  readonly pace: Pace;
  readonly breath: keyof typeof BREATH_SHARES;
}

export const PACES = ['spread', 'soon'] as const satisfies readonly Pace[];
export const BREATHS = ['calm', 'usual', 'full'] as const satisfies readonly Arc['breath'][];
export const USUAL_ARC: Arc = { pace: 'spread', breath: 'usual' };

/** How a cohort's members come out for a technique on a date: numbers, and nobody's answers. */
export interface Tally {
  readonly people: number;
  readonly leaveOut: number;
  readonly askFirst: number;
  readonly adapt: number;
  readonly watch: number;
  /** People for whom it stands close below one of their limits. */
  readonly near: number;
}

/** A way of doing a technique, as a tally is worked out for it. */
export type Asked = Pick<TechniqueBlock, 'technique' | 'pattern' | 'dose' | 'tempo'>;

/** What a tally is found by. @example tallyKey({ technique: 'belly', pattern: 'deepened', dose: '3 min', tempo: 1000 }, date) */
export function tallyKey({ technique, pattern, dose, tempo }: Asked, date: IsoDate): string {
  return [technique, pattern, dose, tempo, date].join('|');
}

/**
 * A course to be drafted or checked, as plain data that can travel to a worker: no answers of anybody, no closures.
 * {@link planningOf} makes of it what the rules ask.
 */
export interface CourseProblem {
  readonly sessions: readonly CourseSession[];
  readonly goals: readonly Goal[];
  /** As soon as it can be taught where it is not said. */
  readonly arc?: Arc;
  /** The studio's own techniques; what is shipped is known everywhere. */
  readonly own: readonly OwnEntry[];
  /** Techniques the cohort already practises. */
  readonly already: readonly string[];
  /** Milliseconds a count. */
  readonly tempo: number;
  readonly naturalBreath: Millis;
  /** Where the cohort sits. */
  readonly seat: Seat;
  /** How the course could go on: the weeks it has, and the open days its weekdays would fall on after them. */
  readonly further?: Further;
  /** Techniques as the studio first teaches them, by id. */
  readonly taught: Readonly<Record<string, { readonly pattern: string; readonly dose: string }>>;
  /** By {@link tallyKey}: every block that stands, and every technique that may be introduced, on every date. */
  readonly tallies: Readonly<Record<string, Tally>>;
  /** Everybody who may teach; the course's own teacher first. */
  readonly staff: readonly Teaching[];
  /** The director says of the group that it is settled: connected breath asks for it. */
  readonly settled?: boolean;
  /** The studio's; as they are shipped where it has none. */
  readonly guards?: Guards;
  /** Days of classes that fell out. */
  readonly missed?: readonly IsoDate[];
  /** How the people come; nothing of who will be ready is asked where nobody is known. */
  readonly comers?: readonly Comer[];
}

/** Somebody who may teach, and what. */
export interface Teaching {
  readonly name: string;
  readonly qualifications: readonly Qualification[];
}

/** How a course could be made longer. */
export interface Further {
  readonly firstDate: IsoDate;
  readonly weeks: number;
  readonly dates: readonly IsoDate[];
}

/** What the rules and the drafter ask about a course beside its sessions. */
export interface Planning {
  readonly basis: Basis;
  readonly ladder: readonly Edge[];
  readonly already: ReadonlySet<string>;
  readonly tempo: number;
  readonly further?: Further;
  readonly taught: (technique: string) => { readonly pattern: string; readonly dose: string };
  readonly tally: (block: Asked, date: IsoDate) => Tally;
  readonly settled: boolean;
  readonly guards: Guards;
  readonly comers: readonly Comer[];
  /** How many classes in a row fell out between two days, at most. */
  readonly missedBetween: (from: IsoDate, until: IsoDate) => number;
  /** Who is qualified for a family on a date: the course's own teacher, others by name, or nobody. */
  readonly qualified: (family: string, date: IsoDate) => 'own' | readonly string[];
}

/** The part of the day a class starts in: morning to noon, evening from five. @example hourOf('05:45') // "morning" */
export function hourOf(start: string): Hour {
  const hour = Number(start.slice(0, 2));
  return hour < DAY_FROM ? 'morning' : hour < EVENING_FROM ? 'day' : 'evening';
}

const DAY_FROM = 12;
const EVENING_FROM = 17;
