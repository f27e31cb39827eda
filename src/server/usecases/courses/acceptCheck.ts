import { acceptForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { Refusal } from '../../errors';
import { changeFacts, course, sessionsOf } from '../../repositories/courses';
import { checksOf } from './readCourse';
import { recorded } from './steps';

/** Accepts a check with a reason: it is silent until something new changes what it says. */
export async function acceptCheck(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const { course: id, version, key, reason } = await checked(acceptForm, input);
  await inOne(desk, (at) =>
    recorded(at, id, 'the accepted check', async (now) => {
      const [found, sessions] = [await course(now, id), await sessionsOf(now, [id])];
      const checks = await checksOf(now, found, sessions);
      if (!checks.some((check) => check.key === key))
        throw new Refusal('clash', 'This check is no longer there: something has changed since the page was opened.');
      const others = found.accepted.filter((one) => one.key !== key);
      await changeFacts(now, id, version, { accepted: [...others, { key, reason, by: now.who.id, at: now.now.toISOString() }] });
    }),
  );
}
