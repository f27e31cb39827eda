import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import { COOKIE, seated } from '@/app/edge';
import { readAccount } from '@/server/usecases/staff/ownAccount';
import { Account } from '@/ui/staff/Account';
import { CalendarFile } from '@/ui/studio/CalendarFile';
import { AwayPlank } from '@/ui/staff/AwayPlank';

export const metadata: Metadata = { title: 'You' };

export default function OwnPage() {
  return seated(async (desk) => {
    const account = await readAccount(desk, (await cookies()).get(COOKIE)?.value ?? null);
    return (
      <>
        <h1>{account.name}</h1>
        <p className="lead">
          {account.role} at {desk.who.studioName}. You sign in as {account.email}.
        </p>
        <div className="two">
          <Account account={account} />
          <aside className="stack">
            {account.teaches && (
              <>
                <AwayPlank aways={account.aways} today={account.today} of={null} />
                <section className="plank stack">
                  <CalendarFile as="busy" />
                </section>
              </>
            )}
          </aside>
        </div>
      </>
    );
  });
}
