'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useActionState, useEffect, useState } from 'react';
import { signInAction } from '@/app/actions/signin';
import { Refusal } from '@/ui/forms/fields';
import { NOT_SENT, problemOf } from '@/ui/forms/posted';
import { PostedField } from '@/ui/forms/PostedField';
import { forgetClasses, ownDevice, waitingOf } from '../device';
import { OthersWait } from '../teach/WaitingLogs';
import { tellSignedIn } from './signedInAgain';
import styles from './SignIn.module.css';

interface DemoSignIn {
  readonly name: string;
  readonly role: string;
  readonly email: string;
  readonly password: string;
}

/** Sign in; in demo mode the demo's sign-ins stand beside the form. */
export function SignInForm({ demo, next, chosen }: { demo: readonly DemoSignIn[]; next: string; chosen: boolean }) {
  const [sent, action, busy] = useActionState(signInAction, NOT_SENT);
  const waiting = useNobodyHere();
  return (
    <main className={styles.page}>
      <section className={styles.sheet}>
        <h1>Oaken Ladder</h1>
        <p className="soft">{chosen ? 'Your password is set. Sign in with it.' : 'Breathwork courses, built rung by rung.'}</p>
        {waiting.length > 0 && <OthersWait names={waiting} />}
        <form action={action} noValidate className="stack" key={JSON.stringify(sent.typed)}>
          <input type="hidden" name="next" value={next} />
          <PostedField sent={sent} name="email" label="E-mail" type="email" autoComplete="username" />
          <PostedField sent={sent} name="password" label="Password" type="password" autoComplete="current-password" />
          <Refusal message={problemOf(sent)} />
          <Button type="submit" variant="contained" disabled={busy}>
            Sign in
          </Button>
        </form>
        <p className="small">
          <Link href="/sign-in/lost">I cannot sign in</Link>
        </p>
        {demo.length > 0 && <DemoSignIns demo={demo} />}
      </section>
    </main>
  );
}

/** Where somebody signs in nobody is signed in: nothing of a class opens, and what waits is said by whose it is. */
function useNobodyHere(): readonly string[] {
  const [waiting, setWaiting] = useState<readonly string[]>([]);
  useEffect(() => {
    ownDevice(null);
    void forgetClasses().catch(() => undefined);
    void waitingOf().then(
      ({ others }) => setWaiting(others),
      () => undefined,
    );
    // Whoever signs in here may have another page open that waits for it.
    return tellSignedIn;
  }, []);
  return waiting;
}

function DemoSignIns({ demo }: { demo: readonly DemoSignIn[] }) {
  const fill = (values: Readonly<Record<'email' | 'password', string>>) => {
    for (const [name, value] of Object.entries(values)) (document.getElementById(name) as HTMLInputElement).value = value;
  };
  return (
    <div className={styles.demo}>
      <h2>Demo sign-ins</h2>
      <p className="small soft">Shown because this is the demo. Press a name to fill the form.</p>
      <ul className="plain">
        {demo.map(({ name, role, email, password }) => (
          <li key={email}>
            <button type="button" onClick={() => fill({ email, password })}>
              <strong>{name}</strong>, {role}
              <span className="soft">
                {email} · {password}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
