import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { dayText } from '@/core/units';
import { readCourse } from '@/server/usecases/courses/readCourse';
import { CourseBoard } from '@/ui/courses/CourseBoard';
import { headline } from '@/ui/courses/headline';

export const metadata: Metadata = { title: 'Course' };

const DAYS = ['Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays', 'Sundays'] as const;

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ cancel?: string; publish?: string }>;
}

export default async function CoursePage({ params, searchParams }: Props) {
  const [{ id }, { cancel, publish }] = await Promise.all([params, searchParams]);
  return seated(async (desk) => {
    const view = await readCourse(desk, id);
    const { course, cohort, teacher, sessions } = view;
    return (
      <CourseBoard
        view={view}
        begin={{ wish: cancel !== undefined ? 'cancel' : publish !== undefined ? 'publish' : null, session: cancel ?? null }}
        title={
          <>
            <h1>{course.name}</h1>
            <p className="soft">
              <Link href={`/cohorts/${cohort.id}`}>{cohort.name}</Link>, {cohort.people} people · {teacher} ·{' '}
              {course.weekdays.map((day) => DAYS[day - 1]).join(' and ')} {course.start}, {course.minutes} minutes
              {sessions.length > 0 && ` · ${dayText(sessions[0].date)} – ${dayText(sessions[sessions.length - 1].date)}`}
              {course.series && (
                <>
                  {' '}
                  · the live days of <Link href={`/series/${course.series.id}`}>{course.series.name}</Link>
                </>
              )}
            </p>
          </>
        }
      >
        <p className="lead">{headline(view)}</p>
        {course.unplaced.length > 0 && (
          <div className="note" style={{ marginBottom: 14 }}>
            {course.unplaced.map((text) => (
              <p key={text}>{text}</p>
            ))}
          </div>
        )}
      </CourseBoard>
    );
  });
}
