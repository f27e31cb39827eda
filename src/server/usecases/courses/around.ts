import { aroundChecks, type Check, type CourseSession, type Elsewhere } from '@/core/course';
import type { Desk } from '../../desk';
import { courses, sessionsBetween, type Course, type Session } from '../../repositories/courses';
import { handedTo } from '../../repositories/hands';
import { aways, teachers } from '../../repositories/staff';
import { closures } from '../../repositories/studio';

/** What is wrong with the days of classes that are still to come, whatever is in them. */
export async function aroundOf(desk: Desk, found: Course, ahead: readonly Session[]): Promise<Check[]> {
  if (ahead.length === 0) return [];
  const [all, between, closed, staff, away] = await Promise.all([
    courses(desk),
    sessionsBetween(desk, ahead[0].date, ahead[ahead.length - 1].date),
    closures(desk),
    teachers(desk),
    aways(desk),
  ]);
  const others = between.filter(({ course }) => course !== found.id);
  const handed = await handedTo(
    desk,
    [...others, ...ahead].map(({ id }) => id),
  );
  const handOf = (id: string, { teacher }: Course) => handed.get(id) ?? teacher;
  const elsewhere = (session: CourseSession): Elsewhere[] =>
    others.flatMap(({ id, course, date, start, minutes }): Elsewhere[] => {
      const other = all.find((one) => one.id === course);
      if (!other || date !== session.date) return [];
      if (other.cohort === found.cohort) return [{ date, start, minutes, name: other.name, shares: 'cohort' }];
      return handOf(id, other) === handOf(session.id, found) ? [{ date, start, minutes, name: other.name, shares: 'teacher' }] : [];
    });
  return aroundChecks(ahead, closed, elsewhere, { of: ({ id }) => staff.find((one) => one.id === handOf(id, found)) ?? null, aways: away });
}
