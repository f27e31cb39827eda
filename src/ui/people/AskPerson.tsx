'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { formHereAction, sendFormsAction } from '@/app/actions/people';
import { Refusal } from '../forms/fields';
import { useNotice } from '../look/Notices';

interface Props {
  readonly person: { readonly id: string; readonly name: string; readonly email: string };
  readonly link: { readonly sentAt: Date; readonly state: string } | null;
}

/** Asks a person to fill in or renew their form: by mail, or on this device. */
export function AskPerson({ person: { id, name, email }, link }: Props) {
  const router = useRouter();
  const say = useNotice();
  const [refusal, setRefusal] = useState<string | null>(null);
  const [here, setHere] = useState<string | null>(null);
  const send = async () => {
    const reply = await sendFormsAction({ people: [id] });
    if (!reply.ok) return setRefusal(reply.message);
    setRefusal(null);
    say(`The form for ${name} is in the outbox.`);
    router.refresh();
  };
  const open = async () => {
    const reply = await formHereAction({ people: [id] });
    if (!reply.ok) return setRefusal(reply.message);
    setHere(reply.value.url);
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
        <Button variant="contained" onClick={() => void send()} disabled={!email}>
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
