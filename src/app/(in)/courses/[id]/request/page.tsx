import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readRequest } from '@/server/usecases/courses/changeCourse';
import { RequestForm } from '@/ui/courses/RequestForm';

export const metadata: Metadata = { title: 'Change what is asked' };

export default async function RequestPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    const { request, choices, begun } = await readRequest(desk, id);
    return (
      <>
        <h1>What is asked of {request.name}</h1>
        <p className="lead">What a change does, class by class, is shown before it is kept. What was taught stays as it was.</p>
        <RequestForm request={request} choices={choices} begun={begun} />
      </>
    );
  });
}
