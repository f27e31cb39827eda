import type { TechniqueBlock } from '../plan';
import { draftCourse, type Draft } from './draft';
import { fewestReadyWeeks } from './give';
import { inTimeOrder } from './checks';
import { planningOf } from './problem';
import type { CourseProblem, CourseSession, Goal } from './types';
import type { MendCode } from './unplaced';

/** What would make as many ready as are asked for, where no draft of the course as it is asked for does: each was drafted before it is offered. */

/** A change with which enough are ready for every goal. */
export interface ReadyMend {
  readonly mends: readonly MendCode[];
  /** By goal that is still asked for: how many will be ready; null where it is not asked. */
  readonly ready: readonly { readonly technique: string; readonly expected: number | null }[];
}

/** Looks at a draft that is only made to see whether it would do. */
const LOOKS = 60_000;
/** Weeks more than the fewest in which enough could be ready, before it is given up. */
const MORE_WEEKS = 4;
/** Percent are asked for in steps. */
const STEP = 5;

const plain = { technique: null, number: null, hour: null } as const;

interface Asked {
  readonly sessions: readonly CourseSession[];
  readonly goals: readonly Goal[];
}

/**
 * Changes with which enough are ready for every goal, one after another as they are found: more weeks, a goal in fewer classes, without
 * another goal, and last to ask for as many as will be.
 * @param problem a course whose draft does not make enough ready; its draft is made again first
 */
export function* readyMends(problem: CourseProblem): Generator<ReadyMend> {
  const planning = planningOf(problem);
  const arc = problem.arc;
  if (!arc || arc.pace === 'soon' || planning.comers.length === 0) return;
  const standing = inTimeOrder(problem.sessions);
  let made = 0;
  const draft = ({ sessions, goals }: Asked): Draft =>
    draftCourse(sessions, goals, planning, () => `tried ${(made += 1)}`, { enough: () => false, looks: LOOKS, begin: () => () => true }, arc);
  const shortOf = ({ proof, unplaced }: Draft): readonly string[] =>
    proof.aim === 'soon'
      ? []
      : [
          ...proof.broken.flatMap(({ requirement, technique }) => (requirement === 'ready' && technique ? [technique] : [])),
          ...unplaced.map(({ goal }) => goal.technique),
        ];
  const expectedIn = ({ proof }: Draft, goals: readonly Goal[]) =>
    goals.map(({ technique }, index) => ({ technique, expected: proof.aim === 'soon' ? null : proof.ready[index] }));
  const asIs = draft({ sessions: standing, goals: problem.goals });
  const short = new Set(shortOf(asIs));
  // What has no place at all has mends of its own.
  if (short.size === 0 || asIs.unplaced.length > 0) return;
  const does = (mends: readonly MendCode[], asked: Asked): ReadyMend | null => {
    const drafted = draft(asked);
    return shortOf(drafted).length === 0 ? { mends, ready: expectedIn(drafted, asked.goals) } : null;
  };
  const fewest = Math.max(
    ...problem.goals.map((goal, index) => (short.has(goal.technique) ? (fewestReadyWeeks(standing, problem.goals, planning, index) ?? 0) : 0)),
  );
  const { further } = problem;
  if (further)
    for (let weeks = Math.max(fewest, further.weeks + 1); weeks <= Math.max(fewest, further.weeks + 1) + MORE_WEEKS; weeks += 1) {
      const sessions = longerBy(standing, problem, weeks);
      if (sessions === null) break;
      const found = does([{ ...plain, code: 'weeks', number: weeks }], { sessions, goals: problem.goals });
      if (!found) continue;
      yield found;
      break;
    }
  const fewer = problem.goals.filter(({ technique, practise }) => short.has(technique) && practise > 1);
  if (fewer.length > 0) {
    const goals = problem.goals.map((goal) => (fewer.includes(goal) ? { ...goal, practise: goal.practise - 1 } : goal));
    const mends = fewer.map(({ technique, practise }): MendCode => ({ ...plain, code: 'times', technique, number: practise - 1 }));
    const found = does(mends, { sessions: standing, goals });
    if (found) yield found;
  }
  if (problem.goals.length > 1)
    for (const { technique } of problem.goals) {
      const goals = problem.goals.filter((goal) => goal.technique !== technique);
      const found = does([{ ...plain, code: 'without', technique }], { sessions: standing.map((session) => without(session, technique)), goals });
      if (found) yield found;
    }
  const people = planning.comers.length;
  const now = expectedIn(asIs, problem.goals);
  const less = problem.goals.flatMap((goal, index): MendCode[] => {
    const percent = Math.floor(((now[index].expected ?? 0) / people) * (100 / STEP)) * STEP;
    return short.has(goal.technique) && percent >= STEP ? [{ ...plain, code: 'ready', technique: goal.technique, number: percent }] : [];
  });
  if (less.length === short.size) yield { mends: less, ready: now };
}

/** What is planned of a goal that is no longer asked for does not have to stay. */
const without = (session: CourseSession, technique: string): CourseSession =>
  session.fixed
    ? session
    : { ...session, blocks: session.blocks.filter((block) => block.kind !== 'technique' || block.technique !== technique || isPinned(block)) };

const isPinned = ({ pinned }: Pick<TechniqueBlock, 'pinned'>): boolean => pinned === true;

/** The classes of a course that has so many weeks; null where no class is added by it. */
function longerBy(standing: readonly CourseSession[], { further }: CourseProblem, weeks: number): CourseSession[] | null {
  const last = standing.at(-1);
  if (!further || !last) return null;
  const until = new Date(Date.parse(further.firstDate) + weeks * 7 * 86_400_000).toISOString().slice(0, 10);
  const dates = further.dates.filter((date) => date > last.date && date < until);
  if (dates.length === 0) return null;
  return [
    ...standing,
    ...dates.map((date): CourseSession => ({ id: date, date, start: last.start, minutes: last.minutes, blocks: [], fixed: false })),
  ];
}
