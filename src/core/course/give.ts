import { wayDown } from '../ladder';
import type { IsoDate } from '../units';
import { mostReadyFor } from './arc';
import { inTimeOrder } from './checks';
import { alike } from './coming';
import { fewestMore, fewestWeeks, furthest, isPossible, longer, solve } from './drafting';
import { arcProblemOf } from './toArc';
import { problemOf } from './toDraft';
import { USUAL_ARC, type CourseSession, type Goal, type Planning, type Tally } from './types';
import { blockedAhead, type Unplaced } from './unplaced';

/** What the weeks of a course can give, before anything is drafted: how far each wish gets in them, and for whom. */

/** How far something gets: as it would be done then, and the day of the class it is reached in. */
export interface SoFar {
  readonly technique: string;
  readonly pattern: string;
  readonly dose: string;
  readonly date: IsoDate;
}

/** What the weeks give of one wish. */
export interface Given {
  readonly goal: Goal;
  /** The day of the class it is reached in as soon as it can be taught, beside all the others that have a place. */
  readonly date: IsoDate | null;
  /** The same by itself, where it has no place beside the others. */
  readonly alone: IsoDate | null;
  /** The furthest on its way that these weeks give, where they do not give all of it. */
  readonly upTo: SoFar | null;
  /** The fewest weeks that give all of it by itself, where these do not and any do. */
  readonly weeks: number | null;
  /** What no number of weeks changes. */
  readonly blocked: Unplaced | null;
  /** False where there was no time to find out. */
  readonly settled: boolean;
  /** How the cohort comes out for it as it is reached. */
  readonly people: Tally;
  /** No course of these weeks has more of them ready for it; null where nobody is known. */
  readonly ready: number | null;
  /** No fewer weeks have as many ready for it as are asked for, where these have not and any have. */
  readonly readyWeeks: number | null;
  /** Whether the course's own teacher is qualified for it, or who else. */
  readonly qualified: 'own' | readonly string[];
}

/**
 * What the weeks of a course can give.
 * @param begin begins to look for something, and says when that has been long enough
 * @example whatWeeksGive(sessions, goals, planning, begin)[0].upTo // { technique: "longer-4-7", pattern: "4:7", dose: "5 min", date: "2027-01-25" }
 */
export function whatWeeksGive(sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning, begin: () => () => boolean): Given[] {
  const ordered = inTimeOrder(sessions);
  if (ordered.length === 0 || goals.length === 0) return [];
  const dateOf = (at: number | null) => (at === null ? null : ordered[at - 1].date);
  const soonest = (of: readonly Goal[]) => {
    const { file, one } = problemOf(ordered, of, planning);
    return solve(file, one, { enough: begin() });
  };
  const together = soonest(goals);
  const blocked = blockedAhead(ordered, goals, planning);
  const asked = readyOf(ordered, goals, planning);
  return goals.map((goal, index): Given => {
    const { technique } = goal;
    const date = dateOf(together.reached[index]);
    const { family } = planning.basis.library.technique(technique);
    const open = ordered.filter(({ fixed }) => !fixed);
    const day = date ?? (open.at(-1) ?? ordered.at(-1)!).date;
    const always = {
      goal,
      date,
      people: planning.tally({ ...goal, tempo: planning.tempo }, day),
      ready: asked.most(0, index),
      readyWeeks: asked.weeks(index),
      qualified: planning.qualified(family, day),
    };
    if (date !== null) return { ...always, alone: null, upTo: null, weeks: null, blocked: null, settled: true };
    const enough = begin();
    const own = goals.length === 1 ? together : soonest([goal]);
    const alone = dateOf(own.reached[0]);
    const plainly = blocked.find((one) => one.goal.technique === technique) ?? null;
    const settled = (alone === null ? own : together).status !== 'bound';
    if (alone !== null) return { ...always, alone, upTo: null, weeks: null, blocked: null, settled };
    const { file, one } = problemOf(ordered, [goal], planning);
    return { ...always, alone: null, upTo: furthestOf(goal), weeks: plainly ? null : fewestWeeks(file, one, enough), blocked: plainly, settled };

    function isKin(id: string): boolean {
      return planning.basis.library.technique(id).family === family;
    }

    function furthestOf(of: Goal): SoFar | null {
      const step = furthest(file, one, of.technique, enough);
      const steps = step ? [{ ...of, ...step }] : [];
      const below = wayDown(planning.ladder, of.technique)
        .filter((id) => planning.basis.library.find(id) !== null && !planning.already.has(id))
        .sort((a, b) => Number(isKin(b)) - Number(isKin(a)))
        .map((id): Goal => ({ technique: id, ...planning.taught(id), practise: of.practise }));
      for (const wish of [...steps, ...below]) {
        const problem = problemOf(ordered, [wish], planning);
        if (isPossible(problem.file, problem.one, enough) !== true) continue;
        const at = dateOf(soonest([wish]).reached[0]);
        if (at !== null) return { technique: wish.technique, pattern: wish.pattern, dose: wish.dose, date: at };
      }
      return null;
    }
  });
}

/** No fewer weeks than these have as many ready for a goal as are asked for; null where these have, or none have. */
export const fewestReadyWeeks = (ordered: readonly CourseSession[], goals: readonly Goal[], planning: Planning, goal: number): number | null =>
  readyOf(ordered, goals, planning).weeks(goal);

/** How many can be ready for each goal at most, in these weeks and in more. */
function readyOf(ordered: readonly CourseSession[], goals: readonly Goal[], planning: Planning) {
  const { file, one } = arcProblemOf(ordered, goals, planning, USUAL_ARC);
  const { comers, further } = planning;
  const most = (more: number, goal: number): number | null => {
    if (comers.length === 0) return null;
    const { dates, hours, minutes } = longer({ ...one, further }, more);
    const people = alike(
      dates.map((date, at) => ordered[at] ?? { id: date }),
      comers,
    );
    return mostReadyFor(file, { ...one, dates, hours, minutes, people, fixed: dates.map((_, at) => one.fixed[at] ?? null) }, goal);
  };
  const does = (more: number, goal: number): boolean => {
    const wanted = ((goals[goal].ready ?? 0) / 100) * comers.length;
    return (most(more, goal) ?? wanted) >= wanted - 1e-9;
  };
  return {
    most,
    weeks: (goal: number): number | null => {
      if (does(0, goal)) return null;
      const more = fewestMore((weeks) => does(weeks, goal));
      return more === null ? null : (further?.weeks ?? 0) + more;
    },
  };
}
