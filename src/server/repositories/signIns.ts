import { v7 as newId } from 'uuid';
import type { SignedIn } from '../auth/actors';
import type { AttemptKind } from '../db/kinds';
import type { EntityManager } from '../db/orm';
import { hashOf } from './tokens';
import { AttemptRow, KnownDeviceRow, SignInRow, StaffRow } from '../db/rows';

/** Sessions, devices and attempts: what is asked before anybody is known, and so across studios. */

const ANYWHERE = { filters: false } as const;

/** The member of staff with an e-mail address, in whatever studio; nobody who left. */
export function staffByEmail(em: EntityManager, email: string) {
  return em.findOne(StaffRow, { email, leftAt: null }, ANYWHERE);
}

/** Whether an e-mail address signs somebody in, in whatever studio, or did before they left. */
export async function isAddressTaken(em: EntityManager, email: string): Promise<boolean> {
  return (await em.count(StaffRow, { email }, ANYWHERE)) > 0;
}

/** Whether a session is the one of a token. */
export function isSignIn(session: { readonly tokenHash: string }, token: string): boolean {
  return session.tokenHash === hashOf(token);
}

/** Whoever is signed in somewhere, newest first: since when, and when last seen. */
export async function signInsOf(em: EntityManager, staff: string) {
  return em.find(SignInRow, { staff }, { ...ANYWHERE, orderBy: { seenAt: 'desc' } });
}

/** Signs somebody out everywhere, or everywhere but here. @returns how many were ended */
export async function dropSignInsOf(em: EntityManager, staff: string, but: string | null): Promise<number> {
  return em.nativeDelete(SignInRow, { staff, ...(but === null ? {} : { tokenHash: { $ne: hashOf(but) } }) }, ANYWHERE);
}

/** The devices somebody signed in from are known no longer. */
export async function dropDevicesOf(em: EntityManager, staff: string): Promise<void> {
  await em.nativeDelete(KnownDeviceRow, { staff }, ANYWHERE);
}

export async function addSignIn(em: EntityManager, token: string, staff: { readonly id: string; readonly studio: string }, now: Date): Promise<void> {
  await em.insert(SignInRow, { tokenHash: hashOf(token), studio: staff.studio, staff: staff.id, seenAt: now, since: now });
}

export async function dropSignIns(em: EntityManager, before: { readonly seen: Date; readonly since: Date }): Promise<void> {
  await em.nativeDelete(SignInRow, { $or: [{ seenAt: { $lt: before.seen } }, { since: { $lt: before.since } }] }, ANYWHERE);
}

export async function dropSignIn(em: EntityManager, token: string): Promise<void> {
  await em.nativeDelete(SignInRow, { tokenHash: hashOf(token) }, ANYWHERE);
}

/** A session with whom it belongs to; null when there is none. */
export async function signInWith(
  em: EntityManager,
  token: string,
): Promise<{ readonly seenAt: Date; readonly since: Date; readonly who: SignedIn } | null> {
  // Asked with every request there is: one statement.
  const [row] = await em.execute<SignedInRow[]>(
    `select sign_in.seen_at, sign_in.since, staff.id, staff.name, staff.role, staff.device_key, studio.id as studio, studio.name as studio_name, studio.zone
     from sign_in join staff on staff.id = sign_in.staff join studio on studio.id = sign_in.studio
     where sign_in.token_hash = ? and staff.left_at is null`,
    [hashOf(token)],
  );
  if (!row) return null;
  const { id, name, role, studio, studio_name: studioName, zone, device_key: deviceKey } = row;
  return {
    seenAt: new Date(row.seen_at),
    since: new Date(row.since),
    who: { as: 'staff', id, name, role, studio, studioName, zone, deviceKey },
  };
}

interface SignedInRow extends Pick<SignedIn, 'id' | 'name' | 'role' | 'studio' | 'zone'> {
  readonly seen_at: string;
  readonly since: string;
  readonly device_key: string;
  readonly studio_name: string;
}

export async function seen(em: EntityManager, token: string, now: Date): Promise<void> {
  await em.nativeUpdate(SignInRow, { tokenHash: hashOf(token) }, { seenAt: now }, ANYWHERE);
}

/** Whether somebody has signed in from the device with this token before. */
export async function isKnownDevice(em: EntityManager, token: string | null, staff: string, since: Date): Promise<boolean> {
  return token !== null && (await em.count(KnownDeviceRow, { tokenHash: hashOf(token), staff, at: { $gte: since } }, ANYWHERE)) > 0;
}

export async function addKnownDevice(
  em: EntityManager,
  token: string,
  staff: { readonly id: string; readonly studio: string },
  now: Date,
): Promise<void> {
  await em.upsert(KnownDeviceRow, { tokenHash: hashOf(token), studio: staff.studio, staff: staff.id, at: now });
}

/** What is tried from outside, from which address, and what is guessed at; the empty text where that is a secret of its own. */
export interface Attempt {
  readonly kind: AttemptKind;
  readonly address: string;
  readonly what: string;
}

/** What of one kind was tried lately. */
export interface Tried {
  /** From one address, whatever was guessed at. */
  readonly byAddress: number;
  /** From one address at the same. */
  readonly byBoth: number;
  /** When the same was guessed at, from wherever, the newest last. */
  readonly byWhat: readonly Date[];
}

/**
 * Counts an attempt before it is looked at, one at a time for what is guessed at, so that two hundred at once count as two hundred.
 * Nothing else waits for it: neither another account, nor another kind, nor anybody else at the same address.
 * @param decide looks at what was tried before and says whether this one may go on, and when it counts
 */
export function countAttempt<T>(
  em: EntityManager,
  { kind, address, what }: Attempt,
  since: Date,
  decide: (tried: Tried) => { readonly answer: T; readonly at: Date | null },
): Promise<T> {
  return em.transactional(async (at) => {
    await at.execute('select pg_advisory_xact_lock(hashtextextended(?, 0))', [`${kind} ${what === '' ? address : what}`]);
    const byAddress = await at.find(AttemptRow, { kind, address, at: { $gte: since } }, { fields: ['what'] });
    const byWhat = what === '' ? [] : await at.find(AttemptRow, { kind, what, at: { $gte: since } }, { orderBy: { at: 'asc' } });
    const tried = { byAddress: byAddress.length, byBoth: byAddress.filter((one) => one.what === what).length, byWhat: byWhat.map((one) => one.at) };
    const { answer, at: counts } = decide(tried);
    if (counts) await at.insert(AttemptRow, { id: newId(), kind, what, address, at: counts });
    return answer;
  });
}

/** An attempt that was right counts no longer. */
export async function forgetAttempt(em: EntityManager, { kind, address, what }: Attempt): Promise<void> {
  const [newest] = await em.find(AttemptRow, { kind, address, what }, { orderBy: { at: 'desc' }, limit: 1 });
  if (newest) await em.nativeDelete(AttemptRow, { id: newest.id });
}

/** What was tried long ago is forgotten. */
export async function forgetAttempts(em: EntityManager, before: Date): Promise<void> {
  await em.nativeDelete(AttemptRow, { at: { $lt: before } });
}
