import { hash, verify } from '@node-rs/argon2';
import { createHash, randomBytes } from 'node:crypto';
import { v7 as newId } from 'uuid';
import type { EntityManager } from '../db/orm';
import { AttemptRow, SignInRow, StaffRow, StudioRow, type Role } from '../db/rows';
import { invalid, Refusal } from '../errors';

/** The person behind a request. */
export interface SignedIn {
  readonly id: string;
  readonly studio: string;
  readonly studioName: string;
  readonly zone: string;
  readonly name: string;
  readonly role: Role;
}

const IDLE_MS = 12 * 60 * 60 * 1000;
const WINDOW_MS = 15 * 60 * 1000;
const MOST_PER_ACCOUNT = 8;
const MOST_PER_ADDRESS = 30;

/** argon2id with the package's defaults. */
export function hashPassword(password: string): Promise<string> {
  return hash(password);
}

/** Somebody unknown takes as long to refuse as somebody known. */
const NOBODY = hash('nobody has this password');

/**
 * Checks e-mail and password and opens a session. Failed attempts are limited by account and by address.
 * @returns the token for the cookie; only its hash is kept
 */
export async function signIn(em: EntityManager, input: { email: string; password: string; address: string }, now: Date): Promise<string> {
  const email = input.email.trim().toLowerCase();
  await limitAttempts(em, email, input.address, now);
  const staff = await em.findOne(StaffRow, { email });
  const right = await verify(staff?.passwordHash ?? (await NOBODY), input.password);
  if (!staff || !right) {
    await noteAttempt(em, email, input.address, now);
    throw invalid({ field: 'password', message: 'This e-mail and password do not belong together.' });
  }
  const token = randomBytes(32).toString('base64url');
  await em.nativeDelete(SignInRow, { seenAt: { $lt: new Date(now.getTime() - IDLE_MS) } });
  await em.insert(SignInRow, { tokenHash: hashToken(token), studio: staff.studio, staff: staff.id, seenAt: now });
  return token;
}

async function limitAttempts(em: EntityManager, email: string, address: string, now: Date): Promise<void> {
  await limitByAddress(em, address, now);
  if ((await em.count(AttemptRow, { email })) >= MOST_PER_ACCOUNT) throw new Refusal('too-many');
}

/** Refuses an address from which too much has failed within a quarter of an hour. */
export async function limitByAddress(em: EntityManager, address: string, now: Date): Promise<void> {
  await em.nativeDelete(AttemptRow, { at: { $lt: new Date(now.getTime() - WINDOW_MS) } });
  if ((await em.count(AttemptRow, { address })) >= MOST_PER_ADDRESS) throw new Refusal('too-many');
}

/** Notes that something was tried from an address and failed. */
export async function noteAttempt(em: EntityManager, what: string, address: string, now: Date): Promise<void> {
  await em.insert(AttemptRow, { id: newId(), email: what, address, at: now });
}

/** Who a token belongs to, or null when it is unknown or was idle for twelve hours. */
export async function whoHas(em: EntityManager, token: string, now: Date): Promise<SignedIn | null> {
  const session = await em.findOne(SignInRow, { tokenHash: hashToken(token) });
  if (!session || now.getTime() - session.seenAt.getTime() > IDLE_MS) return null;
  const [staff, studio] = await Promise.all([em.findOneOrFail(StaffRow, { id: session.staff }), em.findOneOrFail(StudioRow, { id: session.studio })]);
  if (now.getTime() - session.seenAt.getTime() > 60_000) await em.nativeUpdate(SignInRow, { tokenHash: session.tokenHash }, { seenAt: now });
  return { id: staff.id, studio: studio.id, studioName: studio.name, zone: studio.zone, name: staff.name, role: staff.role };
}

export async function signOut(em: EntityManager, token: string): Promise<void> {
  await em.nativeDelete(SignInRow, { tokenHash: hashToken(token) });
}

function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}
