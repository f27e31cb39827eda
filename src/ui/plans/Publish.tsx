'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { publishPlanAction } from '@/app/actions/plans';
import { FORM_LIMITS } from '@/forms/limits';
import type { PlanView } from '@/views/plan';
import { PickField } from '../fields';
import { Refusal } from '../forms/fields';
import { useOnce } from '../forms/once';
import { useAction } from '../forms/useAction';
import type { Autosaved } from '../forms/useAutosave';

/** Where the plan stands, its versions, and the step to publish the next one to a teacher. */
export function Publish({
  plan,
  ready,
  inTurn,
  onDone,
}: {
  plan: PlanView;
  ready: boolean;
  inTurn: Autosaved<unknown, unknown>['inTurn'];
  onDone: () => void;
}) {
  const { session, versions, unpublished, teachers, mayEdit } = plan;
  const [teacher, setTeacher] = useState(plan.teacher);
  const [reason, setReason] = useState('');
  const [evenAway, setEvenAway] = useState(false);
  const { run, refusal, busy } = useAction();
  const once = useOnce();
  const latest = versions.at(-1);
  const changed = latest === undefined || (unpublished?.length ?? 0) > 0 || teacher !== plan.teacher;
  const publish = async () => {
    const reply = await run(() =>
      inTurn((version) => publishPlanAction({ once: once.id(), session: session.id, version, teacher, reason, evenAway })),
    );
    if (reply?.ok) once.done();
    if (reply?.ok || reply?.code === 'clash') onDone();
  };
  const chosen = teachers.find(({ id }) => id === teacher);
  const lacks = chosen?.lacks ?? [];
  const waits = (chosen?.away ?? false) && !evenAway;
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
      {latest?.reason && <p className="small">Published all the same: “{latest.reason}”</p>}
      {unpublished && unpublished.length > 0 && (
        <p className="small note">
          Changed since v{latest?.number}, not published: {unpublished.join('; ')}.
        </p>
      )}
      {mayEdit && (
        <>
          <PickField
            id="teacher"
            label="Hand it to"
            value={teacher}
            onChange={setTeacher}
            options={teachers.map(({ id, name }) => ({ value: id, label: name }))}
          />
          {lacks.length > 0 && <p className="error small">Not qualified for {lacks.join(', ')}.</p>}
          {chosen?.away && (
            <label className="check small note">
              <input type="checkbox" checked={evenAway} onChange={({ target }) => setEvenAway(target.checked)} />
              <span>{chosen.name} is away then. Publish it to them all the same.</span>
            </label>
          )}
          {plan.judged.length > 0 && (
            <div className="note bad stack">
              <p className="small">{plan.judged.join(' ')} Yours to judge: say why it goes out all the same. The reason stays in the record.</p>
              <TextField
                id="reason"
                label="Reason"
                multiline
                value={reason}
                onChange={({ target }) => setReason(target.value)}
                slotProps={{ htmlInput: { maxLength: FORM_LIMITS.reason } }}
              />
            </div>
          )}
          <Refusal message={refusal} />
          <Button
            variant="contained"
            disabled={busy || !ready || !changed || waits || session.blocks.length === 0 || (plan.judged.length > 0 && reason.trim() === '')}
            onClick={() => void publish()}
          >
            Publish version {(latest?.number ?? 0) + 1}
          </Button>
        </>
      )}
    </section>
  );
}
