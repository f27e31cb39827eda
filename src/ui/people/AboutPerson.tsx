'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { changePersonAction } from '@/app/actions/people';
import { aboutPersonForm, type AboutPersonInput } from '@/forms';
import { Choice, Field, Refusal } from '../forms/fields';
import { useForm } from '../forms/useForm';
import { useNotice } from '../look/Notices';

interface Props {
  readonly person: {
    readonly id: string;
    readonly version: number;
    readonly name: string;
    readonly email: string;
    readonly cohort: string;
    readonly comfortIn: number | null;
    readonly comfortOut: number | null;
  };
  readonly cohorts: readonly { readonly id: string; readonly name: string }[];
}

/** Name, e-mail, cohort and comfort counts. */
export function AboutPerson({ person: { id, ...person }, cohorts }: Props) {
  const router = useRouter();
  const say = useNotice();
  const form = useForm<AboutPersonInput, { cohort: string }>(aboutPersonForm as never, { person: id, ...person }, changePersonAction, () => {
    say('Saved.');
    router.refresh();
  });
  return (
    <form onSubmit={form.send} noValidate className="sheet stack">
      <h2>About them</h2>
      <Field form={form} name="name" label="Name, as the studio uses it" />
      <Field form={form} name="email" label="E-mail, for the form and nothing else" type="email" />
      <Choice form={form} name="cohort" label="Cohort" options={cohorts.map((one) => ({ value: one.id, label: one.name }))} />
      <div className="row" style={{ alignItems: 'flex-start' }}>
        <Field
          form={form}
          name="comfortIn"
          label="Longest easy inhale, counts"
          type="number"
          sx={{ width: 220 }}
          helperText="left empty: the group’s and one more"
        />
        <Field
          form={form}
          name="comfortOut"
          label="Longest easy exhale, counts"
          type="number"
          sx={{ width: 220 }}
          helperText="left empty: the group’s inhale and three more"
        />
      </div>
      <Refusal message={form.refusal} />
      <div className="row">
        <Button type="submit" variant="contained" disabled={form.busy}>
          Save
        </Button>
      </div>
    </form>
  );
}
