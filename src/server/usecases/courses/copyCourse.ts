import { closureOn, courseDates } from '@/core/course';
import { dayText, isoDate } from '@/core/units';
import { copyForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import { afresh, type Desk } from '../../desk';
import { invalid } from '../../errors';
import { cohort } from '../../repositories/cohorts';
import { addCourse, course, sessionsOf } from '../../repositories/courses';
import { teacher } from '../../repositories/staff';
import { closures } from '../../repositories/studio';
import { settingOf } from '../setting';
import { draftAndKeep } from './draftCourse';

/**
 * Copies a course to a cohort and a first day: what it was asked for and what its classes hold, the first in the first. People are
 * screened afresh, as they are; nothing was published yet; what was logged last time stands beside it.
 */
export async function copyCourse(desk: Desk, input: unknown): Promise<{ readonly id: string }> {
  authorise(desk.who, 'edit courses');
  const { once, course: from, ...form } = await checked(copyForm, input);
  const first = isoDate(form.firstDate);
  return onceOnly(desk, once, async (at) => {
    const source = await course(at, from);
    const sessions = await sessionsOf(at, [from]);
    await cohort(at, form.cohort);
    await teacher(at, form.teacher);
    const closed = await closures(at);
    const closure = closureOn(closed, first);
    if (closure) throw invalid({ field: 'firstDate', message: `The studio is closed then: ${closure.reason}, until ${dayText(closure.until)}.` });
    const dates = courseDates(first, source.weeks, source.weekdays, closed);
    if (dates.length === 0) throw invalid({ field: 'firstDate', message: 'No class falls on its weekdays: closed days leave none.' });
    const classes = dates.map((date, index) => ({ date, blocks: (sessions[index]?.blocks ?? []).map((block) => ({ ...block, id: at.newId() })) }));
    const id = at.newId();
    const { weeks, weekdays, start, minutes, settled, arc } = source;
    // Days that were asked for are of the course it is copied from.
    const goals = source.goals.map((goal) => ({ ...goal, by: null }));
    await addCourse(at, {
      ...form,
      weeks,
      weekdays,
      start,
      minutes,
      settled,
      arc,
      goals,
      id,
      firstDate: first,
      single: false,
      copiedFrom: from,
      classes,
    });
    const after = afresh(at);
    const [found, made] = [await course(after, id), await sessionsOf(after, [id])];
    await draftAndKeep(after, found, made, await settingOf(after, found, made), false);
    return { id };
  });
}
