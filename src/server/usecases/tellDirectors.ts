import type { Actor } from '../auth/actors';
import type { Writing } from '../desk';
import { addMail } from '../repositories/mails';
import { staff } from '../repositories/staff';

/** Something called for help with somebody: every director but whoever says so gets a word. Which sign it was is never in a mail. */
export async function tellDirectors(at: Writing<Actor>, name: string, lines: readonly string[]): Promise<void> {
  for (const { id, email, role } of await staff(at))
    if (role === 'director' && !(at.who.as === 'staff' && at.who.id === id))
      await addMail(at, { person: null, address: email, subject: `${name}: something called for help`, body: lines.join('\n') });
}
