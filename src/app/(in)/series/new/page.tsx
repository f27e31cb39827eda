import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { addDays, mondayOf } from '@/core/units';
import { prepareCourse } from '@/server/usecases/courses/prepareCourse';
import { NoCohort } from '@/ui/shell/NoCohort';
import { SeriesForm } from '@/ui/series/SeriesForm';

export const metadata: Metadata = { title: 'Make a series' };

export default function NewSeriesPage() {
  return seated(async (desk) => {
    const { cohorts, teachers, techniques } = await prepareCourse(desk);
    return (
      <>
        <h1>Make a series</h1>
        <p className="lead">
          A little every day, at a fixed hour. Say how long a day is at first and at last, and what each week is about; the days are drafted up the
          ladder.
        </p>
        {cohorts.length === 0 ? (
          <NoCohort what="A series" />
        ) : (
          <SeriesForm cohorts={cohorts} teachers={teachers} firstDate={addDays(mondayOf(desk.today), 7)} techniques={techniques} />
        )}
      </>
    );
  });
}
