import { timeIn } from '@/core/units';
import { askByItselfForm } from '@/forms';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import { deskFor, type Desk } from '../../desk';
import type { EntityManager } from '../../db/orm';
import { StaffRow, StudioRow } from '../../db/rows';
import { roster } from '../../repositories/cohorts';
import { needsDoing } from './needsDoing';
import { sendForms } from './links';

const MOST_AT_ONCE = 500;

/**
 * Sends the form to everybody whose screening is missing or runs out soon, who has an address and was not asked yet.
 * @returns how many were sent, and who has no address
 */
export async function sendReminders(desk: Desk, origin: string): Promise<{ readonly sent: number; readonly without: readonly string[] }> {
  authorise(desk.who, 'add people');
  const due = (await needsDoing(desk)).filter(({ kind }) => kind === 'form').flatMap(({ people }) => people.filter(({ asked }) => !asked));
  const addresses = new Map((await roster(desk)).map(({ id, email }) => [id, email]));
  // What is over the most that are sent at once waits for the next time.
  const people = due
    .filter(({ id }) => addresses.get(id))
    .map(({ id }) => id)
    .slice(0, MOST_AT_ONCE);
  const without = due.filter(({ id }) => !addresses.get(id)).map(({ name }) => name);
  if (people.length > 0) await sendForms(desk, { people }, origin);
  return { sent: people.length, without };
}

/** Has forms asked for by themselves from now on, in the name of whoever turns it on, or no longer. */
export async function askByItself(desk: Desk, input: unknown, origin: string): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { on } = await checked(askByItselfForm, input);
  await desk.em.nativeUpdate(StudioRow, { id: desk.who.studio }, { reminders: on ? { by: desk.who.id, origin } : null });
}

/** When in a studio's day it writes to people. */
const DAY = { from: '08:00', until: '19:00' };

/**
 * Asks for the forms that are due in every studio that wants it, by day in its zone. However many instances run it at once,
 * nobody is asked twice: a studio is worked on by one of them, and who was asked is not asked again while their link lasts.
 * @returns how many were sent
 * @throws AggregateError once every studio had its turn, when one of them failed
 */
export async function remindEverywhere(em: EntityManager, now: Date): Promise<number> {
  let sent = 0;
  const failures: unknown[] = [];
  for (const { id } of await em.fork().find(StudioRow, { reminders: { $ne: null } }, { fields: ['id'] })) {
    try {
      sent += await em.fork().transactional(async (at) => {
        const [free]: { got: boolean }[] = await at.execute('select pg_try_advisory_xact_lock(hashtext(?)) as got', [`reminders ${id}`]);
        return free.got ? remindIn(at as EntityManager, id, now) : 0;
      });
    } catch (error) {
      failures.push(error);
    }
  }
  if (failures.length > 0) throw new AggregateError(failures, 'some studios could not be reminded');
  return sent;
}

async function remindIn(em: EntityManager, id: string, now: Date): Promise<number> {
  const studio = await em.findOneOrFail(StudioRow, { id });
  const by = studio.reminders && (await em.findOne(StaffRow, { id: studio.reminders.by, studio: id }));
  const time = timeIn(studio.zone, now);
  if (!studio.reminders || !by || !may(by.role, 'add people') || time < DAY.from || time >= DAY.until) return 0;
  const who = { id: by.id, studio: id, studioName: studio.name, zone: studio.zone, name: by.name, role: by.role };
  return (await sendReminders(await deskFor(who, now, em), studio.reminders.origin)).sent;
}
