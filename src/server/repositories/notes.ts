import type { Actor, Staff } from '../auth/actors';
import { readRows } from '../db/read';
import { SessionNoteReadRow, SessionNoteRow } from '../db/rows';
import { add } from '../db/write';
import type { Desk, Writing } from '../desk';

/** What is said about a class, oldest first. */
export async function notesOf(desk: Desk<Actor>, session: string) {
  const rows = await readRows(desk, SessionNoteRow, { session }, { orderBy: { saidAt: 'asc', id: 'asc' } });
  return rows.map(({ id, saidBy, saidAt, text }) => ({ id, saidBy, saidAt: new Date(saidAt), text }));
}

export async function addNote(at: Writing<Staff>, session: string, text: string): Promise<void> {
  await add(at, SessionNoteRow, { id: at.newId(), session, saidBy: at.who.id, saidAt: at.now, text });
}

/** Whoever asks has read what is said about a class until now. */
export async function markNotesRead(at: Writing<Staff>, session: string): Promise<void> {
  await at.turn(() => at.em.upsert(SessionNoteReadRow, { session, staff: at.who.id, studio: at.who.studio, at: at.now }));
}

/** How many notes of others whoever asks has not read, by session. */
export async function unreadNotes(desk: Desk<Staff>, sessions: readonly string[]): Promise<ReadonlyMap<string, number>> {
  const [notes, read] = await Promise.all([
    readRows(desk, SessionNoteRow, { session: [...sessions] }, { fields: ['session', 'saidBy', 'saidAt'] }),
    readRows(desk, SessionNoteReadRow, { session: [...sessions], staff: desk.who.id }),
  ]);
  const until = new Map(read.map(({ session, at }) => [session, new Date(at).getTime()]));
  const counts = new Map<string, number>();
  for (const { session, saidBy, saidAt } of notes)
    if (saidBy !== desk.who.id && new Date(saidAt).getTime() > (until.get(session) ?? 0)) counts.set(session, (counts.get(session) ?? 0) + 1);
  return counts;
}
