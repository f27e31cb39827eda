import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { addDays, mondayOf } from '@/core/units';
import { prepareCourse } from '@/server/usecases/courses/prepareCourse';
import { NoCohort } from '@/ui/shell/NoCohort';
import { CourseForm } from '@/ui/courses/CourseForm';

export const metadata: Metadata = { title: 'Make a course' };

export default function NewCoursePage() {
  return seated(async (desk) => {
    const { cohorts, teachers, techniques } = await prepareCourse(desk);
    return (
      <>
        <h1>Make a course</h1>
        <p className="lead">Say when it meets and where it should arrive. The draft climbs the ladder from what the cohort already practises.</p>
        {cohorts.length === 0 ? (
          <NoCohort what="A course" />
        ) : (
          <CourseForm cohorts={cohorts} teachers={teachers} firstDate={addDays(mondayOf(desk.today), 7)} techniques={techniques} />
        )}
      </>
    );
  });
}
