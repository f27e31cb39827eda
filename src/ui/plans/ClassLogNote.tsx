'use client';

import Button from '@mui/material/Button';
import { settleClassLogsAction } from '@/app/actions/plans';
import { listedSentence } from '@/core/wording';
import type { PlanView, ShownLog } from '@/views/plan';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';

/** What came back from the class, beside its plan. Several logs stand together, until the director says which to go by. */
export function ClassLogNote({ session, log, maySettle }: { session: string; log: NonNullable<PlanView['log']>; maySettle: boolean }) {
  const { run, refusal, busy, refresh } = useAction();
  const goBy = async (id: string) => {
    const reply = await run(() => settleClassLogsAction({ session, log: id }));
    if (reply?.ok) refresh();
  };
  const several = log.each.length > 1;
  return (
    <section className={hurt(log) ? 'note bad' : 'note'} aria-label="Class log" style={{ margin: '10px 0' }}>
      {several && (
        <p>
          <strong>
            {log.each.length} logs came back from this class{log.unsettled ? ' and say different things' : ''}.
          </strong>{' '}
          What hurt anybody in any of them counts: {log.summary}.
        </p>
      )}
      {(several ? log.each : [log]).map((one) => (
        <div key={one.id} style={several ? { borderTop: '1px solid var(--rule)', padding: '6px 0' } : undefined}>
          <Said log={one} />
          {one.corrected && <p className="small soft">Put right by its teacher: it no longer counts.</p>}
          {several && log.unsettled && maySettle && (
            <Button size="small" disabled={busy} onClick={() => void goBy(one.id)}>
              Go by this one
            </Button>
          )}
          {several && !log.unsettled && one.id === log.id && <p className="small soft">You go by this one.</p>}
        </div>
      ))}
      <Refusal message={refusal} />
    </section>
  );
}

function hurt({ people, unnamed }: ShownLog): boolean {
  return unnamed.length > 0 || people.some(({ stopSigns }) => stopSigns.length > 0);
}

function Said({ log }: { log: ShownLog }) {
  const missing = log.people.filter(({ came }) => !came).map(({ name }) => name);
  const notable = log.people.filter(({ came, late, effort, stopSigns }) => came && (late || effort !== 'easy' || stopSigns.length > 0));
  return (
    <>
      <p>
        <strong>Logged by {log.by}</strong>, {log.at}: {log.summary}; {log.reached} was reached.
        {missing.length > 0 && ` Missed by ${listedSentence(missing)}`}
      </p>
      {log.unnamed.length > 0 && (
        <p>
          Somebody who was not named: <strong>{log.unnamed.join(', ')}</strong>
        </p>
      )}
      {notable.map(({ name, late, effort, stopSigns }) => (
        <p key={name}>
          {name}: {effort}
          {late && ', came late'}
          {stopSigns.length > 0 && <strong>, {stopSigns.join(', ')}</strong>}
        </p>
      ))}
      {log.said.length > 0 && <p className="small">{log.said.join('; ')}.</p>}
      {log.note && <p>“{log.note}”</p>}
    </>
  );
}
