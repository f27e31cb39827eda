'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { lengthenSeriesAction, pauseSeriesAction, removeSeriesAction, stopSeriesAction } from '@/app/actions/series';
import { SERIES_LIMITS } from '@/core/series';
import type { SeriesView } from '@/views/series';
import { DayField } from '../fields';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';

/** What becomes of a series as a whole: a pause, an early end. */
export function SeriesMenu({ view }: { view: SeriesView }) {
  const [asking, setAsking] = useState<'pause' | 'stop' | 'longer' | null>(null);
  const [from, setFrom] = useState('');
  const [until, setUntil] = useState('');
  const router = useRouter();
  const { run, busy, refusal, refresh } = useAction();
  const seen = { series: view.id, version: view.version };
  const done = (reply: { readonly ok: boolean } | null) => {
    if (!reply?.ok) return;
    setAsking(null);
    refresh();
  };
  const longer = SERIES_LIMITS.lengths.filter((length) => length > view.days.length);
  const copy = (
    <>
      <Button href={`/api/export/series/${view.id}`}>Take it along</Button>
      <Button href={`/series/${view.id}/copy`}>Copy it</Button>
    </>
  );
  if (view.state === 'finished') return <div className="actions">{copy}</div>;
  return (
    <div className="actions">
      {asking === null && (
        <>
          {copy}
          {longer.length > 0 && <Button onClick={() => setAsking('longer')}>Make it longer</Button>}
          <Button onClick={() => setAsking('pause')}>Pause it</Button>
          {view.state === 'planning' ? (
            <Button
              disabled={busy}
              onClick={async () => {
                if ((await run(() => removeSeriesAction(seen)))?.ok) router.push('/series');
              }}
            >
              Remove it
            </Button>
          ) : (
            <Button onClick={() => setAsking('stop')}>Stop it early</Button>
          )}
        </>
      )}
      {asking === 'longer' && (
        <>
          {longer.map((length) => (
            <Button
              key={length}
              variant="contained"
              disabled={busy}
              onClick={async () => done(await run(() => lengthenSeriesAction({ ...seen, length })))}
            >
              {length} days
            </Button>
          ))}
          <Button onClick={() => setAsking(null)}>Leave it</Button>
        </>
      )}
      {asking === 'pause' && (
        <>
          <DayField id="pause-from" label="First day of the pause" value={from} onChange={setFrom} />
          <DayField id="pause-until" label="Last day of the pause" value={until} onChange={setUntil} />
          <Button variant="contained" disabled={busy} onClick={async () => done(await run(() => pauseSeriesAction({ ...seen, from, until })))}>
            Pause it
          </Button>
          <Button onClick={() => setAsking(null)}>Leave it</Button>
        </>
      )}
      {asking === 'stop' && (
        <>
          <span>Nothing is sent from today on; what people did stays.</span>
          <Button variant="contained" disabled={busy} onClick={async () => done(await run(() => stopSeriesAction(seen)))}>
            Stop it today
          </Button>
          <Button onClick={() => setAsking(null)}>Go on</Button>
        </>
      )}
      <Refusal message={refusal} />
    </div>
  );
}
