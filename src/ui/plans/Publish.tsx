'use client';

import Button from '@mui/material/Button';
import { useState, useTransition } from 'react';
import { publishPlanAction } from '@/app/actions/plans';
import type { PlanView } from './PlanBoard';
import styles from './PlanBoard.module.css';

/** Where the plan stands, its versions, and the step to publish the next one to a teacher. */
export function Publish({ plan, version, ready, onDone }: { plan: PlanView; version: number; ready: boolean; onDone: () => void }) {
  const { session, versions, unpublished, teachers, mayEdit } = plan;
  const [teacher, setTeacher] = useState(plan.teacher);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const latest = versions.at(-1);
  const changed = latest === undefined || (unpublished?.length ?? 0) > 0 || teacher !== plan.teacher;
  const lacks = teachers.find(({ id }) => id === teacher)?.lacks ?? [];
  return (
    <section className="stack" aria-label="Versions">
      <h2>{latest ? `Version ${latest.number}` : 'Not published'}</h2>
      {latest ? (
        <p>
          With {latest.teacher} since {latest.publishedAt}.{' '}
          {plan.acknowledgedAt ? <strong>Read and acknowledged {plan.acknowledgedAt}.</strong> : <strong>Not acknowledged yet.</strong>}
          {plan.askedAgain && ' Instructions became stricter since: the teacher is asked again.'}
        </p>
      ) : (
        <p className="soft">Nobody teaches from it until it is published to a teacher.</p>
      )}
      {versions.length > 1 && latest && latest.changes.length > 0 && (
        <p className="small">
          Changed since v{latest.number - 1}: {latest.changes.join('; ')}.
        </p>
      )}
      {unpublished && unpublished.length > 0 && (
        <p className="small note">
          Changed since v{latest?.number}, not published: {unpublished.join('; ')}.
        </p>
      )}
      {mayEdit && (
        <>
          <label className="small" htmlFor="teacher">
            Hand it to
          </label>
          <select id="teacher" className={styles.add} value={teacher} onChange={(event) => setTeacher(event.target.value)}>
            {teachers.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
          {lacks.length > 0 && <p className="error small">Not qualified for {lacks.join(', ')}.</p>}
          <p role="alert" className={refused ? 'note bad small' : 'sr'}>
            {refused}
          </p>
          <Button
            variant="contained"
            disabled={busy || !ready || !changed || session.blocks.length === 0}
            onClick={() =>
              start(async () => {
                const reply = await publishPlanAction({ session: session.id, version, teacher });
                setRefused(reply.ok ? null : reply.message);
                if (reply.ok) onDone();
              })
            }
          >
            Publish version {(latest?.number ?? 0) + 1}
          </Button>
        </>
      )}
    </section>
  );
}
