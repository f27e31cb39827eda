import type { Actor } from '../auth/actors';
import { readRows } from '../db/read';
import { MailRow } from '../db/rows';
import { add, hold } from '../db/write';
import type { Desk, Writing } from '../desk';
import { enqueue } from '../jobs/queue';

/** A mail to be sent. */
export interface NewMail {
  /** Whom it goes to or is about: it goes with them when they are erased. Null where it names nobody. */
  readonly person: string | null;
  readonly address: string;
  readonly subject: string;
  readonly body: string;
  /** It does not wait behind others: something called for help. */
  readonly first?: boolean;
}

/** Puts a mail into the outbox and has it delivered, once this transaction is over. */
export async function addMail(at: Writing, { first = false, ...mail }: NewMail): Promise<void> {
  const id = at.newId();
  await add(at, MailRow, { id, ...mail, madeAt: at.now, deliveredAt: null, tries: 0, refused: null });
  await enqueue(at, 'deliver-mail', { mail: id, studio: at.who.studio }, first ? { priority: 10 } : {});
}

/** Whether an address was written to since a moment, by the clock or a link: what strangers can bring about. */
export async function wasWrittenTo(desk: Desk<Actor>, address: string, since: Date): Promise<boolean> {
  return (await readRows(desk, MailRow, { address, madeAt: { $gte: since } }, { fields: ['id'], limit: 1 })).length > 0;
}

/** A mail that still is to be delivered, held until the transaction ends; null when it was, or is no longer there. */
export async function holdMail(at: Writing, id: string) {
  return hold(at, MailRow, { id, deliveredAt: null });
}

/** What became of trying to deliver a mail. */
export async function noteDelivery(at: Writing, id: string, refused: string | null): Promise<void> {
  const mail = await hold(at, MailRow, { id });
  if (!mail) return;
  // What was delivered is kept as it was, without the secrets in its links: the letter has them, and nobody else needs to.
  const body = refused === null ? mail.body.replace(/(\/(?:join|form|day)\/)[\w-]{43}/g, '$1…') : mail.body;
  at.em.assign(mail, { tries: mail.tries + 1, refused, body, deliveredAt: refused === null ? at.now : null });
  await at.em.flush();
}

/** How many mails the outbox shows. */
const OUTBOX_PAGE = 100;

export function outbox(desk: Desk<Actor>) {
  return readRows(desk, MailRow, {}, { orderBy: { madeAt: 'desc' }, limit: OUTBOX_PAGE });
}
