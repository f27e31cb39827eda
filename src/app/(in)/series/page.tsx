import Button from '@mui/material/Button';
import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { dayText, longDayText } from '@/core/units';
import { may } from '@/server/auth/permissions';
import { listSeries } from '@/server/usecases/series/readSeries';

export const metadata: Metadata = { title: 'Series' };

export default function SeriesPage() {
  return seated(async (desk) => {
    const all = await listSeries(desk);
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
          {all.map(({ id, name, cohort, state, firstDate, lastDate, length, day, people }) => (
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
      </>
    );
  });
}
