import type { NamedBlock, PlanChange } from '@/core/plan';
import type { Actor, Staff } from '../auth/actors';
import { readRows } from '../db/read';
import { AcknowledgementRow, PlanRow, SessionRow } from '../db/rows';
import { add, claim } from '../db/write';
import type { Desk, Writing } from '../desk';
import type { Session } from './courses';
import { handoversOf } from './hands';
import { logsOf, type LoggedClass } from './logs';

/** A published version of a plan. */
export interface Plan {
  readonly id: string;
  readonly session: string;
  readonly number: number;
  readonly blocks: readonly NamedBlock[];
  readonly changes: readonly (PlanChange | string)[];
  readonly purpose: string;
  readonly note: string;
  /** Why it was published though something stood against it. */
  readonly reason: string;
  /** In whose hands it is. */
  readonly teacher: string;
  readonly publishedAt: Date;
}

/** Publishes the next version of a session that was seen at a version. @returns its number, and the session's version now */
export async function addPlan(
  at: Writing<Staff>,
  { id, published, version }: Pick<Session, 'id' | 'published' | 'version'>,
  plan: Pick<Plan, 'blocks' | 'changes' | 'teacher' | 'purpose' | 'note'> & Partial<Pick<Plan, 'reason'>>,
): Promise<{ readonly number: number; readonly version: number }> {
  const number = published + 1;
  const now = await claim(at, SessionRow, id, version, { published: number });
  await add(at, PlanRow, { id: at.newId(), session: id, number, reason: '', ...plan, publishedBy: at.who.id, publishedAt: at.now });
  return { number, version: now };
}

export async function addAcknowledgement(at: Writing<Staff>, plan: string): Promise<void> {
  await add(at, AcknowledgementRow, { id: at.newId(), plan, staff: at.who.id, at: at.now });
}

/** What has happened to sessions since they were planned. */
export interface Progress {
  readonly plan: Plan | null;
  readonly versions: readonly Plan[];
  /** Whom it was handed to last, with or without a plan; null where it was to nobody. */
  readonly handedTo: string | null;
  readonly acknowledgedAt: Date | null;
  /** The logs of the class, taken together. */
  readonly log: LoggedClass | null;
}

/** Whether any plan was ever published. */
export async function anyPlan(desk: Desk<Actor>): Promise<boolean> {
  return (await readRows(desk, PlanRow, {}, { limit: 1, fields: ['id'] })).length > 0;
}

/** Plans, acknowledgements and logs of sessions, by session. The plan is the latest version. */
export async function progressOf(desk: Desk<Actor>, sessions: readonly string[]): Promise<ReadonlyMap<string, Progress>> {
  const published = readRows(desk, PlanRow, { session: [...sessions] }, { orderBy: { number: 'asc' } });
  const read = published.then((all) => readRows(desk, AcknowledgementRow, { plan: all.map(({ id }) => id) }, { orderBy: { at: 'asc' } }));
  const [plans, acknowledgements, logs, handed] = await Promise.all([published, read, logsOf(desk, sessions), handoversOf(desk, sessions)]);
  return new Map(
    sessions.map((id): [string, Progress] => {
      const versions = plans.filter((plan) => plan.session === id);
      const newest = versions.at(-1) ?? null;
      const handover = handed.findLast((one) => one.session === id && (!newest || one.madeAt >= newest.publishedAt));
      const plan = newest && handover ? { ...newest, teacher: handover.teacher } : newest;
      const since = handover?.madeAt ?? new Date(0);
      const acknowledged =
        plan && acknowledgements.findLast((one) => one.plan === plan.id && one.staff === plan.teacher && new Date(one.at) >= since);
      return [
        id,
        { plan, versions, handedTo: plan?.teacher ?? handover?.teacher ?? null, acknowledgedAt: acknowledged?.at ?? null, log: logs.get(id) ?? null },
      ];
    }),
  );
}
