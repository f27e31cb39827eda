import { callsForHelp } from '@/core/screening';
import { dayText } from '@/core/units';
import type { Actor } from '../../auth/actors';
import type { Writing } from '../../desk';
import { addMail } from '../../repositories/mails';
import { addSign, type NewSign } from '../../repositories/signs';
import { staff } from '../../repositories/staff';

/** A stop sign is kept until somebody answers for it, and where it calls for help the directors hear at once. @param where as a mail says it */
export async function noteSign(at: Writing<Actor>, sign: NewSign, name: string | null, where: string, more: readonly string[] = []): Promise<void> {
  await addSign(at, sign);
  if (callsForHelp(sign.signs)) await tellDirectors(at, sign, name, where, more);
}

/** Something called for help: every director but whoever says so gets a word. Which sign it was is never in a mail. */
export async function tellDirectors(
  at: Writing<Actor>,
  { person, date }: Pick<NewSign, 'person' | 'date'>,
  name: string | null,
  where: string,
  more: readonly string[],
): Promise<void> {
  const who = name ?? 'somebody';
  const body = [
    `Something called for help with ${who}, ${where}, on ${dayText(date)}.${at.who.as === 'staff' ? ` ${at.who.name} says so.` : ''}`,
    '',
    ...more,
    name === null
      ? 'Nobody is named: ask whoever taught. It stands on your pages until you answer for it.'
      : `Ask ${name} how they are. It stands on your pages until you answer for it.`,
  ];
  for (const { id, email, role, leftAt } of await staff(at))
    if (role === 'director' && leftAt === null && !(at.who.as === 'staff' && at.who.id === id))
      await addMail(at, { person, address: email, subject: `${name ?? 'Somebody'}: something called for help`, body: body.join('\n'), first: true });
}
