'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Link from 'next/link';
import { useState, type ReactNode } from 'react';
import { askByItselfAction, sendFormsAction, sendRemindersAction } from '@/app/actions/people';
import type { Need } from '@/views/person';
import { Refusal } from '../forms/fields';
import { useOnce } from '../forms/once';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';

interface Props {
  /** As many as are shown at once. */
  readonly needs: readonly Need[];
  /** How many people of all are due and were not asked yet. */
  readonly toAsk: number;
  readonly asksByItself: boolean;
  /** The version of the studio's settings, for whoever may choose; null for everybody else. */
  readonly version: number | null;
  /** The way to the others. */
  readonly children?: ReactNode;
}

/** What waits for somebody about screening, each with its next step. */
export function NeedsDoing({ needs, toAsk, asksByItself, version, children }: Props) {
  const mayChoose = version !== null;
  if (needs.length === 0 && !mayChoose) return null;
  return (
    <section id="to-do" style={{ marginBottom: 22 }}>
      <div className="head" style={{ marginBottom: 4 }}>
        <h2>{needs.length > 0 ? 'What needs doing' : 'Nothing waits'}</h2>
        <AskAll due={toAsk} />
      </div>
      <ul className="plain lines sheet" hidden={needs.length === 0}>
        {needs.map((need) => (
          <li key={`${need.kind} ${need.cohort}`}>
            <One need={need} />
          </li>
        ))}
      </ul>
      {children}
      {mayChoose ? (
        <ByItself key={version} on={asksByItself} version={version} />
      ) : (
        asksByItself && <p className="small soft">Forms that are due are asked for by themselves.</p>
      )}
    </section>
  );
}

/** Whether forms that are due are asked for without anybody's doing. */
function ByItself({ on, version }: { on: boolean; version: number }) {
  const say = useNotice();
  const { run, refusal, busy, refresh } = useAction();
  const [turned, setTurned] = useState(on);
  const turn = async (next: boolean) => {
    setTurned(next);
    const reply = await run(() => askByItselfAction({ on: next, version }));
    if (!reply?.ok) return setTurned(!next);
    say(next ? 'From now on forms that are due are asked for by day, by themselves.' : 'Forms are asked for only when somebody does.');
    refresh();
  };
  return (
    <>
      <FormControlLabel
        control={<Checkbox checked={turned} disabled={busy} onChange={(_, next) => void turn(next)} />}
        label="Send these forms without me: by day, once one is missing or runs out within four weeks, and again when a link has run out unused"
      />
      <Refusal message={refusal} />
    </>
  );
}

function One({ need: { kind, text, people, cohort } }: { need: Need }) {
  return (
    <>
      <div className="head" style={{ marginBottom: 4 }}>
        <p>
          <strong>{text}</strong>
        </p>
        {kind === 'form' ? <Ask people={people} /> : <Link href={`/cohorts/${cohort}`}>Open the cohort</Link>}
      </div>
      <p className="small">
        {people.map(({ id, name, detail }, index) => (
          <span key={id}>
            {index > 0 && ' · '}
            <Link href={`/cohorts/people/${id}`} prefetch={false}>
              {name}
            </Link>{' '}
            <span className="soft">{detail}</span>
          </span>
        ))}
      </p>
    </>
  );
}

/** Everybody who is due and was not asked yet, in one go. */
function AskAll({ due }: { due: number }) {
  const say = useNotice();
  const { run, refusal, busy, refresh } = useAction();
  if (due < 2) return null;
  const remind = async () => {
    const reply = await run(sendRemindersAction);
    if (!reply?.ok) return;
    const { sent, without } = reply.value;
    say(
      `${sent} ${sent === 1 ? 'form is' : 'forms are'} in the outbox.${without.length > 0 ? ` No address is known for ${without.join(', ')}` : ''}`,
    );
    refresh();
  };
  return (
    <div>
      <Button disabled={busy} onClick={() => void remind()}>
        Ask all {due} who were not asked yet
      </Button>
      <Refusal message={refusal} />
    </div>
  );
}

function Ask({ people }: { people: readonly { readonly id: string }[] }) {
  const say = useNotice();
  const { run, refusal, busy, refresh } = useAction();
  const once = useOnce();
  const send = async () => {
    const reply = await run(() => sendFormsAction({ once: once.id(), people: people.map(({ id }) => id) }));
    if (!reply?.ok) return;
    once.done();
    say(`${reply.value.sent === 1 ? 'One form is' : `${reply.value.sent} forms are`} in the outbox.`);
    refresh();
  };
  return (
    <div style={{ maxWidth: 380 }}>
      <Button size="small" disabled={busy} onClick={() => void send()}>
        {people.length === 1 ? 'Send the form' : `Send ${people.length} forms`}
      </Button>
      <Refusal message={refusal} />
    </div>
  );
}
