import { unplacedIn } from '@/core/course';
import { techniquesIn } from '@/core/plan';
import { dayText } from '@/core/units';
import { changeCourseForm } from '@/forms';
import type { CourseRequest, RequestNow } from '@/views/course';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { afresh, inOne, type Desk } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { course, keepDraft, seenAt, sessionsOf, type Course, type Requested, type Session } from '../../repositories/courses';
import { conventions } from '../../repositories/studio';
import { settingOf } from '../setting';
import { lookedFor } from './draftCourse';
import { prepareCourse } from './prepareCourse';
import { askedAnew, goalsOf } from './request';

/** A course's request as it stands, with the techniques there are to choose from. */
export async function readRequest(desk: Desk, id: string) {
  authorise(desk.who, 'edit courses');
  const [found, sessions, { techniques }] = await Promise.all([course(desk, id), sessionsOf(desk, [id]), prepareCourse(desk)]);
  return { techniques, request: requestOf(found, sessions) };
}

/** A course's request as it is now beside one that was to be kept. */
export async function compareRequest(desk: Desk, input: unknown): Promise<RequestNow> {
  authorise(desk.who, 'edit courses');
  const mine = await checked(changeCourseForm, input);
  const [found, sessions, { library }] = await Promise.all([course(desk, mine.course), sessionsOf(desk, [mine.course]), conventions(desk)]);
  const nameOf = (technique: string) => library.find(technique)?.name ?? technique;
  const inWords = ({ name, weeks, start, minutes, goals }: Requested) => [
    `Its name: ${name}`,
    `${weeks} weeks`,
    `Starts at ${start}`,
    `${minutes} minutes`,
    ...goals.map((goal) => `Goal ${nameOf(goal.technique)}: ${goal.pattern}, ${goal.dose}, classes: ${goal.practise}`),
  ];
  const yours = new Set(inWords(mine));
  const gone = mine.goals.filter(({ technique }) => !found.goals.some((goal) => goal.technique === technique));
  const elsewhere = sessions.filter((one) => mine.seen.some(({ session, version }) => session === one.id && version !== one.version));
  return {
    request: requestOf(found, sessions),
    differs: [
      ...inWords(found).filter((line) => !yours.has(line)),
      ...gone.map(({ technique }) => `No goal ${nameOf(technique)}`),
      ...elsewhere.map(({ date, published }) => `${dayText(date)} was ${published > 0 ? 'published' : 'changed'}`),
    ],
  };
}

function requestOf({ id, version, name, weeks, start, minutes, goals }: Course, sessions: readonly Session[]): CourseRequest {
  const seen = sessions.map((session) => ({ session: session.id, version: session.version }));
  return { course: id, version, seen, name, weeks, start, minutes, goals: [...goals] };
}

/**
 * Changes what a course was asked for: its name, weeks, hour, minutes and goals. Classes that are planned keep their blocks until a
 * draft is taken; open ones follow in hour and length, past and published ones stay. The course says at once which goals its
 * classes do not reach.
 */
export async function changeCourse(desk: Desk, input: unknown): Promise<{ readonly id: string }> {
  authorise(desk.who, 'edit courses');
  const { course: id, version, seen, ...form } = await checked(changeCourseForm, input);
  return inOne(desk, async (at) => {
    const before = await course(at, id);
    if (before.version !== version) throw new Refusal('clash');
    if (form.weeks < before.weeks)
      throw invalid({ field: 'weeks', message: `It has ${before.weeks} weeks; it can be made longer here, not shorter.` });
    const request: Requested = { ...form, goals: await goalsOf(at, form.goals) };
    const changed = (Object.keys(request) as (keyof Requested)[]).filter((key) => JSON.stringify(request[key]) !== JSON.stringify(before[key]));
    if (changed.length === 0) return { id };
    const to: Partial<Requested> = Object.fromEntries(changed.map((key) => [key, request[key]]));
    const was = await sessionsOf(at, [id]);
    // Another hour or length is for the classes that were seen open: one that was published meanwhile is looked at first.
    const timed = to.start !== undefined || to.minutes !== undefined;
    if (timed && was.some((one) => one.date >= at.today && seenAt(seen, one.id) !== one.version)) throw new Refusal('clash');
    const now = await askedAnew(at, before, version, to, was);
    const after = afresh(at);
    const [found, sessions] = [await course(after, id), await sessionsOf(after, [id])];
    const drafted = sessions.some(({ blocks }) => techniquesIn(blocks).length > 0) && sessions.some(({ fixed }) => !fixed);
    if (drafted && changed.some((key) => key !== 'name')) {
      const { planning } = await settingOf(after, found, sessions);
      await keepDraft(after, id, now, unplacedIn(sessions, found.goals, planning, lookedFor()), []);
    }
    return { id };
  });
}
