'use client';

import { useActionState } from 'react';
import { signUpAction } from '@/app/actions/series';
import { NOT_SENT } from '../forms/posted';

/** Signing up for a series: a form like any other, with JavaScript or without. */
export function SignUpForm({ token, about }: { token: string; about: { readonly series: string; readonly lead: string } }) {
  const [sent, action, busy] = useActionState(signUpAction, NOT_SENT);
  if (sent.done)
    return (
      <>
        <h1>Thank you</h1>
        <p className="lead" role="status">
          The studio has it. A few questions about your health come by mail; once the studio has said yes, so does your own page.
        </p>
      </>
    );
  const { typed, refused } = sent;
  return (
    <>
      <h1>{about.series}</h1>
      <p className="lead">{about.lead}</p>
      <p role="alert" className={refused ? 'note bad' : undefined}>
        {refused?.message}
      </p>
      <form action={action} className="sheet stack" key={JSON.stringify(typed)}>
        <input type="hidden" name="series" value={token} />
        <label htmlFor="name">Your name</label>
        <input id="name" name="name" required maxLength={60} autoComplete="name" defaultValue={typed.name} />
        <label htmlFor="email">
          Your e-mail
          <span className="small soft">Your own page is sent there.</span>
        </label>
        <input id="email" name="email" type="email" required maxLength={200} autoComplete="email" defaultValue={typed.email} />
        <label htmlFor="birthDate">
          Your birth date
          <span className="small soft">People under 16 and over 65 practise a little differently; without it we plan gently.</span>
        </label>
        <input id="birthDate" name="birthDate" type="date" min="1900-01-01" defaultValue={typed.birthDate} />
        <div hidden>
          <label htmlFor="website">Leave this empty</label>
          <input id="website" name="website" tabIndex={-1} autoComplete="off" />
        </div>
        <button className="big" disabled={busy}>
          Take part
        </button>
      </form>
    </>
  );
}
