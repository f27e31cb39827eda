import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { isIsoDate } from '@/core/units';
import { Refusal } from '@/server/errors';
import { readCohort } from '@/server/usecases/cohorts/readCohort';
import { CohortPaper, Desk } from '@/ui/paper/Paper';

export const metadata: Metadata = { title: 'Cohort' };

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ date?: string }>;
}

/** The director's table of people and techniques on paper. */
export default async function Page({ params, searchParams }: Props) {
  const [{ id }, { date = '' }] = await Promise.all([params, searchParams]);
  return seated(async (desk) => {
    const view = await readCohort(desk, id, { date: isIsoDate(date) ? date : null, focus: null });
    if (!view.table) throw new Refusal('not-allowed');
    return (
      <Desk back={`/cohorts/${id}`} files={[]}>
        <CohortPaper studio={desk.who.studioName} view={view} table={view.table} />
      </Desk>
    );
  });
}
