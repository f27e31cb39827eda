import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { cohorts } from '../../repositories/cohorts';
import { teachers } from '../../repositories/studio';

/** What a new course is made from: cohorts and teachers to choose from. */
export async function prepareCourse(desk: Desk) {
  authorise(desk.who, 'edit courses');
  const [groups, staff] = await Promise.all([cohorts(desk), teachers(desk)]);
  return { cohorts: groups.map(({ id, name }) => ({ id, name })), teachers: staff.map(({ id, name, role }) => ({ id, name: `${name}, ${role}` })) };
}
