'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Link from 'next/link';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { DONE, EFFORTS, FIRST_BREATHS, MOODS, reachedBy, type Attendance, type BlockDone, type FirstBreath, type Mood } from '@/core/teach';
import { clockText, dayText } from '@/core/units';
import { FORM_LIMITS } from '@/forms/limits';
import type { ClassView } from '@/views/teach';
import { keepLog, sendLog, type Sent } from '../device';
import type { Run } from './run';
import styles from './Teach.module.css';

interface Props {
  readonly room: ClassView;
  readonly run: Run;
  readonly change: (more: Partial<Run>) => void;
}

/** After class: what was kept of it, or the form for it. A teacher's own log can be put right for a day. */
export function LogForm({ room, run, change }: Props) {
  const [sent, setSent] = useState<Sent | null>(null);
  const [again, setAgain] = useState(false);
  const over = run.stage === 'logged' || room.logged;
  if (!over || again)
    return (
      <Form
        room={room}
        run={run}
        corrected={again ? room.ownLog : null}
        onBack={again ? () => setAgain(false) : room.past ? null : () => change({ stage: 'class' })}
        onSent={(answer) => {
          setSent(answer);
          setAgain(false);
          change({ stage: 'logged' });
        }}
      />
    );
  return <Kept sent={sent} onAgain={room.ownLog && sent === null ? () => setAgain(true) : null} />;
}

interface FormProps extends Pick<Props, 'room' | 'run'> {
  /** The log that this one stands in for. */
  readonly corrected: ClassView['ownLog'];
  readonly onBack: (() => void) | null;
  readonly onSent: (answer: Sent) => void;
}

/** In half a minute: everyone came and found it easy, all of it was done, unless said otherwise; one tap a difference. */
function Form({ room, run, corrected, onBack, onSent }: FormProps) {
  const [id] = useState(() => (corrected ? newId() : run.logId));
  const [lines, setLines] = useState<readonly Attendance[]>(() =>
    room.people.map(
      ({ id: person }) =>
        corrected?.attendance.find((one) => one.person === person) ?? { person, came: !run.away.includes(person), effort: 'easy', stopSigns: [] },
    ),
  );
  const [blocks, setBlocks] = useState<readonly BlockDone[]>(corrected?.blocks ?? []);
  const [firstBreath, setFirstBreath] = useState<FirstBreath | null>(corrected?.firstBreath ?? (room.holds ? 'easy' : null));
  const [mood, setMood] = useState<Mood>(corrected?.mood ?? { before: null, after: null });
  const [note, setNote] = useState(corrected?.note ?? '');
  const [other, setOther] = useState(corrected?.change ?? '');
  const [refused, setRefused] = useState('');
  const [busy, setBusy] = useState(false);
  const edit = (person: string, more: Partial<Attendance>) => setLines(lines.map((line) => (line.person === person ? { ...line, ...more } : line)));
  const techniques = room.blocks.filter(({ kind }) => kind === 'technique');
  const send = async () => {
    setBusy(true);
    const reached = reachedBy(techniques.length, blocks);
    const said = { reached, note, blocks, firstBreath, mood: mood.before || mood.after ? mood : null, change: other, attendance: lines };
    const log = { id, session: room.session.id, plan: room.plan.id, ...said, corrects: corrected?.id ?? null };
    await keepLog(log);
    const answer = await sendLog(log);
    setBusy(false);
    if (typeof answer === 'string') onSent(answer);
    else setRefused(answer.refused);
  };
  const came = lines.filter((line) => line.came).length;
  const setDone = (block: string, done: BlockDone['done']) =>
    setBlocks(
      blocks.some((one) => one.block === block && one.done === done)
        ? blocks.filter((one) => one.block !== block)
        : [...blocks.filter((one) => one.block !== block), { block, done }],
    );
  return (
    <>
      <h1>{corrected ? 'Put it right' : room.teacher ? `How was it, for ${room.teacher}?` : 'How was it?'}</h1>
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
        {room.people.map(({ id: person, name }) => {
          const line = lines.find((one) => one.person === person)!;
          return (
            <li key={person} className={styles.person}>
              <strong className={styles.who}>
                {name}
                {line.stopSigns.length > 0 && <span className={styles.sign}> {line.stopSigns.join(', ')}</span>}
              </strong>
              <span className={styles.marks} role="group" aria-label={name}>
                <Toggle on={!line.came} onPress={() => edit(person, { came: !line.came, ...(line.came ? { stopSigns: [] } : {}) })}>
                  did not come
                </Toggle>
                {line.came &&
                  EFFORTS.map((effort) => (
                    <Toggle key={effort} on={line.effort === effort} onPress={() => edit(person, { effort })}>
                      {effort}
                    </Toggle>
                  ))}
              </span>
            </li>
          );
        })}
      </ul>
      <Signs room={room} lines={lines} onSign={(person, stopSigns) => edit(person, { stopSigns })} />
      <section className={styles.part}>
        <h2>How far it went</h2>
        <p className="small soft">All of it, unless you say so.</p>
        <ul className="plain lines">
          {techniques.map(({ id: block, name, detail }) => (
            <li key={block} className={styles.person}>
              <span className={styles.who}>
                {name} <span className="small soft num">{detail}</span>
              </span>
              <span className={styles.few} role="group" aria-label={`How far ${name} went`}>
                {DONE.map((done) => (
                  <Toggle key={done} on={blocks.some((one) => one.block === block && one.done === done)} onPress={() => setDone(block, done)}>
                    {done === 'part' ? 'in part' : done}
                  </Toggle>
                ))}
              </span>
            </li>
          ))}
        </ul>
      </section>
      {room.holds && (
        <Row title="The first free breath after the holds">
          {FIRST_BREATHS.map((one) => (
            <Toggle key={one} on={firstBreath === one} onPress={() => setFirstBreath(one)}>
              {one}
            </Toggle>
          ))}
        </Row>
      )}
      {(['before', 'after'] as const).map((when) => (
        <Row key={when} title={`The room ${when}`}>
          {MOODS.map((one) => (
            <Toggle key={one} on={mood[when] === one} onPress={() => setMood({ ...mood, [when]: mood[when] === one ? null : one })}>
              {one}
            </Toggle>
          ))}
        </Row>
      ))}
      <div className={`stack ${styles.part}`}>
        <TextField
          id="change"
          label="What to change next time"
          value={other}
          onChange={(event) => setOther(event.target.value)}
          slotProps={{ htmlInput: { maxLength: FORM_LIMITS.note } }}
        />
        <TextField
          id="note"
          label="A note to the director"
          multiline
          value={note}
          onChange={(event) => setNote(event.target.value)}
          slotProps={{ htmlInput: { maxLength: FORM_LIMITS.logNote } }}
        />
        <p role="alert" className={refused ? 'note bad' : 'sr'}>
          {refused}
        </p>
      </div>
      <div className={`${styles.bar} ${styles.sticky}`}>
        <Button variant="contained" size="large" disabled={busy} onClick={() => void send()}>
          Send the log
        </Button>
        {onBack && <Button onClick={onBack}>{corrected ? 'Leave it as it was' : 'Back to the class'}</Button>}
      </div>
    </>
  );
}

/** A stop sign is tapped first, then whose it was: nobody scrolls a list for each person. */
function Signs({
  room,
  lines,
  onSign,
}: {
  room: ClassView;
  lines: readonly Attendance[];
  onSign: (person: string, signs: readonly string[]) => void;
}) {
  const [sign, setSign] = useState<string | null>(null);
  return (
    <section className={styles.part}>
      <h2>Stop signs</h2>
      <p className="small soft">None, unless you tap one.</p>
      {[room.stopSigns, room.helpSigns].map((signs, help) => (
        <div key={help} role="group" aria-label={help ? 'Called for help' : 'Let go'} style={{ marginBottom: 10 }}>
          {help === 1 && <p className="small soft">Called for help; the director hears of it:</p>}
          <div className={styles.chips}>
            {signs.map((one) => (
              <Toggle
                key={one}
                on={sign === one}
                marked={lines.some(({ stopSigns }) => stopSigns.includes(one))}
                onPress={() => setSign(sign === one ? null : one)}
              >
                {one}
              </Toggle>
            ))}
          </div>
        </div>
      ))}
      {sign && (
        <div role="group" aria-label={`Who: ${sign}`} className={styles.whose}>
          <p>
            Whose was it? <strong>{sign}</strong>
          </p>
          <div className={styles.chips}>
            {room.people
              .filter(({ id }) => lines.some(({ person, came }) => person === id && came))
              .map(({ id, name }) => {
                const own = lines.find(({ person }) => person === id)!.stopSigns;
                const on = own.includes(sign);
                return (
                  <Toggle key={id} on={on} onPress={() => onSign(id, on ? own.filter((one) => one !== sign) : [...own, sign])}>
                    {name}
                  </Toggle>
                );
              })}
          </div>
        </div>
      )}
    </section>
  );
}

function Row({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className={`${styles.part} ${styles.person}`}>
      <h2 className={styles.who}>{title}</h2>
      <span className={styles.chips} role="group" aria-label={title}>
        {children}
      </span>
    </section>
  );
}

function Toggle({ on, marked = false, onPress, children }: { on: boolean; marked?: boolean; onPress: () => void; children: React.ReactNode }) {
  return (
    <button type="button" className={styles.toggle} aria-pressed={on} data-marked={marked ? '' : undefined} onClick={onPress}>
      {children}
    </button>
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
function Kept({ sent, onAgain }: { sent: Sent | null; onAgain: (() => void) | null }) {
  const [title, text] = KEPT[typeof sent === 'string' ? sent : 'sent'];
  return (
    <div className="stack" role="status">
      <h1>{title}</h1>
      <p>{text}</p>
      {onAgain && (
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
