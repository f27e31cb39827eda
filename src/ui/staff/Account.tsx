'use client';

import Button from '@mui/material/Button';
import { saveOwnNameAction, saveOwnPasswordAction, signOutElsewhereAction } from '@/app/actions/staff';
import { ownNameForm, ownPasswordForm } from '@/forms';
import type { AccountView } from '@/views/staff';
import { Field, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useAction } from '../forms/useAction';
import { useForm } from '../forms/useForm';
import { useNotice } from '../look/Notices';
import { Feeds } from './Feeds';

/** Somebody's own name, password and sessions. */
export function Account({ account }: { account: AccountView }) {
  const say = useNotice();
  const { version, signIns } = account;
  const name = useForm(ownNameForm, { version, name: account.name }, saveOwnNameAction, (_, __, refresh) => {
    say('Your name is saved.');
    refresh();
  });
  const password = useForm(ownPasswordForm, { version, current: '', password: '', again: '' }, saveOwnPasswordAction, (_, { reset }, refresh) => {
    say('Your password is another one now. Everywhere else you are signed out.');
    reset();
    refresh();
  });
  const { run, refusal, busy, refresh } = useAction();
  const end = async () => {
    const reply = await run(() => signOutElsewhereAction());
    if (reply?.ok) say(reply.value.ended === 0 ? 'You were signed in nowhere else.' : `Signed out in ${reply.value.ended} other places.`);
    refresh();
  };
  return (
    <div className="stack" style={{ gap: 24, maxWidth: 560 }}>
      <Form form={name} className="sheet stack">
        <h2>Name</h2>
        <Field form={name} name="name" label="Your name" autoComplete="name" />
        <Refusal message={name.refusal} />
        <div>
          <Button type="submit" disabled={name.busy}>
            Save the name
          </Button>
        </div>
      </Form>
      <Form form={password} className="sheet stack">
        <h2>Password</h2>
        <Field form={password} name="current" label="As it is now" type="password" autoComplete="current-password" />
        <Field form={password} name="password" label="The new one" type="password" autoComplete="new-password" />
        <Field form={password} name="again" label="The new one once more" type="password" autoComplete="new-password" />
        <Refusal message={password.refusal} />
        <div>
          <Button type="submit" disabled={password.busy}>
            Change the password
          </Button>
        </div>
      </Form>
      {account.teaches && <Feeds account={account} />}
      <section className="sheet stack">
        <h2>Signed in</h2>
        <ul className="plain lines">
          {signIns.map(({ since, seen, here }) => (
            <li key={since + seen}>
              <span className="num">since {since}</span>, last seen <span className="num">{seen}</span>
              {here && <strong> · here</strong>}
            </li>
          ))}
        </ul>
        <Refusal message={refusal} />
        {signIns.length > 1 && (
          <div>
            <Button disabled={busy} onClick={() => void end()}>
              Sign out everywhere else
            </Button>
          </div>
        )}
      </section>
    </div>
  );
}
