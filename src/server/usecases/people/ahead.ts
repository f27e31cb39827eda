import type { Actor } from '../../auth/actors';
import type { Desk } from '../../desk';
import { courses, coursesOfCohort, sessionsOf, type Session } from '../../repositories/courses';
import { allHours } from '../../repositories/hours';
import { idsOf } from '../courses/listCourses';

/** A session still to come, with its course's name and cohort. */
export interface AheadSession extends Session {
  readonly name: string;
  readonly cohort: string;
}

/** The sessions still to come of a cohort, or of all. */
export async function sessionsAhead(desk: Desk<Actor>, cohort: string | null): Promise<AheadSession[]> {
  const all = cohort === null ? await courses(desk) : await coursesOfCohort(desk, cohort);
  const still = cohort === null ? new Set((await allHours(desk)).filter(({ date }) => date >= desk.today).map(({ course }) => course)) : null;
  const sessions = await sessionsOf(desk, idsOf(still ? all.filter(({ id }) => still.has(id)) : all));
  return sessions
    .filter(({ date }) => date >= desk.today)
    .map((session) => {
      const { name, cohort: of } = all.find(({ id }) => id === session.course)!;
      return { ...session, name, cohort: of };
    });
}
