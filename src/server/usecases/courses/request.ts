import { writtenOut } from '@/core/conventions';
import { closureOn, courseDates, placedOn, type Goal } from '@/core/course';
import { dayText, isoDate, type IsoDate } from '@/core/units';
import type { CourseInput } from '@/forms';
import type { Staff } from '../../auth/actors';
import type { Desk, Writing } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { cohort } from '../../repositories/cohorts';
import {
  addClasses,
  allSessionsOf,
  changeClass,
  changeFacts,
  seenAt,
  type ClassFacts,
  type Course,
  type Requested,
  type Seen,
  type Session,
} from '../../repositories/courses';
import { seriesOfLive } from '../../repositories/series';
import { teacher } from '../../repositories/staff';
import { closures, conventions } from '../../repositories/studio';
import { knownTechniques } from '../techniques/known';
import { askAgain, tellCancelled } from './telling';

/** A course whose classes are the live days of a series is asked for, drafted and ended there. */
export async function ofItself(desk: Desk, id: string): Promise<void> {
  const series = await seriesOfLive(desk, id);
  if (series) throw new Refusal('late', `These are the live days of ${series.name}: change them in the series.`);
}

/** Goals as a course keeps them: known techniques, with what the studio's schools say written out. */
export async function goalsOf(at: Desk, goals: readonly Goal[]): Promise<Goal[]> {
  const { schools, library } = await conventions(at);
  knownTechniques(
    library,
    goals.map(({ technique }, index) => ({ field: `goals[${index}].technique`, technique })),
  );
  return goals.map((goal) => ({ ...goal, ...writtenOut(goal.pattern, goal.dose, schools, goal.technique) }));
}

/** Goals of a form without what was left empty. */
export function asGoals(goals: CourseInput['goals']): Goal[] {
  return goals.map(({ by, everyDays, stepMinutes, ready, ...goal }) => ({
    ...goal,
    ...(by ? { by: isoDate(by) } : {}),
    ...(everyDays ? { everyDays } : {}),
    ...(stepMinutes ? { stepMinutes } : {}),
    ...(ready ? { ready } : {}),
  }));
}

/** Whatever was changed since a page was opened is looked at first. */
export function asSeen({ today }: Pick<Desk, 'today'>, sessions: readonly Session[], seen: readonly Seen[]): void {
  if (sessions.some((one) => one.date >= today && seenAt(seen, one.id) !== one.version)) throw new Refusal('clash');
}

/** What of a request is about days, and what about the hour. */
const DAYS = ['firstDate', 'weeks', 'weekdays'] as const;
const HOURS = ['start', 'minutes'] as const;
const touches = (to: Partial<Requested>, keys: readonly (keyof Requested)[]) => keys.some((key) => to[key] !== undefined);

/** Whether a change of a request is about days or hours, and so about the classes that were seen. */
export function isTimed(to: Partial<Requested>): boolean {
  return touches(to, [...DAYS, ...HOURS]);
}

/**
 * Changes what a course was asked for, and the classes that follow from it: open ones move to the days there are, the first to the
 * first, further ones come in at the end or fall out; hour and length follow. What was taught stays, and published classes keep
 * their day and hour unless they are to follow; then their plan goes out again with what changed.
 */
export async function askedAnew(
  at: Writing<Staff>,
  before: Course,
  to: Partial<Requested>,
  sessions: readonly Session[],
  published: 'stay' | 'follow' = 'stay',
): Promise<void> {
  await mayBe(at, before, to, sessions);
  await changeFacts(at, before.id, before.version, to);
  const after = { ...before, ...to };
  const movable = sessions.filter(({ date, fixed, published: versions }) => date >= at.today && (!fixed || (published === 'follow' && versions > 0)));
  const changes = new Map<string, Partial<ClassFacts>>();
  const change = (id: string, of: Partial<ClassFacts>) => changes.set(id, { ...changes.get(id), ...of });
  if (touches(to, DAYS)) {
    const days = await daysFor(at, after, movable);
    if (days.length === 0 && sessions.length === movable.length)
      throw invalid({ field: 'weekdays', message: 'No class falls on these weekdays: closed days and the weeks leave none.' });
    const { moved, added, gone } = placedOn(movable, days);
    for (const { session, to: day } of moved) change(session.id, { date: day });
    for (const { id, published: versions } of gone) {
      const reason = versions > 0 ? 'the course no longer has a class that day' : null;
      change(id, { cancelled: { reason, by: at.who.id, at: at.now.toISOString() } });
    }
    await addClasses(
      at,
      after,
      added.map((date) => ({ date })),
    );
  }
  if (touches(to, HOURS)) for (const { id } of movable) change(id, { start: after.start, minutes: after.minutes });
  for (const session of movable) {
    const of = changes.get(session.id);
    if (!of) continue;
    await changeClass(at, session.id, session.version, of);
    if (session.published > 0 && !of.cancelled) await askAgain(at, after, session, of);
  }
  const lost = movable.flatMap((session) => {
    const reason = changes.get(session.id)?.cancelled?.reason;
    return reason ? [{ session, reason }] : [];
  });
  await tellCancelled(at, after, lost);
}

/** The days that classes may have from today on, beside those that stay where they are. */
async function daysFor(at: Desk, course: Course, movable: readonly Session[]): Promise<IsoDate[]> {
  const free = new Set(movable.map(({ id }) => id));
  const taken = (await allSessionsOf(at, [course.id])).filter(
    ({ id, cancelled }) => !free.has(id) && (cancelled === null || cancelled.reason !== null),
  );
  const held = new Set(taken.map(({ date }) => date));
  return courseDates(course.firstDate, course.weeks, course.weekdays, await closures(at)).filter((date) => date >= at.today && !held.has(date));
}

/** Refuses, at its field, what cannot be asked of a course any more. */
async function mayBe(at: Desk, before: Course, to: Partial<Requested>, sessions: readonly Session[]): Promise<void> {
  const begun = sessions.some(({ date }) => date < at.today);
  if (to.firstDate !== undefined) {
    if (begun) throw invalid({ field: 'firstDate', message: 'It has begun: its first day stays as it was.' });
    if (to.firstDate < at.today) throw invalid({ field: 'firstDate', message: `This day is past; the first it can be is ${dayText(at.today)}.` });
    const closure = closureOn(await closures(at), to.firstDate);
    if (closure) throw invalid({ field: 'firstDate', message: `The studio is closed then: ${closure.reason}, until ${dayText(closure.until)}.` });
  }
  if (to.cohort !== undefined) {
    if (sessions.some(({ fixed }) => fixed))
      throw invalid({ field: 'cohort', message: 'Classes of it were taught or published to another cohort. Copy the course to this one instead.' });
    await cohort(at, to.cohort);
  }
  if (to.teacher !== undefined) await teacher(at, to.teacher);
}
