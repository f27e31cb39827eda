import type { Away, Qualification, Role } from '@/core/staff';
import type { IsoDate } from '@/core/units';

/** What pages are given about the staff. */

/** Somebody's own page. */
export interface AccountView {
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly version: number;
  readonly qualifications: readonly Qualification[];
  readonly today: IsoDate;
  readonly signIns: readonly { readonly since: string; readonly seen: string; readonly here: boolean }[];
  readonly aways: readonly Away[];
  readonly teaches: boolean;
  /** Whether they may read the whole studio's calendar. */
  readonly mayFeedWhole: boolean;
  readonly feeds: readonly { readonly whole: boolean; readonly madeAt: string }[];
}

/** Somebody of the staff, on the director's page. */
export interface MemberView {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly version: number;
  readonly invited: boolean;
  readonly qualifications: readonly Qualification[];
  readonly aways: readonly Away[];
  /** Classes still to come that they have in hand. */
  readonly classes: number;
}
