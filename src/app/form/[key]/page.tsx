import type { Metadata } from 'next';
import { openedLink } from '@/app/edge';
import { openLink } from '@/server/usecases/people/answerLink';
import { PersonalForm } from '@/ui/people/PersonalForm';
import '@/ui/people/PersonalForm.css';

export const metadata: Metadata = { title: 'Before you breathe with us', robots: { index: false, follow: false } };

/** A person's own form, behind their link. Opening it does not use it up. */
export default async function FormPage({ params }: { params: Promise<{ key: string }> }) {
  const { key } = await params;
  const form = await openedLink('form', key, openLink);
  return (
    <main className="personal">
      {'closed' in form ? (
        <>
          <h1>This form is closed</h1>
          <p className="lead">{form.closed}</p>
        </>
      ) : (
        <PersonalForm link={key} form={form} />
      )}
    </main>
  );
}
