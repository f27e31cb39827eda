import { defineEntity, p } from '@mikro-orm/core';
import type { AttemptKind, StaffLinkPurpose } from '../kinds';
import { ofStaff, ofStudio } from './studio';

export const SignInRow = defineEntity({
  name: 'SignIn',
  tableName: 'sign_in',
  properties: { tokenHash: p.text().primary(), studio: ofStudio(), staff: ofStaff('staff'), seenAt: p.datetime(), since: p.datetime() },
});

/** What was tried and failed, or is being tried: of what kind, from which address, and what was guessed at. */
export const AttemptRow = defineEntity({
  name: 'Attempt',
  tableName: 'sign_in_attempt',
  properties: { id: p.uuid().primary(), kind: p.text().$type<AttemptKind>(), address: p.text(), what: p.text(), at: p.datetime() },
});

/** A device from which somebody has signed in before; what strangers try does not slow it down. */
export const KnownDeviceRow = defineEntity({
  name: 'KnownDevice',
  tableName: 'known_device',
  properties: { tokenHash: p.text().primary(), studio: ofStudio(), staff: ofStaff('staff'), at: p.datetime() },
});

/** A link by which somebody of the staff chooses a password: invited, or because theirs is lost. */
export const StaffLinkRow = defineEntity({
  name: 'StaffLink',
  tableName: 'staff_link',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    staff: ofStaff('staff'),
    purpose: p.text().$type<StaffLinkPurpose>(),
    tokenHash: p.text(),
    madeBy: ofStaff('made_by').nullable(),
    madeAt: p.datetime(),
    expiresAt: p.datetime(),
    usedAt: p.datetime().nullable(),
  },
});

/** Which master key what is sealed here was sealed under. */
export const VaultKeyRow = defineEntity({
  name: 'VaultKey',
  tableName: 'vault_key',
  properties: { fingerprint: p.text().primary(), since: p.datetime() },
});
