import Button from '@mui/material/Button';
import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { dayText, longDayText } from '@/core/units';
import { may } from '@/server/auth/permissions';
import { listCourses } from '@/server/usecases/courses/listCourses';
import { Pages } from '@/ui/lists/Pages';
import { pageOf } from '@/ui/lists/page';

export const metadata: Metadata = { title: 'Courses' };

/** How many courses are shown at once. */
const AT_ONCE = 60;

interface Props {
  readonly searchParams: Promise<{ page?: string }>;
}

export default async function CoursesPage({ searchParams }: Props) {
  const { page: asked } = await searchParams;
  return seated(async (desk) => {
    const courses = await listCourses(desk);
    const page = pageOf(courses, asked, AT_ONCE);
    const running = courses.filter(({ state }) => state === 'running').length;
    return (
      <>
        <div className="head">
          <h1>Courses</h1>
          {may(desk.who.role, 'edit courses') && (
            <div className="actions">
              <Button href="/courses/single">A single class</Button>
              <Button href="/courses/bring">Bring a course in</Button>
              <Button variant="contained" href="/courses/new">
                Make a course
              </Button>
            </div>
          )}
        </div>
        <p className="lead">
          {courses.length === 0
            ? 'No course yet. Make one for a cohort: give its weeks and goals, and press Draft.'
            : `${courses.length === 1 ? 'One course' : `${courses.length} courses`}, ${running === 0 ? 'none running today' : running === 1 ? 'one of them running' : `${running} of them running`}.`}
        </p>
        <ul className="plain lines sheet">
          {page.shown.map(({ id, name, cohort, teacher, state, single, week, weeks, firstDate, lastDate, sessions, drafted }) => (
            <li key={id} className="group">
              <div>
                <h2>
                  <Link href={`/courses/${id}`}>{name}</Link>
                </h2>
                <p className="soft">
                  {cohort} · {teacher}
                </p>
              </div>
              <p>
                {single ? (
                  'a single class'
                ) : (
                  <>
                    <span className="num">{sessions}</span> classes
                  </>
                )}
              </p>
              <p>
                {state === 'running' ? (
                  <strong>
                    week {week} of {weeks}
                  </strong>
                ) : state === 'planning' ? (
                  <span>
                    {single ? 'on' : `${drafted === 0 ? 'not drafted yet' : 'drafted'}, starts`} {dayText(firstDate)}
                  </span>
                ) : (
                  <span className="soft">finished {longDayText(lastDate)}</span>
                )}
              </p>
            </li>
          ))}
        </ul>
        <Pages of={page} href="/courses" what="courses" />
      </>
    );
  });
}
