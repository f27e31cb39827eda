import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readConventions } from '@/server/usecases/studio/readConventions';
import { Bench } from '@/ui/techniques/Bench';
import { may } from '@/server/auth/permissions';
import { listOwnWays } from '@/server/usecases/techniques/ownWays';
import { cohortsToFindBy } from '@/server/usecases/techniques/whoMay';
import { WaysFile } from '@/ui/techniques/WaysFile';
import { Finder } from '@/ui/techniques/Finder';

export const metadata: Metadata = { title: 'Techniques' };

const NONE: readonly never[] = [];
const NEW = { id: null, version: 0, base: 'alternate-4-4', name: '' } as const;

export default function TechniquesPage() {
  return seated(async (desk) => {
    const [{ tempo, naturalBreath, speech, ruleChanges, library }, cohorts, ways] = await Promise.all([
      readConventions(desk),
      cohortsToFindBy(desk),
      listOwnWays(desk),
    ]);
    return (
      <>
        <h1>Techniques</h1>
        <p className="lead">
          {library.techniques.length} ways of breathing, from the natural breath up. Find one by any name, or write your own pattern on the bench and
          see what it asks of people.
        </p>
        <div className="two finder">
          <section aria-label="Bench">
            <h2 className="sr">Bench</h2>
            <Bench
              saving={may(desk.who.role, 'edit techniques') ? NEW : null}
              pattern="in 4 left, hold 2, out 6 right, alternating"
              dose="9 rounds of 2"
              tempo={tempo}
              naturalBreath={naturalBreath}
              tags={NONE}
              family="bench"
              technique=""
              speech={speech}
              rules={may(desk.who.role, 'see reasons') ? ruleChanges : null}
              cues={NONE}
            />
            {may(desk.who.role, 'edit techniques') && <WaysFile />}
          </section>
          <Finder tempo={tempo} naturalBreath={naturalBreath} schools={speech.schools} cohorts={cohorts} ways={ways} />
        </div>
      </>
    );
  });
}
