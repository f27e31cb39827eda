import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { roster } from '../../repositories/cohorts';
import { needsDoing } from './needsDoing';
import { sendForms } from './links';

/**
 * Sends the form to everybody whose screening is missing or runs out soon, who has an address and was not asked yet.
 * @returns how many were sent, and who has no address
 */
export async function sendReminders(desk: Desk, origin: string): Promise<{ readonly sent: number; readonly without: readonly string[] }> {
  authorise(desk.who, 'add people');
  const due = (await needsDoing(desk)).filter(({ kind }) => kind === 'form').flatMap(({ people }) => people.filter(({ asked }) => !asked));
  const addresses = new Map((await roster(desk)).map(({ id, email }) => [id, email]));
  const people = due.filter(({ id }) => addresses.get(id)).map(({ id }) => id);
  const without = due.filter(({ id }) => !addresses.get(id)).map(({ name }) => name);
  if (people.length > 0) await sendForms(desk, { people }, origin);
  return { sent: people.length, without };
}
