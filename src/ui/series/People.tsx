'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { giveNewAddressAction, letInAction } from '@/app/actions/series';
import type { SeriesView, TakingPart } from '@/views/series';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { Fold } from '../shell/Fold';
import { Joining } from './Joining';

/** Who takes part, as far as whoever looks may see it. */
export function People({ view }: { view: SeriesView }) {
  const { run, busy, refusal, refresh } = useAction();
  const felt = view.people.some(({ did }) => did !== null);
  const letIn = async () => {
    if ((await run(() => letInAction({ series: view.id, version: view.version })))?.ok) refresh();
  };
  return (
    <section className="sheet">
      <Fold title="Who takes part" aside={`${view.people.filter(({ left }) => !left).length} people`}>
        <table className="figures">
          <thead>
            <tr>
              <th scope="col">Name</th>
              {felt && (
                <>
                  <th scope="col">Days</th>
                  <th scope="col">Today</th>
                  <th scope="col">Last felt</th>
                </>
              )}
              <th scope="col">
                <span className="sr">Their own page</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {view.people.map((one) => (
              <tr key={one.member} className={one.left ? 'soft' : undefined}>
                <td>
                  {one.name}
                  {one.left ? ' (left)' : ''}
                </td>
                {felt && (
                  <>
                    <td>
                      {one.did} of {one.of}
                    </td>
                    <td>{one.ownDay === null ? '–' : `day ${one.ownDay}`}</td>
                    <td>{one.felt ?? '–'}</td>
                  </>
                )}
                <td>{view.mayEdit && one.known ? <Address of={one} /> : one.address || !one.known ? '' : 'no e-mail'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Fold>
      {view.joining && <Joining view={view} joining={view.joining} />}
      {view.mayEdit && view.waiting > 0 && view.state !== 'finished' && (
        <div className="row">
          <Button onClick={letIn} disabled={busy}>
            {view.waiting === 1
              ? 'Let the one who joined the cohort since take part'
              : `Let the ${view.waiting} who joined the cohort since take part`}
          </Button>
        </div>
      )}
      <Refusal message={refusal} />
    </section>
  );
}

/** A new address for somebody's own page: the one before ends. Whoever left takes part again by it. */
function Address({ of: { member, name, address, left } }: { of: TakingPart }) {
  const { run, busy, refusal } = useAction();
  const [url, setUrl] = useState<string | null>(null);
  const give = async () => {
    const reply = await run(() => giveNewAddressAction({ member }));
    if (reply?.ok) setUrl(reply.value.url);
  };
  if (url) return <a href={url}>{address ? 'Sent. Open it here' : 'Open their page'}</a>;
  return (
    <>
      <Button size="small" onClick={give} disabled={busy} aria-label={left ? `Let ${name} take part again` : `A new address for ${name}`}>
        {left ? 'Take part again' : 'A new address'}
      </Button>
      <Refusal message={refusal} />
    </>
  );
}
