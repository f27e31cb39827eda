'use client';

import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { draftCourseAction, mendCheckAction, moveBlockAction } from '@/app/actions/courses';
import { dayText } from '@/core/units';
import type { CourseView, ShownCheck } from '@/views/course';
import type { Reply } from '../forms/reply';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';
import { Plank } from '../shell/Plank';
import { Checks } from './Checks';
import { CourseLadder } from './CourseLadder';
import { differences } from './differences';

/** Something that was asked of a course as it was seen, and may be asked again of the course as it is. */
interface Asked {
  readonly what: string;
  readonly work: (view: CourseView) => Promise<Reply<unknown>>;
  readonly seen: CourseView;
}

/** The course ladder with its checks plank. A move answers at once, in words, on the plank concerned. */
export function CourseBoard({ view, title, children }: { view: CourseView; title: ReactNode; children: ReactNode }) {
  const say = useNotice();
  const { run, refusal, code, busy, clear, refresh } = useAction();
  const [said, setSaid] = useState('');
  const [asked, setAsked] = useState<Asked | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const send = async (what: string, work: Asked['work']) => {
    const reply = await run(() => work(view));
    setSaid(reply?.ok ? what : '');
    setAsked(reply && !reply.ok && reply.code === 'clash' ? { what, work, seen: view } : null);
    refresh();
    return reply;
  };
  const move = (block: string, to: string) => {
    const session = view.sessions.find(({ id }) => id === to);
    const technique = view.sessions.flatMap(({ techniques }) => techniques).find(({ id }) => id === block);
    // Until the page shows the last move, a next one would go by what is no longer so.
    if (busy || !session || !technique || session.techniques.some(({ id }) => id === block)) return;
    void send(`${technique.name} moved to ${dayText(session.date)}.`, (now) =>
      moveBlockAction({ course: now.course.id, block, to, seen: seenIn(now) }),
    );
  };
  const mend = ({ session, mend: step }: ShownCheck) => {
    if (!step) return;
    const { kind, block } = step;
    void send(`${step.text}: done.`, (now) => mendCheckAction({ course: now.course.id, session, kind, block, seen: seenIn(now) }));
  };
  const draft = async () => {
    const reply = await send('Drafted.', (now) => draftCourseAction({ course: now.course.id, version: now.course.version, seen: seenIn(now) }));
    if (!reply?.ok) return;
    const { unplaced } = reply.value as { readonly unplaced: readonly string[] };
    say(unplaced.length === 0 ? 'Drafted: every goal has its place.' : `Drafted. ${unplaced.join(' ')}`);
  };
  const drafted = view.sessions.some(({ techniques }) => techniques.length > 0);
  return (
    <DndContext sensors={sensors} id="course" onDragEnd={({ active, over }: DragEndEvent) => over && move(String(active.id), String(over.id))}>
      <div className="head">
        <div>{title}</div>
        {view.mayEdit && (
          <div className="actions">
            <Button variant="contained" disabled={busy} onClick={() => void draft()}>
              {busy ? 'Working on it' : drafted ? 'Draft again from here' : 'Draft'}
            </Button>
          </div>
        )}
      </div>
      {children}
      <div className="two" aria-busy={busy}>
        <CourseLadder view={view} move={view.mayEdit ? move : null} />
        <Plank>
          {asked && code === 'clash' ? (
            <Meanwhile
              lines={differences(asked.seen, view)}
              onAgain={() => void send(asked.what, asked.work)}
              onLeave={() => {
                setAsked(null);
                clear();
              }}
            />
          ) : (
            <Refusal message={refusal} />
          )}
          <p aria-live="polite" className={said ? 'small' : 'sr'}>
            {said}
          </p>
          <Checks checks={view.checks} onMend={view.mayEdit ? mend : null} busy={busy} />
        </Plank>
      </div>
    </DndContext>
  );
}

/** The versions of a course's sessions, as a page shows them. */
function seenIn({ sessions }: CourseView) {
  return sessions.map(({ id: session, version }) => ({ session, version }));
}

/** Somebody else changed the course meanwhile: what they did, and what was meant here. */
function Meanwhile({ lines, onAgain, onLeave }: { lines: readonly string[]; onAgain: () => void; onLeave: () => void }) {
  return (
    <section className="note bad stack" role="alert" aria-label="Somebody else changed this meanwhile">
      <p>
        <strong>Somebody else changed this course meanwhile.</strong> Nothing of theirs is lost; yours was not done yet.
      </p>
      {lines.length > 0 && (
        <ul className="small">
          {lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <div className="row">
        <Button onClick={onLeave}>Leave it as it is now</Button>
        <Button variant="contained" onClick={onAgain}>
          Do mine all the same
        </Button>
      </div>
    </section>
  );
}
