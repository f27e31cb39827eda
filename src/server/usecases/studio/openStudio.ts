import { DEFAULT_SHEET } from '@/core/cues';
import type { EntityManager } from '../../db/orm';
import { StaffRow, StudioRow, type Qualification, type Role } from '../../db/rows';
import { hashPassword } from '../../auth/signin';

export interface NewStaff {
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly password: string;
  readonly qualifications: readonly Qualification[];
}

/** Opens a studio with its first staff. @returns the studio's id and the staff's, in the order given */
export async function openStudio(
  em: EntityManager,
  studio: { readonly name: string; readonly zone: string },
  staff: readonly NewStaff[],
  newId: () => string,
) {
  const id = newId();
  const hashes = await Promise.all(staff.map(({ password }) => hashPassword(password)));
  return em.transactional(async (at) => {
    await at.insert(StudioRow, { id, ...studio, tempo: 1000, naturalBreath: 4000, speech: DEFAULT_SHEET, schools: {}, version: 1 });
    const ids = staff.map(() => newId());
    for (const [index, { name, email, role, qualifications }] of staff.entries()) {
      await at.insert(StaffRow, {
        id: ids[index],
        studio: id,
        name,
        email: email.toLowerCase(),
        role,
        passwordHash: hashes[index],
        qualifications,
        version: 1,
      });
    }
    return { studio: id, staff: ids };
  });
}
