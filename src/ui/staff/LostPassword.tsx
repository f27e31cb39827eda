'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useActionState } from 'react';
import { askForResetAction } from '@/app/actions/staff';
import { Refusal } from '../forms/fields';
import { NOT_SENT, problemOf } from '../forms/posted';
import { PostedField } from '../forms/PostedField';

/** Asks for a link to choose another password. The answer never says whether the address is known. */
export function LostPassword() {
  const [sent, action, busy] = useActionState(askForResetAction, NOT_SENT);
  return (
    <>
      <h1>I cannot sign in</h1>
      {sent.done ? (
        <p role="status">
          If somebody signs in with this address, a link is on its way to it. It works once, for a day. If none comes, ask your director.
        </p>
      ) : (
        <form action={action} noValidate className="stack" key={sent.typed.email}>
          <p className="soft">Give your e-mail address, and we send a link to choose another password.</p>
          <PostedField sent={sent} name="email" label="E-mail" type="email" autoComplete="username" />
          <Refusal message={problemOf(sent)} />
          <Button type="submit" variant="contained" disabled={busy}>
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
