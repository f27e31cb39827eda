import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { dateIn, longDayText } from '@/core/units';
import { readOwnWay } from '@/server/usecases/techniques/ownWays';
import { Plank } from '@/ui/shell/Plank';
import { ArchiveOwn } from '@/ui/techniques/ArchiveOwn';
import { Bench } from '@/ui/techniques/Bench';

export const metadata: Metadata = { title: 'Our own way' };

export default async function OwnWayPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    const way = await readOwnWay(desk, id);
    const newest = way.versions[way.versions.length - 1];
    const { of } = way.technique;
    return (
      <>
        <div className="head">
          <h1>{way.name}</h1>
          {way.mayEdit && !way.archived && (
            <div className="actions">
              <ArchiveOwn id={way.id} version={way.version} />
            </div>
          )}
        </div>
        <p className="lead">
          Our own way of doing <Link href={`/techniques/${way.base}`}>{way.technique.name}</Link>, version {newest.number}.
          {way.archived && ' Out of use: what was planned with it stays as it is. Saving it again brings it back.'}
        </p>
        <div className="two">
          <Bench
            key={newest.number}
            pattern={newest.pattern}
            dose={newest.dose}
            tempo={way.tempo}
            naturalBreath={way.naturalBreath}
            tags={way.technique.tags}
            family={of.id}
            technique={way.base}
            cues={of.cues}
            speech={way.speech}
            rules={way.ruleChanges}
            saving={way.mayEdit ? { id: way.id, version: way.version, base: way.base, name: way.name } : null}
          />
          <Plank>
            <h2>Versions</h2>
            <ul className="plain lines">
              {[...way.versions].reverse().map(({ number, pattern, dose, savedBy, savedAt }) => (
                <li key={number}>
                  <strong>Version {number}</strong>{' '}
                  <span className="small soft">
                    {savedBy}, {longDayText(dateIn(desk.who.zone, savedAt))}
                  </span>
                  <br />
                  <span className="num">{pattern}</span>
                  <br />
                  <span className="small">{dose}</span>
                </li>
              ))}
            </ul>
            <p className="small soft">A course keeps the version it was planned with.</p>
          </Plank>
        </div>
      </>
    );
  });
}
