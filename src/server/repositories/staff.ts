import { randomBytes } from 'node:crypto';
import { mayTeach, type Away, type Qualification, type Role } from '@/core/staff';
import { isoDate } from '@/core/units';
import type { Actor, Staff } from '../auth/actors';
import { readRow, readRows } from '../db/read';
import { AwayRow, StaffRow } from '../db/rows';
import { add, claim, hold, remove } from '../db/write';
import { once, type Desk, type Writing } from '../desk';
import { knownId, Refusal } from '../errors';

export interface StaffMember {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly qualifications: readonly Qualification[];
  /** Invited, and has not chosen a password yet. */
  readonly invited: boolean;
  readonly leftAt: Date | null;
  readonly version: number;
}

/** Everybody who is or was on the staff; whoever left keeps their name in what they did. */
export function staff(desk: Desk<Actor>): Promise<StaffMember[]> {
  return once(desk, 'staff', async () => {
    const rows = await readRows(desk, StaffRow, {}, { orderBy: { name: 'asc' } });
    return rows.map(({ id, name, email, role, qualifications, passwordHash, leftAt, version }) => ({
      id,
      name,
      email,
      role,
      qualifications,
      invited: !passwordHash && !leftAt,
      leftAt: leftAt ?? null,
      version,
    }));
  });
}

/** The staff as it is today. */
export async function staffToday(desk: Desk<Actor>): Promise<StaffMember[]> {
  return (await staff(desk)).filter(({ leftAt }) => leftAt === null);
}

/** Names of the staff, for what they did, whoever left among them. */
export async function staffNames(desk: Desk<Actor>): Promise<(id: string) => string> {
  const names = new Map((await staff(desk)).map(({ id, name }) => [id, name]));
  return (id) => names.get(id) ?? 'somebody who left';
}

/** Staff who may be handed a class. */
export async function teachers(desk: Desk<Actor>): Promise<StaffMember[]> {
  return (await staffToday(desk)).filter(({ role }) => mayTeach(role));
}

/** One of the studio's teachers; refuses anyone else. */
export async function teacher(desk: Desk<Actor>, id: string): Promise<StaffMember> {
  const found = (await teachers(desk)).find((member) => member.id === id);
  if (!found) throw new Refusal('not-found', 'This teacher is not part of your studio, or has left.');
  return found;
}

/** One of the staff as it is today; refuses anyone else. */
export async function staffMember(desk: Desk<Actor>, id: string): Promise<StaffMember> {
  const found = (await staffToday(desk)).find((member) => member.id === id);
  if (!found) throw new Refusal('not-found', 'This person is not on your staff, or has left.');
  return found;
}

export interface NewStaff {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  /** Null until an invitation is taken. */
  readonly passwordHash: string | null;
  readonly qualifications: readonly Qualification[];
}

export async function addStaff(at: Writing, ...members: readonly NewStaff[]): Promise<void> {
  await add(at, StaffRow, ...members.map((member) => ({ ...member, deviceKey: randomBytes(32).toString('base64'), leftAt: null })));
}

/** What of somebody of the staff is changed. */
export type StaffChange = Partial<Pick<NewStaff, 'name' | 'role' | 'passwordHash' | 'qualifications'>> & { readonly leftAt?: Date | null };

/** Changes somebody of the staff at the version they were seen at. @returns the version they have now */
export function changeStaff(at: Writing, id: string, seen: number, to: StaffChange): Promise<number> {
  return claim(at, StaffRow, id, seen, to);
}

/** Sets what somebody is qualified to teach and since when, at the version they were seen at; what has no day is dated today. */
export async function changeQualifications(
  at: Writing,
  id: string,
  seen: number,
  families: readonly { readonly family: string; readonly since: string | null }[],
): Promise<void> {
  const member = await hold(at, StaffRow, { id: knownId(id) });
  if (!member) throw new Refusal('not-found');
  const qualifications = families.map(({ family, since }) => ({
    family,
    since: since ?? member.qualifications.find((had) => had.family === family)?.since ?? at.today,
  }));
  await claim(at, StaffRow, id, seen, { qualifications });
}

/** Somebody's password as it is kept; null while they are only invited. */
export async function passwordOf(desk: Desk<Actor>, id: string): Promise<string | null> {
  return (await readRow(desk, StaffRow, { id: knownId(id) }))?.passwordHash ?? null;
}

/** Who had an e-mail address here and left. */
export async function leaverWith(desk: Desk<Actor>, email: string): Promise<StaffMember | null> {
  return (await staff(desk)).find((one) => one.leftAt !== null && one.email === email) ?? null;
}

/** Everything the staff said of being away that is not over yet, or all of it between two days. */
export function aways(desk: Desk<Actor>, from: string = desk.today): Promise<Away[]> {
  return once(desk, `aways ${from}`, async () => {
    const rows = await readRows(desk, AwayRow, { until: { $gte: from } }, { orderBy: { from: 'asc', fromTime: 'asc' } });
    return rows.map(({ id, staff: of, from: first, until, fromTime, untilTime }) => ({
      id,
      staff: of,
      from: isoDate(first),
      until: isoDate(until),
      fromTime: fromTime ?? null,
      untilTime: untilTime ?? null,
    }));
  });
}

export async function addAway(at: Writing<Staff>, ...all: readonly Omit<Away, 'id'>[]): Promise<void> {
  if (all.length > 0) await add(at, AwayRow, ...all.map((one) => ({ id: at.newId(), ...one, saidBy: at.who.id, saidAt: at.now })));
}

/** Takes back that somebody is away. @returns how many were taken back */
export function removeAway(at: Writing, where: { readonly id: string } | { readonly staff: string }): Promise<number> {
  return remove(at, AwayRow, where);
}
