import type { Actor } from '../../auth/actors';
import type { Desk } from '../../desk';
import { allHours, courses, sessionsOf, type Session } from '../../repositories/courses';
import { idsOf } from '../courses/listCourses';

/** A session still to come, with its course's name and cohort. */
export interface AheadSession extends Session {
  readonly name: string;
  readonly cohort: string;
}

/** The sessions still to come of a cohort, or of all. */
export async function sessionsAhead(desk: Desk<Actor>, cohort: string | null): Promise<AheadSession[]> {
  const all = (await courses(desk)).filter((course) => cohort === null || course.cohort === cohort);
  const still = new Set((await allHours(desk)).filter(({ date }) => date >= desk.today).map(({ course }) => course));
  const sessions = await sessionsOf(desk, idsOf(all.filter(({ id }) => still.has(id))));
  return sessions
    .filter(({ date }) => date >= desk.today)
    .map((session) => {
      const { name, cohort: of } = all.find(({ id }) => id === session.course)!;
      return { ...session, name, cohort: of };
    });
}
