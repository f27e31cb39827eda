import { writtenOut } from '@/core/conventions';
import { closureOn, courseDates } from '@/core/course';
import { isoDate } from '@/core/units';
import { courseForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import type { Desk } from '../../desk';
import { invalid } from '../../errors';
import { cohort } from '../../repositories/cohorts';
import { addCourse } from '../../repositories/courses';
import { closures, conventions, teacher } from '../../repositories/studio';
import { knownTechniques } from '../techniques/known';

/** Makes a course with its dated, still empty sessions; closed days are left out. */
export async function createCourse(desk: Desk, input: unknown): Promise<{ readonly id: string }> {
  authorise(desk.who, 'edit courses');
  const { once, ...form } = await checked(courseForm, input);
  const first = isoDate(form.firstDate);
  return onceOnly(desk, once, async (at) => {
    const closed = await closures(at);
    const closure = closureOn(closed, first);
    if (closure) throw invalid({ field: 'firstDate', message: `The studio is closed then: ${closure.reason}, until ${closure.until}.` });
    const dates = courseDates(first, form.weeks, form.weekdays, closed);
    if (dates.length === 0) throw invalid({ field: 'weekdays', message: 'No class falls on these weekdays: closed days and the weeks leave none.' });
    await cohort(at, form.cohort);
    await teacher(at, form.teacher);
    const { schools, library } = await conventions(at);
    knownTechniques(
      library,
      form.goals.map(({ technique }, index) => ({ field: `goals[${index}].technique`, technique })),
    );
    const id = at.newId();
    const goals = form.goals.map((goal) => ({ ...goal, ...writtenOut(goal.pattern, goal.dose, schools, goal.technique) }));
    await addCourse(at, { ...form, id, firstDate: first, goals, dates });
    return { id };
  });
}
