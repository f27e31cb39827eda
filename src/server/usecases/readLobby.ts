import { unplacedText } from '@/core/course';
import { addDays, dayText, daysBetween } from '@/core/units';
import type { Task } from '@/views/lobby';
import { may } from '../auth/permissions';
import type { Desk } from '../desk';
import { courses, session as sessionById, sessionsOf } from '../repositories/courses';
import { handoversSince } from '../repositories/hands';
import { staffNames } from '../repositories/staff';
import { listCourses } from './courses/listCourses';
import { checksOf } from './courses/readCourse';
import { listPlans } from './plans/listPlans';
import { settingOf } from './setting';
import { needsDoing } from './people/needsDoing';
import { readHeldLogs } from './teach/heldLogs';
import { myClasses } from './teach/myClasses';
import { readWeek } from './teach/readWeek';

/** What needs doing for the signed-in role, in order of harm. */
export async function readLobby(desk: Desk): Promise<Task[]> {
  const { role } = desk.who;
  const tasks = (
    await Promise.all([
      may(role, 'edit courses') ? courseTasks(desk) : [],
      may(role, 'add people') ? screeningTasks(desk) : [],
      may(role, 'edit plans') ? planTasks(desk) : [],
      may(role, 'edit plans') ? heldTasks(desk) : [],
      may(role, 'teach') ? teachingTasks(desk) : [],
      may(role, 'teach') ? weekTasks(desk) : [],
      may(role, 'teach') ? handedTasks(desk) : [],
    ])
  ).flat();
  const order = ['stop', 'mend', 'know'];
  return tasks.sort((a, b) => order.indexOf(a.harm) - order.indexOf(b.harm));
}

async function courseTasks(desk: Desk): Promise<Task[]> {
  const [listed, all] = await Promise.all([listCourses(desk), courses(desk)]);
  const sessions = await sessionsOf(
    desk,
    all.map(({ id }) => id),
  );
  const tasks = await Promise.all(
    listed.map(async ({ id, name, drafted, state }): Promise<Task[]> => {
      const course = all.find((one) => one.id === id);
      if (!course || state === 'finished') return [];
      const href = `/courses/${id}`;
      if (drafted === 0 && !course.single)
        return [{ harm: 'know', text: `${name} has its dates and goals, but no draft yet.`, href, doing: 'Draft it' }];
      const own = sessions.filter((session) => session.course === id);
      const { planning } = await settingOf(desk, course, own);
      const checks = (await checksOf(course, own, planning, desk)).filter(({ key }) => !course.accepted.some((one) => one.key === key));
      const ready = own.filter(
        ({ id: session, date, published, blocks }) =>
          date >= desk.today && published === 0 && blocks.length > 0 && !checks.some((check) => check.session === session && check.stops),
      );
      const stops = checks.filter(({ severity, date }) => severity === 'stop' && date >= desk.today).length;
      const mends = checks.filter(({ severity, date }) => severity === 'mend' && date >= desk.today).length;
      return [
        ...(stops > 0 ? [{ harm: 'stop', text: `${name} has ${things(stops, 'thing')} out of order.`, href, doing: 'See the checks' } as const] : []),
        ...(mends > 0 ? [{ harm: 'mend', text: `${name} has ${things(mends, 'thing')} to mend.`, href, doing: 'See the checks' } as const] : []),
        ...(ready.length > 0
          ? [
              {
                harm: soon(desk, ready[0].date) ? 'mend' : 'know',
                text: `${ready.length === 1 ? 'One class' : `${ready.length} classes`} of ${name} can be published, the first on ${dayText(ready[0].date)}.`,
                href: `${href}?publish`,
                doing: 'Publish',
              } as const,
            ]
          : []),
        ...course.unplaced.map((one): Task => ({
          harm: 'know',
          text: `${name}: ${unplacedText(one, planning.basis.library)}`,
          href,
          doing: 'Open the course',
        })),
      ];
    }),
  );
  return tasks.flat();
}

async function screeningTasks(desk: Desk): Promise<Task[]> {
  return (await needsDoing(desk)).map(({ harm, text, people, cohort, kind }) => ({
    harm,
    text: `${text}${people.length === 1 ? ` ${people[0].name}: ${people[0].detail}.` : ''}`,
    href: kind === 'form' ? `/cohorts#to-do` : `/cohorts/${cohort}`,
    doing: kind === 'form' ? 'Ask them' : 'Open the cohort',
  }));
}

async function planTasks(desk: Desk): Promise<Task[]> {
  const plans = await listPlans(desk);
  const unread = new Map<string, typeof plans>();
  for (const plan of plans.filter(({ date, state }) => date >= desk.today && state === 'published' && soon(desk, date))) {
    const key = `${plan.teacher} ${plan.course}`;
    unread.set(key, [...(unread.get(key) ?? []), plan]);
  }
  return [
    ...[...unread.values()].map(([first, ...more]): Task => ({
      harm: 'mend',
      text: `${first.teacher} has not yet read ${more.length === 0 ? 'the plan' : `${more.length + 1} plans`} of ${first.course}, ${more.length === 0 ? 'on' : 'the next on'} ${dayText(first.date)} ${first.start}.`,
      href: more.length === 0 ? `/plans/${first.id}` : '/teach',
      doing: more.length === 0 ? 'Open the plan' : 'See the week',
    })),
    ...plans.flatMap(({ id, date, start, course, logged, unsettled }): Task[] => {
      const [href, when] = [`/plans/${id}`, `${dayText(date)} ${start}`];
      return [
        ...(logged?.includes('stop sign') ? [{ harm: 'stop', text: `${course} on ${when}: ${logged}.`, href, doing: 'Read the log' } as const] : []),
        ...(unsettled
          ? [{ harm: 'mend', text: `${course} on ${when} has logs that say different things.`, href, doing: 'Settle them' } as const]
          : []),
      ];
    }),
  ];
}

/** Classes of this week and the next that nobody will teach as it stands, and notes nobody here has read. */
async function weekTasks(desk: Desk): Promise<Task[]> {
  const weeks = await Promise.all([readWeek(desk, desk.today), readWeek(desk, addDays(desk.today, 7))]);
  return weeks.flatMap(({ rows, monday, whole }) =>
    rows.flatMap(({ id, course, date, start, nobody, teacher, unread, mine }): Task[] => {
      const when = `${date === desk.today ? 'today' : dayText(date)} at ${start}`;
      const cover = whole ? `/teach?week=${monday}&cover=${id}` : '/teach';
      return [
        ...(nobody
          ? [
              {
                harm: daysBetween(desk.today, date) <= 2 ? 'stop' : 'mend',
                text: `${course} ${when} has nobody: ${nobody === 'is away' ? `${mine ? 'you are' : `${teacher} is`} away` : 'whoever had it has left'}.`,
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
async function handedTasks(desk: Desk): Promise<Task[]> {
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

/** Logs that could not be taken as they came; one with a stop sign comes first. */
async function heldTasks(desk: Desk): Promise<Task[]> {
  return (await readHeldLogs(desk)).map(({ by, class: where, signs }) => ({
    harm: signs.length > 0 ? 'stop' : 'mend',
    text: `A log of ${where ?? 'a class'} by ${by} could not be taken as it came${signs.length > 0 ? `. It names a stop sign: ${signs.join('; ')}` : ''}.`,
    href: '/plans#held',
    doing: 'Look at it',
  }));
}

async function teachingTasks(desk: Desk): Promise<Task[]> {
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

function soon(desk: Desk, date: string): boolean {
  return new Date(date).getTime() - new Date(desk.today).getTime() <= 7 * 86_400_000;
}

const things = (n: number, word: string) => (n === 1 ? `one ${word}` : `${n} ${word}s`);
