import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readSigns } from '@/server/usecases/signs/answerSigns';
import { Pages } from '@/ui/lists/Pages';
import { pageOf } from '@/ui/lists/page';
import { Signs } from '@/ui/signs/Signs';

export const metadata: Metadata = { title: 'Stop signs' };

/** How many stand on a page. */
const AT_ONCE = 30;

interface Props {
  readonly searchParams: Promise<{ page?: string; sign?: string }>;
}

/** What was marked and nobody has answered for yet. */
export default async function SignsPage({ searchParams }: Props) {
  const { page: asked, sign } = await searchParams;
  return seated(async (desk) => {
    const signs = await readSigns(desk);
    const page = pageOf(
      signs,
      asked,
      AT_ONCE,
      signs.findIndex(({ id }) => id === sign),
    );
    return (
      <>
        <h1>Stop signs</h1>
        <p className="lead">
          {signs.length === 0
            ? 'Nothing stands here. Whatever is marked in a class or at home does, until somebody has answered for it.'
            : 'Each stands until somebody has answered for it. Ask how they are, then say in a few words what was done.'}
        </p>
        <Signs signs={page.shown} />
        <Pages of={page} href="/signs" what="signs" />
      </>
    );
  });
}
