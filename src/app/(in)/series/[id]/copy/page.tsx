import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { addDays, mondayOf } from '@/core/units';
import { prepareCourse } from '@/server/usecases/courses/prepareCourse';
import { readSeries } from '@/server/usecases/series/readSeries';
import { CopyForm } from '@/ui/courses/CopyForm';

export const metadata: Metadata = { title: 'Copy a series' };

export default async function CopySeriesPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    const [view, { cohorts, teachers }] = await Promise.all([readSeries(desk, id), prepareCourse(desk)]);
    const last = view.going?.after ?? [];
    return (
      <>
        <h1>Copy {view.name}</h1>
        <p className="lead">What was asked of it, drafted and screened afresh for whoever takes part, from a first day of its own.</p>
        {last.length > 0 && (
          <div className="note stack">
            <h2>Last time</h2>
            {last.map((line) => (
              <p key={line}>{line}</p>
            ))}
          </div>
        )}
        <CopyForm
          of="series"
          id={id}
          name={view.name}
          cohort={view.cohort.id}
          teacher={view.teacher.id}
          choices={{ cohorts, teachers }}
          firstDate={addDays(mondayOf(desk.today), 7)}
        />
      </>
    );
  });
}
