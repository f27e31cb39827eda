import { taughtAs } from '@/core/conventions';
import { courseDates, planningOf, tallyKey, waysOfDraft, type Asked, type CourseProblem, type Planning, type Tally } from '@/core/course';
import { tallier } from '@/core/instructions';
import { wayDown } from '@/core/ladder';
import { techniquesIn } from '@/core/plan';
import type { IsoDate } from '@/core/units';
import { FORM_LIMITS } from '@/forms';
import type { Actor } from '../auth/actors';
import type { Desk } from '../desk';
import { cohort, cohortItself } from '../repositories/cohorts';
import { missedDates, type Course, type Session } from '../repositories/courses';
import { ownTechniques } from '../repositories/library';
import { logsOf } from '../repositories/logs';
import { members, type OpenedMember } from '../repositories/screenings';
import { seriesOfLive } from '../repositories/series';
import { teachers } from '../repositories/staff';
import { closures, conventions, type Conventions } from '../repositories/studio';
import { comersOf } from './comers';

/** How many weeks more than it has are looked at when a course cannot hold its goals. */
const FURTHER_WEEKS = 16;

/** The studio's conventions for one cohort: where it sits, too. */
export async function houseOf(desk: Desk<Actor>, cohortId: string): Promise<Conventions> {
  const [studio, { seat }] = await Promise.all([conventions(desk), cohortItself(desk, cohortId)]);
  return { ...studio, seat };
}

/** A course as a problem for the core, with the people it was worked out for. */
export interface Setting {
  readonly problem: CourseProblem;
  readonly planning: Planning;
  readonly members: readonly OpenedMember[];
  /** The classes as they were reached: what a log says was left out was not practised. Rules are asked of these. */
  readonly reached: readonly Session[];
}

/** Sessions as they were reached: without what was left out, and marked where less was done than was planned. */
async function asReached(desk: Desk<Actor>, sessions: readonly Session[]) {
  const past = sessions.filter(({ date, published }) => published > 0 && date <= desk.today).map(({ id }) => id);
  const logs = await logsOf(desk, past);
  const reached = sessions.map((session): Session => {
    const log = logs.get(session.id);
    if (!log) return session;
    const left = new Set(log.blocks.filter(({ done }) => done === 'left out').map(({ block }) => block));
    const part = log.blocks.some(({ done }) => done === 'part');
    return { ...session, blocks: session.blocks.filter(({ id }) => !left.has(id)), ...(log.reached === 'less' || part ? { short: true } : {}) };
  });
  return { reached, logs };
}

/**
 * Everything the core asks about a course, gathered once; answers are opened here, and only numbers go on.
 * @param practised what the cohort practises already, where it is only tried; as it stands where it is not said
 */
export async function settingOf(
  desk: Desk<Actor>,
  course: Pick<Course, 'cohort' | 'teacher' | 'goals' | 'firstDate' | 'weeks' | 'weekdays' | 'settled' | 'arc'>,
  sessions: readonly Session[],
  practised?: readonly string[],
): Promise<Setting> {
  const of = sessions.find(({ course: standing }) => standing !== '')?.course;
  const [group, people, studio, everyone, own, closed, missed, series, { reached, logs }] = await Promise.all([
    cohort(desk, course.cohort),
    members(desk, course.cohort),
    houseOf(desk, course.cohort),
    teachers(desk),
    ownTechniques(desk),
    closures(desk),
    of ? missedDates(desk, of) : [],
    of ? seriesOfLive(desk, of) : null,
    asReached(desk, sessions),
  ]);
  // The days between live ones are practised alone: their order is the series' own to check.
  const already = [
    ...new Set([...(practised ?? group.already), ...(series?.days ?? []).flatMap(({ blocks }) => blocks.map(({ technique }) => technique))]),
  ];
  const { tempo, naturalBreath, schools, library, guards } = studio;
  const taught = Object.fromEntries(library.techniques.map((technique) => [technique.id, taughtAs(technique, schools)]));
  const tally = tallier(people, studio);
  const wanted = [...new Set(course.goals.flatMap(({ technique }) => [technique, ...wayDown(library.edges, technique)]))];
  const tallies: Record<string, Tally> = {};
  const ask = (asked: Asked, { date }: { readonly date: IsoDate }) => {
    const key = tallyKey(asked, date);
    tallies[key] ??= tally(asked, date);
  };
  // Asked of everything a draft may put anywhere, where somebody drafts: what only checks asks of what stands.
  const askAll = () => {
    // What stands in a class that a draft leaves alone may be practised again after it, wanted or not.
    const standing = sessions.flatMap(({ blocks }) => techniquesIn(blocks).map(({ technique }) => technique));
    const known = [...new Set([...wanted, ...already, ...standing])].filter((id) => library.find(id) !== null);
    for (const session of sessions) {
      for (const block of techniquesIn(session.blocks)) ask(block, session);
      if (!session.fixed) for (const technique of known) ask({ technique, ...taught[technique], tempo }, session);
    }
    const { ways, dates } = waysOfDraft(reached, course.goals, planning);
    for (const date of dates) for (const way of ways) ask(way, { date });
  };
  const { firstDate, weeks, weekdays } = course;
  const after = sessions.at(-1)?.date ?? firstDate;
  const further = {
    firstDate,
    weeks,
    dates: courseDates(firstDate, Math.min(weeks + FURTHER_WEEKS, FORM_LIMITS.weeks), weekdays, closed).filter((date) => date > after),
  };
  const teacher = everyone.find(({ id }) => id === course.teacher);
  const others = everyone.filter(({ id }) => id !== course.teacher);
  const teaching = [teacher, ...others].map((one) => ({ name: one?.name ?? 'somebody who left', qualifications: one?.qualifications ?? [] }));
  const problem = {
    sessions: reached,
    goals: course.goals,
    arc: course.arc,
    own,
    already,
    tempo,
    naturalBreath,
    seat: group.seat,
    further,
    taught,
    tallies,
    staff: teaching,
    settled: course.settled,
    guards,
    missed,
    comers: comersOf(people, logs),
  };
  // What is only tried may stand on days on which nothing was asked yet.
  const asked = (block: Asked, date: IsoDate) => (tallies[tallyKey(block, date)] ??= tally(block, date));
  const planning: Planning = { ...planningOf(problem), basis: { library, naturalBreath, seat: group.seat }, ladder: library.edges, tally: asked };
  return {
    get problem() {
      askAll();
      return problem;
    },
    planning,
    members: people,
    reached,
  };
}
