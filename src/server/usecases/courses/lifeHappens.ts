import { closureOn, courseDates, shifted, type Bend } from '@/core/course';
import { addDays, dayText, isoDate } from '@/core/units';
import { cancelForm, closedForm, endForm, reopenForm, draftForm } from '@/forms';
import type { Outcome } from '@/views/course';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { afresh, inOne, type Desk, type Writing } from '../../desk';
import { invalid, Refusal } from '../../errors';
import {
  addClasses,
  allSessionsOf,
  changeClass,
  changeFacts,
  course,
  sessionsOf,
  type Course,
  type Seen,
  type Session,
} from '../../repositories/courses';
import { progressOf } from '../../repositories/plans';
import { closures } from '../../repositories/studio';
import { settingOf } from '../setting';
import { draftAndKeep } from './draftCourse';
import { asTouched, followed, type Published } from './following';
import { asSeen, ofItself } from './request';
import { recorded } from './steps';
import { tellCancelled, tellHeldAfterAll } from './telling';
import { tried } from './tried';

/** Cancels a class, and does with the rest what was chosen. What is past stays as it was. */
export async function cancelClass(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const form = await checked(cancelForm, input);
  await inOne(desk, (at) => recorded(at, form.course, 'the cancelled class', (to) => cancel(to, form)));
}

/** What cancelling a class would do. */
export async function tryCancelling(desk: Desk, input: unknown): Promise<Outcome> {
  authorise(desk.who, 'edit courses');
  const form = await checked(cancelForm, input);
  return tried(desk, form.course, (at) => cancel(at, form));
}

async function cancel(
  at: Writing<Staff>,
  { course: id, version, seen, session, reason, bend, published }: Seeing & { session: string; reason: string; bend: Bend; published: Published },
) {
  const { found, sessions } = await lookedAt(at, id, version, seen);
  const lost = sessions.find((one) => one.id === session);
  if (!lost) throw new Refusal('not-found', 'This class is not part of the course, or cancelled already.');
  await lose(at, found, sessions, [{ session: lost, reason }], bend, published);
}

/** Takes the classes that fall into closed days out of a course, and does with the rest what was chosen. */
export async function leaveClosedDays(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const form = await checked(closedForm, input);
  await inOne(desk, (at) => recorded(at, form.course, 'the closed days', (to) => leaveClosed(to, form)));
}

/** What taking classes out of closed days would do. */
export async function tryLeavingClosedDays(desk: Desk, input: unknown): Promise<Outcome> {
  authorise(desk.who, 'edit courses');
  const form = await checked(closedForm, input);
  return tried(desk, form.course, (at) => leaveClosed(at, form));
}

async function leaveClosed(at: Writing<Staff>, { course: id, version, seen, bend, published }: Seeing & { bend: Bend; published: Published }) {
  const { found, sessions } = await lookedAt(at, id, version, seen);
  const closed = await closures(at);
  const lost = sessions.flatMap((session) => {
    const closure = session.date < at.today ? null : closureOn(closed, session.date);
    return closure ? [{ session, reason: `the studio is closed: ${closure.reason}` }] : [];
  });
  if (lost.length === 0) throw new Refusal('not-found', 'No class of this course falls into closed days any more.');
  await lose(at, found, sessions, lost, bend, published);
}

interface Seeing {
  readonly course: string;
  readonly version: number;
  readonly seen: readonly Seen[];
}

async function lookedAt(at: Writing<Staff>, id: string, version: number, seen: readonly Seen[]) {
  const [found, sessions] = [await course(at, id), await sessionsOf(at, [id])];
  if (found.version !== version) throw new Refusal('clash');
  asSeen(at, sessions, seen);
  return { found, sessions };
}

/** Takes classes out, tells who would have taught them, and does with the rest what was chosen. */
async function lose(
  at: Writing<Staff>,
  found: Course,
  sessions: readonly Session[],
  lost: readonly { readonly session: Session; readonly reason: string }[],
  bend: Bend,
  published: Published,
): Promise<void> {
  if (lost.some(({ session }) => session.date < at.today)) throw new Refusal('late', 'What was taught stays as it was: this class is past.');
  const progress = await progressOf(
    at,
    lost.map(({ session }) => session.id),
  );
  if (lost.some(({ session }) => progress.get(session.id)?.log)) throw new Refusal('late', 'This class was taught and logged already.');
  for (const { session, reason } of lost)
    await changeClass(at, session.id, session.version, { cancelled: { reason, by: at.who.id, at: at.now.toISOString() } });
  await tellCancelled(at, found, lost);
  if (bend === 'shift' || bend === 'add') {
    const days = bend === 'add' ? await daysAfter(at, found, sessions) : [];
    const moved = shifted(await asTouched(at, sessions, published), new Set(lost.map(({ session }) => session.id)), days);
    for (const { id, blocks } of moved.sessions) {
      const { version, blocks: before } = sessions.find((one) => one.id === id)!;
      if (before !== blocks) await changeClass(at, id, version, { blocks });
    }
    await addClasses(at, found, moved.added);
    // A course that goes on for longer says so.
    const last = moved.added.at(-1)?.date;
    if (last)
      await changeFacts(at, found.id, found.version, {
        weeks: Math.max(found.weeks, Math.ceil((Date.parse(last) - Date.parse(found.firstDate) + 1) / WEEK_MS)),
      });
  }
  await redraft(at, found.id, bend === 'reflow', published);
  if (published === 'follow') await followed(at, found.id, sessions);
}

const WEEK_MS = 7 * 86_400_000;
/** How many weeks after its last class a course may go on when a class is added. */
const FURTHER_WEEKS = 8;

/** The days on which a class could be added after the last: the course's weekdays, without closed days. */
async function daysAfter(at: Desk, { weekdays }: Course, sessions: readonly Session[]) {
  const last = sessions.at(-1)?.date ?? at.today;
  return courseDates(addDays(last, 1), FURTHER_WEEKS, weekdays, await closures(at)).filter((date) => date >= at.today);
}

/** What no class reaches any more is said of the course; drafted anew where that is asked. */
async function redraft(at: Writing<Staff>, id: string, anew: boolean, published: Published): Promise<void> {
  const after = afresh(at);
  const [found, all] = [await course(after, id), await sessionsOf(after, [id])];
  const sessions = await asTouched(after, all, published);
  await draftAndKeep(after, found, sessions, await settingOf(after, found, sessions), anew && sessions.some(({ fixed }) => !fixed));
}

/** Puts a class back on a day that is open again, and drafts what is open anew. */
export async function reopenDay(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const form = await checked(reopenForm, input);
  await inOne(desk, (at) => recorded(at, form.course, 'the class put back', (to) => reopen(to, form)));
}

/** What putting a class back would do. */
export async function tryReopening(desk: Desk, input: unknown): Promise<Outcome> {
  authorise(desk.who, 'edit courses');
  const form = await checked(reopenForm, input);
  return tried(desk, form.course, (at) => reopen(at, form));
}

async function reopen(
  at: Writing<Staff>,
  { course: id, version, seen, date, published }: Seeing & { date: string; published: Published },
): Promise<void> {
  const { found, sessions } = await lookedAt(at, id, version, seen);
  const day = isoDate(date);
  if (!(await openDays(at, found)).includes(day))
    throw invalid({ field: 'date', message: `${dayText(day)} is not a day on which this course could have a class.` });
  const gone = (await allSessionsOf(at, [id])).filter((one) => one.date === day && one.cancelled?.reason);
  const cancelled = gone.find(({ published }) => published === 0);
  if (cancelled) await changeClass(at, cancelled.id, cancelled.version, { cancelled: null });
  else await addClasses(at, found, [{ date: day }]);
  // Whoever heard that there is none that day hears that there is; its plan is another one.
  await tellHeldAfterAll(
    at,
    found,
    gone.slice(0, 1).map((one) => ({ ...one, published: 0 })),
  );
  await redraft(at, id, true, published);
  if (published === 'follow') await followed(at, id, sessions);
}

/** Days of a course, from today on, that are open and have no class of it: closed before, or cancelled. */
export async function openDays(desk: Desk, found: Course) {
  const held = new Set((await sessionsOf(desk, [found.id])).map(({ date }) => date));
  return courseDates(found.firstDate, found.weeks, found.weekdays, await closures(desk)).filter((date) => date >= desk.today && !held.has(date));
}

/** Ends a course: what is still to come is cancelled, with a reason. */
export async function endCourse(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const { course: id, version, seen, reason } = await checked(endForm, input);
  await inOne(desk, (at) =>
    recorded(at, id, 'the end of the course', async (to) => {
      const { found, sessions } = await lookedAt(to, id, version, seen);
      await ofItself(to, id);
      const progress = await progressOf(
        to,
        sessions.map((session) => session.id),
      );
      const ahead = sessions.filter((session) => session.date >= to.today && !progress.get(session.id)?.log);
      if (ahead.length === 0) throw new Refusal('late', 'It has ended: no class is still to come.');
      await lose(
        to,
        found,
        sessions,
        ahead.map((session) => ({ session, reason })),
        'drop',
        'stay',
      );
    }),
  );
}

/** Deletes a course of which nothing was taught or published. */
export async function removeCourse(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const { course: id, version, seen } = await checked(draftForm, input);
  await inOne(desk, async (at) => {
    const { found } = await lookedAt(at, id, version, seen);
    await ofItself(at, id);
    if ((await allSessionsOf(at, [id])).some(({ published }) => published > 0))
      throw new Refusal('late', 'Classes of it were published, so it stays in the record. End it instead.');
    await changeFacts(at, id, found.version, { removedAt: at.now });
  });
}
