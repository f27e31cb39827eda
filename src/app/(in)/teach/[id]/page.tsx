import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readClass } from '@/server/usecases/teach/readClass';
import { ClassRoom } from '@/ui/teach/ClassRoom';

export const metadata: Metadata = { title: 'Class' };

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ log?: string }>;
}

export default async function ClassPage({ params, searchParams }: Props) {
  const [{ id }, { log }] = await Promise.all([params, searchParams]);
  return seated(async (desk) => <ClassRoom key={id} room={await readClass(desk, id)} logging={log !== undefined} />);
}
