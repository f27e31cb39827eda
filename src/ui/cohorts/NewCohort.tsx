'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { addCohortAction } from '@/app/actions/cohorts';
import { cohortForm } from '@/forms';
import { Choice, Field, Pick, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';

/** A new group, and the highest things it already practises. */
export function NewCohort({ techniques }: { techniques: readonly { id: string; name: string }[] }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const form = useForm(cohortForm, { name: '', about: '', practises: ['natural'], seat: 'floor' as const }, addCohortAction, ({ id }) =>
    router.push(`/cohorts/${id}`),
  );
  if (!open) {
    return (
      <p style={{ marginTop: 16 }}>
        <Button onClick={() => setOpen(true)}>New cohort</Button>
      </p>
    );
  }
  return (
    <Form form={form} className="plank stack" style={{ maxWidth: 560, marginTop: 16 }}>
      <h2>New cohort</h2>
      <Field form={form} name="name" label="Name" published autoFocus />
      <Field form={form} name="about" label="Who they are" published />
      <Pick
        form={form}
        name="practises.0"
        label="Already practises, with all below it"
        options={techniques.map(({ id, name }) => ({ value: id, label: name }))}
      />
      <Choice
        form={form}
        name="seat"
        label="They sit"
        options={[
          { value: 'floor', label: 'on the floor' },
          { value: 'chair', label: 'on chairs' },
        ]}
      />
      <Refusal message={form.refusal} />
      <div className="row">
        <Button type="submit" variant="contained" disabled={form.busy}>
          Make the cohort
        </Button>
        <Button onClick={() => setOpen(false)}>Leave it</Button>
      </div>
    </Form>
  );
}
