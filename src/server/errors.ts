import { OptimisticLockError } from '@mikro-orm/core';
import { Unopenable } from './auth/vault';

/** What can go wrong for a person, each with a stable code. Everything else is a bug and throws as one. */
export const REFUSALS = {
  'signed-out':
    'You were signed out. What you typed is still here, and is sent by itself once you have signed in again, in another tab of this browser.',
  'not-allowed': 'Your role does not allow this. Ask the director.',
  'not-found': 'This is not here, or not part of your studio.',
  clash: 'Somebody else saved this meanwhile. What you typed is still here: open the page in another tab to see theirs, then decide.',
  invalid: 'Something here needs another look.',
  closed: 'The studio is closed on that day.',
  late: 'This can no longer be changed.',
  another: 'This is somebody else’s to send. It waits on this device until they sign in.',
  unreadable:
    'What is kept of this person cannot be opened, so nothing can be added to it. Put back a copy of the data, or erase them and add them again.',
  'too-many': 'Too many attempts. Wait a quarter of an hour and try again.',
  'too-large': 'This is larger than anything that belongs here. Nothing of it was read.',
} as const;

export type RefusalCode = keyof typeof REFUSALS;

/** A sentence at a field of a form. */
export interface FieldProblem {
  readonly field: string;
  readonly message: string;
}

/** Thrown by use cases; caught once, at the edge. */
export class Refusal extends Error {
  constructor(
    readonly code: RefusalCode,
    message: string = REFUSALS[code],
    readonly fields: readonly FieldProblem[] = [],
  ) {
    super(message);
  }
}

/** What PostgreSQL says of a race that was lost: a value that is there already, a serialization failure, a deadlock. */
const LOST: readonly unknown[] = ['23505', '40001', '40P01'];

/** A lost race as a clash, what cannot be opened in words; anything else as it is. */
export function asClash(error: unknown): unknown {
  if (error instanceof OptimisticLockError) return new Refusal('clash');
  if (error instanceof Unopenable) return new Refusal('unreadable');
  const code = error instanceof Error && 'code' in error ? error.code : null;
  return !(error instanceof Refusal) && LOST.includes(code) ? new Refusal('clash') : error;
}

/** An id as the database takes it; anything else is simply not here. */
export function knownId(id: string, message?: string): string {
  if (!/^[\da-f]{8}(-[\da-f]{4}){3}-[\da-f]{12}$/.test(id)) throw new Refusal('not-found', message);
  return id;
}

/** Refuses with sentences at fields. */
export function invalid(...fields: readonly FieldProblem[]): Refusal {
  return new Refusal('invalid', fields[0]?.message ?? REFUSALS.invalid, fields);
}
