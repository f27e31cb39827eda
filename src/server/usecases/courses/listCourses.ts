import { weekOf } from '@/core/course';
import type { CourseLine } from '@/views/course';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { untilChanged } from '../../untilChanged';
import { cohorts } from '../../repositories/cohorts';
import { courses, sessionsOf } from '../../repositories/courses';
import { allHours } from '../../repositories/hours';
import { staff } from '../../repositories/staff';

/** Courses by their ids, in an order that is the same for whoever asks. */
export const idsOf = (courses: readonly { readonly id: string }[]): string[] => courses.map(({ id }) => id).sort();

/** Every course with where it stands today. */
export async function listCourses(desk: Desk): Promise<CourseLine[]> {
  authorise(desk.who, 'see courses');
  return untilChanged(desk, `courses for ${desk.who.id}`, 'everything', (at) => coursesNow(at));
}

async function coursesNow(desk: Desk): Promise<CourseLine[]> {
  const [all, groups, everyone] = await Promise.all([courses(desk), cohorts(desk), staff(desk)]);
  const hours = await allHours(desk);
  const lastOf = new Map(hours.map(({ course, date }) => [course, date]));
  // What is over is listed without what was in it.
  const open = all.filter(({ id, firstDate }) => (lastOf.get(id) ?? firstDate) >= desk.today);
  const drafted = new Map<string, number>();
  for (const { course, blocks } of await sessionsOf(desk, idsOf(open))) if (blocks.length > 0) drafted.set(course, (drafted.get(course) ?? 0) + 1);
  const held = new Map<string, number>();
  for (const { course } of hours) held.set(course, (held.get(course) ?? 0) + 1);
  return all
    .filter(({ cohort }) => groups.some(({ id }) => id === cohort))
    .map((course) => {
      const last = lastOf.get(course.id) ?? course.firstDate;
      const state: CourseLine['state'] = desk.today > last ? 'finished' : desk.today < course.firstDate ? 'planning' : 'running';
      return {
        id: course.id,
        name: course.name,
        cohort: groups.find(({ id }) => id === course.cohort)?.name ?? '',
        teacher: everyone.find(({ id }) => id === course.teacher)?.name ?? '',
        state,
        single: course.single,
        week: state === 'running' ? weekOf(course.firstDate, desk.today) : null,
        weeks: course.weeks,
        firstDate: course.firstDate,
        lastDate: last,
        sessions: held.get(course.id) ?? 0,
        drafted: drafted.get(course.id) ?? (state === 'finished' ? (held.get(course.id) ?? 0) : 0),
      };
    });
}
