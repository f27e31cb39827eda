import type { InferEntity } from '@mikro-orm/core';
import type { Actor, Staff } from '../auth/actors';
import { readRows } from '../db/read';
import { HandoverRow, PlanRow } from '../db/rows';
import { add } from '../db/write';
import { type Desk, type Writing } from '../desk';

/** Classes given into other hands, oldest first. */
export async function handoversOf(desk: Desk<Actor>, sessions: readonly string[]) {
  const rows = await readRows(desk, HandoverRow, { session: [...sessions] }, { orderBy: { madeAt: 'asc', id: 'asc' } });
  return rows.map(toHandover);
}

/** What was handed over since a moment, oldest first. */
export async function handoversSince(desk: Desk<Actor>, since: Date) {
  return (await readRows(desk, HandoverRow, { madeAt: { $gte: since } }, { orderBy: { madeAt: 'asc', id: 'asc' } })).map(toHandover);
}

function toHandover({ session, was, teacher, madeBy, madeAt }: InferEntity<typeof HandoverRow>) {
  return { session, was: was ?? null, teacher, madeBy, madeAt: new Date(madeAt) };
}

/** Gives a class into other hands. */
export async function addHandover(at: Writing<Staff>, session: string, was: string | null, teacher: string): Promise<void> {
  await add(at, HandoverRow, { id: at.newId(), session, was, teacher, madeBy: at.who.id, madeAt: at.now });
}

/** The sessions somebody was ever handed, with a plan or before there was one. */
export async function sessionsHandedTo(desk: Desk<Actor>, teacher: string): Promise<ReadonlySet<string>> {
  const [plans, handed] = await Promise.all([
    readRows(desk, PlanRow, { teacher }, { fields: ['session'] }),
    readRows(desk, HandoverRow, { teacher }, { fields: ['session'] }),
  ]);
  return new Set([...plans, ...handed].map(({ session }) => session));
}

/** Whom each of some sessions was handed to last, by session; those that never were are left out. */
export async function handedTo(desk: Desk<Actor>, sessions: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const [plans, handed] = await Promise.all([
    readRows(desk, PlanRow, { session: [...sessions] }, { fields: ['session', 'teacher', 'publishedAt'], orderBy: { publishedAt: 'asc' } }),
    handoversOf(desk, sessions),
  ]);
  const all = [
    ...plans.map(({ session, teacher, publishedAt }) => ({ session, teacher, at: new Date(publishedAt) })),
    ...handed.map((one) => ({ ...one, at: one.madeAt })),
  ];
  return new Map(all.sort((a, b) => a.at.getTime() - b.at.getTime()).map(({ session, teacher }) => [session, teacher]));
}
