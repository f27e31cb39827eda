import { taughtAs } from '@/core/conventions';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { cohorts } from '../../repositories/cohorts';
import { teachers } from '../../repositories/staff';
import { conventions } from '../../repositories/studio';

/** What a new course is made from: cohorts and teachers to choose from. */
export async function prepareCourse(desk: Desk) {
  authorise(desk.who, 'edit courses');
  const [groups, staff, { schools, library }] = await Promise.all([cohorts(desk), teachers(desk), conventions(desk)]);
  return {
    techniques: library.techniques.map((technique) => ({ id: technique.id, name: technique.name, ...taughtAs(technique, schools) })),
    cohorts: groups.map(({ id, name }) => ({ id, name })),
    // Whoever makes it comes first, and so is its teacher until somebody else is chosen.
    teachers: [...staff]
      .sort((a, b) => Number(b.id === desk.who.id) - Number(a.id === desk.who.id))
      .map(({ id, name, role }) => ({ id, name: `${name}, ${role}` })),
  };
}
