import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { may } from '@/server/auth/permissions';
import { readHandout } from '@/server/usecases/paper/readPaper';
import { Desk, HandoutPaper, pdfs } from '@/ui/paper/Paper';

export const metadata: Metadata = { title: 'At home' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => (
    <Desk back={`${may(desk.who.role, 'see plans') ? '/plans' : '/teach'}/${id}`} files={pdfs('handout', id)}>
      <HandoutPaper sheet={await readHandout(desk, id)} />
    </Desk>
  ));
}
