import type { Actor, Staff } from '../auth/actors';
import type { EntityManager } from '../db/orm';
import { readRows } from '../db/read';
import { FeedRow, StaffRow, StudioRow } from '../db/rows';
import { add, remove } from '../db/write';
import type { Desk, Writing } from '../desk';
import { hashOf, isToken, newToken } from './tokens';

/** The calendar addresses somebody has made. */
export async function feedsOf(desk: Desk<Actor>, staff: string) {
  const rows = await readRows(desk, FeedRow, { staff }, { orderBy: { madeAt: 'asc' } });
  return rows.map(({ whole, madeAt }) => ({ whole, madeAt: new Date(madeAt).toISOString() }));
}

/** Makes a calendar address; the one there was ends. @returns its token, which is never kept */
export async function addFeed(at: Writing<Staff>, whole: boolean): Promise<string> {
  const token = newToken();
  await endFeed(at, at.who.id, whole);
  await add(at, FeedRow, { id: at.newId(), staff: at.who.id, whole, tokenHash: hashOf(token), madeAt: at.now });
  return token;
}

export async function endFeed(at: Writing, staff: string, whole: boolean): Promise<void> {
  await remove(at, FeedRow, { staff, whole });
}

/** Every calendar address of somebody ends: whoever leaves and comes back makes new ones. */
export async function endFeedsOf(at: Writing, staff: string): Promise<void> {
  await remove(at, FeedRow, { staff });
}

/** Whose calendar an address is, in whatever studio, as the staff who may read it; null when it is unknown or they have left. */
export async function findFeed(em: EntityManager, token: string): Promise<{ readonly whole: boolean; readonly who: Staff } | null> {
  if (!isToken(token)) return null;
  const anywhere = { filters: false } as const;
  const feed = await em.findOne(FeedRow, { tokenHash: hashOf(token) }, anywhere);
  const member = feed && (await em.findOne(StaffRow, { id: feed.staff, leftAt: null }, anywhere));
  if (!member) return null;
  const studio = await em.findOneOrFail(StudioRow, { id: feed.studio });
  const { id, name, role } = member;
  return { whole: feed.whole, who: { as: 'staff', id, studio: studio.id, studioName: studio.name, zone: studio.zone, name, role } };
}
