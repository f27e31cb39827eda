import { writtenOut } from '@/core/conventions';
import { closureOn, courseDates } from '@/core/course';
import { isoDate } from '@/core/units';
import { courseForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { CourseRow, SessionRow } from '../../db/rows';
import { invalid } from '../../errors';
import { cohort } from '../../repositories/cohorts';
import { closures, conventions, ours, teacher } from '../../repositories/studio';

/** Makes a course with its dated, still empty sessions; closed days are left out. */
export async function createCourse(desk: Desk, input: unknown): Promise<{ readonly id: string }> {
  authorise(desk.who, 'edit courses');
  const form = await checked(courseForm, input);
  const first = isoDate(form.firstDate);
  const closed = await closures(desk);
  const closure = closureOn(closed, first);
  if (closure) throw invalid({ field: 'firstDate', message: `The studio is closed then: ${closure.reason}, until ${closure.until}.` });
  const dates = courseDates(first, form.weeks, form.weekdays, closed);
  if (dates.length === 0) throw invalid({ field: 'weekdays', message: 'No class falls on these weekdays: closed days and the weeks leave none.' });
  return inOne(desk, async (at) => {
    await cohort(at, form.cohort);
    await teacher(at, form.teacher);
    const id = at.newId();
    const { start, minutes } = form;
    const { schools } = await conventions(at);
    const goals = form.goals.map((goal) => ({ ...goal, dose: writtenOut(goal.pattern, goal.dose, schools, goal.technique) }));
    await at.em.insert(CourseRow, { id, ...ours(at), ...form, goals, unplaced: [], version: 1 });
    await at.em.insertMany(
      SessionRow,
      dates.map((date) => ({ id: at.newId(), ...ours(at), course: id, date, start, minutes, blocks: [], version: 1 })),
    );
    return { id };
  });
}
