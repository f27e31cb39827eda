import Button from '@mui/material/Button';
import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { isIsoDate, longDayText } from '@/core/units';
import { may } from '@/server/auth/permissions';
import { readCohort } from '@/server/usecases/cohorts/readCohort';
import { readTracks } from '@/server/usecases/cohorts/readTracks';
import type { Standing } from '@/server/usecases/cohorts/listCohorts';
import { CellFocus } from '@/ui/cohorts/CellFocus';
import { PeopleTable } from '@/ui/cohorts/PeopleTable';
import { TakeRoster } from '@/ui/cohorts/TakeRoster';
import { Tracks } from '@/ui/cohorts/Tracks';
import { MarkKey } from '@/ui/figures/Mark';
import { Plank } from '@/ui/shell/Plank';

export const metadata: Metadata = { title: 'Cohort' };

interface Query {
  readonly date?: string;
  readonly person?: string;
  readonly technique?: string;
  readonly tracks?: string;
  readonly all?: string;
}

export default async function CohortPage({ params, searchParams }: { params: Promise<{ id: string }>; searchParams: Promise<Query> }) {
  const [{ id }, { date = '', person, technique, tracks, all }] = await Promise.all([params, searchParams]);
  return seated(async (desk) => {
    const at = isIsoDate(date) ? date : null;
    const focus = person && technique ? { person, technique } : null;
    const { group, people, courses, table } = await readCohort(desk, id, { date: at, focus, all: all !== undefined });
    const view = tracks && table ? await readTracks(desk, id, tracks, table.date) : null;
    const looksAfter = may(desk.who.role, 'add people');
    return (
      <>
        <div className="head">
          <div>
            <h1>{group.name}</h1>
            <p className="soft">
              {people.length} people · {group.about}
              {may(desk.who.role, 'see courses') &&
                courses.map((course) => (
                  <span key={course.id}>
                    {' '}
                    · <Link href={`/courses/${course.id}`}>{course.name}</Link>
                  </span>
                ))}
            </p>
          </div>
          {looksAfter && (
            <div className="actions">
              <TakeRoster cohort={id} name={group.name} />
              <Button href={`/cohorts/${id}/roster`}>Bring in a roster</Button>
              <Button variant="contained" href={`/cohorts/${id}/add`}>
                Add a person
              </Button>
            </div>
          )}
        </div>
        <p className="lead">{opening(people)}</p>
        {table === null ? (
          <ScreeningDates people={people} />
        ) : (
          <div className="two">
            <PeopleTable cohort={id} people={people} table={table} focus={table.focus} all={all !== undefined} personPages={looksAfter} />
            <Plank>
              {view ? (
                <Tracks view={view} date={table.date} />
              ) : table.focus ? (
                <CellFocus focus={table.focus} date={table.date} />
              ) : (
                <p>
                  Pick a cell to see what a person does instead{may(desk.who.role, 'see reasons') ? ', and why' : ''}; pick a technique to see how all
                  of them do it together.
                </p>
              )}
              <MarkKey />
              <p className="small soft">
                Screening is for planning. It clears nobody: licensed clinicians decide. <Link href="/safety">What it does and does not do</Link>
              </p>
            </Plank>
          </div>
        )}
      </>
    );
  });
}

function opening(people: readonly { readonly name: string; readonly standing: Standing }[]): string {
  const missing = people.filter(({ standing }) => standing.state === 'none' || standing.state === 'over').map(({ name }) => name);
  const ending = people.filter(({ standing }) => standing.state === 'ending').map(({ name }) => name);
  const list = (names: readonly string[]) =>
    names.length > 5 ? `${names.length} people` : names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
  const parts = [
    missing.length > 0
      ? `${list(missing)} ${missing.length === 1 ? 'has' : 'have'} no valid screening: planned with no holds, no pumps and no connected breath.`
      : '',
    ending.length > 0 ? `The screening of ${list(ending)} runs out within four weeks.` : '',
  ].filter(Boolean);
  return parts.length > 0
    ? parts.join(' ')
    : people.length === 0
      ? 'Nobody is in it yet. Add the first person, or bring in a roster.'
      : 'Everyone’s screening is valid today.';
}

function ScreeningDates({ people }: { people: readonly { readonly id: string; readonly name: string; readonly standing: Standing }[] }) {
  return (
    <table className="figures" style={{ maxWidth: 520 }}>
      <thead>
        <tr>
          <th scope="col">Person</th>
          <th scope="col">Screened until</th>
        </tr>
      </thead>
      <tbody>
        {people.map(({ id, name, standing }) => (
          <tr key={id}>
            <td>
              <Link href={`/cohorts/people/${id}`}>{name}</Link>
            </td>
            <td>{standing.state === 'none' ? 'not yet' : longDayText(standing.until)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
