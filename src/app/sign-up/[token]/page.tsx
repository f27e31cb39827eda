import type { Metadata } from 'next';
import { ownAddress } from '@/app/edge';
import { freshManager } from '@/server/db/orm';
import { Refusal } from '@/server/errors';
import { openSignUp } from '@/server/usecases/series/signUp';
import '@/ui/people/PersonalForm.css';

export const metadata: Metadata = { title: 'Take part', robots: { index: false, follow: false } };

interface Props {
  readonly params: Promise<{ token: string }>;
  readonly searchParams: Promise<{ why?: string; thanks?: string }>;
}

/** Signing up for a series: a form like any other, without JavaScript. */
export default async function SignUpPage({ params, searchParams }: Props) {
  const [{ token }, { why, thanks }] = await Promise.all([params, searchParams]);
  if (thanks !== undefined)
    return (
      <main className="personal">
        <h1>Thank you</h1>
        <p className="lead">
          The studio has it. A few questions about your health come by mail; once the studio has said yes, so does your own page.
        </p>
      </main>
    );
  const opened = await open(token);
  return (
    <main className="personal">
      {'closed' in opened ? (
        <>
          <h1>This link is closed</h1>
          <p className="lead">{opened.closed}</p>
        </>
      ) : (
        <>
          <p className="soft">{opened.studio}</p>
          <h1>{opened.series}</h1>
          <p className="lead">
            {opened.days} days from {opened.from}, a few minutes each at {opened.start} or whenever it suits you, mostly at home.
          </p>
          {why && (
            <p className="note bad" role="alert">
              {why}
            </p>
          )}
          <form method="post" action={`/api/sign-up/${token}`} className="sheet stack">
            <label htmlFor="name">Your name</label>
            <input id="name" name="name" required maxLength={60} autoComplete="name" />
            <label htmlFor="email">
              Your e-mail
              <span className="small soft">Your own page is sent there.</span>
            </label>
            <input id="email" name="email" type="email" required maxLength={200} autoComplete="email" />
            <label htmlFor="birthDate">
              Your birth date
              <span className="small soft">People under 16 and over 65 practise a little differently; without it we plan gently.</span>
            </label>
            <input id="birthDate" name="birthDate" type="date" min="1900-01-01" />
            <div hidden>
              <label htmlFor="website">Leave this empty</label>
              <input id="website" name="website" tabIndex={-1} autoComplete="off" />
            </div>
            <button className="big">Take part</button>
          </form>
        </>
      )}
    </main>
  );
}

async function open(token: string) {
  try {
    return await openSignUp(await freshManager(), token, await ownAddress(), new Date());
  } catch (error) {
    if (error instanceof Refusal) return { closed: error.message };
    throw error;
  }
}
