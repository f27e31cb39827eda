import type { Metadata } from 'next';
import Link from 'next/link';
import '@/ui/people/PersonalForm.css';

export const metadata: Metadata = { title: 'Thank you', robots: { index: false, follow: false } };

/** Where a form ends. It names nobody, so that the way back shows nothing. */
export default async function ThanksPage({ searchParams }: { searchParams: Promise<{ renewed?: string }> }) {
  const renewed = (await searchParams).renewed !== undefined;
  return (
    <main className="personal">
      <h1>Thank you</h1>
      <p className="lead">
        {renewed ? 'Your last form counts for another six months.' : 'Your answers have arrived, and count for six months.'} The link is used up now.
      </p>
      <p>
        If something changes, or you want to correct an answer, ask the studio for a new link. Tell your teacher at the door how you are that day.
      </p>
      <p>
        <Link href="/safety">What screening does and does not do, and when to let go</Link>
      </p>
    </main>
  );
}
