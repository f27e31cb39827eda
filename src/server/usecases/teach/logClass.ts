import { logForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { LogRow, PersonRow } from '../../db/rows';
import { invalid, Refusal } from '../../errors';
import { course, progressOf, session as sessionById } from '../../repositories/courses';
import { ours } from '../../repositories/studio';

/**
 * Keeps what a teacher logs after class. The device makes the id, so a log that is sent again, after the network came
 * back or from two tabs, is kept once.
 */
export async function logClass(desk: Desk, input: unknown): Promise<{ readonly kept: boolean }> {
  authorise(desk.who, 'teach');
  const form = await checked(logForm, input);
  return inOne(desk, async (at) => {
    const session = await sessionById(at, form.session);
    const before = await at.em.findOne(LogRow, { id: form.id });
    if (before) {
      if (before.studio !== at.who.studio) throw new Refusal('not-found');
      return { kept: false };
    }
    const { versions } = (await progressOf(at, [form.session])).get(form.session)!;
    // The plan may have had a new version while the class ran without a network: any version handed to this teacher will do.
    if (!versions.some((plan) => plan.id === form.plan && plan.teacher === at.who.id))
      throw new Refusal('not-found', 'This class is not in your hands.');
    if (session.date > at.today) throw invalid({ field: 'session', message: 'This class has not been taught yet.' });
    const { cohort } = await course(at, session.course);
    const ids = new Set((await at.em.find(PersonRow, { cohort, ...ours(at) }, { fields: ['id'] })).map(({ id }) => id));
    if (form.attendance.some(({ person }) => !ids.has(person)))
      throw invalid({ field: 'attendance', message: 'Somebody in this log is not part of the cohort.' });
    const { id, plan, attendance, reached, note } = form;
    await at.em.insert(LogRow, { id, ...ours(at), session: session.id, plan, taughtBy: at.who.id, at: at.now, attendance, reached, note });
    return { kept: true };
  });
}
