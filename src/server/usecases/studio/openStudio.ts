import { DEFAULT_SHEET } from '@/core/cues';
import type { Qualification, Role } from '@/core/staff';
import { hashPassword } from '../../auth/signin';
import type { EntityManager } from '../../db/orm';
import { deskFor, inOne, type Writing } from '../../desk';
import { addStaff } from '../../repositories/staff';
import { addStudio } from '../../repositories/studio';

export interface FirstStaff {
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly password: string;
  readonly qualifications: readonly Qualification[];
}

/**
 * Opens a studio with its first staff.
 * @param first is asked in the same transaction, before anything is written
 * @returns the studio's id and the staff's, in the order given
 */
export async function openStudio(
  em: EntityManager,
  studio: { readonly name: string; readonly zone: string },
  staff: readonly FirstStaff[],
  newId: () => string,
  now: Date,
  first?: (at: Writing) => Promise<void>,
) {
  const id = newId();
  const hashes = await Promise.all(staff.map(({ password }) => hashPassword(password)));
  const desk = await deskFor({ as: 'clock', studio: id, studioName: studio.name, zone: studio.zone }, now, em);
  const { schools, ...speech } = DEFAULT_SHEET;
  return inOne(desk, async (at) => {
    await first?.(at);
    await addStudio(at, { ...studio, speech });
    const members = staff.map(({ name, email, role, qualifications }, index) => ({
      id: newId(),
      name,
      email: email.toLowerCase(),
      role,
      passwordHash: hashes[index],
      qualifications,
    }));
    await addStaff(at, ...members);
    return { studio: id, staff: members.map((member) => member.id) };
  });
}
