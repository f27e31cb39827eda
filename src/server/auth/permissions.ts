import type { Role } from '@/core/staff';
import { Refusal } from '../errors';
import type { Actor } from './actors';

/** Who may what. One table; every use case asks it first. */
const MAY = {
  'see techniques': ['director', 'lead teacher', 'teacher', 'front desk'],
  'edit techniques': ['director'],
  'see cohorts': ['director', 'lead teacher', 'teacher', 'front desk'],
  'see reasons': ['director'],
  'add people': ['director', 'front desk'],
  'see courses': ['director', 'lead teacher'],
  'edit courses': ['director'],
  'answer a class': ['director', 'lead teacher'],
  'see series': ['director', 'lead teacher', 'teacher', 'front desk'],
  'see plans': ['director', 'lead teacher'],
  'edit plans': ['director'],
  teach: ['director', 'lead teacher', 'teacher'],
  'hand over': ['director', 'lead teacher'],
  'have an account': ['director', 'lead teacher', 'teacher', 'front desk'],
  'run the studio': ['director'],
} as const satisfies Record<string, readonly Role[]>;

export type Capability = keyof typeof MAY;

/** What is done without anybody's doing, where a studio wants it. */
const CLOCK_MAY: readonly Capability[] = ['add people'];

export function may(role: Role, capability: Capability): boolean {
  return (MAY[capability] as readonly Role[]).includes(role);
}

/** Refuses anyone whose role does not allow it. A link allows what it was made for, and is never asked here. */
export function authorise(who: Actor, capability: Capability): void {
  const allowed = who.as === 'staff' ? may(who.role, capability) : who.as === 'clock' && CLOCK_MAY.includes(capability);
  if (!allowed) throw new Refusal('not-allowed');
}
