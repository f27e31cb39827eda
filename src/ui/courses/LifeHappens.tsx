'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import {
  cancelClassAction,
  endCourseAction,
  leaveClosedDaysAction,
  removeCourseAction,
  reopenDayAction,
  tryCancellingAction,
  tryLeavingClosedDaysAction,
  tryReopeningAction,
} from '@/app/actions/courses';
import type { Bend } from '@/core/course';
import { dayText, type IsoDate } from '@/core/units';
import { listed } from '@/core/wording';
import { FORM_LIMITS } from '@/forms';
import type { CourseView, Outcome } from '@/views/course';
import { PickField } from '../fields';
import type { Reply } from '../forms/reply';
import { Bending } from './Bending';
import { Following, type Published } from './Following';
import { OutcomeLines } from './OutcomeLines';

/** What is asked for beside the course itself: shown above the ladder until it is done or left. */
export type Wish = 'publish' | 'cancel' | 'end' | 'remove' | null;

type Send = (what: string, work: (view: CourseView) => Promise<Reply<unknown>>) => Promise<Reply<unknown> | null>;

interface Props {
  readonly view: CourseView;
  readonly busy: boolean;
  readonly send: Send;
}

/** A course as a page saw it. */
export function asSeen({ course, sessions }: CourseView) {
  return { course: course.id, version: course.version, seen: sessions.map(({ id: session, version }) => ({ session, version })) };
}

/** What a way was tried on: once anything of it is otherwise, it is tried again. */
export const versionsOf = ({ course, sessions }: CourseView): string => [course, ...sessions].map(({ version }) => version).join();

/** The days of published classes that a change could take with it: from tomorrow on. */
export const mayFollow = ({ sessions, today }: CourseView): IsoDate[] =>
  sessions.flatMap(({ date, state }) => (date > today && (state === 'published' || state === 'acknowledged') ? [date] : []));

/** Classes that fall into closed days, with every way the course can bend around them. */
export function ClosedDays({ view, busy, send }: Props) {
  if (view.closed.length === 0) return null;
  const days = listed(view.closed.map(dayText));
  const take = (bend: Bend, published: Published) =>
    void send(`The course leaves out ${days}.`, (now) => leaveClosedDaysAction({ ...asSeen(now), bend, published }));
  return (
    <section className="note bad stack" style={{ marginBottom: 14 }} aria-label="Closed days">
      <p>
        <strong>
          {view.closed.length === 1
            ? `The class on ${days} falls into closed days.`
            : `${view.closed.length} classes fall into closed days: ${days}.`}
        </strong>{' '}
        What becomes of the rest?
      </p>
      <Bending
        key={`${versionsOf(view)} ${view.closed.join()}`}
        days={mayFollow(view).filter((date) => !view.closed.includes(date))}
        attempt={(bend, published) => tryLeavingClosedDaysAction({ ...asSeen(view), bend, published })}
        onTake={take}
        busy={busy}
      />
    </section>
  );
}

/** A class that is not held: which, why, and what becomes of the rest. */
export function CancelClass({ view, busy, send, first, onDone }: Props & { readonly first: string | null; readonly onDone: () => void }) {
  const ahead = view.sessions.filter(({ date, state }) => date >= view.today && state !== 'taught');
  const [session, setSession] = useState((ahead.find(({ id }) => id === first) ?? ahead[0])?.id ?? '');
  const [reason, setReason] = useState('');
  const [why, setWhy] = useState('');
  const chosen = ahead.find(({ id }) => id === session);
  if (!chosen) return <p className="note">No class is still to come.</p>;
  const input = { session, reason: reason.trim() };
  const take = async (bend: Bend, published: Published) => {
    if (input.reason === '') return setWhy('Please say why: it is told to the teacher, and kept.');
    const reply = await send(`${dayText(chosen.date)} is cancelled.`, (now) => cancelClassAction({ ...asSeen(now), ...input, bend, published }));
    if (reply?.ok) onDone();
  };
  return (
    <section className="sheet stack" style={{ marginBottom: 14 }} aria-label="Cancel a class">
      <h2>Cancel a class</h2>
      <div style={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 2fr)', gap: 16 }}>
        <PickField
          id="cancel-class"
          label="Class"
          value={session}
          onChange={setSession}
          options={ahead.map(({ id, date, start, state }) => ({
            value: id,
            label: `${dayText(date)}, ${start}${state === 'published' || state === 'acknowledged' ? ' (published)' : ''}`,
          }))}
        />
        <TextField
          id="cancel-reason"
          label="Why"
          value={reason}
          onChange={(event) => {
            setReason(event.target.value);
            setWhy('');
          }}
          error={why !== ''}
          helperText={why || 'Whoever was to teach it is told.'}
          slotProps={{ htmlInput: { maxLength: FORM_LIMITS.reason } }}
        />
      </div>
      <Bending
        key={`${session} ${versionsOf(view)}`}
        days={mayFollow(view).filter((date) => date !== chosen.date)}
        attempt={(bend, published) => tryCancellingAction({ ...asSeen(view), session, reason: 'tried', bend, published })}
        onTake={(bend, published) => void take(bend, published)}
        busy={busy}
      />
      <div className="row">
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </section>
  );
}

/** Days that fell out and are open: a class can come back. */
export function Reopened({ view, busy, send }: Props) {
  const [shown, setShown] = useState<{ readonly date: IsoDate; readonly outcome: Outcome } | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [published, setPublished] = useState<Published>('stay');
  if (view.reopened.length === 0) return null;
  const look = async (date: IsoDate, way = published) => {
    setPublished(way);
    const reply = await tryReopeningAction({ ...asSeen(view), date, published: way });
    setRefused(reply.ok ? null : reply.message);
    if (reply.ok) setShown({ date, outcome: reply.value });
  };
  const take = async (date: IsoDate) => {
    const reply = await send(`A class on ${dayText(date)} again.`, (now) => reopenDayAction({ ...asSeen(now), date, published }));
    if (reply?.ok) setShown(null);
  };
  return (
    <section className="note stack" style={{ marginBottom: 14 }} aria-label="Open days without a class">
      <div className="row">
        <span>
          {view.reopened.length === 1 ? 'One day of the course is open and has no class:' : 'Days of the course that are open and have no class:'}
        </span>
        {view.reopened.map((date) => (
          <Button key={date} size="small" disabled={busy} onClick={() => void look(date)}>
            {dayText(date)}
          </Button>
        ))}
      </div>
      {refused && <p role="alert">{refused}</p>}
      {shown && (
        <>
          <Following days={mayFollow(view)} value={published} onChange={(way) => void look(shown.date, way)} disabled={busy} />
          <OutcomeLines outcome={shown.outcome} />
          <div className="row">
            <Button variant="contained" disabled={busy} onClick={() => void take(shown.date)}>
              Put a class on {dayText(shown.date)}
            </Button>
            <Button onClick={() => setShown(null)}>Leave it</Button>
          </div>
        </>
      )}
    </section>
  );
}

/** Ending a course, or deleting one of which nothing was taught. */
export function EndOrRemove({
  view,
  wish,
  busy,
  send,
  onDone,
  onGone,
}: Props & { readonly wish: 'end' | 'remove'; readonly onDone: () => void; readonly onGone: () => void }) {
  const [reason, setReason] = useState('');
  const ahead = view.sessions.filter(({ date, state }) => date >= view.today && state !== 'taught').length;
  const end = async () => {
    const reply = await send('The course has ended.', (now) => endCourseAction({ ...asSeen(now), reason: reason.trim() }));
    if (reply?.ok) onDone();
  };
  const remove = async () => {
    const reply = await send('The course is deleted.', (now) => removeCourseAction(asSeen(now)));
    if (reply?.ok) onGone();
  };
  return wish === 'end' ? (
    <section className="sheet stack" style={{ marginBottom: 14 }} aria-label="End the course">
      <h2>End the course</h2>
      <p>
        {ahead === 1 ? 'The one class' : `The ${ahead} classes`} still to come {ahead === 1 ? 'is' : 'are'} cancelled, and whoever was to teach them
        is told. What was taught stays in the record.
      </p>
      <TextField
        id="end-reason"
        label="Why"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        slotProps={{ htmlInput: { maxLength: FORM_LIMITS.reason } }}
      />
      <div className="row">
        <Button variant="contained" disabled={busy || reason.trim() === ''} onClick={() => void end()}>
          End it
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </section>
  ) : (
    <section className="sheet stack" style={{ marginBottom: 14 }} aria-label="Delete the course">
      <h2>Delete the course</h2>
      <p>Nothing of it was taught or published. It goes, with everything planned in it.</p>
      <div className="row">
        <Button variant="contained" color="error" disabled={busy} onClick={() => void remove()}>
          Delete it
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </section>
  );
}
