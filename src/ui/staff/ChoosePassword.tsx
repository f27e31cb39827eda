'use client';

import Button from '@mui/material/Button';
import { useActionState } from 'react';
import { choosePasswordAction } from '@/app/actions/staff';
import type { Role } from '@/core/staff';
import { Refusal } from '../forms/fields';
import { NOT_SENT, problemOf } from '../forms/posted';
import { NewPassword } from './NewPassword';

interface Props {
  /** What stands in the address for the link. */
  readonly link: string;
  readonly joining: {
    readonly name: string;
    readonly email: string;
    readonly role: Role;
    readonly studio: string;
    readonly purpose: 'invitation' | 'reset';
  };
}

/** Somebody who was invited, or whose password is lost, chooses one. */
export function ChoosePassword({ link, joining: { name, email, role, studio, purpose } }: Props) {
  const [sent, action, busy] = useActionState(choosePasswordAction, NOT_SENT);
  return (
    <>
      <h1>{purpose === 'invitation' ? `Welcome, ${name}` : `Another password, ${name}`}</h1>
      <p className="soft">{purpose === 'invitation' ? `You join ${studio} as ${role}.` : `For ${studio}. You will be signed out everywhere else.`}</p>
      <form action={action} noValidate className="stack">
        <input type="hidden" name="link" value={link} />
        <input type="text" autoComplete="username" defaultValue={email} readOnly hidden />
        <NewPassword sent={sent} />
        <Refusal message={problemOf(sent)} />
        <Button type="submit" variant="contained" disabled={busy}>
          {purpose === 'invitation' ? 'Join' : 'Set the password'}
        </Button>
      </form>
    </>
  );
}
