import { breathText, paceText } from '@/core/course';
import { isDeepStrictEqual } from 'node:util';
import { blockName, techniquesIn } from '@/core/plan';
import { dayText, isoDate } from '@/core/units';
import { changeCourseForm, type ChangeCourseInput } from '@/forms';
import type { CourseRequest, Outcome, RequestNow } from '@/views/course';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { afresh, inOne, type Desk, type Writing } from '../../desk';
import { Refusal } from '../../errors';
import { changePractice, cohort, type Cohort } from '../../repositories/cohorts';
import { course, sessionsOf, type Course, type Requested, type Session } from '../../repositories/courses';
import { library } from '../../repositories/library';
import { staffNames } from '../../repositories/staff';
import { closures, conventions } from '../../repositories/studio';
import { settingOf } from '../setting';
import { knownTechniques } from '../techniques/known';
import { draftAndKeep } from './draftCourse';
import { asTouched, followed } from './following';
import { prepareCourse } from './prepareCourse';
import { asGoals, asSeen, askedAnew, goalsOf, isTimed, ofItself } from './request';
import { recorded } from './steps';
import { tried } from './tried';

/** A course's request as it stands, with what there is to choose from. */
export async function readRequest(desk: Desk, id: string) {
  authorise(desk.who, 'edit courses');
  const [found, sessions, choices, closed, all] = await Promise.all([
    course(desk, id),
    sessionsOf(desk, [id]),
    prepareCourse(desk),
    closures(desk),
    library(desk),
  ]);
  const last = sessions.at(-1)?.date ?? found.firstDate;
  return {
    choices,
    request: requestOf(found, sessions, await cohort(desk, found.cohort)),
    begun: sessions.some(({ fixed }) => fixed),
    // What else holds the course where it is: set elsewhere, and to be known here.
    around: {
      closed: closed.filter(({ from, until }) => until >= found.firstDate && from <= last && until >= desk.today),
      pinned: sessions.flatMap(({ date, blocks, fixed }) =>
        fixed ? [] : techniquesIn(blocks).flatMap((block) => (block.pinned ? [{ date, name: blockName(block, all) }] : [])),
      ),
    },
  };
}

/** A course's request as it is now beside one that was to be kept. */
export async function compareRequest(desk: Desk, input: unknown): Promise<RequestNow> {
  authorise(desk.who, 'edit courses');
  const mine = await checked(changeCourseForm, input);
  const [found, sessions, { library }, nameOfStaff] = await Promise.all([
    course(desk, mine.course),
    sessionsOf(desk, [mine.course]),
    conventions(desk),
    staffNames(desk),
  ]);
  const nameOf = (technique: string) => library.find(technique)?.name ?? technique;
  const inWords = ({
    name,
    teacher,
    firstDate,
    weeks,
    weekdays,
    start,
    minutes,
    settled,
    arc,
    goals,
  }: Omit<Requested, 'cohort' | 'firstDate'> & { firstDate: string }) => [
    `Its name: ${name}`,
    `Its teacher: ${nameOfStaff(teacher)}`,
    `First day ${dayText(isoDate(firstDate))}`,
    `${weeks} weeks`,
    `${weekdays.length} classes a week`,
    `Starts at ${start}`,
    `${minutes} minutes`,
    settled ? 'A settled group' : 'Not said to be a settled group',
    `New things come ${paceText(arc.pace)}`,
    `Breath: ${breathText(arc.breath)}`,
    ...goals.map(
      (goal) =>
        `Goal ${nameOf(goal.technique)}: ${goal.pattern}, ${goal.dose}, classes: ${goal.practise}${goal.ready ? `, ${goal.ready} % of them ready` : ''}`,
    ),
  ];
  const yours = new Set(inWords({ ...mine, goals: asGoals(mine.goals) }));
  const gone = mine.goals.filter(({ technique }) => !found.goals.some((goal) => goal.technique === technique));
  const elsewhere = sessions.filter((one) => mine.seen.some(({ session, version }) => session === one.id && version !== one.version));
  return {
    request: requestOf(found, sessions, await cohort(desk, found.cohort)),
    differs: [
      ...inWords(found).filter((line) => !yours.has(line)),
      ...gone.map(({ technique }) => `No goal ${nameOf(technique)}`),
      ...elsewhere.map(({ date, published }) => `${dayText(date)} was ${published > 0 ? 'published' : 'changed'}`),
    ],
  };
}

function requestOf(found: Course, sessions: readonly Session[], { already }: Cohort): CourseRequest {
  const { id, version, name, cohort: of, teacher, firstDate, weeks, weekdays, start, minutes, settled, arc, goals } = found;
  const seen = sessions.map((session) => ({ session: session.id, version: session.version }));
  const asked = { name, cohort: of, teacher, firstDate, weeks, weekdays: [...weekdays], start, minutes, settled, arc, goals: [...goals] };
  return { course: id, version, seen, ...asked, already: [...already] };
}

/**
 * Changes what a course was asked for. Classes that are planned keep their blocks, or are drafted anew, as is asked; open ones follow
 * in day, hour and length, past ones stay, published ones stay or follow. The course says at once which goals its classes do not
 * reach.
 */
export async function changeCourse(desk: Desk, input: unknown): Promise<{ readonly id: string }> {
  authorise(desk.who, 'edit courses');
  const form = await checked(changeCourseForm, input);
  return inOne(desk, (at) => recorded(at, form.course, 'what is asked of it', (to) => change(to, form)));
}

/** What a change of the request would do, without keeping it. */
export async function tryCourse(desk: Desk, input: unknown): Promise<Outcome> {
  authorise(desk.who, 'edit courses');
  const form = await checked(changeCourseForm, input);
  return tried(desk, form.course, (at) => change(at, form));
}

async function change(at: Writing<Staff>, form: ChangeCourseInput): Promise<{ readonly id: string }> {
  const { course: id, version, seen, already, published, then, ...asked } = form;
  const before = await course(at, id);
  if (before.version !== version) throw new Refusal('clash');
  await ofItself(at, id);
  const request: Requested = { ...asked, firstDate: isoDate(asked.firstDate), goals: await goalsOf(at, asGoals(asked.goals)) };
  const changed = (Object.keys(request) as (keyof Requested)[]).filter((key) => !isDeepStrictEqual(request[key], before[key]));
  const to: Partial<Requested> = Object.fromEntries(changed.map((key) => [key, request[key]]));
  const practised = already !== null && (await practise(at, request.cohort, already));
  if (changed.length === 0 && !practised && then === 'keep') return { id };
  const was = await sessionsOf(at, [id]);
  // Another day, hour or length is for the classes that were seen open: one that was published meanwhile is looked at first.
  if (isTimed(to) || then === 'draft') asSeen(at, was, seen);
  await askedAnew(at, before, to, was, published);
  const after = afresh(at);
  const [found, all] = [await course(after, id), await sessionsOf(after, [id])];
  const sessions = await asTouched(after, all, published);
  const drafted = sessions.some(({ blocks }) => techniquesIn(blocks).length > 0);
  if (!sessions.some(({ fixed }) => !fixed) || (!drafted && then === 'keep')) return { id };
  const setting = await settingOf(after, found, sessions);
  if (then === 'draft' || practised || changed.some((key) => key !== 'name')) await draftAndKeep(after, found, sessions, setting, then === 'draft');
  if (published === 'follow') await followed(at, id, all);
  return { id };
}

/** Sets what a cohort practises already. @returns whether that is something else than before */
async function practise(at: Writing<Staff>, id: string, already: readonly string[]): Promise<boolean> {
  const [group, { library }] = [await cohort(at, id), await conventions(at)];
  knownTechniques(
    library,
    already.map((technique) => ({ field: 'already', technique })),
  );
  if (isDeepStrictEqual([...already].sort(), [...group.already].sort())) return false;
  await changePractice(at, id, () => already);
  return true;
}
