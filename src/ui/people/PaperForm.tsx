'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { enterFormAction, whatIfFormAction } from '@/app/actions/people';
import { screeningForm } from '@/forms';
import type { InferType } from 'yup';
import { Changes } from './Changes';
import { ScreeningQuestions } from '../cohorts/ScreeningQuestions';
import { Day, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';
import { useNotice } from '../look/Notices';

/** A paper form typed in for somebody who is there already. */
export function PaperForm({ person, today, mayLook }: { person: string; today: string; mayLook: boolean }) {
  const router = useRouter();
  const say = useNotice();
  const initial = { person, screenedOn: today, birthDate: '', guardianConsent: false, answers: [] };
  const form = useForm<InferType<typeof screeningForm>, { kept: true }>(screeningForm as never, initial, enterFormAction, () => {
    say('The form is kept.');
    router.push(`/cohorts/people/${person}`);
    router.refresh();
  });
  const [changes, setChanges] = useState<readonly string[] | null>(null);
  const look = form.handleSubmit(async (values) => {
    const reply = await whatIfFormAction(values);
    setChanges(reply.ok ? reply.value : [reply.message]);
  });
  return (
    <Form form={form} className="stack" style={{ maxWidth: 960 }}>
      <div className="sheet stack">
        <Day form={form} name="screenedOn" label="Filled in on" />
        <Day
          form={form}
          name="birthDate"
          label="Birth date"
          helperText="Rules for young and older people follow from it; without it we plan gently."
        />
        <ScreeningQuestions form={form as never} />
      </div>
      {changes && <Changes changes={changes} />}
      <Refusal message={form.refusal ?? form.formState.errors.answers?.message ?? null} />
      <div className="row">
        <Button type="submit" variant="contained" disabled={form.busy}>
          Keep the form
        </Button>
        {mayLook && (
          <Button type="button" onClick={() => void look()}>
            What would change
          </Button>
        )}
        <Button href={`/cohorts/people/${person}`}>Leave it</Button>
      </div>
    </Form>
  );
}
