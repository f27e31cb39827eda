'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { publishManyAction } from '@/app/actions/plans';
import { dayText } from '@/core/units';
import { listed } from '@/core/wording';
import type { CourseView } from '@/views/course';
import type { Published } from '@/views/plan';
import { Refusal } from '../forms/fields';
import { useOnce } from '../forms/once';
import { useAction } from '../forms/useAction';

/** How many classes are published at a press, when it is the next ones that are meant. */
const NEXT = 4;

/** Classes published together: what passes its checks goes out, and what does not is named with why. */
export function PublishMany({ view, onDone }: { view: CourseView; onDone: () => void }) {
  const { run, refusal, busy, refresh } = useAction();
  const once = useOnce();
  const [done, setDone] = useState<Published | null>(null);
  const open = view.sessions.filter(({ date, state }) => date >= view.today && state === 'planned');
  const publish = async (count: number) => {
    const seen = open.slice(0, count).map(({ id: session, version }) => ({ session, version }));
    const reply = await run(() => publishManyAction({ once: once.id(), course: view.course.id, seen }));
    if (reply?.ok) once.done();
    setDone(reply?.ok ? reply.value : null);
    refresh();
  };
  return (
    <section className="sheet stack" style={{ marginBottom: 14 }} aria-label="Publish classes">
      <h2>Publish classes</h2>
      {done && (
        <div role="status">
          <p>
            {done.published.length === 0 ? 'Nothing was published.' : `Published: ${listed(done.published.map(dayText))}.`}
            {done.held.length > 0 && ' Held back:'}
          </p>
          <ul className="small">
            {done.held.map(({ date, why }) => (
              <li key={date + why}>
                <strong>{dayText(date)}</strong>: {why}
              </li>
            ))}
          </ul>
        </div>
      )}
      {open.length === 0 ? (
        <p>All that is planned is published.</p>
      ) : (
        <>
          {!done && (
            <p>
              {open.length === 1 ? 'One class is' : `${open.length} classes are`} planned and not published. Each goes to whoever has it in hand; one
              that does not pass its checks is held back, and published on its own with a reason.
            </p>
          )}
          <div className="row">
            {open.length > NEXT && (
              <Button variant="contained" disabled={busy} onClick={() => void publish(NEXT)}>
                Publish the next four
              </Button>
            )}
            <Button variant={open.length > NEXT ? 'outlined' : 'contained'} disabled={busy} onClick={() => void publish(open.length)}>
              {open.length > NEXT ? `Publish all ${open.length}` : open.length === 1 ? 'Publish it' : `Publish all ${open.length}`}
            </Button>
          </div>
        </>
      )}
      <Refusal message={refusal} />
      <div>
        <Button onClick={onDone}>Done</Button>
      </div>
    </section>
  );
}
