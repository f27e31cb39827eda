'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { removeAwayAction, saveAwayAction } from '@/app/actions/staff';
import type { Away } from '@/core/staff';
import { awayForm } from '@/forms';
import { Day, Pick, Refusal, Time } from '../forms/fields';
import { Form } from '../forms/Form';
import { useAction } from '../forms/useAction';
import { useForm } from '../forms/useForm';
import { awayText } from './awayText';

interface Props {
  readonly aways: readonly Away[];
  readonly today: string;
  /** Whose days these can be, where somebody says it for others; oneself otherwise. */
  readonly of: readonly { readonly id: string; readonly name: string }[] | null;
}

/** When somebody of the staff is away: days, or one evening. */
export function AwayPlank({ aways, today, of }: Props) {
  const [inside, setInside] = useState<readonly string[]>([]);
  const { run, refusal, busy, refresh } = useAction();
  const first = { staff: of?.[0]?.id ?? null, from: today, until: today, fromTime: null, untilTime: null };
  const form = useForm(awayForm, first, saveAwayAction, (value, { reset }, show) => {
    setInside(value.inside);
    reset();
    show();
  });
  const back = async (id: string) => {
    await run(() => removeAwayAction({ id }));
    refresh();
  };
  const nameOf = (staff: string) => of?.find(({ id }) => id === staff)?.name;
  return (
    <section className="plank stack">
      <h2>Away</h2>
      {aways.length === 0 ? (
        <p className="soft small">Nobody has said so.</p>
      ) : (
        <ul className="plain lines">
          {aways.map((one) => (
            <li key={one.id}>
              {nameOf(one.staff) && <strong>{nameOf(one.staff)} </strong>}
              <span className="num">{awayText(one)}</span>{' '}
              <Button size="small" disabled={busy} onClick={() => void back(one.id)} aria-label={`Here after all, ${awayText(one)}`}>
                Here after all
              </Button>
            </li>
          ))}
        </ul>
      )}
      <Refusal message={refusal} />
      {inside.length > 0 && (
        <p className="note bad small" role="status">
          {inside.length === 1 ? 'A class falls' : `${inside.length} classes fall`} into it and {inside.length === 1 ? 'needs' : 'need'} cover:{' '}
          {inside.join('; ')}.
        </p>
      )}
      <Form form={form} className="stack">
        {of && <Pick form={form} name="staff" label="Who" options={of.map(({ id, name }) => ({ value: id, label: name }))} />}
        <Day form={form} name="from" label="First day away" />
        <Day form={form} name="until" label="Last day away" />
        <div className="row" style={{ flexWrap: 'nowrap' }}>
          <Time form={form} name="fromTime" label="From" />
          <Time form={form} name="untilTime" label="Until" />
        </div>
        <p className="small soft">Leave the hours empty for whole days.</p>
        <Refusal message={form.refusal} />
        <Button type="submit" disabled={form.busy}>
          {of ? 'Say they are away' : 'I am away then'}
        </Button>
      </Form>
    </section>
  );
}
