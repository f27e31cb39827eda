'use client';

import Button from '@mui/material/Button';
import { useEffect } from 'react';
import { readNotesAction, sayNoteAction } from '@/app/actions/plans';
import { sessionNoteForm } from '@/forms';
import type { NoteView } from '@/views/plan';
import { Field, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';

/** What whoever plans a class and whoever teaches it say to each other about it. Opening it is reading it. */
export function Conversation({ session, said: { notes, unread } }: { session: string; said: NoteView }) {
  useEffect(() => {
    if (unread > 0) void readNotesAction({ session }).catch(() => undefined);
  }, [session, unread]);
  const form = useForm(sessionNoteForm, { session, text: '' }, sayNoteAction, (_, { reset }, refresh) => {
    reset();
    refresh();
  });
  return (
    <section aria-label="Notes about this class">
      <h2>Notes</h2>
      {notes.length > 0 && (
        <ul className="plain lines">
          {notes.map(({ id, by, mine, at, text }, index) => (
            <li key={id} className="small" style={{ padding: '6px 0' }}>
              <strong>{mine ? 'You' : by}</strong> <span className="soft num">{at}</span>
              {index >= notes.length - unread && !mine && <strong className="fresh"> new</strong>}
              <br />
              {text}
            </li>
          ))}
        </ul>
      )}
      <Form form={form} className="stack noprint" style={{ marginTop: 6 }}>
        <Field form={form} name="text" id="session-note" label={notes.length > 0 ? 'Answer' : 'Say something about this class'} multiline />
        <Refusal message={form.refusal} />
        <div>
          <Button type="submit" size="small" disabled={form.busy}>
            Say it
          </Button>
        </div>
      </Form>
    </section>
  );
}
