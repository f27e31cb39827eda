import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { addDays, mondayOf } from '@/core/units';
import { readRequest } from '@/server/usecases/courses/changeCourse';
import { CopyForm } from '@/ui/courses/CopyForm';

export const metadata: Metadata = { title: 'Copy a course' };

export default async function CopyPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    const { request, choices } = await readRequest(desk, id);
    return (
      <>
        <h1>Copy {request.name}</h1>
        <p className="lead">
          Its goals and classes, on days of their own and for people who are screened afresh. What was logged last time stands beside each class.
        </p>
        <CopyForm
          of="course"
          id={id}
          name={request.name}
          cohort={request.cohort}
          teacher={request.teacher}
          choices={choices}
          firstDate={addDays(mondayOf(desk.today), 7)}
        />
      </>
    );
  });
}
