import { aroundChecks, type Check, type CourseSession, type Elsewhere } from '@/core/course';
import type { Desk } from '../../desk';
import { allHours, courses, type Course, type Session } from '../../repositories/courses';
import { handedAhead } from '../../repositories/hands';
import { aways, teachers } from '../../repositories/staff';
import { closures } from '../../repositories/studio';

/** What all courses ask of the days around their classes, read once. */
export async function around(desk: Desk) {
  const hours = allHours(desk).then((all) => all.filter(({ date }) => date >= desk.today));
  const [all, still, closed, staff, away, handed] = await Promise.all([
    courses(desk),
    hours,
    closures(desk),
    teachers(desk),
    aways(desk),
    hours.then((ahead) =>
      handedAhead(
        desk,
        ahead.map(({ id }) => id),
      ),
    ),
  ]);
  return { all, still, closed, staff, away, handed };
}

/** What is wrong with the days of classes that are still to come, whatever is in them. */
export async function aroundOf(desk: Desk, found: Course, sessions: readonly Session[]): Promise<Check[]> {
  const ahead = sessions.filter(({ date }) => date >= desk.today);
  if (ahead.length === 0) return [];
  const { all, still, closed, staff, away, handed } = await around(desk);
  const others = still.filter(({ course, date }) => course !== found.id && date >= ahead[0].date && date <= ahead[ahead.length - 1].date);
  const byDate = new Map<string, typeof others>();
  for (const one of others) byDate.set(one.date, [...(byDate.get(one.date) ?? []), one]);
  const courseOf = new Map(all.map((one) => [one.id, one]));
  const handOf = (id: string, { teacher }: Course) => handed.get(id) ?? teacher;
  const elsewhere = (session: CourseSession): Elsewhere[] =>
    (byDate.get(session.date) ?? []).flatMap(({ id, course, date, start, minutes }): Elsewhere[] => {
      const other = courseOf.get(course);
      if (!other) return [];
      if (other.cohort === found.cohort) return [{ date, start, minutes, name: other.name, shares: 'cohort' }];
      return handOf(id, other) === handOf(session.id, found) ? [{ date, start, minutes, name: other.name, shares: 'teacher' }] : [];
    });
  return aroundChecks(ahead, closed, elsewhere, { of: ({ id }) => staff.find((one) => one.id === handOf(id, found)) ?? null, aways: away });
}
