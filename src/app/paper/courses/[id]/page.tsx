import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readCoursePage } from '@/server/usecases/paper/readPaper';
import { Desk, CoursePaper, pdfs } from '@/ui/paper/Paper';

export const metadata: Metadata = { title: 'Course' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => (
    <Desk back={`/courses/${id}`} files={pdfs('course-page', id)}>
      <CoursePaper page={await readCoursePage(desk, id)} />
    </Desk>
  ));
}
