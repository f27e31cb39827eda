'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { choosePasswordAction } from '@/app/actions/staff';
import { choosePasswordForm } from '@/forms';
import type { Role } from '@/core/staff';
import { Field, Refusal } from '../forms/fields';
import { useForm } from '../forms/useForm';

interface Props {
  readonly token: string;
  readonly joining: {
    readonly name: string;
    readonly email: string;
    readonly role: Role;
    readonly studio: string;
    readonly purpose: 'invitation' | 'reset';
  };
}

/** Somebody who was invited, or whose password is lost, chooses one. */
export function ChoosePassword({ token, joining: { name, email, role, studio, purpose } }: Props) {
  const router = useRouter();
  const form = useForm(
    choosePasswordForm,
    { password: '', again: '' },
    (values) => choosePasswordAction(token, values),
    () => router.push('/sign-in?chosen'),
  );
  return (
    <>
      <h1>{purpose === 'invitation' ? `Welcome, ${name}` : `Another password, ${name}`}</h1>
      <p className="soft">{purpose === 'invitation' ? `You join ${studio} as ${role}.` : `For ${studio}. You will be signed out everywhere else.`}</p>
      <form onSubmit={form.send} noValidate className="stack">
        <input type="text" name="username" autoComplete="username" value={email} readOnly hidden />
        <Field
          form={form}
          name="password"
          label="Choose a password"
          type="password"
          autoComplete="new-password"
          helperText="A few words are easy to keep."
        />
        <Field form={form} name="again" label="Once more" type="password" autoComplete="new-password" />
        <Refusal message={form.refusal} />
        <Button type="submit" variant="contained" disabled={form.busy}>
          {purpose === 'invitation' ? 'Join' : 'Set the password'}
        </Button>
      </form>
    </>
  );
}
