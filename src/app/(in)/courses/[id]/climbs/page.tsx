import Button from '@mui/material/Button';
import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { dayText } from '@/core/units';
import { listed } from '@/core/wording';
import { readClimbs } from '@/server/usecases/courses/readClimbs';
import { ClimbsBoard } from '@/ui/courses/ClimbsBoard';

export const metadata: Metadata = { title: 'Climbs' };

export default async function ClimbsPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    const view = await readClimbs(desk, id);
    const { course, cohort, sessions } = view.course;
    const late = view.climbs.filter(({ arrives }) => arrives === null).map(({ name }) => name);
    const grow = view.climbs.filter(({ from, to }) => from !== to).length;
    return (
      <>
        <div className="head">
          <div>
            <h1>Climbs</h1>
            <p className="soft">
              <Link href={`/courses/${course.id}`}>{course.name}</Link> · {cohort.name}
              {sessions.length > 0 && ` · ${sessions.length} classes, ${dayText(sessions[0].date)} – ${dayText(sessions[sessions.length - 1].date)}`}
            </p>
          </div>
          <div className="actions">
            <Button href={`/courses/${id}`}>The course</Button>
          </div>
        </div>
        <p className="lead">
          {grow === 0
            ? 'Nothing grows in this course: every goal is taught as it should be.'
            : grow === 1
              ? 'One thing grows.'
              : `${grow} things grow.`}{' '}
          {late.length > 0 && (
            <strong>
              {listed(late)} {late.length === 1 ? 'does' : 'do'} not arrive.
            </strong>
          )}
        </p>
        <ClimbsBoard view={view} />
      </>
    );
  });
}
