import { addDays, dayText, daysBetween } from '@/core/units';
import type { Task } from '@/views/lobby';
import type { Desk } from '../../desk';
import { courses, session as sessionById } from '../../repositories/courses';
import { handoversSince } from '../../repositories/hands';
import { staffNames } from '../../repositories/staff';
import { myClasses } from '../teach/myClasses';
import { readWeek } from '../teach/readWeek';

/** What waits in somebody's own classes: plans to read, classes to teach and to log. */
export async function teachingTasks(desk: Desk): Promise<Task[]> {
  return (await myClasses(desk)).flatMap(({ id, date, start, course, state, today, again, logged }): Task[] => {
    const href = `/teach/${id}`;
    const when = today ? `today at ${start}` : `${dayText(date)} at ${start}`;
    if (state === 'published')
      return [
        {
          harm: today ? 'stop' : 'mend',
          text: `You teach ${course} ${when}. ${again ? 'Instructions became stricter since you read it.' : 'The plan waits to be read.'}`,
          href,
          doing: 'Read the plan',
        },
      ];
    if (state === 'cancelled' && date >= desk.today)
      return [{ harm: 'mend', text: `${course} ${when} is ${logged}.`, href: '/teach', doing: 'See your week' }];
    if (state === 'acknowledged' && today) return [{ harm: 'know', text: `You teach ${course} ${when}.`, href, doing: 'Open the class' }];
    if (state === 'not logged') return [{ harm: 'mend', text: `${course} ${when} is not logged yet.`, href: `${href}?log`, doing: 'Log it' }];
    return [];
  });
}

/** Classes of this week and the next that nobody will teach as it stands, and notes nobody here has read. */
export async function weekTasks(desk: Desk): Promise<Task[]> {
  const weeks = await Promise.all([readWeek(desk, desk.today, false), readWeek(desk, addDays(desk.today, 7), false)]);
  return weeks.flatMap(({ rows, monday, whole }) =>
    rows.flatMap(({ id, course, date, start, nobody, teacher, unread, mine }): Task[] => {
      const when = `${date === desk.today ? 'today' : dayText(date)} at ${start}`;
      const cover = whole ? `/teach?week=${monday}&cover=${id}` : '/teach';
      return [
        ...(nobody
          ? [
              {
                harm: daysBetween(desk.today, date) <= 2 ? 'stop' : 'mend',
                text: `${course} ${when} has nobody: ${nobody === 'is away' ? `${mine ? 'you are' : `${teacher} is`} away` : 'whoever had it no longer teaches here'}.`,
                href: cover,
                doing: whole ? 'Find cover' : 'See your week',
              } as const,
            ]
          : []),
        ...(unread > 0
          ? [
              {
                harm: 'know',
                text: `${unread === 1 ? 'A note' : `${unread} notes`} about ${course} ${when}.`,
                href: mine ? `/teach/${id}` : `/plans/${id}`,
                doing: 'Read it',
              } as const,
            ]
          : []),
      ];
    }),
  );
}

/** For how long a first page says that a class changed hands, in days. */
const HANDED_DAYS = 3;

/** Classes that changed hands lately: for whoever had them, whoever has them, and the directors. */
export async function handedTasks(desk: Desk): Promise<Task[]> {
  const handed = await handoversSince(desk, new Date(desk.now.getTime() - HANDED_DAYS * 86_400_000));
  const concern = handed.filter(
    ({ was, teacher, madeBy }) =>
      was === desk.who.id || (teacher === desk.who.id && madeBy !== desk.who.id) || (desk.who.role === 'director' && madeBy !== desk.who.id),
  );
  if (concern.length === 0) return [];
  const [all, nameOf] = [await courses(desk), await staffNames(desk)];
  return Promise.all(
    concern.map(async ({ session, was, teacher }): Promise<Task> => {
      const { course, date, start } = await sessionById(desk, session);
      const name = all.find(({ id }) => id === course)?.name ?? 'a class';
      return {
        harm: 'know',
        text:
          teacher === desk.who.id
            ? `${name} on ${dayText(date)} at ${start} is in your hands now${was ? `, from ${nameOf(was)}` : ''}.`
            : `${nameOf(teacher)} takes ${name} on ${dayText(date)} at ${start}${was === desk.who.id ? ' from you' : was ? ` from ${nameOf(was)}` : ''}.`,
        href: '/teach',
        doing: 'See the week',
      };
    }),
  );
}
