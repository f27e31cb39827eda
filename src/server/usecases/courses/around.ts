import { aroundChecks, type Check, type CourseSession, type Elsewhere } from '@/core/course';
import type { Desk } from '../../desk';
import { course, courseHeads, sessionsOf, type Course, type Session } from '../../repositories/courses';
import { hoursOn } from '../../repositories/hours';
import { handedTo } from '../../repositories/hands';
import { aways, teachers } from '../../repositories/staff';
import { closures } from '../../repositories/studio';
import { untilChanged } from '../../untilChanged';

/** What a course's classes that are still to come share their days with: asked of many courses at once, it is one question each. */
async function around(desk: Desk, ahead: readonly Session[]) {
  const hours = hoursOn(
    desk,
    ahead.map(({ date }) => date),
  );
  const [still, heads, handed, closed, staff, away] = await Promise.all([
    hours,
    hours.then((all) =>
      courseHeads(
        desk,
        all.map((one) => one.course),
      ),
    ),
    hours.then((all) =>
      handedTo(
        desk,
        all.map(({ id }) => id),
      ),
    ),
    closures(desk),
    teachers(desk),
    aways(desk),
  ]);
  return { still, heads, handed, closed, staff, away };
}

/** What is wrong with the days of a course's classes that are still to come, whatever is in them. */
export function aroundOf(desk: Desk, { id }: Course): Promise<readonly Check[]> {
  return untilChanged(desk, `days around ${id}`, 'everything', async (at) =>
    aroundNow(at, ...(await Promise.all([course(at, id), sessionsOf(at, [id])]))),
  );
}

async function aroundNow(desk: Desk, found: Course, sessions: readonly Session[]): Promise<Check[]> {
  const ahead = sessions.filter(({ date }) => date >= desk.today);
  if (ahead.length === 0) return [];
  const { still, heads, handed, closed, staff, away } = await around(desk, ahead);
  const byDate = new Map<string, typeof still>();
  for (const one of still) if (one.course !== found.id) byDate.set(one.date, [...(byDate.get(one.date) ?? []), one]);
  const handOf = (id: string, { teacher }: Pick<Course, 'teacher'>) => handed.get(id) ?? teacher;
  const elsewhere = (session: CourseSession): Elsewhere[] =>
    (byDate.get(session.date) ?? []).flatMap(({ id, course: of, date, start, minutes }): Elsewhere[] => {
      const other = heads.get(of);
      if (!other) return [];
      if (other.cohort === found.cohort) return [{ date, start, minutes, name: other.name, shares: 'cohort' }];
      return handOf(id, other) === handOf(session.id, found) ? [{ date, start, minutes, name: other.name, shares: 'teacher' }] : [];
    });
  return aroundChecks(ahead, closed, elsewhere, { of: ({ id }) => staff.find((one) => one.id === handOf(id, found)) ?? null, aways: away });
}
