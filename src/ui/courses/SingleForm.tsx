'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { createSingleAction } from '@/app/actions/courses';
import { singleForm } from '@/forms';
import type { Option } from '../fields';
import { Amount, Day, Field, Pick, Refusal, Time } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';

interface Props {
  readonly cohorts: readonly Option[];
  readonly teachers: readonly Option[];
  readonly date: string;
}

/** One class of its own: it opens as an empty plan. */
export function SingleForm({ cohorts, teachers, date }: Props) {
  const router = useRouter();
  const first = { name: '', cohort: cohorts[0]?.value ?? '', date, start: '18:30', minutes: 60, teacher: teachers[0]?.value ?? '' };
  const form = useForm(singleForm, first, createSingleAction, ({ session }) => router.push(`/plans/${session}`));
  return (
    <Form form={form} className="stack" style={{ maxWidth: 520 }}>
      <Field form={form} name="name" label="What it is called" published />
      <Pick form={form} name="cohort" label="For" options={cohorts} />
      <Day form={form} name="date" label="Day" />
      <div className="row" style={{ flexWrap: 'nowrap' }}>
        <Time form={form} name="start" label="Hour" />
        <Amount form={form} name="minutes" label="Minutes" />
      </div>
      <Pick form={form} name="teacher" label="Taught by" options={teachers} />
      <Refusal message={form.refusal} />
      <div>
        <Button type="submit" variant="contained" disabled={form.busy}>
          Make it
        </Button>
      </div>
    </Form>
  );
}
