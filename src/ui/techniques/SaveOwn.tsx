'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { saveOwnWayAction } from '@/app/actions/techniques';
import { formatDose, formatPattern } from '@/core/pattern';
import { ownWayForm, type OwnWayInput } from '@/forms';
import { Field, Pick, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';
import { useLibrary } from '../shell/Inside';
import { useNotice } from '../look/Notices';
import type { OnBench } from './Reading';

/** What is being saved: a new way (no id), or the next version of one. */
export interface Saving {
  readonly id: string | null;
  readonly version: number;
  readonly base: string;
  readonly name: string;
}

/** Keeps what is on the bench as the studio's own way of doing a technique. */
export function SaveOwn({ bench, saving }: { bench: OnBench; saving: Saving }) {
  const router = useRouter();
  const say = useNotice();
  const { techniques } = useLibrary();
  const initial = { ...saving, pattern: formatPattern(bench.pattern), dose: formatDose(bench.dose) };
  const form = useForm<OwnWayInput, { id: string; number: number }>(ownWayForm as never, initial, saveNow, ({ id, number }) => {
    say(number === 1 ? 'Saved as ours.' : `Saved as version ${number}. Courses keep the version they were planned with.`);
    router.push(`/techniques/ours/${id}`);
    router.refresh();
  });
  // The bench has the newest line; the form holds its name.
  function saveNow(values: object) {
    return saveOwnWayAction({ ...values, pattern: formatPattern(bench.pattern), dose: formatDose(bench.dose) });
  }
  return (
    <Form form={form} className="stack" style={{ maxWidth: 520 }}>
      <h2>{saving.id ? 'Save the next version' : 'Save as ours'}</h2>
      <Field form={form} name="name" label="What we call it" published autoFocus />
      {!saving.id && (
        <Pick
          form={form}
          name="base"
          label="It is a way of doing"
          helperText="From it come its place on the ladder, who is qualified for it, and its cues."
          options={techniques.map(({ id, name }) => ({ value: id, label: name }))}
        />
      )}
      <Refusal message={form.refusal} />
      <div>
        <Button type="submit" variant="contained" disabled={form.busy}>
          Keep it
        </Button>
      </div>
    </Form>
  );
}
