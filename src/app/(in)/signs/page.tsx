import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readSigns } from '@/server/usecases/signs/answerSigns';
import { Signs } from '@/ui/signs/Signs';

export const metadata: Metadata = { title: 'Stop signs' };

/** What was marked and nobody has answered for yet. */
export default function SignsPage() {
  return seated(async (desk) => {
    const signs = await readSigns(desk);
    return (
      <>
        <h1>Stop signs</h1>
        <p className="lead">
          {signs.length === 0
            ? 'Nothing stands here. Whatever is marked in a class or at home does, until somebody has answered for it.'
            : 'Each stands until somebody has answered for it. Ask how they are, then say in a few words what was done.'}
        </p>
        <Signs signs={signs} />
      </>
    );
  });
}
