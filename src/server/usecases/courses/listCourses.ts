import { weekOf } from '@/core/course';
import type { CourseLine } from '@/views/course';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { cohorts } from '../../repositories/cohorts';
import { courses, sessionsOf } from '../../repositories/courses';
import { staff } from '../../repositories/staff';

/** Every course with where it stands today. */
export async function listCourses(desk: Desk): Promise<CourseLine[]> {
  authorise(desk.who, 'see courses');
  const [all, groups, everyone] = await Promise.all([courses(desk), cohorts(desk), staff(desk)]);
  const sessions = await sessionsOf(
    desk,
    all.map(({ id }) => id),
  );
  return all
    .filter(({ cohort }) => groups.some(({ id }) => id === cohort))
    .map((course) => {
      const own = sessions.filter((session) => session.course === course.id);
      const last = own.at(-1)?.date ?? course.firstDate;
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
        sessions: own.length,
        drafted: own.filter(({ blocks }) => blocks.length > 0).length,
      };
    });
}
