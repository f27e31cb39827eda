import { redirect } from 'next/navigation';
import type { ReactNode } from 'react';
import { ownDesk } from '@/app/edge';
import { may, type Capability } from '@/server/auth/permissions';
import { readOwnTechniques } from '@/server/usecases/techniques/readOwnTechniques';
import { InsideStudio } from '@/ui/shell/Inside';
import { helpThatStands } from '@/server/usecases/signs/answerSigns';
import { HelpBar } from '@/ui/signs/HelpBar';
import { Rail } from '@/ui/shell/Rail';
import { SchemeSwitch } from '@/ui/shell/SchemeSwitch';
import { SignOut } from '@/ui/shell/SignOut';
import { WaitingLogs } from '@/ui/teach/WaitingLogs';

const PLACES: readonly { readonly href: string; readonly name: string; readonly needs: Capability }[] = [
  { href: '/techniques', name: 'Techniques', needs: 'see techniques' },
  { href: '/ladder', name: 'Ladder', needs: 'see techniques' },
  { href: '/cohorts', name: 'Cohorts', needs: 'see cohorts' },
  { href: '/courses', name: 'Courses', needs: 'see courses' },
  { href: '/series', name: 'Series', needs: 'see series' },
  { href: '/plans', name: 'Plans', needs: 'see plans' },
  { href: '/teach', name: 'Teach', needs: 'teach' },
  { href: '/studio', name: 'Studio', needs: 'run the studio' },
];

export default async function InsideLayout({ children }: { children: ReactNode }) {
  const desk = await ownDesk();
  if (!desk) redirect('/sign-in');
  const { who, today } = desk;
  const [own, standing] = await Promise.all([readOwnTechniques(desk), may(who.role, 'see reasons') ? helpThatStands(desk) : 0]);
  const places = PLACES.filter(({ needs }) => may(who.role, needs)).map(({ href, name }) => ({ href, name }));
  return (
    <InsideStudio own={own} today={today} owner={{ id: who.id, name: who.name.split(' ')[0], key: who.deviceKey }}>
      <div className="frame">
        <Rail places={places} studio={who.studioName} name={who.name} role={who.role}>
          <SchemeSwitch />
          <SignOut />
        </Rail>
        <main>
          {standing > 0 && <HelpBar standing={standing} />}
          {children}
        </main>
        <WaitingLogs />
      </div>
    </InsideStudio>
  );
}
