import type { Role } from '@/core/staff';
import { choosePasswordForm, resetForm } from '@/forms';
import type { Clock } from '../../auth/actors';
import { foundBy, hashPassword, tryFrom } from '../../auth/signin';
import { checked } from '../../checked';
import type { StaffLinkPurpose } from '../../db/kinds';
import type { EntityManager } from '../../db/orm';
import { deskFor, inOne, type Writing } from '../../desk';
import { Refusal } from '../../errors';
import { dropDevicesOf, dropSignInsOf, staffByEmail } from '../../repositories/signIns';
import { changeStaff } from '../../repositories/staff';
import { findStaffLink, lastLinkAt, spendStaffLink } from '../../repositories/staffLinks';
import { studioClock } from '../../repositories/studio';
import { sendReset } from './manage';

/** What somebody sees who opens a link to choose a password. */
export interface Joining {
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly studio: string;
  readonly purpose: StaffLinkPurpose;
}

const GONE = 'This link has been used, has run out, or a newer one was sent. Ask the director for a new one, or ask for one on the sign-in page.';

async function find(em: EntityManager, token: string, address: string, now: Date) {
  return foundBy(em, 'join', address, now, await findStaffLink(em.fork(), token, now), new Refusal('not-found', GONE));
}

/** Opens a link without using it up. */
export async function openJoining(em: EntityManager, token: string, address: string, now: Date): Promise<Joining> {
  const { purpose, staff, studio } = await find(em, token, address, now);
  return { name: staff.name, email: staff.email, role: staff.role, studio: studio.name, purpose };
}

/** Chooses a password by a link, once; whoever was signed in before is signed out everywhere. */
export async function choosePassword(
  em: EntityManager,
  token: string,
  input: unknown,
  address: string,
  now: Date,
): Promise<{ readonly email: string }> {
  const { link, staff, studio } = await find(em, token, address, now);
  const { password } = await checked(choosePasswordForm, input);
  const passwordHash = await hashPassword(password);
  const who: Clock = { as: 'clock', studio: studio.id, studioName: studio.name, zone: studio.zone };
  return inOne(await deskFor(who, now, em), async (at) => {
    if (!(await spendStaffLink(at, link))) throw new Refusal('not-found', GONE);
    await changeStaff(at, staff.id, staff.version, { passwordHash });
    await dropSignInsOf(at.em, staff.id, null);
    await dropDevicesOf(at.em, staff.id);
    return { email: staff.email };
  });
}

/** How long the answer to somebody who cannot sign in takes, whether their address is known or not. */
const ANSWERED_AFTER_MS = 400;

/** Sends a link to whoever has this address, if anybody has. The answer is the same, and takes as long, either way. */
export async function askForReset(em: EntityManager, input: unknown, address: string, now: Date): Promise<void> {
  const { email } = await checked(resetForm, input);
  await tryFrom(em, { kind: 'new password', address, what: '' }, now);
  const waited = new Promise((resolve) => setTimeout(resolve, ANSWERED_AFTER_MS));
  const member = await staffByEmail(em.fork(), email);
  const clock = member && (await studioClock(em.fork(), member.studio));
  if (clock) await inOne(await deskFor(clock.who, now, em), (at) => resetUnlessJustSent(at, member, now));
  await waited;
}

/** How long a link that was asked for stands before the next is sent: nobody fills another's letter box. */
const AGAIN_AFTER_MS = 5 * 60_000;

async function resetUnlessJustSent(at: Writing<Clock>, member: Parameters<typeof sendReset>[1], now: Date): Promise<void> {
  const last = await lastLinkAt(at, member.id);
  if (last === null || now.getTime() - last.getTime() >= AGAIN_AFTER_MS) await sendReset(at, member);
}
