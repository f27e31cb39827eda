import { staffId, type Actor } from '../auth/actors';
import type { StaffLinkPurpose } from '../db/kinds';
import type { EntityManager } from '../db/orm';
import { StaffLinkRow, StaffRow, StudioRow } from '../db/rows';
import { add, change } from '../db/write';
import { readRows } from '../db/read';
import type { Desk, Writing } from '../desk';
import { hashOf, isToken, newToken } from './tokens';

/** How long a link may be used, by what it is for. */
export const STAFF_LINK_HOURS: Readonly<Record<StaffLinkPurpose, number>> = { invitation: 7 * 24, reset: 24 };

/** Makes a link for somebody of the staff; whatever link they had before stops working. @returns its token, which is never kept */
export async function addStaffLink(at: Writing, purpose: StaffLinkPurpose, staff: string): Promise<string> {
  const token = newToken();
  await endStaffLinks(at, staff);
  const expiresAt = new Date(at.now.getTime() + STAFF_LINK_HOURS[purpose] * 3_600_000);
  const made = { id: at.newId(), purpose, staff, tokenHash: hashOf(token), madeBy: staffId(at.who), madeAt: at.now, expiresAt, usedAt: null };
  await add(at, StaffLinkRow, made);
  return token;
}

/** When somebody last got a link; null when they never did. */
export async function lastLinkAt(desk: Desk<Actor>, staff: string): Promise<Date | null> {
  const [last] = await readRows(desk, StaffLinkRow, { staff }, { orderBy: { madeAt: 'desc' }, limit: 1, fields: ['madeAt'] });
  return last ? new Date(last.madeAt) : null;
}

/** Somebody's links work no longer. */
export async function endStaffLinks(at: Writing, staff: string): Promise<void> {
  await change(at, StaffLinkRow, { staff, usedAt: null, expiresAt: { $gt: at.now } }, { expiresAt: at.now });
}

/** Uses a link up. @returns whether it was still there to be used */
export async function spendStaffLink(at: Writing, id: string): Promise<boolean> {
  return (await change(at, StaffLinkRow, { id, usedAt: null, expiresAt: { $gt: at.now } }, { usedAt: at.now })) > 0;
}

/** Whose link a token is, in whatever studio; null when it is unknown, used, run out, or they have left. */
export async function findStaffLink(em: EntityManager, token: string, now: Date) {
  if (!isToken(token)) return null;
  const anywhere = { filters: false } as const;
  const link = await em.findOne(StaffLinkRow, { tokenHash: hashOf(token), usedAt: null, expiresAt: { $gt: now } }, anywhere);
  const member = link && (await em.findOne(StaffRow, { id: link.staff, leftAt: null }, anywhere));
  if (!member) return null;
  const studio = await em.findOneOrFail(StudioRow, { id: link.studio });
  const { id, name, email, role, version } = member;
  return {
    link: link.id,
    purpose: link.purpose,
    staff: { id, name, email, role, version },
    studio: { id: studio.id, name: studio.name, zone: studio.zone },
  };
}
