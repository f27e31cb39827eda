'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { changePersonAction, comparePersonAction } from '@/app/actions/people';
import { aboutPersonForm, type AboutPersonInput } from '@/forms';
import type { AboutPerson as About, PersonNow, PersonView } from '@/views/person';
import { Clash } from '../forms/Clash';
import { Amount, Field, Pick as PickOne, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';
import { useNotice } from '../look/Notices';

interface Props extends Pick<PersonView, 'cohorts'> {
  readonly id: string;
  readonly person: About & { readonly version: number };
  readonly onSaved: (version: number) => void;
}

/** Name, e-mail, cohort and comfort counts. */
export function AboutPerson({ id, person, cohorts, onSaved }: Props) {
  const say = useNotice();
  const [theirs, setTheirs] = useState<PersonNow | null>(null);
  const save = async (values: AboutPersonInput) => {
    const reply = await changePersonAction(values);
    const now = !reply.ok && reply.code === 'clash' ? await comparePersonAction(values) : null;
    if (now?.ok) setTheirs(now.value);
    return reply;
  };
  const form = useForm<AboutPersonInput, { version: number }>(
    aboutPersonForm as never,
    { person: id, ...person },
    save,
    ({ version }, _, refresh) => {
      onSaved(version);
      say('Saved.');
      refresh();
    },
  );
  const settle = (now: PersonNow, mine: boolean) => {
    const { differs, ...known } = now;
    setTheirs(null);
    if (!mine) return form.reset({ person: id, ...known });
    form.setValue('version', now.version);
    void form.send();
  };
  return (
    <Form form={form} className="sheet stack">
      <h2>About them</h2>
      <Field form={form} name="name" label="Name, as the studio uses it" />
      <Field form={form} name="email" label="E-mail, for the form and nothing else" type="email" />
      <PickOne form={form} name="cohort" label="Cohort" options={cohorts.map((one) => ({ value: one.id, label: one.name }))} />
      <div className="row" style={{ alignItems: 'flex-start' }}>
        <Amount
          form={form}
          name="comfortIn"
          label="Longest easy inhale, counts"
          sx={{ width: 220 }}
          helperText="left empty: the group’s and one more"
        />
        <Amount
          form={form}
          name="comfortOut"
          label="Longest easy exhale, counts"
          sx={{ width: 220 }}
          helperText="left empty: the group’s inhale and three more"
        />
      </div>
      {theirs ? (
        <Clash differs={theirs.differs} onTheirs={() => settle(theirs, false)} onMine={() => settle(theirs, true)} />
      ) : (
        <Refusal message={form.refusal} />
      )}
      <div className="row">
        <Button type="submit" variant="contained" disabled={form.busy}>
          Save
        </Button>
      </div>
    </Form>
  );
}
