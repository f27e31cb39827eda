import type { Role } from '../db/rows';
import { Refusal } from '../errors';

/** Who may what. One table; every use case asks it first. */
const MAY = {
  'see techniques': ['director', 'lead teacher', 'teacher', 'front desk'],
  'edit techniques': ['director'],
  'see cohorts': ['director', 'lead teacher', 'teacher', 'front desk'],
  'see instructions': ['director', 'lead teacher', 'teacher'],
  'see reasons': ['director'],
  'add people': ['director', 'front desk'],
  'see courses': ['director', 'lead teacher'],
  'edit courses': ['director'],
  'see plans': ['director', 'lead teacher'],
  'edit plans': ['director'],
  teach: ['director', 'lead teacher', 'teacher'],
  'run the studio': ['director'],
} as const satisfies Record<string, readonly Role[]>;

export type Capability = keyof typeof MAY;

export function may(role: Role, capability: Capability): boolean {
  return (MAY[capability] as readonly Role[]).includes(role);
}

/** Refuses anyone whose role does not allow it. */
export function authorise(who: { readonly role: Role }, capability: Capability): void {
  if (!may(who.role, capability)) throw new Refusal('not-allowed');
}
