'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { previewGuardsAction, saveGuardsAction } from '@/app/actions/studio';
import type { Guards } from '@/core/climb';
import { guardsForm, type GuardsInput } from '@/forms';
import { Amount, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';
import { useNotice } from '../look/Notices';
import { Fold } from '../shell/Fold';

const percent = (share: number) => Math.round(share * 100);

/** How fast things grow in this studio, and when a climb goes on; what another guard would do to planned courses can be seen first. */
export function GuardsForm({ version, guards }: { version: number; guards: Guards }) {
  const say = useNotice();
  const [lines, setLines] = useState<readonly string[] | null>(null);
  const initial = {
    version,
    weekMinutes: guards.weekMinutes,
    weekPercent: percent(guards.weekShare),
    restMinutes: guards.restMinutes,
    classesOnAStep: guards.classesOnAStep,
    growingSteps: guards.growingSteps,
    holdThree: guards.holdSeconds[2],
    holdFour: guards.holdSeconds[3],
    easyPercent: percent(guards.easyShare),
    strainedPercent: percent(guards.strainedBack),
    finishPercent: percent(guards.finishShare),
  };
  const form = useForm<GuardsInput, void>(guardsForm as never, initial, saveGuardsAction, (_, __, refresh) => {
    say('Saved. Planned courses are checked by these guards from now on.');
    refresh();
  });
  const look = form.handleSubmit(async (values) => {
    const reply = await previewGuardsAction(values);
    setLines(reply.ok ? reply.value : null);
  });
  return (
    <Form form={form} className="plank stack">
      <Fold title="Guards">
        <p className="small soft">How fast things grow here, when a climb goes on, and what finishes a series.</p>
        <div className="stack">
          <Amount form={form} name="weekMinutes" label="Minutes a week more" step={0.5} helperText="Or the share below, whichever is larger." />
          <Amount form={form} name="weekPercent" label="Percent a week more" step={5} />
          <Amount form={form} name="restMinutes" label="Minutes a lying rest grows at once" />
          <Amount form={form} name="classesOnAStep" label="Classes on a step" helperText="Of counts, layers, holds or pumps, before the next." />
          <Amount form={form} name="growingSteps" label="Growing weeks before a lighter class" />
          <Amount form={form} name="holdThree" label="Longest hold, third rung, seconds" />
          <Amount form={form} name="holdFour" label="Longest hold, fourth rung, seconds" />
          <Amount form={form} name="easyPercent" label="Percent who found it easy, to go on" step={5} />
          <Amount form={form} name="strainedPercent" label="Percent who strained, to step back" step={5} />
          <Amount form={form} name="finishPercent" label="Percent of the days that finish a series" step={5} />
          {lines !== null && (
            <div className="note small" aria-live="polite">
              {lines.length === 0 ? 'No planned course changes by it.' : lines.map((line) => <p key={line}>{line}.</p>)}
            </div>
          )}
          <Refusal message={form.refusal} />
          <div className="row">
            <Button onClick={() => void look()}>See what it does</Button>
            <Button type="submit" variant="contained" disabled={form.busy}>
              Save the guards
            </Button>
          </div>
        </div>
      </Fold>
    </Form>
  );
}
