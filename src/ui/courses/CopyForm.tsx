'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { copyCourseAction } from '@/app/actions/courses';
import { copySeriesAction } from '@/app/actions/series';
import { copyForm, seriesCopyForm, type CopyInput } from '@/forms';
import { Day, Field, Pick, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';

interface Named {
  readonly id: string;
  readonly name: string;
}

interface Props {
  readonly of: 'course' | 'series';
  readonly id: string;
  readonly name: string;
  readonly cohort: string;
  readonly teacher: string;
  readonly firstDate: string;
  readonly choices: { readonly cohorts: readonly Named[]; readonly teachers: readonly Named[] };
}

const options = (all: readonly Named[]) => all.map(({ id, name }) => ({ value: id, label: name }));

/** For whom, from when on, and by whom a course or a series is held once more. */
export function CopyForm({ of, id, name, cohort, teacher, firstDate, choices }: Props) {
  const router = useRouter();
  const place = of === 'course' ? '/courses' : '/series';
  const other = choices.cohorts.find((one) => one.id !== cohort)?.id ?? cohort;
  const form = useForm<CopyInput, { id: string }>(
    (of === 'course' ? copyForm : seriesCopyForm) as never,
    { [of]: id, name: `${name}, again`, cohort: other, teacher, firstDate } as never,
    of === 'course' ? copyCourseAction : copySeriesAction,
    ({ id: made }) => router.push(`${place}/${made}`),
  );
  return (
    <Form form={form} className="sheet stack" style={{ maxWidth: 620 }}>
      <Field form={form} name="name" label={`Name of the new ${of}`} published autoFocus />
      <Pick form={form} name="cohort" label="Cohort" options={options(choices.cohorts)} />
      <Pick form={form} name="teacher" label={of === 'course' ? 'Teacher' : 'Led by'} options={options(choices.teachers)} />
      <Day form={form} name="firstDate" label="First day" />
      <Refusal message={form.refusal} />
      <div className="row">
        <Button type="submit" variant="contained" disabled={form.busy}>
          Copy it
        </Button>
        <Button href={`${place}/${id}`}>Leave it</Button>
      </div>
    </Form>
  );
}
