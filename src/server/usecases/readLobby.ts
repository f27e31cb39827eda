import { unplacedText } from '@/core/course';
import { dayText } from '@/core/units';
import type { Task } from '@/views/lobby';
import { may } from '../auth/permissions';
import type { Desk } from '../desk';
import { courses, sessionsOf } from '../repositories/courses';
import { listCourses } from './courses/listCourses';
import { checksOf } from './courses/readCourse';
import { listPlans } from './plans/listPlans';
import { settingOf } from './setting';
import { needsDoing } from './people/needsDoing';
import { readHeldLogs } from './teach/heldLogs';
import { myClasses } from './teach/myClasses';

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
      if (drafted === 0) return [{ harm: 'know', text: `${name} has its dates and goals, but no draft yet.`, href, doing: 'Draft it' }];
      const own = sessions.filter((session) => session.course === id);
      const { planning } = await settingOf(desk, course, own);
      const checks = (await checksOf(course, own, planning, desk)).filter(({ key }) => !course.accepted.some((one) => one.key === key));
      const stops = checks.filter(({ severity, date }) => severity === 'stop' && date >= desk.today).length;
      const mends = checks.filter(({ severity, date }) => severity === 'mend' && date >= desk.today).length;
      return [
        ...(stops > 0 ? [{ harm: 'stop', text: `${name} has ${things(stops, 'thing')} out of order.`, href, doing: 'See the checks' } as const] : []),
        ...(mends > 0 ? [{ harm: 'mend', text: `${name} has ${things(mends, 'thing')} to mend.`, href, doing: 'See the checks' } as const] : []),
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
  return (await listPlans(desk)).flatMap(({ id, date, start, course, state, teacher, logged, unsettled }): Task[] => {
    const href = `/plans/${id}`;
    const when = `${dayText(date)} ${start}`;
    if (date >= desk.today && state === 'planned' && soon(desk, date))
      return [{ harm: 'mend', text: `${course} on ${when} is planned but not published.`, href, doing: 'Publish it' }];
    if (date >= desk.today && state === 'published' && soon(desk, date))
      return [{ harm: 'mend', text: `${teacher} has not yet acknowledged ${course} on ${when}.`, href, doing: 'Open the plan' }];
    return [
      ...(logged?.includes('stop sign') ? [{ harm: 'stop', text: `${course} on ${when}: ${logged}.`, href, doing: 'Read the log' } as const] : []),
      ...(unsettled ? [{ harm: 'mend', text: `${course} on ${when} has logs that say different things.`, href, doing: 'Settle them' } as const] : []),
    ];
  });
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
