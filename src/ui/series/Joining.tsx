'use client';

import Button from '@mui/material/Button';
import { admitAction, declineAction, openSeriesAction } from '@/app/actions/series';
import type { SeriesView } from '@/views/series';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';

/** Signing up by a link: open or closed, and whoever waits for the director's yes. */
export function Joining({ view, joining: { url, asking } }: { view: SeriesView; joining: NonNullable<SeriesView['joining']> }) {
  const { run, busy, refusal, refresh } = useAction();
  const then = async (work: () => Promise<{ readonly ok: boolean } | null>) => {
    if ((await work())?.ok) refresh();
  };
  return (
    <div className="stack">
      {asking.map(({ member, name, screened }) => (
        <div key={member} className="row">
          <span>
            <strong>{name}</strong> signed up; {screened ? 'the screening form is here' : 'the screening form is on its way'}.
          </span>
          <Button size="small" variant="contained" disabled={busy} onClick={() => void then(() => run(() => admitAction({ member })))}>
            Yes, {name.split(' ')[0]} takes part
          </Button>
          <Button size="small" disabled={busy} onClick={() => void then(() => run(() => declineAction({ member })))}>
            No
          </Button>
        </div>
      ))}
      {view.state !== 'finished' && (
        <div className="row">
          {url && <a href={url}>{url.replace(/^https?:\/\//, '').slice(0, 46)}…</a>}
          <Button
            size="small"
            disabled={busy}
            onClick={() => void then(() => run(() => openSeriesAction({ series: view.id, version: view.version, open: url === null })))}
          >
            {url ? 'Close the link' : 'Let people sign up by a link'}
          </Button>
        </div>
      )}
      <Refusal message={refusal} />
    </div>
  );
}
