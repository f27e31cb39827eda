'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { addClosureAction, removeClosureAction } from '@/app/actions/studio';
import { dayText, type IsoDate } from '@/core/units';
import { closureForm } from '@/forms';
import { Day, Field, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useAction } from '../forms/useAction';
import { useForm } from '../forms/useForm';
import { CalendarFile } from './CalendarFile';

interface Props {
  readonly closures: readonly { readonly id: string; readonly from: IsoDate; readonly until: IsoDate; readonly reason: string }[];
  readonly today: string;
}

/** Closed days: new courses leave them out. */
export function Closures({ closures, today }: Props) {
  const [inside, setInside] = useState<readonly IsoDate[]>([]);
  const { run, refusal, busy, refresh } = useAction();
  const form = useForm(closureForm, { from: today, until: today, reason: '' }, addClosureAction, (value, { reset }) => {
    setInside(value.inside as readonly IsoDate[]);
    reset();
    refresh();
  });
  const remove = async (id: string) => {
    await run(() => removeClosureAction({ id }));
    refresh();
  };
  return (
    <section className="plank stack">
      <h2>Closed days</h2>
      {closures.length === 0 ? (
        <p className="soft small">None ahead.</p>
      ) : (
        <ul className="plain lines">
          {closures.map(({ id, from, until, reason }) => (
            <li key={id}>
              <strong>{from === until ? dayText(from) : `${dayText(from)} – ${dayText(until)}`}</strong>
              <br />
              {reason}{' '}
              <Button size="small" disabled={busy} onClick={() => void remove(id)} aria-label={`Open again: ${reason}`}>
                Open again
              </Button>
            </li>
          ))}
        </ul>
      )}
      <Refusal message={refusal} />
      {inside.length > 0 && (
        <p className="note bad small" role="status">
          Closed. {inside.length === 1 ? 'A class falls' : `${inside.length} classes fall`} into it and must be moved:{' '}
          {inside.map(dayText).join(', ')}.
        </p>
      )}
      <Form form={form} className="stack">
        <Day form={form} name="from" label="First closed day" />
        <Day form={form} name="until" label="Last closed day" />
        <Field form={form} name="reason" label="Why" />
        <Refusal message={form.refusal} />
        <Button type="submit" disabled={form.busy}>
          Close these days
        </Button>
      </Form>
      <CalendarFile as="closures" />
    </section>
  );
}
