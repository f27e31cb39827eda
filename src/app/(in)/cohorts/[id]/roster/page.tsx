import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { authorise } from '@/server/auth/permissions';
import { readCohort } from '@/server/usecases/cohorts/readCohort';
import { RosterFile } from '@/ui/people/RosterFile';

export const metadata: Metadata = { title: 'Bring in a roster' };

export default async function RosterPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    authorise(desk.who, 'add people');
    const { group } = await readCohort(desk, id, { date: null, focus: null });
    return (
      <>
        <h1>A roster for {group.name}</h1>
        <p className="lead">A CSV file with a line for each person. You see everything first; it comes in whole, or not at all.</p>
        <RosterFile cohort={id} />
      </>
    );
  });
}
