import Link from 'next/link';
import { seated } from '@/app/edge';
import { longDayText } from '@/core/units';
import { firstSteps } from '@/server/usecases/lobby/firstSteps';
import { readLobby } from '@/server/usecases/lobby/readLobby';
import { FirstSteps } from '@/ui/shell/FirstSteps';
import { Pages } from '@/ui/lists/Pages';
import { pageOf } from '@/ui/lists/page';

const WORD = { stop: 'first', mend: 'soon', know: 'to know' } as const;

/** How many things are said at once. */
const AT_ONCE = 40;

interface Props {
  readonly searchParams: Promise<{ page?: string }>;
}

/** What needs doing, in sentences, in order of harm. */
export default async function LobbyPage({ searchParams }: Props) {
  const { page: asked } = await searchParams;
  return seated(async (desk) => {
    const [tasks, steps] = await Promise.all([readLobby(desk), firstSteps(desk)]);
    const page = pageOf(tasks, asked, AT_ONCE);
    return (
      <>
        <h1>Good day, {desk.who.name.split(' ')[0]}</h1>
        <p className="lead">
          {longDayText(desk.today)}.{' '}
          {steps
            ? `${desk.who.studioName} begins here.`
            : tasks.length === 0
              ? 'Nothing waits for you today.'
              : tasks.length === 1
                ? 'One thing needs you.'
                : `${tasks.length} things need you, the most pressing first.`}
        </p>
        {steps && <FirstSteps steps={steps} />}
        <ul className="plain lines sheet">
          {page.shown.map(({ harm, text, href, doing }) => (
            <li key={href + text} className="task" data-harm={harm}>
              <span className="harm">{WORD[harm]}</span>
              <span>{text}</span>
              {doing !== null && <Link href={href}>{doing}</Link>}
            </li>
          ))}
        </ul>
        <Pages of={page} href="/" what="things" />
      </>
    );
  });
}
