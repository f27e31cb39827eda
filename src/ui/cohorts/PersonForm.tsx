'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useRouter } from 'next/navigation';
import { Controller } from 'react-hook-form';
import { addPersonAction } from '@/app/actions/cohorts';
import { personForm, type PersonInput } from '@/forms';
import { Day, Field, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';
import { useNotice } from '../look/Notices';
import { ScreeningQuestions } from './ScreeningQuestions';

/** A person with the answers of a paper form. What was answered can be read by the director only, once it is sent. */
export function PersonForm({ cohort, today }: { cohort: string; today: string }) {
  const router = useRouter();
  const say = useNotice();
  const initial = { cohort, name: '', email: '', birthDate: '', screened: false, screenedOn: today, guardianConsent: false, answers: [] };
  const form = useForm<PersonInput, { id: string }>(personForm as never, initial, addPersonAction, (_, { getValues }) => {
    say(`${getValues('name')} is in.`);
    router.push(`/cohorts/${cohort}`);
    router.refresh();
  });
  const screened = form.watch('screened');
  return (
    <Form form={form} className="stack" style={{ maxWidth: 960 }}>
      <div className="sheet stack">
        <Field form={form} name="name" label="Name, as the studio uses it" autoFocus />
        <Field form={form} name="email" label="E-mail, for the form and nothing else" type="email" />
        <Day
          form={form}
          name="birthDate"
          label="Birth date"
          helperText="Rules for young and older people follow from it; without it we plan gently."
        />
        <Controller
          control={form.control}
          name="screened"
          render={({ field }) => (
            <FormControlLabel control={<Checkbox checked={field.value} onChange={field.onChange} />} label="A screening form was filled in" />
          )}
        />
      </div>
      {screened && (
        <fieldset className="sheet stack" style={{ margin: 0 }}>
          <legend>
            <h2 style={{ background: 'var(--plank)', padding: '0 8px' }}>Screening</h2>
          </legend>
          <p className="soft">
            Asked because breathing exercises bear on these. The director sees the answers, teachers only what to do. Not answering is always allowed.
          </p>
          <Day form={form} name="screenedOn" label="Filled in on" />
          <ScreeningQuestions form={form as never} />
        </fieldset>
      )}
      <Refusal message={form.refusal ?? form.formState.errors.answers?.message ?? null} />
      <div className="row">
        <Button type="submit" variant="contained" disabled={form.busy}>
          Add the person
        </Button>
        <Button href={`/cohorts/${cohort}`}>Leave it</Button>
      </div>
    </Form>
  );
}
