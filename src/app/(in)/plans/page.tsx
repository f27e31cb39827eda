import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { dayText } from '@/core/units';
import { readHeldLogs } from '@/server/usecases/teach/heldLogs';
import { may } from '@/server/auth/permissions';
import { HeldLogs } from '@/ui/plans/HeldLogs';
import { listPlans } from '@/server/usecases/plans/listPlans';
import { Pages } from '@/ui/lists/Pages';
import { pageOf } from '@/ui/lists/page';

export const metadata: Metadata = { title: 'Plans' };

const STATE = {
  cancelled: 'cancelled',
  empty: 'nothing in it yet',
  planned: 'planned, not published',
  published: 'published, not yet read',
  acknowledged: 'read',
  taught: 'taught',
  'not logged': 'taught, not logged',
} as const;

/** How many classes are shown at once; those of today first. */
const AT_ONCE = 60;

interface Props {
  readonly searchParams: Promise<{ page?: string }>;
}

export default async function PlansPage({ searchParams }: Props) {
  const { page: asked } = await searchParams;
  return seated(async (desk) => {
    const [plans, held] = await Promise.all([listPlans(desk), may(desk.who.role, 'edit plans') ? readHeldLogs(desk) : []]);
    const page = pageOf(
      plans,
      asked,
      AT_ONCE,
      plans.findIndex(({ date }) => date >= desk.today),
    );
    const open = plans.filter(({ date, state }) => date >= desk.today && state === 'planned').length;
    return (
      <>
        <h1>Plans</h1>
        <p className="lead">
          {plans.length === 0
            ? 'No class within a fortnight behind and four weeks ahead. Draft a course first.'
            : `The classes of the last fortnight and the next four weeks. ${open === 0 ? 'All that lies ahead is published.' : `${open} still to publish.`}`}
        </p>
        <HeldLogs held={held} />
        <table className="figures sheet">
          <thead>
            <tr>
              <th scope="col">When</th>
              <th scope="col">Course</th>
              <th scope="col">What is practised</th>
              <th scope="col">Minutes</th>
              <th scope="col">Where it stands</th>
            </tr>
          </thead>
          <tbody>
            {page.shown.map(({ id, date, start, minutes, planned, course, techniques, state, number, teacher, logged }) => (
              <tr key={id} style={date === desk.today ? { boxShadow: 'inset 5px 0 0 var(--oak)' } : undefined}>
                <td style={{ whiteSpace: 'nowrap', paddingLeft: 12 }}>
                  <Link href={`/plans/${id}`}>{dayText(date)}</Link> <span className="num soft">{start}</span>
                </td>
                <td>{course}</td>
                <td className="small">{techniques.join(', ') || <span className="soft">nothing yet</span>}</td>
                <td className="num" style={{ color: planned > minutes ? 'var(--clay)' : undefined }}>
                  {planned} <span className="soft small">of {minutes}</span>
                </td>
                <td className="small">
                  {number ? `v${number}, ${teacher}: ` : ''}
                  {logged ?? STATE[state]}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <Pages of={page} href="/plans" what="classes" />
      </>
    );
  });
}
