import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { LADDER, needsOf, opens, sessionsBefore, wayDown, wayUp } from '@/core/ladder';
import { findTechnique, TECHNIQUES, techniqueOf } from '@/core/techniques';
import { Steps } from '@/ui/ladder/Steps';
import { LadderFigure } from '@/ui/ladder/LadderFigure';
import { Plank } from '@/ui/shell/Plank';

export const metadata: Metadata = { title: 'Ladder' };

export default async function LadderPage({ searchParams }: { searchParams: Promise<{ pick?: string }> }) {
  const { pick = '' } = await searchParams;
  return seated(async () => {
    const picked = findTechnique(pick);
    const below = picked ? wayDown(LADDER, picked.id) : [];
    const above = picked ? wayUp(LADDER, picked.id) : [];
    return (
      <>
        <h1>Ladder</h1>
        <p className="lead">
          What needs what, from the ground up: {TECHNIQUES.length} techniques, {LADDER.length} steps between them.{' '}
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
            <LadderFigure picked={picked?.id ?? null} below={new Set(below)} above={new Set(above)} />
          </div>
          <Plank>{picked ? <Picked id={picked.id} below={below} above={above} /> : <Unpicked />}</Plank>
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
      <p className="soft small">Into holds, empty holds, pumps and connected breath: four sessions, ten days. Otherwise two sessions, four days.</p>
    </>
  );
}

function Picked({ id, below, above }: { id: string; below: readonly string[]; above: readonly string[] }) {
  const technique = techniqueOf(id);
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
        <Steps edges={needsOf(LADDER, id)} end="needs" none="Nothing: it stands on the ground." href={(other) => `/ladder?pick=${other}`} />
      </section>
      <section>
        <h3>Opens, directly</h3>
        <Steps edges={opens(LADDER, id)} end="to" none="Nothing further." href={(other) => `/ladder?pick=${other}`} />
      </section>
      <p>
        Starting from nothing, at least <span className="num">{sessionsBefore(LADDER, id, new Set())}</span> sessions come before it.
      </p>
      {below.length > 0 && (
        <section>
          <h3>Its way down</h3>
          <p className="small">{below.map((other) => techniqueOf(other).name).join(' · ')}</p>
        </section>
      )}
      {above.length > 0 && (
        <section>
          <h3>Its way up</h3>
          <p className="small">{above.map((other) => techniqueOf(other).name).join(' · ')}</p>
        </section>
      )}
    </>
  );
}
