'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import TextField from '@mui/material/TextField';
import { EFFORTS, REACHED } from '@/core/teach';
import { clockText, dayText } from '@/core/units';
import { FORM_LIMITS } from '@/forms/limits';
import type { ClassView } from '@/views/teach';
import { ChoiceField } from '../fields';
import { keepLog, sendLog, type Sent } from './device';
import type { Run } from './run';
import styles from './Teach.module.css';

interface Line {
  readonly person: string;
  readonly came: boolean;
  readonly effort: (typeof EFFORTS)[number];
  readonly stopSigns: readonly string[];
}

/** After class, in half a minute: everyone came and found it easy, unless said otherwise. */
export function LogForm({ room, run, change }: { room: ClassView; run: Run; change: (more: Partial<Run>) => void }) {
  const [lines, setLines] = useState<readonly Line[]>(() =>
    room.people.map(({ id }) => ({ person: id, came: !run.away.includes(id), effort: 'easy', stopSigns: [] })),
  );
  const [reached, setReached] = useState<string>(REACHED[0]);
  const [note, setNote] = useState('');
  const [sent, setSent] = useState<Sent | null>(null);
  const [busy, setBusy] = useState(false);
  const edit = (person: string, more: Partial<Line>) => setLines(lines.map((line) => (line.person === person ? { ...line, ...more } : line)));
  const send = async () => {
    setBusy(true);
    const log = { id: run.logId, session: room.session.id, plan: room.plan.id, reached, note, attendance: lines };
    await keepLog(log);
    const answer = await sendLog(log);
    setSent(answer);
    setBusy(false);
    if (typeof answer === 'string') change({ stage: 'logged' });
  };
  if (run.stage === 'logged' || room.logged) return <Kept sent={sent} />;
  const came = lines.filter((line) => line.came).length;
  return (
    <>
      <h1>How was it?</h1>
      <p className="lead">
        {room.course}, {dayText(room.session.date)} {room.session.start}. <span className="num">{came}</span> of{' '}
        <span className="num">{lines.length}</span> came. Change only what differs.
      </p>
      {run.signs.length > 0 && (
        <p className="note bad">
          Stop signs marked in class: {run.signs.map(({ at, block }) => `${clockText(at)} in, during ${block}`).join('; ')}. Say below whose and what
          they were.
        </p>
      )}
      <ul className="plain lines">
        {room.people.map(({ id, name }) => {
          const line = lines.find(({ person }) => person === id)!;
          return (
            <li key={id} className={styles.person}>
              <strong className={styles.who}>{name}</strong>
              {line.came && (
                <ChoiceField
                  id={`sign-${id}`}
                  label={`Stop sign: ${name}`}
                  hideLabel
                  value={line.stopSigns[0] ?? ''}
                  onChange={(value) => edit(id, { stopSigns: value ? [value] : [] })}
                  options={[{ value: '', label: 'no stop sign' }, ...room.stopSigns.map((sign) => ({ value: sign, label: sign }))]}
                  sx={{ maxWidth: 220 }}
                />
              )}
              <span className={styles.marks} role="group" aria-label={name}>
                <button type="button" className={styles.toggle} aria-pressed={!line.came} onClick={() => edit(id, { came: !line.came })}>
                  did not come
                </button>
                {line.came && (
                  <>
                    {EFFORTS.map((effort) => (
                      <button
                        key={effort}
                        type="button"
                        className={styles.toggle}
                        aria-pressed={line.effort === effort}
                        onClick={() => edit(id, { effort })}
                      >
                        {effort}
                      </button>
                    ))}
                  </>
                )}
              </span>
            </li>
          );
        })}
      </ul>
      <div className="stack" style={{ marginTop: 16 }}>
        <ChoiceField
          id="reached"
          label="How far it went"
          value={reached}
          onChange={setReached}
          options={REACHED.map((value) => ({ value, label: value }))}
          sx={{ maxWidth: 260 }}
        />
        <TextField
          id="note"
          label="A note to the director"
          multiline
          minRows={2}
          value={note}
          onChange={(event) => setNote(event.target.value)}
          slotProps={{ htmlInput: { maxLength: FORM_LIMITS.logNote } }}
        />
        <p role="alert" className={sent && typeof sent === 'object' ? 'note bad' : 'sr'}>
          {sent && typeof sent === 'object' ? sent.refused : ''}
        </p>
      </div>
      <div className={styles.bar}>
        <Button variant="contained" size="large" disabled={busy} onClick={() => void send()}>
          Send the log
        </Button>
        {!room.past && <Button onClick={() => change({ stage: 'class' })}>Back to the class</Button>}
      </div>
    </>
  );
}

const KEPT = {
  sent: ['Logged', 'Thank you. The director sees it beside the session.'],
  held: [
    'Kept, and on the director’s desk',
    'Something about this class has changed since you opened it, so the studio could not put your log beside it by itself. It is kept there as you wrote it, stop signs and all, and the director looks at it.',
  ],
  waiting: ['Kept on this device', 'There is no way to the studio just now. The log is safe here and goes out by itself when the network is back.'],
  'signed out': ['Kept on this device', 'You are signed out. The log is safe here and goes out once you have signed in again.'],
} as const;

/** Where the log is now. */
function Kept({ sent }: { sent: Sent | null }) {
  const [title, text] = KEPT[typeof sent === 'string' ? sent : 'sent'];
  return (
    <div className="stack" role="status">
      <h1>{title}</h1>
      <p>{text}</p>
      <p>
        <Link href="/teach">Back to your classes</Link>
      </p>
    </div>
  );
}
