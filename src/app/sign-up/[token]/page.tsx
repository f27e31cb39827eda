import type { Metadata } from 'next';
import { ownAddress } from '@/app/edge';
import { freshManager } from '@/server/db/orm';
import { Refusal } from '@/server/errors';
import { openSignUp } from '@/server/usecases/series/signUp';
import '@/ui/people/PersonalForm.css';
import { SignUpForm } from '@/ui/series/SignUpForm';

export const metadata: Metadata = { title: 'Take part', robots: { index: false, follow: false } };

/** Signing up for a series, by a link that is there to be passed on. */
export default async function SignUpPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const opened = await open(token);
  if ('closed' in opened)
    return (
      <main className="personal">
        <h1>This link is closed</h1>
        <p className="lead">{opened.closed}</p>
      </main>
    );
  const { studio, series, days, from, start } = opened;
  const lead = `${days} days from ${from}, a few minutes each at ${start} or whenever it suits you, mostly at home.`;
  return (
    <main className="personal">
      <p className="soft">{studio}</p>
      <SignUpForm token={token} about={{ series, lead }} />
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
