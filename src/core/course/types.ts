import type { Block, TechniqueBlock } from '../plan';
import type { Edge } from '../ladder';
import type { Hour } from '../techniques';
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
}

/** What the director wants reached: a technique, its own or a higher dose and counts, practised so many times. */
export interface Goal {
  readonly technique: string;
  readonly pattern: string;
  readonly dose: string;
  readonly practise: number;
}

/** How a cohort's members come out for a technique on a date. */
export interface Tally {
  readonly people: number;
  readonly leaveOut: number;
  readonly askFirst: number;
  readonly adapt: number;
  readonly watch: number;
  /** People for whom it stands within 15 % of one of their limits. */
  readonly near: number;
}

/** Everything a draft or a check needs to know beside the sessions. */
export interface CourseSetting {
  readonly ladder: readonly Edge[];
  /** Techniques the cohort already practises. */
  readonly already: ReadonlySet<string>;
  readonly tempo: number;
  readonly naturalBreath: Millis;
  /** A technique as the studio first teaches it. */
  readonly taught: (technique: string) => { readonly pattern: string; readonly dose: string };
  readonly tally: (block: Pick<TechniqueBlock, 'technique' | 'pattern' | 'dose' | 'tempo'>, date: IsoDate) => Tally;
  /** Families at least one of the course's teachers is qualified for. */
  readonly qualified: ReadonlySet<string>;
}

/** The part of the day a class starts in: morning to noon, evening from five. @example hourOf('05:45') // "morning" */
export function hourOf(start: string): Hour {
  const hour = Number(start.slice(0, 2));
  return hour < 12 ? 'morning' : hour < 17 ? 'day' : 'evening';
}
