'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { inviteStaffAction } from '@/app/actions/staff';
import { mayTeach, ROLES, type Role } from '@/core/staff';
import { inviteForm } from '@/forms';
import { ManyField } from '../fields';
import { Choice, Field, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';
import { useNotice } from '../look/Notices';

/** Asks a colleague to join: a link goes to them, and they choose their own password. */
export function Invite({ families }: { families: readonly { readonly id: string; readonly name: string }[] }) {
  const say = useNotice();
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const form = useForm(
    inviteForm,
    { name: '', email: '', role: 'teacher' as Role, families: [] },
    inviteStaffAction,
    ({ name }, { reset }, refresh) => {
      say(`An invitation for ${name} is in the outbox. It works once, for seven days.`);
      setChosen([]);
      reset();
      refresh();
    },
  );
  const teaches = mayTeach(form.watch('role') as Role);
  const choose = (now: readonly string[]) => {
    setChosen(now);
    form.setValue(
      'families',
      now.map((family) => ({ family, since: null })),
    );
  };
  return (
    <section className="plank stack">
      <h2>Invite somebody</h2>
      <Form form={form} className="stack">
        <Field form={form} name="name" label="Name" autoComplete="off" />
        <Field form={form} name="email" label="E-mail" type="email" autoComplete="off" />
        <Choice form={form} name="role" label="Role" options={ROLES.map((role) => ({ value: role, label: role }))} />
        {teaches && (
          <>
            <ManyField
              id="invite-families"
              label="Qualified from today for"
              value={chosen}
              onChange={choose}
              options={families.map(({ id, name }) => ({ value: id, label: name }))}
              helperText="Other days, and more, can be set afterwards."
            />
            <Button size="small" onClick={() => choose(families.map(({ id }) => id))}>
              All of them
            </Button>
          </>
        )}
        <Refusal message={form.refusal} />
        <Button type="submit" variant="contained" disabled={form.busy}>
          Send the invitation
        </Button>
      </Form>
    </section>
  );
}
