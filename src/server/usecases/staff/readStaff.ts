import type { Family } from '@/core/techniques';
import type { IsoDate } from '@/core/units';
import type { MemberView } from '@/views/staff';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { library } from '../../repositories/library';
import { aways, staff } from '../../repositories/staff';
import { classesAhead } from './manage';

export interface StaffView {
  readonly members: readonly MemberView[];
  readonly left: readonly { readonly name: string; readonly classes: number }[];
  readonly families: readonly Pick<Family, 'id' | 'name'>[];
  readonly today: IsoDate;
}

/** The staff with what each may teach, when they are away, and what they have in hand; and who left with classes still open. */
export async function readStaff(desk: Desk): Promise<StaffView> {
  authorise(desk.who, 'run the studio');
  const [everyone, away, { families }, ahead] = await Promise.all([staff(desk), aways(desk), library(desk), classesAhead(desk)]);
  const counted = everyone.map((member) => ({ member, classes: ahead.filter(({ teacher }) => teacher === member.id).length }));
  return {
    members: counted
      .filter(({ member }) => member.leftAt === null)
      .map(({ member: { id, name, email, role, version, invited, qualifications }, classes }) => ({
        id,
        name,
        email,
        role,
        version,
        invited,
        qualifications,
        classes,
        aways: away.filter(({ staff: of }) => of === id),
      })),
    left: counted.flatMap(({ member, classes }) => (member.leftAt !== null && classes > 0 ? [{ name: member.name, classes }] : [])),
    families: families.map(({ id, name }) => ({ id, name })),
    today: desk.today,
  };
}
