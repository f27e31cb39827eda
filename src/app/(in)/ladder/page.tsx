import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { EDGE_NEEDS, needsOf, opens, sessionsBefore, wayDown, wayUp } from '@/core/ladder';
import type { Library } from '@/core/library';
import { readConventions } from '@/server/usecases/studio/readConventions';
import { Steps } from '@/ui/ladder/Steps';
import { LadderFigure } from '@/ui/ladder/LadderFigure';
import { Plank } from '@/ui/shell/Plank';

export const metadata: Metadata = { title: 'Ladder' };

export default async function LadderPage({ searchParams }: { searchParams: Promise<{ pick?: string }> }) {
  const { pick = '' } = await searchParams;
  return seated(async (desk) => {
    const { library } = await readConventions(desk);
    const { edges } = library;
    const picked = library.find(pick);
    const below = picked ? wayDown(edges, picked.id) : [];
    const above = picked ? wayUp(edges, picked.id) : [];
    return (
      <>
        <h1>Ladder</h1>
        <p className="lead">
          What needs what, from the ground up: {library.techniques.length} techniques, {edges.length} steps between them.{' '}
          {picked ? (
            <>
              <strong>{picked.name}</strong> stands on {below.length === 1 ? 'one other' : `${below.length} others`} and opens{' '}
              {above.length === 0 ? 'nothing further' : above.length === 1 ? 'one more' : `${above.length} more`}.
            </>
          ) : (
            'Pick one to see its way down and up.'
          )}
        </p>
        <div className="two">
          <div style={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="The ladder, scrolls sideways">
            <LadderFigure library={library} picked={picked?.id ?? null} below={new Set(below)} above={new Set(above)} />
          </div>
          <Plank>{picked ? <Picked library={library} id={picked.id} below={below} above={above} /> : <Unpicked />}</Plank>
        </div>
      </>
    );
  });
}

function Unpicked() {
  return (
    <>
      <h2>How to read it</h2>
      <p>
        Everything grows out of the natural breath at the foot. A step up asks for the technique below it in a number of sessions, and for days to
        have passed since it was first taught.
      </p>
      <p className="soft small">
        Into holds, empty holds, pumps and connected breath: {EDGE_NEEDS.strong.sessions} sessions, {EDGE_NEEDS.strong.days} days. Otherwise{' '}
        {EDGE_NEEDS.other.sessions} sessions, {EDGE_NEEDS.other.days} days.
      </p>
    </>
  );
}

function Picked({ library, id, below, above }: { library: Library; id: string; below: readonly string[]; above: readonly string[] }) {
  const { edges } = library;
  const technique = library.technique(id);
  return (
    <>
      <div>
        <h2>{technique.name}</h2>
        <p className="soft small">
          rung {technique.rung} · <Link href={`/techniques/${id}`}>on the bench</Link>
        </p>
      </div>
      <section>
        <h3>Needs, directly</h3>
        <Steps
          library={library}
          edges={needsOf(edges, id)}
          end="needs"
          none="Nothing: it stands on the ground."
          href={(other) => `/ladder?pick=${other}`}
        />
      </section>
      <section>
        <h3>Opens, directly</h3>
        <Steps library={library} edges={opens(edges, id)} end="to" none="Nothing further." href={(other) => `/ladder?pick=${other}`} />
      </section>
      <p>
        Starting from nothing, at least <span className="num">{sessionsBefore(edges, id, new Set())}</span> sessions come before it.
      </p>
      {below.length > 0 && (
        <section>
          <h3>Its way down</h3>
          <p className="small">{below.map((other) => library.technique(other).name).join(' · ')}</p>
        </section>
      )}
      {above.length > 0 && (
        <section>
          <h3>Its way up</h3>
          <p className="small">{above.map((other) => library.technique(other).name).join(' · ')}</p>
        </section>
      )}
    </>
  );
}
