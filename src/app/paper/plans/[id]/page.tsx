import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { may } from '@/server/auth/permissions';
import { readPlanSheet } from '@/server/usecases/paper/readPaper';
import { Desk, PlanPaper, pdfs } from '@/ui/paper/Paper';

export const metadata: Metadata = { title: 'Lesson plan' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => (
    <Desk
      back={`${may(desk.who.role, 'see plans') ? '/plans' : '/teach'}/${id}`}
      files={[...pdfs('plan', id), { name: 'Markdown', href: `/api/export/plan-text/${id}` }]}
    >
      <PlanPaper sheet={await readPlanSheet(desk, id)} />
    </Desk>
  ));
}
