import type { InferEntity } from '@mikro-orm/core';
import { refusedText, type Arc, type CourseSession, type Edit, type Goal, type Unplaced } from '@/core/course';
import type { Block } from '@/core/plan';
import { isoDate, type IsoDate } from '@/core/units';
import type { Actor, Staff } from '../auth/actors';
import { readRow, readRows } from '../db/read';
import { CohortRow, CourseRow, CourseStepRow, SessionRow, type Accepted, type Cancelled, type CourseSnapshot } from '../db/rows';
import { add, claim, hold } from '../db/write';
import { once, onceOutside, type Desk, type Writing } from '../desk';
import { knownId, Refusal } from '../errors';

export interface Course {
  readonly id: string;
  readonly name: string;
  readonly cohort: string;
  readonly firstDate: IsoDate;
  readonly weeks: number;
  readonly weekdays: readonly number[];
  readonly start: string;
  readonly minutes: number;
  readonly teacher: string;
  readonly goals: readonly Goal[];
  readonly unplaced: readonly Unplaced[];
  /** The director says that the group is settled. */
  readonly settled: boolean;
  readonly arc: Arc;
  readonly accepted: readonly Accepted[];
  readonly copiedFrom: string | null;
  /** A class of its own, without a course around it. */
  readonly single: boolean;
  readonly version: number;
}

/** What a course is asked for, as far as it can be changed on top of it. */
export type Requested = Pick<
  Course,
  'name' | 'cohort' | 'teacher' | 'firstDate' | 'weeks' | 'weekdays' | 'start' | 'minutes' | 'settled' | 'arc' | 'goals'
>;

export interface Session extends CourseSession {
  readonly course: string;
  /** How many versions were published. */
  readonly published: number;
  readonly cancelled: Cancelled | null;
  /** What it is for, in a line; and what the teacher should know. */
  readonly purpose: string;
  readonly note: string;
  readonly version: number;
}

/** The version of a session that somebody saw. */
export interface Seen {
  readonly session: string;
  readonly version: number;
}

export function courses(desk: Desk<Actor>): Promise<Course[]> {
  return once(desk, 'courses', async () => {
    const rows = await readRows(desk, CourseRow, { removedAt: null }, { orderBy: { firstDate: 'desc' } });
    return rows.map(toCourse);
  });
}

export async function course(desk: Desk<Actor>, id: string): Promise<Course> {
  const row = await onceOutside(desk, `course ${id}`, () => readRow(desk, CourseRow, { id: knownId(id) }));
  if (!row || row.removedAt) throw new Refusal('not-found', 'This course is not here, or not part of your studio.');
  return toCourse(row);
}

function toCourse(row: InferEntity<typeof CourseRow>): Course {
  return { ...row, firstDate: isoDate(row.firstDate), copiedFrom: row.copiedFrom ?? null };
}

/** Lets one writer of a course through at a time: what a change does hangs on all of its classes. */
export async function holdCourse(at: Writing, id: string): Promise<void> {
  const row = await hold(at, CourseRow, { id: knownId(id) });
  if (!row || row.removedAt) throw new Refusal('not-found', 'This course is not here, or not part of your studio.');
}

/** Lets one at a time through who says something of a class. */
export async function holdSession(at: Writing, id: string): Promise<void> {
  if (!(await hold(at, SessionRow, { id: knownId(id) }))) throw new Refusal('not-found', 'This session is not here, or not part of your studio.');
}

/** The courses of a cohort, newest first. */
export async function coursesOfCohort(desk: Desk<Actor>, cohort: string): Promise<Course[]> {
  return (await readRows(desk, CourseRow, { cohort: knownId(cohort), removedAt: null }, { orderBy: { firstDate: 'desc' } })).map(toCourse);
}

/** Whose courses are, without what is asked of them, by their ids: of some, or of all; removed ones are left out. */
export async function courseHeads(
  desk: Desk<Actor>,
  ids?: readonly string[],
): Promise<ReadonlyMap<string, Pick<Course, 'id' | 'name' | 'cohort' | 'teacher'>>> {
  if (ids?.length === 0) return new Map();
  const some = ids ? { id: [...new Set(ids)] } : {};
  const rows = await readRows(desk, CourseRow, { ...some, removedAt: null }, { fields: ['id', 'name', 'cohort', 'teacher'] });
  return new Map(rows.map((row) => [row.id, row]));
}

/** Adds a course with its dated, still empty sessions. */
export async function addCourse(
  at: Writing,
  { classes, ...made }: Omit<Course, 'version' | 'unplaced' | 'accepted'> & { readonly classes: readonly NewClass[] },
): Promise<void> {
  await add(at, CourseRow, { ...made, unplaced: [], accepted: [], removedAt: null });
  await addClasses(at, made, classes);
}

/** A class that is added to a course. */
export interface NewClass {
  readonly date: IsoDate;
  readonly blocks?: readonly Block[];
  readonly purpose?: string;
  readonly note?: string;
}

/** Adds classes to a course, at its hour and of its length. */
export async function addClasses(
  at: Writing,
  { id, start, minutes }: Pick<Course, 'id' | 'start' | 'minutes'>,
  classes: readonly NewClass[],
): Promise<void> {
  const made = classes.map(({ date, blocks = [], purpose = '', note = '' }) => ({
    id: at.newId(),
    course: id,
    date,
    start,
    minutes,
    blocks,
    published: 0,
    cancelled: null,
    purpose,
    note,
  }));
  if (made.length > 0) await add(at, SessionRow, ...made);
}

/** Keeps a draft of a course that was seen at a version, with the sessions it changes. */
export async function keepDraft(
  at: Writing,
  id: string,
  seen: number,
  unplaced: readonly Unplaced[],
  sessions: readonly (Seen & { readonly blocks: readonly Block[] })[],
): Promise<void> {
  await claim(at, CourseRow, id, seen, { unplaced });
  for (const { session, version, blocks } of sessions) await changeBlocks(at, session, version, blocks);
}

/** What of a course is changed in its own row. */
export type CourseFacts = Requested & Pick<Course, 'unplaced' | 'accepted'> & { readonly removedAt: Date | null };

/** Changes a course at the version it was seen at. @returns the version it has now */
export function changeFacts(at: Writing, id: string, seen: number, to: Partial<CourseFacts>): Promise<number> {
  return claim(at, CourseRow, id, seen, to);
}

/** When a class is held, what is in it, and whether it is held at all. */
export type ClassFacts = Pick<Session, 'date' | 'start' | 'minutes' | 'blocks' | 'cancelled' | 'purpose' | 'note'>;

/** Changes a class at the version it was seen at. @returns the version it has now */
export function changeClass(at: Writing, id: string, seen: number, to: Partial<ClassFacts>): Promise<number> {
  return claim(at, SessionRow, id, seen, to);
}

/** Gives a session other blocks, at the version it was seen at. @returns the version it has now */
export function changeBlocks(at: Writing, id: string, seen: number, blocks: readonly Block[]): Promise<number> {
  return changeClass(at, id, seen, { blocks });
}

/** Keeps a change by hand, each session at the version it was seen at; refuses in words what cannot be done. */
export async function keepEdit(at: Writing, edit: Edit, seen: readonly Seen[]): Promise<void> {
  if (!edit.ok)
    throw new Refusal(
      edit.why === 'past' ? 'late' : ['not a technique', 'there already', 'no step'].includes(edit.why) ? 'invalid' : 'not-found',
      refusedText(edit.why),
    );
  for (const { session, blocks } of edit.edited) await changeBlocks(at, session, seenAt(seen, session), blocks);
}

/** The version a session was seen at; one that was not seen at all is a clash. */
export function seenAt(seen: readonly Seen[], id: string): number {
  const found = seen.find(({ session }) => session === id);
  if (!found) throw new Refusal('clash');
  return found.version;
}

/** The sessions of some courses in order of time, without cancelled ones; past and published ones are fixed. */
export async function sessionsOf(desk: Desk<Actor>, courseIds: readonly string[]): Promise<Session[]> {
  return (await allSessionsOf(desk, courseIds)).filter(({ cancelled }) => !cancelled);
}

/** Classes that were to be held and are not, each with its reason, in order of time. */
export async function cancelledIn(desk: Desk<Actor>, courseIds: readonly string[]): Promise<(Session & { readonly reason: string })[]> {
  return (await allSessionsOf(desk, courseIds)).flatMap((session) =>
    session.cancelled?.reason ? [{ ...session, reason: session.cancelled.reason }] : [],
  );
}

/** The days on which a class of a course was to be and was not, for whatever reason was given. */
export async function missedDates(desk: Desk<Actor>, of: string): Promise<IsoDate[]> {
  const fields = ['id', 'course', 'date', 'cancelled'] as const;
  const rows = await readRows(desk, SessionRow, { course: of, cancelled: { $ne: null } }, { orderBy: { date: 'asc', start: 'asc' }, fields });
  return rows.flatMap(({ date, cancelled }) => (cancelled?.reason ? [isoDate(date)] : []));
}

/** Every session of some courses, cancelled ones too. */
export function allSessionsOf(desk: Desk<Actor>, courseIds: readonly string[]): Promise<Session[]> {
  return once(desk, `sessions ${courseIds.join()}`, async () => {
    const rows = await readRows(desk, SessionRow, { course: [...courseIds] }, { orderBy: { date: 'asc', start: 'asc' } });
    return rows.map((row) => toSession(row, desk.today));
  });
}

/** Some sessions by their ids, of whatever course; what is not here is left out. */
export async function allSessionsById(desk: Desk<Actor>, ids: readonly string[]): Promise<Session[]> {
  const rows = ids.length === 0 ? [] : await readRows(desk, SessionRow, { id: [...ids] }, { orderBy: { date: 'asc', start: 'asc' } });
  return rows.map((row) => toSession(row, desk.today));
}

/** Every session on some days, of whatever course, cancelled ones too. */
export async function weekOfSessions(desk: Desk<Actor>, from: string, until: string): Promise<Session[]> {
  const rows = await readRows(desk, SessionRow, { date: { $gte: from, $lte: until } }, { orderBy: { date: 'asc', start: 'asc' } });
  return rows.map((row) => toSession(row, desk.today));
}

/** Every session on some days, of whatever course. */
export async function sessionsBetween(desk: Desk<Actor>, from: string, until: string): Promise<Session[]> {
  const rows = await readRows(desk, SessionRow, { date: { $gte: from, $lte: until }, cancelled: null }, { orderBy: { date: 'asc', start: 'asc' } });
  return rows.map((row) => toSession(row, desk.today));
}

export async function session(desk: Desk<Actor>, id: string): Promise<Session> {
  const row = await onceOutside(desk, `session ${id}`, () => readRow(desk, SessionRow, { id: knownId(id) }));
  if (!row) throw new Refusal('not-found', 'This session is not here, or not part of your studio.');
  return toSession(row, desk.today);
}

type Row = Omit<Session, 'date' | 'fixed' | 'cancelled'> & { readonly date: string; readonly cancelled?: Cancelled | null };

function toSession({ course: of, cancelled = null, ...row }: Row, today: IsoDate): Session {
  const { id, start, minutes, blocks, published, purpose, note, version } = row;
  const date = isoDate(row.date);
  return { id, course: of, date, start, minutes, blocks, published, cancelled, purpose, note, version, fixed: published > 0 || date < today };
}

export type { CourseSnapshot } from '../db/rows';

/** A course as it stands, so that a change of it can be told and taken back. */
export async function snapshotOf(desk: Desk<Actor>, id: string): Promise<CourseSnapshot> {
  const row = (await readRow(desk, CourseRow, { id: knownId(id) }))!;
  const { name, cohort, teacher, firstDate, weeks, weekdays, start, minutes, settled, arc, goals, unplaced, accepted, removedAt, version } = row;
  const [sessions, { already }] = [await allSessionsOf(desk, [id]), (await readRow(desk, CohortRow, { id: cohort }))!];
  return {
    version,
    practises: already,
    course: { name, cohort, teacher, firstDate, weeks, weekdays, start, minutes, settled, arc, goals, unplaced, accepted, removedAt },
    sessions: sessions.map((one) => ({
      id: one.id,
      version: one.version,
      date: one.date,
      start: one.start,
      minutes: one.minutes,
      blocks: one.blocks,
      cancelled: one.cancelled,
      purpose: one.purpose,
      note: one.note,
    })),
  };
}

export interface CourseStep {
  readonly what: string;
  readonly before: CourseSnapshot;
  readonly after: CourseSnapshot;
  /** Whether it took something back. */
  readonly back: boolean;
}

/** Keeps a change of a course with what was there before it. */
export async function addStep(at: Writing<Staff>, courseId: string, step: CourseStep): Promise<void> {
  await add(at, CourseStepRow, { id: at.newId(), course: courseId, ...step, madeBy: at.who.id, madeAt: at.now });
}

/** The last change of a course; null when there was none. */
export async function lastStep(desk: Desk<Actor>, courseId: string): Promise<CourseStep | null> {
  const [last] = await readRows(desk, CourseStepRow, { course: knownId(courseId) }, { orderBy: { id: 'desc' }, limit: 1 });
  return last ?? null;
}
