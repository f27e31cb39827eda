import { closureOn, courseDates, USUAL_ARC } from '@/core/course';
import { isoDate, weekday } from '@/core/units';
import { courseForm, singleForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import { afresh, type Desk } from '../../desk';
import { invalid } from '../../errors';
import { cohort } from '../../repositories/cohorts';
import { addCourse, sessionsOf } from '../../repositories/courses';
import { teacher } from '../../repositories/staff';
import { closures } from '../../repositories/studio';
import { asGoals, goalsOf } from './request';

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
    const goals = await goalsOf(at, asGoals(form.goals));
    const id = at.newId();
    await addCourse(at, { ...form, id, firstDate: first, goals, single: false, copiedFrom: null, classes: dates.map((date) => ({ date })) });
    return { id };
  });
}

/** Makes one class of its own: a workshop, or a single evening. It is a course of one class, with the same checks. @returns the class */
export async function createSingle(desk: Desk, input: unknown): Promise<{ readonly session: string }> {
  authorise(desk.who, 'edit courses');
  const { once, date, ...form } = await checked(singleForm, input);
  const day = isoDate(date);
  return onceOnly(desk, once, async (at) => {
    const closure = closureOn(await closures(at), day);
    if (closure) throw invalid({ field: 'date', message: `The studio is closed then: ${closure.reason}, until ${closure.until}.` });
    if (day < at.today) throw invalid({ field: 'date', message: 'This day is past.' });
    await cohort(at, form.cohort);
    await teacher(at, form.teacher);
    const id = at.newId();
    const asked = { firstDate: day, weeks: 1, weekdays: [weekday(day)], goals: [], settled: false, arc: USUAL_ARC, single: true, copiedFrom: null };
    await addCourse(at, { ...form, ...asked, id, classes: [{ date: day }] });
    const [session] = await sessionsOf(afresh(at), [id]);
    return { session: session.id };
  });
}
