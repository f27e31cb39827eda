import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { addDays } from '@/core/units';
import { prepareCourse } from '@/server/usecases/courses/prepareCourse';
import { NoCohort } from '@/ui/shell/NoCohort';
import { SingleForm } from '@/ui/courses/SingleForm';

export const metadata: Metadata = { title: 'A single class' };

export default function SinglePage() {
  return seated(async (desk) => {
    const { cohorts, teachers } = await prepareCourse(desk);
    const options = (all: typeof cohorts) => all.map(({ id, name }) => ({ value: id, label: name }));
    return (
      <>
        <h1>A single class</h1>
        <p className="lead">A workshop, or one evening. It has a plan with the same checks as any class, and a teacher who reads it.</p>
        {cohorts.length === 0 ? (
          <NoCohort what="A class" />
        ) : (
          <SingleForm cohorts={options(cohorts)} teachers={options(teachers)} date={addDays(desk.today, 7)} />
        )}
      </>
    );
  });
}
