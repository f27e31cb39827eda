import { hash, verify } from '@node-rs/argon2';
import { trimNumber } from '@/core/units';
import type { AttemptKind } from '../db/kinds';
import type { EntityManager } from '../db/orm';
import { invalid, Refusal } from '../errors';
import {
  addKnownDevice,
  addSignIn,
  countAttempt,
  dropSignIn,
  dropSignIns,
  forgetAttempt,
  isKnownDevice,
  seen,
  signInWith,
  staffByEmail,
  type Attempt,
} from '../repositories/signIns';
import { newToken } from '../repositories/tokens';
import type { SignedIn } from './actors';
import { ATTEMPT_LIMITS, judge } from './attempts';

/** How long a session lasts, in milliseconds. */
export const SESSION_LIMITS = { idle: 12 * 3_600_000, whole: 30 * 86_400_000, device: 180 * 86_400_000, noted: 60_000 } as const;

export const sleep = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/** argon2id with the package's defaults. */
export function hashPassword(password: string): Promise<string> {
  return hash(password);
}

/** Somebody unknown takes as long to refuse as somebody known. */
const NOBODY = hash('nobody has this password');

export interface SigningIn {
  readonly email: string;
  readonly password: string;
  readonly address: string;
  /** The token a device got when somebody signed in from it before. */
  readonly device: string | null;
}

/**
 * Checks e-mail and password and opens a session. Every attempt counts before it is looked at; what is right counts no longer.
 * @param wait holds an attempt back that is slowed down
 * @returns the token for the cookie, and one by which this device is known next time; only their hashes are kept
 */
export async function signIn(
  em: EntityManager,
  input: SigningIn,
  now: Date,
  wait: (ms: number) => Promise<void> = sleep,
): Promise<{ readonly token: string; readonly device: string }> {
  const email = input.email.trim().toLowerCase();
  const staff = await staffByEmail(em, email);
  const known = staff !== null && (await isKnownDevice(em, input.device, staff.id, before(now, SESSION_LIMITS.device)));
  const attempt = { kind: 'sign in', address: input.address, what: email } as const;
  const right = await guessed(em, attempt, now, known, wait, async () => verify(staff?.passwordHash ?? (await NOBODY), input.password));
  if (!staff?.passwordHash || !right) throw invalid({ field: 'password', message: 'This e-mail and password do not belong together.' });
  await dropSignIns(em, { seen: before(now, SESSION_LIMITS.idle), since: before(now, SESSION_LIMITS.whole) });
  const [token, device] = [newToken(), input.device && known ? input.device : newToken()];
  await addSignIn(em, token, staff, now);
  await addKnownDevice(em, device, staff, now);
  return { token, device };
}

/**
 * Lets somebody guess, slower the more was guessed: counted before it is looked at, and no longer once it was right.
 * @param known whether they have been right from this device before
 * @throws Refusal `too-many` when they are to come back later
 */
export async function guessed(
  em: EntityManager,
  attempt: Attempt,
  now: Date,
  known: boolean,
  wait: (ms: number) => Promise<void>,
  isRight: () => Promise<boolean>,
): Promise<boolean> {
  const judged = await countAttempt(em.fork(), attempt, before(now, ATTEMPT_LIMITS.window), (tried) => judge(tried, now, known));
  if (!judged.goesOn && judged.why === 'address') throw new Refusal('too-many');
  if (!judged.goesOn)
    throw new Refusal(
      'too-many',
      `Many passwords were tried for this account. Try again in ${trimNumber(Math.ceil(judged.againInMs / 1000))} seconds; from a device you have signed in on before there is no wait.`,
    );
  if (judged.waitMs > 0) await wait(judged.waitMs);
  const right = await isRight();
  if (right) await forgetAttempt(em.fork(), attempt);
  return right;
}

/**
 * What a secret of somebody's opens. Whoever has one that is there is never counted and never shut out; what finds nothing counts
 * against the address it comes from, for links of its kind alone.
 */
export async function foundBy<T>(em: EntityManager, kind: AttemptKind, address: string, now: Date, found: T | null, gone: Refusal): Promise<T> {
  if (found !== null) return found;
  await tryFrom(em, { kind, address, what: '' }, now);
  throw gone;
}

/** Refuses an address from which too much of a kind was tried within a quarter of an hour, and counts this attempt. */
export async function tryFrom(em: EntityManager, attempt: Attempt, now: Date): Promise<void> {
  const allowed = await countAttempt(em.fork(), attempt, before(now, ATTEMPT_LIMITS.window), ({ byAddress }) =>
    byAddress >= ATTEMPT_LIMITS.perAddress ? { answer: false, at: null } : { answer: true, at: now },
  );
  if (!allowed) throw new Refusal('too-many');
}

/** Who a token belongs to, or null when it is unknown, was idle for twelve hours, or is thirty days old. */
export async function whoHas(em: EntityManager, token: string, now: Date): Promise<SignedIn | null> {
  const session = await signInWith(em, token);
  if (!session) return null;
  const idle = now.getTime() - session.seenAt.getTime();
  if (idle > SESSION_LIMITS.idle || now.getTime() - session.since.getTime() > SESSION_LIMITS.whole) return null;
  if (idle > SESSION_LIMITS.noted) await seen(em, token, now);
  return session.who;
}

export async function signOut(em: EntityManager, token: string): Promise<void> {
  await dropSignIn(em, token);
}

function before(now: Date, ms: number): Date {
  return new Date(now.getTime() - ms);
}
