import Button from '@mui/material/Button';
import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { dayText, longDayText } from '@/core/units';
import { may } from '@/server/auth/permissions';
import { listSeries } from '@/server/usecases/series/readSeries';
import { Pages } from '@/ui/lists/Pages';
import { pageOf } from '@/ui/lists/page';

export const metadata: Metadata = { title: 'Series' };

/** How many series are shown at once. */
const AT_ONCE = 60;

interface Props {
  readonly searchParams: Promise<{ page?: string }>;
}

export default async function SeriesPage({ searchParams }: Props) {
  const { page: asked } = await searchParams;
  return seated(async (desk) => {
    const all = await listSeries(desk);
    const page = pageOf(all, asked, AT_ONCE);
    const running = all.filter(({ state }) => state === 'running').length;
    return (
      <>
        <div className="head">
          <h1>Series</h1>
          {may(desk.who.role, 'edit courses') && (
            <div className="actions">
              <Button variant="contained" href="/series/new">
                Make a series
              </Button>
            </div>
          )}
        </div>
        <p className="lead">
          {all.length === 0
            ? 'No series yet: a minute or two a day at a fixed hour, for 7 to 40 days, mostly alone at home.'
            : `${all.length === 1 ? 'One series' : `${all.length} series`}, ${running === 0 ? 'none running today' : running === all.length ? 'running' : running === 1 ? 'one of them running' : `${running} of them running`}.`}
        </p>
        <ul className="plain lines sheet">
          {page.shown.map(({ id, name, cohort, state, firstDate, lastDate, length, day, people }) => (
            <li key={id} className="group">
              <div>
                <h2>
                  <Link href={`/series/${id}`}>{name}</Link>
                </h2>
                <p className="soft">{cohort}</p>
              </div>
              <p>
                <span className="num">{length}</span> days, <span className="num">{people}</span> {people === 1 ? 'person' : 'people'}
              </p>
              <p>
                {state === 'running' ? (
                  <strong>{day === null ? 'a pause today' : `day ${day} of ${length}`}</strong>
                ) : state === 'planning' ? (
                  `begins ${dayText(firstDate)}`
                ) : (
                  <span className="soft">finished {longDayText(lastDate)}</span>
                )}
              </p>
            </li>
          ))}
        </ul>
        <Pages of={page} href="/series" what="series" />
      </>
    );
  });
}
