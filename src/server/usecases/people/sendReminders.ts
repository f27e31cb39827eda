import { timeIn } from '@/core/units';
import { askByItselfForm } from '@/forms';
import type { Actor, Clock } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import type { EntityManager } from '../../db/orm';
import { deskFor, inOne, type Desk } from '../../desk';
import { enqueue } from '../../jobs/queue';
import { holdStudio } from '../../db/write';
import { roster } from '../../repositories/people';
import { changeStudio, studioClock, studiosThatAsk } from '../../repositories/studio';
import { sendTo } from './links';
import { needsDoing } from './needsDoing';

const MOST_AT_ONCE = 500;

/**
 * Sends the form to everybody whose screening is missing or runs out soon, who has an address and was not asked yet. One at a
 * time for a studio: whoever was asked meanwhile is not asked again.
 * @returns how many were sent, and who has no address
 */
export async function sendReminders(desk: Desk<Actor>): Promise<{ readonly sent: number; readonly without: readonly string[] }> {
  authorise(desk.who, 'add people');
  return inOne(desk, async (at) => {
    await holdStudio(at);
    const due = (await needsDoing(at)).filter(({ kind }) => kind === 'form').flatMap(({ people }) => people.filter(({ asked }) => !asked));
    const addresses = new Map((await roster(at)).map(({ id, email }) => [id, email]));
    // What is over the most that are sent at once waits for the next time.
    const people = due
      .filter(({ id }) => addresses.get(id))
      .map(({ id }) => id)
      .slice(0, MOST_AT_ONCE);
    const without = due.filter(({ id }) => !addresses.get(id)).map(({ name }) => name);
    if (people.length > 0) await sendTo(at, people);
    return { sent: people.length, without };
  });
}

/** Has forms asked for by themselves from now on, or no longer. */
export async function askByItself(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { on, version } = await checked(askByItselfForm, input);
  await inOne(desk, (at) => changeStudio(at, version, { asksByItself: on }));
}

/** When in a studio's day it writes to people. */
const DAY = { from: '08:00', until: '19:00' };

/** Begins a job for every studio that wants its forms asked for, so that one that fails keeps no other waiting. @returns how many */
export async function remindEverywhere(em: EntityManager, now: Date): Promise<number> {
  const studios = await studiosThatAsk(em);
  for (const who of studios)
    await inOne(await deskFor(who, now, em), (at) => enqueue(at, 'remind-studio', { studio: who.studio }, { singletonKey: who.studio }));
  return studios.length;
}

/** Asks for the forms that are due in one studio, by day in its zone. @returns how many were sent */
export async function remindStudio(em: EntityManager, studio: string, now: Date): Promise<number> {
  const found = await studioClock(em, studio);
  if (!found?.asksByItself) return 0;
  const time = timeIn(found.who.zone, now);
  if (time < DAY.from || time >= DAY.until) return 0;
  const desk: Desk<Clock> = await deskFor(found.who, now, em);
  return (await sendReminders(desk)).sent;
}
