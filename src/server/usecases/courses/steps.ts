import { changesBetween } from '@/core/plan';
import { isoDate, type IsoDate } from '@/core/units';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { afresh, inOne, type Desk, type Writing } from '../../desk';
import { Refusal } from '../../errors';
import { changePractice } from '../../repositories/cohorts';
import { draftForm } from '@/forms';
import {
  addStep,
  allSessionsOf,
  changeClass,
  changeFacts,
  course,
  holdCourse,
  lastStep,
  snapshotOf,
  type ClassFacts,
  type Course,
  type CourseFacts,
  type CourseSnapshot,
  type CourseStep,
  type Session,
} from '../../repositories/courses';
import { progressOf } from '../../repositories/plans';
import { houseOf } from '../setting';
import { followed } from './following';
import { askAgain, tellCancelled, tellHeldAfterAll } from './telling';

/**
 * Does something to a course and keeps what was there before, so that it can be taken back in one step. What changes nothing is
 * not kept.
 */
export async function recorded<T>(at: Writing<Staff>, id: string, what: string, work: (at: Writing<Staff>) => Promise<T>): Promise<T> {
  await holdCourse(at, id);
  const before = await snapshotOf(at, id);
  const done = await work(at);
  const step = stepBetween(before, await snapshotOf(afresh(at), id));
  if (step) await addStep(at, id, { what, ...step, back: false });
  return done;
}

/** What two snapshots have otherwise: the course, and the classes that are not the same. */
function stepBetween(before: CourseSnapshot, after: CourseSnapshot) {
  const same = new Set(
    before.sessions.filter((one) => after.sessions.some(({ id, version }) => id === one.id && version === one.version)).map(({ id }) => id),
  );
  const changed = (of: CourseSnapshot): CourseSnapshot => ({ ...of, sessions: of.sessions.filter(({ id }) => !same.has(id)) });
  return before.version === after.version && same.size === after.sessions.length ? null : { before: changed(before), after: changed(after) };
}

/**
 * Takes the last change of a course back, or does it again when it was taken back. Only while nothing came after it: what somebody
 * changed, or published, since is not thrown away.
 */
export async function undoStep(desk: Desk, input: unknown): Promise<{ readonly what: string }> {
  authorise(desk.who, 'edit courses');
  const { course: id } = await checked(draftForm, input);
  return inOne(desk, async (at) => {
    await holdCourse(at, id);
    const found = await course(at, id);
    const last = await lastStep(at, id);
    if (!last) throw new Refusal('not-found', 'There is nothing to take back.');
    const now = await snapshotOf(at, id);
    const why = whyItStays(last, now, at.today);
    if (why) throw why;
    const sessions = await allSessionsOf(at, [id]);
    const given = await asGiven(at, found, sessions);
    const lost: { readonly session: Session; readonly reason: string }[] = [];
    const back: Session[] = [];
    const { course: was } = last.before;
    await changeFacts(at, id, now.version, { ...was, firstDate: isoDate(String(was.firstDate)) } as Partial<CourseFacts>);
    for (const { id: session, version } of last.after.sessions) {
      const old = last.before.sessions.find((one) => one.id === session);
      // A class that the change had added is no longer asked for.
      const to: Partial<ClassFacts> = old
        ? { ...voiceOf(old), date: isoDate(old.date), start: old.start, minutes: old.minutes, blocks: old.blocks, cancelled: old.cancelled }
        : { cancelled: { reason: null, by: at.who.id, at: at.now.toISOString() } };
      await changeClass(at, session, version, to);
      // Whoever holds the plan of a class hears of it as of any other change: it is never held, or left out, without a word.
      const before = sessions.find((one) => one.id === session)!;
      if (before.published > 0 && !to.cancelled) await askAgain(at, found, before, to);
      if (before.cancelled?.reason && to.cancelled === null) back.push({ ...before, date: to.date ?? before.date, start: to.start ?? before.start });
      if (to.cancelled?.reason && !before.cancelled) lost.push({ session: before, reason: to.cancelled.reason });
    }
    await tellCancelled(at, found, lost);
    await tellHeldAfterAll(at, found, back);
    await practiseAgain(at, last);
    await followed(at, id, sessions, given);
    const step = stepBetween(now, await snapshotOf(afresh(at), id));
    if (step) await addStep(at, id, { what: last.what, ...step, back: !last.back });
    return { what: last.what };
  });
}

/** Published classes in which nothing stands but what their teacher was given: what is put back into them is given out too. */
async function asGiven(at: Writing<Staff>, { cohort }: Course, sessions: readonly Session[]): Promise<ReadonlySet<string>> {
  const [house, progress] = [
    await houseOf(at, cohort),
    await progressOf(
      at,
      sessions.map(({ id }) => id),
    ),
  ];
  return new Set(
    sessions.flatMap(({ id, blocks }) => {
      const plan = progress.get(id)?.plan;
      return plan && changesBetween(plan.blocks, blocks, house).length === 0 ? [id] : [];
    }),
  );
}

/** What a cohort was said to practise with the change it no longer is, and the other way round. */
async function practiseAgain(at: Writing<Staff>, { before, after }: CourseStep): Promise<void> {
  const [had, has, cohort] = [before.practises ?? [], after.practises ?? [], before.course.cohort];
  const [came, went] = [has.filter((id) => !had.includes(id)), had.filter((id) => !has.includes(id))];
  if (cohort !== after.course.cohort || came.length + went.length === 0) return;
  await changePractice(at, String(cohort), (already) => [...already.filter((id) => !came.includes(id)), ...went]);
}

const voiceOf = ({ purpose, note }: CourseSnapshot['sessions'][number]) => ({
  ...(purpose === undefined ? {} : { purpose }),
  ...(note === undefined ? {} : { note }),
});

/** Why the last change of a course is not taken back; null when it may be. */
function whyItStays({ before, after }: Pick<CourseStep, 'before' | 'after'>, now: CourseSnapshot, today: IsoDate): Refusal | null {
  const stands = after.sessions.every((one) => now.sessions.some(({ id, version }) => id === one.id && version === one.version));
  if (now.version !== after.version || !stands)
    return new Refusal('clash', 'Something was changed or published after this, so it is not taken back.');
  if ([...after.sessions, ...before.sessions].some(({ date }) => date < today))
    return new Refusal('late', 'What was taught stays as it was: a class of this change is past.');
  return null;
}

/** What a page says of the last change: null when there was none, or nothing can be taken back any more. */
export async function lastChange(desk: Desk, id: string): Promise<{ readonly what: string; readonly back: boolean } | null> {
  const last = await lastStep(desk, id);
  return last && !whyItStays(last, await snapshotOf(desk, id), desk.today) ? { what: last.what, back: last.back } : null;
}
