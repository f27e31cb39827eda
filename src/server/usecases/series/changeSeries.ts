import { seriesSeenForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { Refusal } from '../../errors';
import { changePractice } from '../../repositories/cohorts';
import { changeSeries, series } from '../../repositories/series';
import { removeLive } from './liveDays';
import { lastStepOf } from './steps';
import { change, running, type Now } from './change';

/** Takes the last change of a series back, or does it again where it was taken back. What is over stays as it was. */
export async function undoSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version } = await checked(seriesSeenForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, id);
    const { step, stays } = lastStepOf(found, at.today);
    if (!step) throw new Refusal('not-found', 'There is nothing to take back.');
    if (stays) throw new Refusal('late', stays);
    const { practised = [] } = step;
    if (practised.length > 0)
      await changePractice(at, found.cohort, (already) =>
        step.back ? [...already, ...practised] : already.filter((one) => !practised.includes(one)),
      );
    return change(at, found, version, step.what, step.was, { undone: step, practised });
  });
}

/** Stops a series early: nothing is sent from then on, its live days fall out, and what people did stays. */
export async function stopSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version } = await checked(seriesSeenForm, input);
  return inOne(desk, async (at) => {
    const found = await running(at, id, version);
    return change(at, found, version, 'the early end', { stoppedOn: at.today });
  });
}

/** Removes a series that has not begun, and its live days. */
export async function removeSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version } = await checked(seriesSeenForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, id);
    if (at.today >= found.firstDate) throw new Refusal('late', 'It has begun, so what people did stays. It can be stopped.');
    await removeLive(at, found);
    return { version: await changeSeries(at, id, version, { removedAt: at.now }) };
  });
}
