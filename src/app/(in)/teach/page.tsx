import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { addDays, dayText, mondayOf } from '@/core/units';
import { may } from '@/server/auth/permissions';
import { coverFor } from '@/server/usecases/teach/cover';
import { myClasses } from '@/server/usecases/teach/myClasses';
import { readWeek } from '@/server/usecases/teach/readWeek';
import { Refusal } from '@/server/errors';
import type { Desk } from '@/server/desk';
import type { WeekView } from '@/views/week';
import { Pages } from '@/ui/lists/Pages';
import { pageOf } from '@/ui/lists/page';
import { Cover } from '@/ui/teach/Cover';
import { KeepWeek } from '@/ui/teach/KeepWeek';
import { Week } from '@/ui/teach/Week';

export const metadata: Metadata = { title: 'Teach' };

/** For how many days ahead a device keeps its teacher's classes. */
const KEPT_DAYS = 6;

/** How many classes of a week are shown at once. */
const AT_ONCE = 60;
/** How many classes without a teacher, or of one's own today, are told of one by one. */
const TOLD = 3;

interface Props {
  readonly searchParams: Promise<{ week?: string; cover?: string; page?: string }>;
}

export default async function TeachPage({ searchParams }: Props) {
  const { week: asked, cover: wanted, page } = await searchParams;
  return seated(async (desk) => {
    const [week, mine] = await Promise.all([readWeek(desk, asked ?? null), myClasses(desk)]);
    const nobody = week.rows.find((row) => row.nobody !== null);
    const id = may(desk.who.role, 'hand over') ? (wanted ?? nobody?.id ?? null) : null;
    const cover = id ? await coverOf(desk, id) : null;
    const open = mine.filter(({ state, date }) => state === 'not logged' && date < week.monday);
    // What is taught in the next days opens without a network.
    const soon = mine.filter(({ date, state }) => date >= desk.today && date <= addDays(desk.today, KEPT_DAYS) && state !== 'cancelled');
    const now = week.monday === mondayOf(desk.today);
    const shown = pageOf(
      week.rows,
      page,
      AT_ONCE,
      week.rows.findIndex(({ date }) => date >= desk.today),
    );
    const rows = <Week week={{ ...week, rows: shown.shown }} whole={shown.pages === 1} />;
    const here = (monday: string) => (monday === mondayOf(desk.today) ? '/teach' : `/teach?week=${monday}`);
    return (
      <>
        <KeepWeek classes={soon.map(({ id: session }) => session)} />
        <div className="head">
          <h1>{now ? 'This week' : `The week of ${dayText(week.monday)}`}</h1>
          <nav className="actions" aria-label="Weeks">
            <Link href={here(addDays(week.monday, -7))}>‹ before</Link>
            {!now && <Link href="/teach">this week</Link>}
            <Link href={here(addDays(week.monday, 7))}>after ›</Link>
          </nav>
        </div>
        <p className="lead">{opening(week)}</p>
        {open.length > 0 && (
          <section style={{ marginBottom: 18 }}>
            <h2>Still to log</h2>
            <ul className="plain lines">
              {open.map(({ id: session, course, date, start }) => (
                <li key={session}>
                  <Link href={`/teach/${session}?log`}>{course}</Link>,{' '}
                  <span className="num">
                    {dayText(date)} {start}
                  </span>
                </li>
              ))}
            </ul>
          </section>
        )}
        {cover ? (
          <div className="two">
            {rows}
            {'closed' in cover ? (
              <p className="note">{cover.closed}</p>
            ) : (
              <Cover key={cover.session.id} cover={cover} back={here(week.monday)} today={desk.today} />
            )}
          </div>
        ) : (
          rows
        )}
        <Pages of={shown} href={here(week.monday)} what="classes" />
      </>
    );
  });
}

async function coverOf(desk: Desk, id: string) {
  try {
    return await coverFor(desk, id);
  } catch (error) {
    if (error instanceof Refusal) return { closed: error.message };
    throw error;
  }
}

/** What the week holds, and what needs somebody, in a sentence or two. */
function opening({ rows, whole, today }: WeekView): string {
  const held = rows.filter(({ cancelled }) => !cancelled);
  const count = held.length === 0 ? 'No class' : held.length === 1 ? 'One class' : `${held.length} classes`;
  const nobody = held.filter((row) => row.nobody !== null);
  const unread = held.filter(({ state, date, nobody: none }) => state === 'published' && date >= today && none === null).length;
  const mine = held.filter((row) => row.mine && row.date === today && row.state !== 'taught');
  return [
    `${count}${whole ? '' : ' of yours'}.`,
    ...nobody
      .slice(0, TOLD)
      .map(({ course, date, start, nobody: why, teacher }) =>
        `${course} on ${date === today ? 'today' : dayText(date)} at ${start} has nobody: ${why === 'is away' ? `${teacher} is away` : 'whoever had it no longer teaches here'}.`.replace(
          'on today',
          'today',
        ),
      ),
    ...(nobody.length > TOLD ? [`${nobody.length - TOLD} more have nobody.`] : []),
    ...mine.slice(0, TOLD).map(({ course, start }) => `You teach ${course} today at ${start}.`),
    ...(unread === 0 ? [] : [unread === 1 ? 'One plan is not read yet.' : `${unread} plans are not read yet.`]),
  ].join(' ');
}
