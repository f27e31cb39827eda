/** What can go wrong for a person, each with a stable code. Everything else is a bug and throws as one. */
export const REFUSALS = {
  'signed-out': 'You were signed out. What you typed is still here: sign in again in another tab, then press the button once more.',
  'not-allowed': 'Your role does not allow this. Ask the director.',
  'not-found': 'This is not here, or not part of your studio.',
  clash: 'Somebody else saved this meanwhile. What you typed is still here: open the page in another tab to see theirs, then decide.',
  invalid: 'Something here needs another look.',
  closed: 'The studio is closed on that day.',
  late: 'This can no longer be changed.',
  'too-many': 'Too many attempts. Wait a quarter of an hour and try again.',
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

/** An id as the database takes it; anything else is simply not here. */
export function knownId(id: string, message?: string): string {
  if (!/^[\da-f]{8}(-[\da-f]{4}){3}-[\da-f]{12}$/.test(id)) throw new Refusal('not-found', message);
  return id;
}

/** Refuses with sentences at fields. */
export function invalid(...fields: readonly FieldProblem[]): Refusal {
  return new Refusal('invalid', fields[0]?.message ?? REFUSALS.invalid, fields);
}
