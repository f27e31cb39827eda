import type { Metadata } from 'next';
import { ownAddress } from '@/app/edge';
import { freshManager } from '@/server/db/orm';
import { Refusal } from '@/server/errors';
import { openLink } from '@/server/usecases/people/answerLink';
import { PersonalForm } from '@/ui/people/PersonalForm';
import '@/ui/people/PersonalForm.css';

export const metadata: Metadata = { title: 'Before you breathe with us', robots: { index: false, follow: false } };

/** A person's own form, behind their link. Opening it does not use it up. */
export default async function FormPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const opened = await open(token);
  return (
    <main className="personal">
      {'closed' in opened ? (
        <>
          <h1>This form is closed</h1>
          <p className="lead">{opened.closed}</p>
        </>
      ) : (
        <PersonalForm token={token} form={opened} />
      )}
    </main>
  );
}

async function open(token: string) {
  try {
    return await openLink(await freshManager(), token, await ownAddress(), new Date());
  } catch (error) {
    if (error instanceof Refusal) return { closed: error.message };
    throw error;
  }
}
