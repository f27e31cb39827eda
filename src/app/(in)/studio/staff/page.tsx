import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readStaff } from '@/server/usecases/staff/readStaff';
import { AwayPlank } from '@/ui/staff/AwayPlank';
import { Invite } from '@/ui/staff/Invite';
import { StaffList } from '@/ui/staff/StaffList';
import { mayTeach } from '@/core/staff';

export const metadata: Metadata = { title: 'Staff' };

export default function StaffPage() {
  return seated(async (desk) => {
    const { members, left, families, today } = await readStaff(desk);
    const invited = members.filter((member) => member.invited).length;
    return (
      <>
        <h1>Staff</h1>
        <p className="lead">
          {members.length} on the staff{invited > 0 ? `, ${invited} of them invited` : ''}.
          {left.map(({ name, classes }) => (
            <strong key={name}>
              {' '}
              {name} has left with {classes === 1 ? 'one class' : `${classes} classes`} still in hand.
            </strong>
          ))}
        </p>
        <div className="two">
          <StaffList members={members} families={families} me={desk.who.id} />
          <aside className="stack">
            <Invite families={families} />
            <AwayPlank
              aways={members.flatMap(({ aways }) => aways)}
              today={today}
              of={members.filter(({ role }) => mayTeach(role)).map(({ id, name }) => ({ id, name }))}
            />
          </aside>
        </div>
      </>
    );
  });
}
