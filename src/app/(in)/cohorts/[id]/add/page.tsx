import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { authorise } from '@/server/auth/permissions';
import { readCohort } from '@/server/usecases/cohorts/readCohort';
import { PersonForm } from '@/ui/cohorts/PersonForm';

export const metadata: Metadata = { title: 'Add a person' };

export default async function AddPersonPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    authorise(desk.who, 'add people');
    const { group } = await readCohort(desk, id, { date: null, focus: null });
    return (
      <>
        <h1>Add a person to {group.name}</h1>
        <p className="lead">
          With the answers of their screening form, or without: somebody who is not screened is planned with no holds, no pumps and no connected
          breath.
        </p>
        <PersonForm cohort={id} today={desk.today} />
      </>
    );
  });
}
