import type { Clock } from '../../auth/actors';
import type { EntityManager } from '../../db/orm';
import { deskFor, inOne } from '../../desk';
import { intoTheBox, post } from '../../post/office';
import { holdMail, noteDelivery } from '../../repositories/mails';

/**
 * Carries a mail of the outbox to the post office, once: a mail that is delivered, or no longer there, is left alone.
 * @throws when the post office does not take it, so that it is tried again
 */
export async function deliverMail(em: EntityManager, { mail, studio }: { readonly mail: string; readonly studio: string }, now: Date): Promise<void> {
  const who: Clock = { as: 'clock', studio, studioName: '', zone: 'UTC' };
  const refused = await inOne(await deskFor(who, now, em), async (at) => {
    const held = await holdMail(at, mail);
    if (!held) return null;
    const answer = post({ address: held.address, tries: held.tries });
    if (answer === null) await intoTheBox(mail, held.body);
    await noteDelivery(at, mail, answer);
    return answer;
  });
  if (refused !== null) throw new Error('the post office did not take it');
}
