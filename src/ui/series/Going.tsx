'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { answerSignsAction } from '@/app/actions/signs';
import { undoStepBackAction, writeToDriftingAction } from '@/app/actions/series';
import { dayText } from '@/core/units';
import type { HardDay, SeriesView } from '@/views/series';
import { Claims } from '../fields';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';
import styles from './Series.module.css';

type Of = NonNullable<SeriesView['going']>;

/** How a series goes: who is drifting off and can be written to, whose day was too much, and afterwards what to change. */
export function Going({ view, going }: { view: SeriesView; going: Of }) {
  const held = view.people.filter((one) => one.held.length > 0);
  return (
    <>
      {held.map(({ member, name, held: signs }) => (
        <Held key={member} signs={signs} name={name} />
      ))}
      {going.after.length > 0 && (
        <section className="stack">
          <h2>How it went</h2>
          {going.after.map((line) => (
            <p key={line} className="small">
              {line}
            </p>
          ))}
        </section>
      )}
      {going.drifting.length > 0 && <Drifting view={view} going={going} />}
      {going.hard.length > 0 && (
        <section>
          <h2>A day too much</h2>
          <ul className={`plain ${styles.names}`}>
            {going.hard.map((one) => (
              <Hard key={one.checkIn} day={one} mayUndo={view.mayEdit} />
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

/** Something called for help: nothing but the natural breath until the director says how it goes on. */
function Held({ signs, name }: { signs: readonly string[]; name: string }) {
  const { run, busy, refusal, refresh } = useAction();
  return (
    <section className="note bad stack">
      <p>
        <strong>{name} marked a sign that calls for help.</strong> Ask them how they are. They have the natural breath until you say that they go on.
      </p>
      <Button
        disabled={busy}
        onClick={async () => {
          const answer = { signs: signs.map((id) => ({ id })), answer: 'We have spoken, and they go on.' };
          if ((await run(() => answerSignsAction(answer)))?.ok) refresh();
        }}
      >
        We have spoken, {name.split(' ')[0]} goes on
      </Button>
      <Refusal message={refusal} />
    </section>
  );
}

function Drifting({ view, going }: { view: SeriesView; going: Of }) {
  const [text, setText] = useState('We miss you. A gap is only a gap: today’s practice is short, and the ladder goes on from where you are.');
  const [once, setOnce] = useState(() => newId());
  const { run, busy, refusal, refresh } = useAction();
  const notice = useNotice();
  const reachable = going.drifting.filter(({ not }) => not === null);
  const write = async () => {
    const reply = await run(() => writeToDriftingAction({ once, series: view.id, members: reachable.map(({ member }) => member), text }));
    if (!reply?.ok) return;
    setOnce(newId());
    notice(reply.value.sent === 1 ? 'One letter is on its way.' : `${reply.value.sent} letters are on their way.`);
    refresh();
  };
  return (
    <section className="stack">
      <h2>Who is drifting off</h2>
      <ul className={`plain ${styles.names}`}>
        {going.drifting.map(({ member, name, why, last, not }) => (
          <li key={member}>
            <strong>{name}</strong>
            <span className="small soft">
              {last} · {why}
              {not ? ` · ${not}` : ''}
            </span>
          </li>
        ))}
      </ul>
      {view.mayEdit && reachable.length > 0 && (
        <>
          <TextField
            id="letter"
            label="To each, after a first line of their own"
            multiline
            minRows={3}
            value={text}
            onChange={({ target }) => setText(target.value)}
          />
          <Claims text={text} onTake={setText} />
          <Button variant="contained" disabled={busy || text.trim() === ''} onClick={write}>
            {reachable.length === 1 ? `Write to ${reachable[0].name.split(' ')[0]}` : `Write to all ${reachable.length}`}
          </Button>
        </>
      )}
      <Refusal message={refusal} />
    </section>
  );
}

function Hard({ day: { checkIn, name, date, what, undone }, mayUndo }: { day: HardDay; mayUndo: boolean }) {
  const { run, busy, refusal, refresh } = useAction();
  return (
    <li>
      <strong>{name}</strong>
      <span className="small soft">
        {dayText(date)}: {what}. {undone ? 'They go on from there all the same.' : 'One step back from it.'}
      </span>
      {mayUndo && !undone && (
        <Button
          size="small"
          disabled={busy}
          onClick={async () => {
            if ((await run(() => undoStepBackAction({ checkIn })))?.ok) refresh();
          }}
        >
          Let {name.split(' ')[0]} go on from there
        </Button>
      )}
      <Refusal message={refusal} />
    </li>
  );
}
