import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readPerson } from '@/server/usecases/people/readPerson';
import { PaperForm } from '@/ui/people/PaperForm';

export const metadata: Metadata = { title: 'A paper form' };

export default async function PaperFormPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    const { person, today, mayReason } = await readPerson(desk, id);
    return (
      <>
        <h1>A paper form of {person.name}</h1>
        <p className="lead">Type in what stands on the paper. It replaces what was answered before; once it is sent it cannot be opened from here.</p>
        <PaperForm person={id} today={today} mayLook={mayReason} />
      </>
    );
  });
}
