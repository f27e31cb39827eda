'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { signInAction } from '@/app/actions/signin';
import { signInForm } from '@/forms';
import { Field, Refusal } from '@/ui/forms/fields';
import { useForm } from '@/ui/forms/useForm';
import styles from './SignIn.module.css';

interface DemoSignIn {
  readonly name: string;
  readonly role: string;
  readonly email: string;
  readonly password: string;
}

/** Sign in; in demo mode the demo's sign-ins stand beside the form. */
export function SignInForm({ demo, next, chosen }: { demo: readonly DemoSignIn[]; next: string; chosen: boolean }) {
  const router = useRouter();
  const form = useForm(signInForm, { email: '', password: '' }, signInAction, () => {
    router.push(next);
    router.refresh();
  });
  return (
    <main className={styles.page}>
      <section className={styles.sheet}>
        <h1>Oaken Ladder</h1>
        <p className="soft">{chosen ? 'Your password is set. Sign in with it.' : 'Breathwork courses, built rung by rung.'}</p>
        <form onSubmit={form.send} noValidate className="stack">
          <Field form={form} name="email" label="E-mail" type="email" autoComplete="username" />
          <Field form={form} name="password" label="Password" type="password" autoComplete="current-password" />
          <Refusal message={form.refusal} />
          <Button type="submit" variant="contained" disabled={form.busy}>
            Sign in
          </Button>
        </form>
        <p className="small">
          <Link href="/sign-in/lost">I cannot sign in</Link>
        </p>
        {demo.length > 0 && (
          <div className={styles.demo}>
            <h2>Demo sign-ins</h2>
            <p className="small soft">Shown because this is the demo. Press a name to fill the form.</p>
            <ul className="plain">
              {demo.map(({ name, role, email, password }) => (
                <li key={email}>
                  <button
                    type="button"
                    onClick={() => {
                      form.setValue('email', email);
                      form.setValue('password', password);
                    }}
                  >
                    <strong>{name}</strong>, {role}
                    <span className="soft">
                      {email} · {password}
                    </span>
                  </button>
                </li>
              ))}
            </ul>
          </div>
        )}
      </section>
    </main>
  );
}
