import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { seated } from '@/app/edge';
import { prepareCourse } from '@/server/usecases/courses/prepareCourse';
import { readSeries } from '@/server/usecases/series/readSeries';
import { SeriesForm } from '@/ui/series/SeriesForm';

export const metadata: Metadata = { title: 'Change what is asked' };

export default async function AskSeriesPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    const [view, { cohorts, teachers, techniques }] = await Promise.all([readSeries(desk, id), prepareCourse(desk)]);
    if (!view.asked) redirect(`/series/${id}`);
    return (
      <>
        <h1>What is asked of {view.name}</h1>
        <p className="lead">
          For {view.cohort.name}.{' '}
          {view.begun === 0
            ? 'It has not begun, so all of it can be asked anew. Where its days rest on what you change, they are drafted again'
            : `Day ${view.begun} has begun: the days up to it stay as they are, and what was practised counts. Where the later ones rest on what you change, they are drafted again`}
          ; what was changed on them by hand is there again when that is taken back.
        </p>
        <SeriesForm cohorts={cohorts} teachers={teachers} techniques={techniques} firstDate={view.firstDate} of={{ ...view, asked: view.asked }} />
      </>
    );
  });
}
