'use client';

import Button from '@mui/material/Button';
import { useFieldArray, useWatch } from 'react-hook-form';
import { saveSpeechAction } from '@/app/actions/studio';
import { LOUDNESS, spacedTempo, WORDED, type SheetOptions } from '@/core/cues';
import { speechForm, type SpeechInput } from '@/forms';
import { Amount, Choice, Field, Pick, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';
import { useNotice } from '../look/Notices';
import styles from './SpeechForm.module.css';

interface Props {
  readonly version: number;
  readonly speech: SheetOptions;
  readonly families: readonly { readonly id: string; readonly name: string }[];
}

/** How the studio's cue sheets speak: how much, how fast, and in whose words. */
export function SpeechForm({ version, speech, families }: Props) {
  const say = useNotice();
  const lines = Object.entries(speech.wording).map(([key, text]) => {
    const [family, phase] = key.split('/');
    return { family, phase: phase as (typeof WORDED)[number], text };
  });
  const initial = { version, loudness: speech.loudness, wordsPerSecond: speech.wordsPerSecond, spacer: speech.spacer, lines };
  const form = useForm<SpeechInput, void>(speechForm as never, initial, saveSpeechAction, (_, __, refresh) => {
    say('Saved. Cue sheets are written afresh wherever they are shown.');
    refresh();
  });
  const [spacer, speed] = useWatch({ control: form.control, name: ['spacer', 'wordsPerSecond'] });
  const spaced = spacer.trim() !== '' && Number(speed) > 0 ? spacedTempo(spacer, Number(speed)) / 1000 : null;
  const rows = useFieldArray({ control: form.control, name: 'lines' });
  return (
    <Form form={form} className="sheet stack">
      <h2>How we speak</h2>
      <div className={styles.two}>
        <Choice form={form} name="loudness" label="How much is said" options={LOUDNESS.map((one) => ({ value: one, label: one }))} />
        <Amount form={form} name="wordsPerSecond" label="Words a second" step={0.1} />
      </div>
      <Field
        form={form}
        name="spacer"
        label="A word between counts"
        placeholder="none"
        helperText={
          spaced === null
            ? 'It stretches the count: “one boathouse, two boathouse”.'
            : `A count then takes ${spaced} s, and that becomes the studio’s tempo.`
        }
      />
      <p className="small soft">
        Calls in our own words. {'{count}'}, {'{side}'}, {'{round}'} and {'{rounds}'} are filled in. What cannot be said in its time gives way to the
        shipped line, and the sheet says so.
      </p>
      {rows.fields.map((row, index) => (
        <div key={row.id} className={styles.line}>
          <Pick form={form} name={`lines.${index}.family`} label="Technique" options={families.map(({ id, name }) => ({ value: id, label: name }))} />
          <Choice form={form} name={`lines.${index}.phase`} label="Phase" options={WORDED.map((one) => ({ value: one, label: one }))} />
          <Field form={form} name={`lines.${index}.text`} label="What is said" published placeholder="Breathe out {side}" />
          <Button onClick={() => rows.remove(index)} aria-label={`Leave out line ${index + 1}`}>
            Leave out
          </Button>
        </div>
      ))}
      <Refusal message={form.refusal} />
      <div className="row">
        <Button onClick={() => rows.append({ family: 'alternate', phase: 'out', text: '' })}>A call in our words</Button>
        <Button type="submit" variant="contained" disabled={form.busy}>
          Save how we speak
        </Button>
      </div>
    </Form>
  );
}
