'use client';

import Button from '@mui/material/Button';
import { settleHeldLogAction } from '@/app/actions/plans';
import type { HeldView } from '@/views/plan';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';

/** Logs that could not be taken as they came; each waits for the director and is never lost. */
export function HeldLogs({ held }: { held: readonly HeldView[] }) {
  if (held.length === 0) return null;
  return (
    <section id="held" className="stack" style={{ marginBottom: 18 }}>
      <h2>Logs that wait for you</h2>
      {held.map((one) => (
        <One key={one.id} held={one} />
      ))}
    </section>
  );
}

function One({ held }: { held: HeldView }) {
  const { run, refusal, busy, refresh } = useAction();
  const settle = async (take: boolean) => {
    const reply = await run(() => settleHeldLogAction({ id: held.id, version: held.version, take }));
    if (reply?.ok) refresh();
  };
  return (
    <div className={held.signs.length > 0 ? 'note bad stack' : 'note stack'}>
      <p>
        <strong>{held.class ?? 'A class that is not here'}</strong>, logged by {held.by}, {held.at}: {held.summary}. It could not be taken as it came:{' '}
        {held.why}.
      </p>
      {held.signs.length > 0 && (
        <p>
          Stop signs: <strong>{held.signs.join('; ')}</strong>
        </p>
      )}
      {held.note && <p>“{held.note}”</p>}
      <div className="row">
        {held.takeable && (
          <Button variant="contained" disabled={busy} onClick={() => void settle(true)}>
            Take it into the class
          </Button>
        )}
        <Button disabled={busy} onClick={() => void settle(false)}>
          Set it aside, kept as it is
        </Button>
      </div>
      <Refusal message={refusal} />
    </div>
  );
}
