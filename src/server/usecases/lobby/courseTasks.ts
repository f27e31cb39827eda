import { unplacedTexts } from '@/core/course';
import { dayText, daysBetween, isoDate } from '@/core/units';
import type { Task } from '@/views/lobby';
import { may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { courses, sessionsOf } from '../../repositories/courses';
import { conventions } from '../../repositories/studio';
import { idsOf, listCourses } from '../courses/listCourses';
import { checksOf, insideOf } from '../courses/readCourse';
import { listPlans } from '../plans/listPlans';

/** What wants doing about each course: its checks, what can be published, goals without a place. */
export async function courseTasks(desk: Desk): Promise<Task[]> {
  const [listed, all, { library }] = await Promise.all([listCourses(desk), courses(desk), conventions(desk)]);
  const open = listed.filter(({ state }) => state !== 'finished');
  const sessions = await sessionsOf(desk, idsOf(open));
  const courseOf = new Map(all.map((one) => [one.id, one]));
  const ownOf = new Map<string, typeof sessions>();
  for (const session of sessions) ownOf.set(session.course, [...(ownOf.get(session.course) ?? []), session]);
  const tasks = await Promise.all(
    open.map(async ({ id, name, drafted }): Promise<Task[]> => {
      const found = courseOf.get(id);
      if (!found) return [];
      const href = `/courses/${id}`;
      if (drafted === 0 && !found.single)
        return [{ harm: 'know', text: `${name} has its dates and goals, but no draft yet.`, href, doing: 'Draft it' }];
      const own = ownOf.get(id) ?? [];
      const checks = (await checksOf(desk, found, own, false)).filter(({ key }) => !found.accepted.some((one) => one.key === key));
      const ready = own.filter(
        ({ id: session, date, published, blocks }) =>
          date >= desk.today && published === 0 && blocks.length > 0 && !checks.some((check) => check.session === session && check.stops),
      );
      const few = may(desk.who.role, 'see reasons') ? (await insideOf(desk, found, false)).few : null;
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
        ...(few ? [{ harm: 'mend', text: `${name}: ${few[0].toLowerCase()}${few.slice(1)}`, href, doing: 'See who will be ready' } as const] : []),
        ...unplacedTexts(found.unplaced, library, may(desk.who.role, 'see reasons')).map((text): Task => ({
          harm: 'know',
          text: `${name}: ${text}`,
          href,
          doing: 'Open the course',
        })),
      ];
    }),
  );
  return tasks.flat();
}

/** Plans that nobody has read, and what came back from classes. */
export async function planTasks(desk: Desk): Promise<Task[]> {
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
    ...plans.flatMap(({ id, date, start, course, unsettled }): Task[] => {
      const [href, when] = [`/plans/${id}`, `${dayText(date)} ${start}`];
      return [
        ...(unsettled
          ? [{ harm: 'mend', text: `${course} on ${when} has logs that say different things.`, href, doing: 'Settle them' } as const]
          : []),
      ];
    }),
  ];
}

/** How soon a class has to be near to be pressing, in days. */
const SOON_DAYS = 7;

function soon(desk: Desk, date: string): boolean {
  return daysBetween(desk.today, isoDate(date)) <= SOON_DAYS;
}

const things = (n: number, word: string) => (n === 1 ? `one ${word}` : `${n} ${word}s`);
