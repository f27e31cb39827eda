'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { saveOwnWayAction } from '@/app/actions/techniques';
import { formatDose, formatPattern } from '@/core/pattern';
import { TECHNIQUES } from '@/core/techniques';
import { ownWayForm } from '@/forms';
import { Choice, Field, Refusal } from '../forms/fields';
import { useForm } from '../forms/useForm';
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
  const initial = { ...saving, pattern: formatPattern(bench.pattern), dose: formatDose(bench.dose) };
  const form = useForm(ownWayForm as never, initial, saveNow, ({ id, number }: { id: string; number: number }) => {
    say(number === 1 ? 'Saved as ours.' : `Saved as version ${number}. Courses keep the version they were planned with.`);
    router.push(`/techniques/ours/${id}`);
    router.refresh();
  });
  // The bench has the newest line; the form holds its name.
  function saveNow(values: object) {
    return saveOwnWayAction({ ...values, pattern: formatPattern(bench.pattern), dose: formatDose(bench.dose) });
  }
  return (
    <form onSubmit={form.send} noValidate className="stack" style={{ maxWidth: 520 }}>
      <h2>{saving.id ? 'Save the next version' : 'Save as ours'}</h2>
      <Field form={form} name="name" label="What we call it" autoFocus />
      {!saving.id && (
        <Choice
          form={form}
          name="base"
          label="It is a way of doing"
          helperText="From it come its place on the ladder, who is qualified for it, and its cues."
          options={TECHNIQUES.map(({ id, name }) => ({ value: id, label: name }))}
        />
      )}
      <Refusal message={form.refusal} />
      <div>
        <Button type="submit" variant="contained" disabled={form.busy}>
          Keep it
        </Button>
      </div>
    </form>
  );
}
