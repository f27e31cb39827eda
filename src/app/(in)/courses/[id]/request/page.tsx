import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readRequest } from '@/server/usecases/courses/changeCourse';
import { RequestForm } from '@/ui/courses/RequestForm';

export const metadata: Metadata = { title: 'Change what is asked' };

export default async function RequestPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    const { request, techniques } = await readRequest(desk, id);
    return (
      <>
        <h1>What is asked of {request.name}</h1>
        <p className="lead">
          Hour and length follow at once in every class that is not published; planned blocks stay as they are until you draft again and take what
          changes.
        </p>
        <RequestForm request={request} techniques={techniques} />
      </>
    );
  });
}
