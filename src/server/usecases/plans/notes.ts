import { stampIn } from '@/core/units';
import { noteReadForm, sessionNoteForm } from '@/forms';
import type { NoteView } from '@/views/plan';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import { inOne, type Desk } from '../../desk';
import { Refusal } from '../../errors';
import { course, session as sessionById } from '../../repositories/courses';
import { progressOf } from '../../repositories/plans';
import { addNote, markNotesRead, notesOf, unreadNotes } from '../../repositories/notes';
import { staffNames } from '../../repositories/staff';

/** Says something about a class, to whoever plans it and whoever teaches it; before it or after. */
export async function sayNote(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'teach');
  const { once, session, text } = await checked(sessionNoteForm, input);
  await onceOnly(desk, once, async (at) => {
    await concerns(at, session);
    await addNote(at, session, text);
    await markNotesRead(at, session);
    return {};
  });
}

/** Whoever asks has read what is said about a class. */
export async function readNotes(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'teach');
  const { session } = await checked(noteReadForm, input);
  await inOne(desk, async (at) => {
    await concerns(at, session);
    await markNotesRead(at, session);
  });
}

/** What is said about a class, and how much of it whoever looks has not read. */
export async function conversation(desk: Desk, session: string): Promise<NoteView> {
  const [notes, nameOf, unread] = await Promise.all([notesOf(desk, session), staffNames(desk), unreadNotes(desk, [session])]);
  return {
    unread: unread.get(session) ?? 0,
    notes: notes.map(({ id, saidBy, saidAt, text }) => ({
      id,
      by: nameOf(saidBy),
      mine: saidBy === desk.who.id,
      at: stampIn(desk.who.zone, saidAt),
      text,
    })),
  };
}

/** Plans are the director's and the leads'; a class is also whoever's who has it in hand, or had it. */
async function concerns(desk: Desk, id: string): Promise<void> {
  const session = await sessionById(desk, id);
  if (may(desk.who.role, 'see plans')) return;
  const { handedTo, versions } = (await progressOf(desk, [id])).get(id)!;
  const { teacher } = await course(desk, session.course);
  if ((handedTo ?? teacher) !== desk.who.id && !versions.some((one) => one.teacher === desk.who.id))
    throw new Refusal('not-found', 'This class is not in your hands.');
}
