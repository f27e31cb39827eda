import type { Role } from '@/core/staff';
import type { LinkPurpose } from '../db/kinds';

/** Who acts: somebody of the staff who is signed in, a person by a link of theirs, or the clock. */
export type Actor = Staff | ByLink | Clock;

interface AtStudio {
  readonly studio: string;
  readonly studioName: string;
  readonly zone: string;
}

export interface Staff extends AtStudio {
  readonly as: 'staff';
  readonly id: string;
  readonly name: string;
  readonly role: Role;
}

/** Somebody of the staff on a device of theirs. */
export interface SignedIn extends Staff {
  /** What the device keeps of them is sealed with. */
  readonly deviceKey: string;
}

/** Somebody who opened a link: they may do what it is for, about themselves, and nothing else. */
export interface ByLink extends AtStudio {
  readonly as: 'link';
  readonly purpose: LinkPurpose;
  readonly link: string;
  readonly person: string;
}

/** What a studio has done by itself. */
export interface Clock extends AtStudio {
  readonly as: 'clock';
}

/** The staff id an act is recorded under; null for a link and for the clock. */
export function staffId(who: Actor): string | null {
  return who.as === 'staff' ? who.id : null;
}
