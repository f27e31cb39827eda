'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { formHereAction, sendFormsAction } from '@/app/actions/people';
import { Refusal } from '../forms/fields';
import { useOnce } from '../forms/once';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';

interface Props {
  readonly person: { readonly id: string; readonly name: string; readonly email: string };
  readonly link: { readonly sentAt: Date; readonly state: string } | null;
}

/** Asks a person to fill in or renew their form: by mail, or on this device. */
export function AskPerson({ person: { id, name, email }, link }: Props) {
  const say = useNotice();
  const { run, refusal, busy, refresh } = useAction();
  const once = useOnce();
  const [here, setHere] = useState<string | null>(null);
  const send = async () => {
    const reply = await run(() => sendFormsAction({ once: once.id(), people: [id] }));
    if (!reply?.ok) return;
    once.done();
    say(`The form for ${name} is in the outbox.`);
    refresh();
  };
  const open = async () => {
    const reply = await run(() => formHereAction({ people: [id] }));
    if (reply?.ok) setHere(reply.value.url);
  };
  return (
    <section className="sheet stack">
      <h2>Ask {name}</h2>
      <p>
        {link === null
          ? 'No form was sent yet.'
          : link.state === 'waiting'
            ? 'A form was sent and is not answered yet. Sending another stops the first.'
            : link.state === 'answered'
              ? 'The last form was answered. A new one lets them correct or renew it.'
              : 'The last form ran out before it was answered.'}
      </p>
      <div className="row">
        <Button variant="contained" onClick={() => void send()} disabled={!email || busy}>
          {email ? `Send the form to ${email}` : 'No e-mail address'}
        </Button>
        <Button onClick={() => void open()}>Fill it in on this device</Button>
      </div>
      {here && (
        <p className="note">
          Hand over the device and open <a href={here}>the form for {name}</a>. It works once.
        </p>
      )}
      <Refusal message={refusal} />
    </section>
  );
}
