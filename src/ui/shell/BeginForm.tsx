'use client';

import Button from '@mui/material/Button';
import { useActionState } from 'react';
import { beginAction } from '@/app/actions/signin';
import { Refusal } from '../forms/fields';
import { NOT_SENT, problemOf } from '../forms/posted';
import { PostedField } from '../forms/PostedField';
import { NewPassword } from '../staff/NewPassword';
import styles from './SignIn.module.css';

/** Whoever set it up names the studio and becomes its director. */
export function BeginForm({ zone, zones }: { zone: string; zones: readonly string[] }) {
  const [sent, action, busy] = useActionState(beginAction, NOT_SENT);
  const [typed, nothing] = [sent.typed, Object.keys(sent.typed).length === 0];
  return (
    <main className={styles.page}>
      <section className={styles.sheet}>
        <h1>A studio of your own</h1>
        <p className="soft">It begins empty, and you become its director.</p>
        <form action={action} noValidate className="stack" key={JSON.stringify(typed)}>
          <PostedField
            sent={sent}
            name="code"
            label="Code"
            autoComplete="off"
            helperText="It stands where Oaken Ladder was started, and opens this page once."
          />
          <PostedField sent={sent} name="studio" label="Name of the studio" autoComplete="organization" />
          <PostedField
            sent={nothing ? { ...sent, typed: { zone } } : sent}
            name="zone"
            label="Where it is, for its hours"
            select
            slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}
          >
            {zones.map((one) => (
              <option key={one} value={one}>
                {one.replaceAll('_', ' ')}
              </option>
            ))}
          </PostedField>
          <PostedField sent={sent} name="name" label="Your name" autoComplete="name" />
          <PostedField sent={sent} name="email" label="Your e-mail" type="email" autoComplete="username" />
          <NewPassword sent={sent} />
          <Refusal message={problemOf(sent)} />
          <Button type="submit" variant="contained" disabled={busy}>
            Begin
          </Button>
        </form>
      </section>
    </main>
  );
}
