import { addDays, longDayText } from '@/core/units';
import { peopleForm, sendFormsForm } from '@/forms';
import type { Actor } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import { inOne, type Desk, type Writing } from '../../desk';
import { invalid } from '../../errors';
import { ourOrigin } from '../../origin';
import { addLink, LINK_DAYS } from '../../repositories/links';
import { addMail } from '../../repositories/mails';
import { person } from '../../repositories/people';
import { screeningsOf } from '../../repositories/screenings';

/**
 * Sends each person a link to their screening form, through the outbox. An older unused link of theirs stops working.
 * @returns how many were sent
 */
export async function sendForms(desk: Desk, input: unknown): Promise<{ readonly sent: number }> {
  authorise(desk.who, 'add people');
  const { once, people } = await checked(sendFormsForm, input);
  return onceOnly(desk, once, (at) => sendTo(at, people));
}

/** Sends the form to people, all of them or none. */
export async function sendTo(at: Writing<Actor>, people: readonly string[]): Promise<{ readonly sent: number }> {
  const rows = [];
  for (const id of [...new Set(people)].sort()) rows.push(await person(at, id));
  const without = rows.filter(({ email }) => !email).map(({ name }) => name);
  if (without.length > 0)
    throw invalid({
      field: 'people',
      message: `No e-mail address is known for ${without.join(', ')}. Nothing was sent; add it, or open the form here.`,
    });
  for (const { id, name, email } of rows) {
    const url = await linkFor(at, id);
    const again = (await screeningsOf(at, id)).length > 0;
    const { studioName } = at.who;
    await addMail(at, {
      person: id,
      address: email!,
      subject: again ? `Is your form still right? ${studioName}` : `Before you breathe with us: ${studioName}`,
      body: mailText(name, studioName, url, longDayText(addDays(at.today, LINK_DAYS.screening)), again),
    });
  }
  return { sent: rows.length };
}

/** A link for a person who stands at the desk, to answer on this device. Asked for again, it is another one, and the first stops working. */
export async function formHere(desk: Desk, input: unknown): Promise<{ readonly url: string }> {
  authorise(desk.who, 'add people');
  const { people } = await checked(peopleForm, input);
  return inOne(desk, async (at) => ({ url: await linkFor(at, people[0]) }));
}

async function linkFor(at: Writing<Actor>, id: string): Promise<string> {
  return `${ourOrigin()}/form/${await addLink(at, 'screening', id)}`;
}

function mailText(name: string, studio: string, url: string, until: string, again: boolean): string {
  return [
    `Hello ${name}`,
    '',
    again
      ? 'Your screening form counts for six months, and it is time to look at it again. If nothing has changed, one tap is enough.'
      : 'Before you breathe with us we ask a few questions, so that your teacher can plan what suits you. It takes about five minutes.',
    '',
    url,
    '',
    `The link is yours alone, works once, and runs out on ${until}. You need not answer anything you would rather keep to yourself.`,
    '',
    studio,
  ].join('\n');
}
