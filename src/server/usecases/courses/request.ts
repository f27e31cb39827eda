import { writtenOut } from '@/core/conventions';
import { courseDates, type Goal } from '@/core/course';
import type { Staff } from '../../auth/actors';
import type { Writing } from '../../desk';
import { changeRequest, type Course, type Requested, type Session } from '../../repositories/courses';
import { closures, conventions } from '../../repositories/studio';
import { knownTechniques } from '../techniques/known';

/** Goals as a course keeps them: known techniques, with what the studio's schools say written out. */
export async function goalsOf(at: Writing<Staff>, goals: readonly Goal[]): Promise<Goal[]> {
  const { schools, library } = await conventions(at);
  knownTechniques(
    library,
    goals.map(({ technique }, index) => ({ field: `goals[${index}].technique`, technique })),
  );
  return goals.map((goal) => ({ ...goal, ...writtenOut(goal.pattern, goal.dose, schools, goal.technique) }));
}

/** Changes what a course was asked for; a longer one gets its further classes on open days ahead. @returns the version it has now */
export async function askedAnew(
  at: Writing<Staff>,
  before: Course,
  seen: number,
  to: Partial<Requested>,
  sessions: readonly Session[],
): Promise<number> {
  const last = sessions.at(-1)?.date;
  const dates = to.weeks
    ? courseDates(before.firstDate, to.weeks, before.weekdays, await closures(at)).filter((date) => date >= at.today && (!last || date > last))
    : [];
  const open = sessions.filter(({ fixed }) => !fixed).map(({ id: session, version }) => ({ session, version }));
  return changeRequest(at, before, seen, to, dates, open);
}
