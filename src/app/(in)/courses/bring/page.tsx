import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { addDays, mondayOf } from '@/core/units';
import { prepareCourse } from '@/server/usecases/courses/prepareCourse';
import { BringCourse } from '@/ui/courses/BringCourse';

export const metadata: Metadata = { title: 'Bring a course in' };

export default function BringCoursePage() {
  return seated(async (desk) => {
    const { cohorts, teachers } = await prepareCourse(desk);
    const options = (all: typeof cohorts) => all.map(({ id, name }) => ({ value: id, label: name }));
    return (
      <>
        <h1>Bring a course in</h1>
        <p className="lead">A course that another studio took along: its classes, climbs and notes, and nobody’s name. It is looked through first.</p>
        <BringCourse cohorts={options(cohorts)} teachers={options(teachers)} firstDate={addDays(mondayOf(desk.today), 7)} />
      </>
    );
  });
}
