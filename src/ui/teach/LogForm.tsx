'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useEffect, useMemo, useState } from 'react';
import { v7 as newId } from 'uuid';
import { layOut } from '@/core/cues';
import { doneIn, reachedBy } from '@/core/teach';
import type { ClassView } from '@/views/teach';
import { isWaiting, keepWaiting, sendKept, type Sent } from '../device';
import { useLibrary } from '../shell/Inside';
import { LogFields } from './LogFields';
import type { LogDraft, MarkedSign, Run } from './run';
import styles from './Teach.module.css';

interface Props {
  readonly room: ClassView;
  readonly run: Run;
  readonly change: (more: Partial<Run>) => void;
}

/** After class: what was kept of it, or the form for it. A teacher's own log can be put right for a day. */
export function LogForm({ room, run, change, begun }: Props & { readonly begun: boolean }) {
  const [sent, setSent] = useState<Sent | null>(null);
  const [again, setAgain] = useState(false);
  const library = useLibrary();
  const began = useMemo(() => asItRan(room, run, library), [room, run, library]);
  const over = run.stage === 'logged' || room.logged;
  if (!begun)
    return (
      <div className="stack">
        <h1>It has not begun</h1>
        <p>This class begins at {room.session.start}. It can be logged from then on.</p>
        <p>
          <Link href="/teach">Back to your classes</Link>
        </p>
      </div>
    );
  if (over && !again) return <Kept sent={sent} room={room} run={run} onAgain={room.ownLog && sent === null ? () => setAgain(true) : null} />;
  return (
    <Form
      key={again ? 'again' : 'first'}
      room={room}
      run={run}
      change={change}
      draft={again ? corrected(room) : (run.log ?? began)}
      keep={again ? null : (log) => change({ log })}
      corrects={again ? (room.ownLog?.id ?? null) : null}
      onBack={again ? () => setAgain(false) : room.past ? null : () => change({ stage: 'class' })}
      onSent={(answer) => {
        setSent(answer);
        setAgain(false);
        change({ stage: 'logged' });
      }}
    />
  );
}

/** A log as the class ran: who was here and came late, and what was left out, ended early or shortened on the way. */
function asItRan(room: ClassView, run: Run, library: ReturnType<typeof useLibrary>): LogDraft {
  const line = run.shortened ? layOut(run.shortened, { library, naturalBreath: room.naturalBreath }, room.speech) : room.line;
  const techniques = room.blocks.filter(({ kind }) => kind === 'technique').map(({ id }) => id);
  const done = run.played.length === 0 ? [] : doneIn(room.line.blocks, line.blocks, run.played);
  return {
    attendance: room.people.map(({ id: person }) => ({
      person,
      came: !run.away.includes(person),
      late: run.late.includes(person),
      effort: 'easy',
      stopSigns: [],
    })),
    blocks: done.filter(({ block }) => techniques.includes(block)),
    allDone: run.played.length > 0 && done.every(({ block }) => !techniques.includes(block)),
    firstBreath: room.holds ? 'easy' : null,
    mood: { before: null, after: null },
    note: '',
    change: '',
  };
}

/** The log that is put right, as it was sent. */
function corrected({ ownLog, people }: ClassView): LogDraft {
  const log = ownLog!;
  return {
    attendance: people.map(
      ({ id: person }) => log.attendance.find((one) => one.person === person) ?? { person, came: false, effort: 'easy', stopSigns: [] },
    ),
    blocks: log.blocks,
    allDone: log.blocks.length === 0,
    firstBreath: log.firstBreath,
    mood: log.mood ?? { before: null, after: null },
    note: log.note,
    change: log.change,
  };
}

interface FormProps extends Props {
  readonly draft: LogDraft;
  /** Keeps what is typed; null where it is only put right. */
  readonly keep: ((log: LogDraft) => void) | null;
  readonly corrects: string | null;
  readonly onBack: (() => void) | null;
  readonly onSent: (answer: Sent) => void;
}

/** The form, kept on the device with every tap, and sent. */
function Form({ room, run, change, draft: first, keep, corrects, onBack, onSent }: FormProps) {
  const [id] = useState(() => (corrects ? newId() : run.logId));
  const [draft, setDraft] = useState(first);
  const [refused, setRefused] = useState('');
  const [busy, setBusy] = useState(false);
  const edit = (more: Partial<LogDraft>) => {
    const next = { ...draft, ...more };
    setDraft(next);
    keep?.(next);
  };
  const techniques = room.blocks.filter(({ kind }) => kind === 'technique');
  const send = async () => {
    if (techniques.length > 0 && !draft.allDone && draft.blocks.length === 0)
      return setRefused('Say how far it went: tap “All of it was done”, or what was not.');
    setBusy(true);
    const { allDone: _, mood, ...said } = draft;
    const log = {
      id,
      session: room.session.id,
      plan: room.plan.id,
      ...said,
      reached: reachedBy(techniques.length, draft.blocks),
      mood: mood.before || mood.after ? mood : null,
      marks: corrects ? [] : run.signs,
      unnamed: corrects ? (room.ownLog?.unnamed ?? []) : [],
      corrects,
    };
    await keepWaiting('log', log);
    const answer = await sendKept('log', log);
    setBusy(false);
    if (typeof answer === 'string') onSent(answer);
    else setRefused(answer.refused);
  };
  const name = (signs: readonly MarkedSign[]) => change({ signs });
  return (
    <>
      <LogFields room={room} draft={draft} edit={edit} signs={corrects ? [] : run.signs} name={name} putRight={corrects !== null} />
      <p role="alert" className={refused ? 'note bad' : 'sr'}>
        {refused}
      </p>
      <LogBar busy={busy} onSend={() => void send()} onBack={onBack} back={corrects ? 'Leave it as it was' : 'Back to the class'} />
    </>
  );
}

function LogBar({ busy, onSend, onBack, back }: { busy: boolean; onSend: () => void; onBack: (() => void) | null; back: string }) {
  return (
    <div className={`${styles.bar} ${styles.sticky}`}>
      <Button variant="contained" size="large" disabled={busy} onClick={onSend}>
        Send the log
      </Button>
      {onBack && <Button onClick={onBack}>{back}</Button>}
    </div>
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

/** How often it is looked whether what waits has gone out. */
const LOOKED_MS = 2000;

/** Where the log is now: logged is what the studio has. */
function Kept({ sent, room, run, onAgain }: { sent: Sent | null; room: ClassView; run: Run; onAgain: (() => void) | null }) {
  const [waits, setWaits] = useState<boolean | null>(sent === null ? null : sent === 'waiting' || sent === 'signed out');
  useEffect(() => {
    let here = true;
    const look = () => void isWaiting('log', run.logId).then((one) => here && setWaits(one));
    look();
    const timer = setInterval(look, LOOKED_MS);
    return () => {
      here = false;
      clearInterval(timer);
    };
  }, [run.logId]);
  if (waits === null) return <p className="soft">Asking this device …</p>;
  const state = waits ? (sent === 'signed out' ? 'signed out' : 'waiting') : sent === 'held' ? 'held' : 'sent';
  const [title, text] = KEPT[state];
  return (
    <div className="stack" role="status">
      <h1>{title}</h1>
      <p>{text}</p>
      {onAgain && room.logged && (
        <p>
          Something in it is not right? <Button onClick={onAgain}>Put it right</Button> <span className="soft">Both versions are kept.</span>
        </p>
      )}
      <p>
        <Link href="/teach">Back to your classes</Link>
      </p>
    </div>
  );
}
