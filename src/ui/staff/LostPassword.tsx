'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import { askForResetAction } from '@/app/actions/staff';
import { resetForm } from '@/forms';
import { Field, Refusal } from '../forms/fields';
import { useForm } from '../forms/useForm';

/** Asks for a link to choose another password. The answer never says whether the address is known. */
export function LostPassword() {
  const [asked, setAsked] = useState(false);
  const form = useForm(resetForm, { email: '' }, askForResetAction, () => setAsked(true));
  return (
    <>
      <h1>I cannot sign in</h1>
      {asked ? (
        <p role="status">
          If somebody signs in with this address, a link is on its way to it. It works once, for a day. If none comes, ask your director.
        </p>
      ) : (
        <form onSubmit={form.send} noValidate className="stack">
          <p className="soft">Give your e-mail address, and we send a link to choose another password.</p>
          <Field form={form} name="email" label="E-mail" type="email" autoComplete="username" />
          <Refusal message={form.refusal} />
          <Button type="submit" variant="contained" disabled={form.busy}>
            Send me a link
          </Button>
        </form>
      )}
      <p className="small">
        <Link href="/sign-in">Back to signing in</Link>
      </p>
    </>
  );
}
