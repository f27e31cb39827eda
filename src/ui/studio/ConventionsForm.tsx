'use client';

import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { previewPaceAction, saveConventionsAction } from '@/app/actions/studio';
import { conventionsForm } from '@/forms';
import { Amount, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';
import { useNotice } from '../look/Notices';

/** The studio's pace: what a count and a natural breath last where nothing else is said. */
export function ConventionsForm(initial: { version: number; tempoSeconds: number; naturalSeconds: number }) {
  const say = useNotice();
  const form = useForm(conventionsForm, initial, saveConventionsAction, (_, __, refresh) => {
    say('Saved. Sessions that are already planned keep their tempo.');
    refresh();
  });
  const natural = Number(form.watch('naturalSeconds'));
  return (
    <Form form={form} className="plank stack">
      <h2>Pace</h2>
      <Amount
        form={form}
        name="tempoSeconds"
        label="Seconds a count"
        step={0.05}
        helperText="Who counts “seconds” aloud drifts to 1.15–1.3. New sessions start with this; planned ones keep theirs."
      />
      <Amount
        form={form}
        name="naturalSeconds"
        label="Seconds a natural breath"
        step={0.5}
        helperText="Rests and recovery in breaths are timed with it."
      />
      {natural !== initial.naturalSeconds && <Longer natural={natural} />}
      <Refusal message={form.refusal} />
      <Button type="submit" variant="contained" disabled={form.busy}>
        Save the pace
      </Button>
    </Form>
  );
}

/** What another natural breath would do to planned sessions, asked a moment after the last key. */
function Longer({ natural }: { natural: number }) {
  const [lines, setLines] = useState<readonly string[] | null>(null);
  useEffect(() => {
    const asked = setTimeout(async () => {
      const reply = await previewPaceAction({ naturalSeconds: natural });
      setLines(reply.ok ? reply.value : null);
    }, 300);
    return () => clearTimeout(asked);
  }, [natural]);
  return (
    <div className="note small" aria-live="polite">
      {lines === null ? (
        'Looking at what it would change.'
      ) : lines.length === 0 ? (
        'No planned session gets longer or shorter by it.'
      ) : (
        <>
          <strong>{lines.length === 1 ? 'One planned session changes.' : `${lines.length} planned sessions change.`}</strong>
          <ul>
            {lines.slice(0, 8).map((line) => (
              <li key={line}>{line}</li>
            ))}
            {lines.length > 8 && <li>and {lines.length - 8} more</li>}
          </ul>
        </>
      )}
    </div>
  );
}
