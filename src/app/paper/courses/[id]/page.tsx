import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readCoursePage } from '@/server/usecases/paper/readPaper';
import { Desk, CoursePaper } from '@/ui/paper/Paper';

export const metadata: Metadata = { title: 'Course' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => (
    <Desk
      back={`/courses/${id}`}
      files={[
        { name: 'PDF, A4', href: `/api/export/course-page/${id}` },
        { name: 'PDF, letter', href: `/api/export/course-page/${id}?size=letter` },
      ]}
    >
      <CoursePaper page={await readCoursePage(desk, id)} />
    </Desk>
  ));
}
