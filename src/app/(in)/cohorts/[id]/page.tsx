import Button from '@mui/material/Button';
import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { listed } from '@/core/wording';
import { dayText, isIsoDate, longDayText } from '@/core/units';
import { may } from '@/server/auth/permissions';
import { readCohort } from '@/server/usecases/cohorts/readCohort';
import { readTracks } from '@/server/usecases/cohorts/readTracks';
import { readConventions } from '@/server/usecases/studio/readConventions';
import type { CohortView, PersonLine } from '@/views/cohort';
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
    const { group, people, courses, table, classes } = await readCohort(desk, id, { date: at, focus, all: all !== undefined });
    const view = tracks && table ? await readTracks(desk, id, tracks, table.date) : null;
    const looksAfter = may(desk.who.role, 'add people');
    const { naturalBreath } = await readConventions(desk);
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
              {table && <Button href={`/paper/cohorts/${id}?date=${table.date}`}>On paper</Button>}
              <TakeRoster cohort={id} name={group.name} />
              <Button href={`/cohorts/${id}/roster`}>Bring in a roster</Button>
              <Button variant="contained" href={`/cohorts/${id}/add`}>
                Add a person
              </Button>
            </div>
          )}
        </div>
        {looksAfter && <p className="lead">{opening(people)}</p>}
        {table === null ? (
          looksAfter ? (
            <ScreeningDates people={people} />
          ) : (
            <Own people={people} classes={classes} />
          )
        ) : (
          <div className="two">
            <PeopleTable cohort={id} people={people} table={table} all={all !== undefined} />
            <Plank>
              {view ? (
                <Tracks view={view} date={table.date} />
              ) : table.focus ? (
                <CellFocus focus={table.focus} date={table.date} naturalBreath={naturalBreath} />
              ) : (
                <p>Pick a cell to see what a person does instead, and why; pick a technique to see how all of them do it together.</p>
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

/** What a teacher sees of a cohort: who is in it, and the classes in their hands, where it stands what each of them does. */
function Own({ people, classes }: { people: readonly PersonLine[]; classes: CohortView['classes'] }) {
  return (
    <div className="two">
      <section>
        <h2>People</h2>
        <ul className="plain lines sheet">
          {people.map(({ id, name }) => (
            <li key={id}>{name}</li>
          ))}
        </ul>
      </section>
      <Plank>
        <h2>Your classes with them</h2>
        {classes.length === 0 ? (
          <p className="soft">None is in your hands just now. What each of them does stands in the plan of a class you teach.</p>
        ) : (
          <ul className="plain lines">
            {classes.map(({ id, date, start, course }) => (
              <li key={id}>
                <Link href={`/teach/${id}`}>
                  {dayText(date)} {start}
                </Link>
                <br />
                <span className="small soft">{course}</span>
              </li>
            ))}
          </ul>
        )}
      </Plank>
    </div>
  );
}

function opening(people: readonly PersonLine[]): string {
  const missing = people.filter(({ standing }) => standing?.state === 'none' || standing?.state === 'over').map(({ name }) => name);
  const ending = people.filter(({ standing }) => standing?.state === 'ending').map(({ name }) => name);
  const list = (names: readonly string[]) => (names.length > 5 ? `${names.length} people` : listed(names));
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

function ScreeningDates({ people }: { people: readonly PersonLine[] }) {
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
            <td>{!standing || standing.state === 'none' ? 'not yet' : longDayText(standing.until)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
