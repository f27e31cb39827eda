import Button from '@mui/material/Button';
import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { may } from '@/server/auth/permissions';
import { listCohorts } from '@/server/usecases/cohorts/listCohorts';
import { readConventions } from '@/server/usecases/studio/readConventions';
import { needsDoing } from '@/server/usecases/people/needsDoing';
import { Pages } from '@/ui/lists/Pages';
import { pageOf } from '@/ui/lists/page';
import type { CohortLine } from '@/views/cohort';
import { NeedsDoing } from '@/ui/cohorts/NeedsDoing';
import { NewCohort } from '@/ui/cohorts/NewCohort';

export const metadata: Metadata = { title: 'Cohorts' };

/** How many cohorts are shown at once, and of how many it is said what they need. */
const AT_ONCE = 40;
const NEEDS_AT_ONCE = 20;

interface Props {
  readonly searchParams: Promise<{ page?: string; needs?: string }>;
}

export default async function CohortsPage({ searchParams }: Props) {
  const { page: asked, needs: from } = await searchParams;
  return seated(async (desk) => {
    const [cohorts, needs, { asksByItself, library, version }] = await Promise.all([
      listCohorts(desk),
      may(desk.who.role, 'add people') ? needsDoing(desk) : [],
      readConventions(desk),
    ]);
    const page = pageOf(cohorts, asked, AT_ONCE);
    const due = pageOf(needs, from, NEEDS_AT_ONCE);
    const toAsk = needs.filter(({ kind }) => kind === 'form').flatMap(({ people }) => people.filter((one) => !one.asked)).length;
    const waiting = cohorts.reduce((sum, { due }) => sum + (due ? due.unscreened + due.over : 0), 0);
    return (
      <>
        <div className="head">
          <h1>Cohorts</h1>
          {may(desk.who.role, 'see reasons') && (
            <div className="actions">
              <Button href="/cohorts/rules">The rulebook</Button>
            </div>
          )}
        </div>
        <p className="lead">
          {cohorts.length === 0
            ? may(desk.who.role, 'edit courses')
              ? 'No cohort yet. People are taught in cohorts: a group that meets, with what it practises already. Make the first below.'
              : 'No cohort is in your hands yet. The director hands you one with a course.'
            : `${cohorts.length} groups, ${cohorts.reduce((sum, { people }) => sum + people, 0)} people.${!may(desk.who.role, 'add people') ? '' : waiting === 0 ? ' Everyone’s screening is valid today.' : waiting === 1 ? ' One person has no valid screening.' : ` ${waiting} people have no valid screening.`}`}
        </p>
        {may(desk.who.role, 'add people') && cohorts.length > 0 && (
          <NeedsDoing needs={due.shown} toAsk={toAsk} asksByItself={asksByItself} version={may(desk.who.role, 'run the studio') ? version : null}>
            <Pages of={due} href="/cohorts" what="groups that need something" name="needs" />
          </NeedsDoing>
        )}
        <ul className="plain lines sheet">
          {page.shown.map(({ id, name, about, people, due }) => (
            <li key={id} className="group">
              <div>
                <h2>
                  <Link href={`/cohorts/${id}`}>{name}</Link>
                </h2>
                <p className="soft">{about}</p>
              </div>
              <p>
                <span className="num">{people}</span> people
              </p>
              <p>{due && sentence(due)}</p>
            </li>
          ))}
        </ul>
        <Pages of={page} href="/cohorts" what="cohorts" />
        {may(desk.who.role, 'edit courses') && <NewCohort techniques={library.techniques.map(({ id, name }) => ({ id, name }))} />}
      </>
    );
  });
}

function sentence({ unscreened, over, ending }: NonNullable<CohortLine['due']>) {
  const parts = [
    ...(unscreened > 0 ? [`${unscreened} not screened`] : []),
    ...(over > 0 ? [`${over} out of date`] : []),
    ...(ending > 0 ? [`${ending} running out within four weeks`] : []),
  ];
  return parts.length === 0 ? <span className="soft">all screened</span> : <strong>{parts.join(', ')}</strong>;
}
