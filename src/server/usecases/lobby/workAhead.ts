import type { Staff } from '../../auth/actors';
import type { EntityManager } from '../../db/orm';
import { deskFor } from '../../desk';
import { cohorts } from '../../repositories/cohorts';
import { courses } from '../../repositories/courses';
import { staffToday } from '../../repositories/staff';
import { studioClocks } from '../../repositories/studio';
import { listCourses } from '../courses/listCourses';
import { checksOf } from '../courses/readCourse';
import { cohortNeeds } from '../people/needsDoing';
import { otherTasks } from './readLobby';

/**
 * Works out what the first pages of a day ask for before anybody looks, each studio once its day begins: course by course and cohort by
 * cohort, so that whoever asks for something meanwhile is answered in between.
 * @param done the day up to which each studio was worked out; it is kept there
 */
export async function workAhead(em: EntityManager, now: Date, done: Map<string, string>): Promise<void> {
  for (const clock of await studioClocks(em.fork())) {
    const desk = await deskFor(clock, now, em);
    if (done.get(clock.studio) === desk.today) continue;
    for (const { id, name, role } of await staffToday(desk))
      if (role === 'director') await asDirector(em, { ...clock, as: 'staff', id, name, role }, now);
    done.set(clock.studio, desk.today);
  }
}

async function asDirector(em: EntityManager, who: Staff, now: Date): Promise<void> {
  const fresh = async () => {
    await new Promise((next) => setImmediate(next));
    return deskFor(who, now, em);
  };
  const desk = await fresh();
  const all = await courses(desk);
  const open = new Set((await listCourses(desk)).filter(({ state }) => state !== 'finished').map(({ id }) => id));
  for (const course of all) if (open.has(course.id)) await checksOf(await fresh(), course, [], false);
  for (const group of await cohorts(desk)) await cohortNeeds(await fresh(), group, all);
  await otherTasks(await fresh());
}
