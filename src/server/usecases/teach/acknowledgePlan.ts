import { acknowledgeForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { Refusal } from '../../errors';
import { holdSession, session as sessionById } from '../../repositories/courses';
import { addAcknowledgement, progressOf } from '../../repositories/plans';
import { stricterSince } from './stricterSince';

/** The teacher has read the plan. Saying it twice changes nothing, unless instructions became stricter in between; saying it of an older version is refused. */
export async function acknowledgePlan(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'teach');
  const form = await checked(acknowledgeForm, input);
  await inOne(desk, async (at) => {
    // One after another: said twice at once, it is kept once.
    await holdSession(at, form.session);
    const session = await sessionById(at, form.session);
    const progress = (await progressOf(at, [form.session])).get(form.session)!;
    if (progress.plan?.teacher !== at.who.id) throw new Refusal('not-found', 'This class is not in your hands.');
    if (progress.plan.id !== form.plan)
      throw new Refusal('clash', 'A newer version of this plan was published. Open it again and read what changed.');
    if (progress.acknowledgedAt && (await stricterSince(at, session, progress)).length === 0) return;
    await addAcknowledgement(at, form.plan);
  });
}
