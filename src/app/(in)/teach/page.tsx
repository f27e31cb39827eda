import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { dayText } from '@/core/units';
import type { TeachingClass } from '@/views/teach';
import { myClasses } from '@/server/usecases/teach/myClasses';

export const metadata: Metadata = { title: 'Teach' };

export default function TeachPage() {
  return seated(async (desk) => {
    const classes = await myClasses(desk);
    const open = classes.filter(({ state }) => state === 'not logged');
    const todays = classes.filter(({ today }) => today);
    const ahead = classes.filter(({ date, today }) => date > desk.today && !today);
    const behind = classes.filter(({ date, state }) => date < desk.today && state !== 'not logged');
    return (
      <>
        <h1>Teach</h1>
        <p className="lead">{opening(todays.filter(isHeld), ahead.filter(isHeld))}</p>
        <Classes title="Still to log" classes={open} />
        <Classes title="Today" classes={todays} />
        <Classes title="This week and next" classes={ahead} />
        <Classes title="Taught this week" classes={behind} />
      </>
    );
  });
}

const isHeld = ({ state }: TeachingClass) => state !== 'cancelled';

function opening(todays: readonly TeachingClass[], ahead: readonly TeachingClass[]): string {
  if (todays.length > 0) return todays.map(({ course, start }) => `You teach ${course} today at ${start}.`).join(' ');
  const next = ahead[0];
  return next ? `Nothing today. ${next.course} is next, on ${dayText(next.date)} at ${next.start}.` : 'No class is in your hands this week or next.';
}

function Classes({ title, classes }: { title: string; classes: readonly TeachingClass[] }) {
  if (classes.length === 0) return null;
  return (
    <section style={{ marginBottom: 20 }}>
      <h2>{title}</h2>
      <ul className="plain lines sheet">
        {classes.map(({ id, date, start, minutes, course, techniques, number, state, logged }) => (
          <li key={id} className="group">
            <div>
              <h3>
                {state === 'cancelled' ? <s>{course}</s> : <Link href={state === 'not logged' ? `/teach/${id}?log` : `/teach/${id}`}>{course}</Link>}
              </h3>
              <p className="small soft">{techniques.join(' · ')}</p>
            </div>
            <p className="num">
              {dayText(date)} {start}
            </p>
            <p className="small">
              <span className="num">{minutes}</span> min · v{number}, {logged ?? STATE[state]}
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}

const STATE = {
  cancelled: 'cancelled',
  empty: '',
  planned: '',
  published: 'to be read',
  acknowledged: 'read',
  taught: 'taught',
  'not logged': 'not logged yet',
} as const;
