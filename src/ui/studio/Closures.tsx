'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { addClosureAction, removeClosureAction } from '@/app/actions/studio';
import { dayText, type IsoDate } from '@/core/units';
import { closureForm } from '@/forms';
import { Field, Refusal } from '../forms/fields';
import { useForm } from '../forms/useForm';

interface Props {
  readonly closures: readonly { readonly id: string; readonly from: IsoDate; readonly until: IsoDate; readonly reason: string }[];
  readonly today: string;
}

/** Closed days: new courses leave them out. */
export function Closures({ closures, today }: Props) {
  const router = useRouter();
  const [inside, setInside] = useState<readonly IsoDate[]>([]);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const form = useForm(closureForm, { from: today, until: today, reason: '' }, addClosureAction, (value, { reset }) => {
    setInside(value.inside as readonly IsoDate[]);
    reset();
    router.refresh();
  });
  const remove = (id: string) =>
    start(async () => {
      const reply = await removeClosureAction({ id });
      setRefused(reply.ok ? null : reply.message);
      router.refresh();
    });
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
              <Button size="small" disabled={busy} onClick={() => remove(id)} aria-label={`Open again: ${reason}`}>
                Open again
              </Button>
            </li>
          ))}
        </ul>
      )}
      <Refusal message={refused} />
      {inside.length > 0 && (
        <p className="note bad small" role="status">
          Closed. {inside.length === 1 ? 'A class falls' : `${inside.length} classes fall`} into it and must be moved:{' '}
          {inside.map(dayText).join(', ')}.
        </p>
      )}
      <form onSubmit={form.send} noValidate className="stack">
        <Field form={form} name="from" label="First closed day" type="date" />
        <Field form={form} name="until" label="Last closed day" type="date" />
        <Field form={form} name="reason" label="Why" />
        <Refusal message={form.refusal} />
        <Button type="submit" disabled={form.busy}>
          Close these days
        </Button>
      </form>
    </section>
  );
}
