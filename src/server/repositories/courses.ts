import type { CourseSession, Goal } from '@/core/course';
import { isoDate, type IsoDate } from '@/core/units';
import { readRow, readRows } from '../db/read';
import { once, type Desk } from '../desk';
import { AcknowledgementRow, CourseRow, LogRow, PlanRow, SessionRow, type PlanRecord, type SessionRecord } from '../db/rows';
import { knownId, Refusal } from '../errors';
import { ours } from './studio';

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
  readonly unplaced: readonly string[];
  readonly version: number;
}

export interface Session extends CourseSession {
  readonly course: string;
  readonly version: number;
}

export function courses(desk: Desk): Promise<Course[]> {
  return once(desk, 'courses', async () => {
    const rows = await readRows(desk, CourseRow, ours(desk), { orderBy: { firstDate: 'desc' } });
    return rows.map((row) => ({ ...row, firstDate: isoDate(row.firstDate) }));
  });
}

export async function course(desk: Desk, id: string): Promise<Course> {
  const row = await readRow(desk, CourseRow, { id: knownId(id), ...ours(desk) });
  if (!row) throw new Refusal('not-found', 'This course is not here, or not part of your studio.');
  return { ...row, firstDate: isoDate(row.firstDate) };
}

/** The sessions of some courses in order of time; past and published ones are fixed. */
export function sessionsOf(desk: Desk, courseIds: readonly string[]): Promise<Session[]> {
  return once(desk, `sessions ${courseIds.join()}`, async () => {
    const rows = await readRows(desk, SessionRow, { course: [...courseIds], ...ours(desk) }, { orderBy: { date: 'asc', start: 'asc' } });
    const published = await publishedSessions(
      desk,
      rows.map(({ id }) => id),
    );
    return rows.map((row) => toSession(row, desk.today, published.has(row.id)));
  });
}

export async function session(desk: Desk, id: string): Promise<Session> {
  const row = await sessionRow(desk, id);
  return toSession(row, desk.today, (await publishedSessions(desk, [id])).has(id));
}

export async function sessionRow(desk: Desk, id: string): Promise<SessionRecord> {
  const row = await readRow(desk, SessionRow, { id: knownId(id), ...ours(desk) });
  if (!row) throw new Refusal('not-found', 'This session is not here, or not part of your studio.');
  return row;
}

function toSession({ id, course: of, date, start, minutes, blocks, version }: SessionRecord, today: IsoDate, published: boolean): Session {
  return { id, course: of, date: isoDate(date), start, minutes, blocks, version, fixed: published || date < today };
}

async function publishedSessions(desk: Desk, sessions: readonly string[]): Promise<ReadonlySet<string>> {
  const plans = await readRows(desk, PlanRow, { session: [...sessions], ...ours(desk) }, { fields: ['session'] });
  return new Set(plans.map((plan) => plan.session));
}

/** What has happened to sessions since they were planned. */
export interface Progress {
  readonly plan: PlanRecord | null;
  readonly versions: readonly PlanRecord[];
  readonly acknowledgedAt: Date | null;
  readonly log: Log | null;
}

export interface Log {
  readonly id: string;
  readonly at: Date;
  readonly taughtBy: string;
  readonly reached: string;
  readonly note: string;
  readonly attendance: readonly { readonly person: string; readonly came: boolean; readonly effort: string; readonly stopSigns: readonly string[] }[];
}

/** Plans, acknowledgements and logs of sessions, by session. The plan is the latest version. */
export async function progressOf(desk: Desk, sessions: readonly string[]): Promise<ReadonlyMap<string, Progress>> {
  const mine = { ...ours(desk) };
  const plans = await readRows(desk, PlanRow, { session: [...sessions], ...mine }, { orderBy: { number: 'asc' } });
  const [acknowledgements, logs] = await Promise.all([
    readRows(desk, AcknowledgementRow, { plan: plans.map(({ id }) => id), ...mine }, { orderBy: { at: 'asc' } }),
    readRows(desk, LogRow, { session: [...sessions], ...mine }, { orderBy: { at: 'asc' } }),
  ]);
  return new Map(
    sessions.map((id): [string, Progress] => {
      const versions = plans.filter((plan) => plan.session === id);
      const plan = versions.at(-1) ?? null;
      const acknowledged = plan && acknowledgements.findLast((one) => one.plan === plan.id && one.staff === plan.teacher);
      return [id, { plan, versions, acknowledgedAt: acknowledged?.at ?? null, log: logs.findLast((log) => log.session === id) ?? null }];
    }),
  );
}

/** Counts a course's version up, or refuses when somebody else did first. */
export async function claimCourse(desk: Desk, id: string, version: number): Promise<void> {
  const changed = await desk.em.nativeUpdate(CourseRow, { id, version, ...ours(desk) }, { version: version + 1 });
  if (changed === 0) throw new Refusal('clash');
}
