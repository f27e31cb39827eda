import { createHash, randomBytes } from 'node:crypto';
import { longDayText, addDays } from '@/core/units';
import { peopleForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { LinkRow, MailRow, ScreeningRow } from '../../db/rows';
import { invalid } from '../../errors';
import { person } from '../../repositories/cohorts';
import { ours } from '../../repositories/studio';

/** How long a link may be used. */
export const LINK_DAYS = 14;

/** Only a link's hash is kept, so that nobody can use it who reads the database. */
export function hashLink(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

/**
 * Sends each person a link to their screening form, through the outbox. An older unused link of theirs stops working.
 * @param origin where this studio is reached, such as "https://ladder.example"
 * @returns how many were sent
 */
export async function sendForms(desk: Desk, input: unknown, origin: string): Promise<{ readonly sent: number }> {
  authorise(desk.who, 'add people');
  const { people } = await checked(peopleForm, input);
  return inOne(desk, async (at) => {
    const rows = await Promise.all([...new Set(people)].map((id) => person(at, id)));
    const without = rows.filter(({ email }) => !email).map(({ name }) => name);
    if (without.length > 0)
      throw invalid({
        field: 'people',
        message: `No e-mail address is known for ${without.join(', ')}. Nothing was sent; add it, or open the form here.`,
      });
    for (const { id, name, email } of rows) {
      const url = await makeLink(at, id, origin);
      const again = (await at.em.count(ScreeningRow, { person: id, ...ours(at) })) > 0;
      await at.em.insert(MailRow, {
        id: at.newId(),
        ...ours(at),
        person: id,
        address: email!,
        subject: again ? `Is your form still right? ${at.who.studioName}` : `Before you breathe with us: ${at.who.studioName}`,
        body: mailText(name, at.who.studioName, url, longDayText(addDays(at.today, LINK_DAYS)), again),
        madeAt: at.now,
      });
    }
    return { sent: rows.length };
  });
}

/** A link for a person who stands at the desk, to answer on this device. */
export async function formHere(desk: Desk, input: unknown, origin: string): Promise<{ readonly url: string }> {
  authorise(desk.who, 'add people');
  const { people } = await checked(peopleForm, input);
  return inOne(desk, async (at) => {
    const { id } = await person(at, people[0]);
    return { url: await makeLink(at, id, origin) };
  });
}

async function makeLink(at: Desk, id: string, origin: string): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await at.em.nativeUpdate(LinkRow, { person: id, usedAt: null, ...ours(at) }, { expiresAt: at.now });
  const expiresAt = new Date(at.now.getTime() + LINK_DAYS * 86_400_000);
  await at.em.insert(LinkRow, {
    id: at.newId(),
    ...ours(at),
    person: id,
    tokenHash: hashLink(token),
    madeBy: at.who.id,
    madeAt: at.now,
    expiresAt,
    usedAt: null,
  });
  return `${origin}/form/${token}`;
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
