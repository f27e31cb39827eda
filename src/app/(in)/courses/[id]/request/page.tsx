import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { dayText } from '@/core/units';
import { readRequest } from '@/server/usecases/courses/changeCourse';
import { RequestForm } from '@/ui/courses/RequestForm';

export const metadata: Metadata = { title: 'Change what is asked' };

export default async function RequestPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    const { request, choices, begun, around } = await readRequest(desk, id);
    return (
      <>
        <h1>What is asked of {request.name}</h1>
        <p className="lead">What a change does, class by class, is shown before it is kept. What was taught stays as it was.</p>
        {around.closed.length > 0 && (
          <p className="small">
            Closed in its time:{' '}
            {around.closed
              .map(({ from, until, reason }) => `${from === until ? dayText(from) : `${dayText(from)} – ${dayText(until)}`}, ${reason}`)
              .join('; ')}
            . <Link href="/studio">Closed days are the studio’s</Link>.
          </p>
        )}
        {around.pinned.length > 0 && (
          <p className="small">
            Pinned: {around.pinned.map(({ name, date }) => `${name} on ${dayText(date)}`).join('; ')}.{' '}
            <Link href={`/courses/${id}`}>P on the course lets one go</Link>.
          </p>
        )}
        <RequestForm request={request} choices={choices} begun={begun} />
      </>
    );
  });
}
