'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { answerSignsAction } from '@/app/actions/signs';
import { answerSignsForm } from '@/forms';
import type { SignView } from '@/views/signs';
import { Field, Refusal } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';
import styles from './Signs.module.css';

/** Stop signs that stand, each with what was done. */
export function Signs({ signs }: { signs: readonly SignView[] }) {
  return (
    <ul className={`plain ${styles.signs}`}>
      {signs.map((sign) => (
        <One key={`${sign.id} ${sign.version}`} sign={sign} />
      ))}
    </ul>
  );
}

function One({ sign: { id, version, help, name, signs, where, href, place, when, saidBy } }: { sign: SignView }) {
  const form = useForm(answerSignsForm, { signs: [{ id, version }], answer: '' }, answerSignsAction, (_, __, refresh) => refresh());
  const whose = name ?? 'Somebody who was not named';
  return (
    <li className="sheet" id={id} data-help={help ? '' : undefined}>
      <h2>
        {whose}: {signs.length > 0 ? signs.join(', ') : help ? 'something called for help' : 'a stop sign, not said which'}
      </h2>
      <p className="small soft">
        {href ? <Link href={href}>{where}</Link> : where}
        {place ? `, ${place}` : ''}. {saidBy ? `Marked by ${saidBy}` : 'They said so themselves'}, {when}.
      </p>
      <Form form={form} className={styles.answer} aria-label={`Answer for ${whose}`}>
        <Field form={form} name="answer" id={`answer-${id}`} label="What was done" />
        <Button type="submit" variant={help ? 'contained' : 'outlined'} disabled={form.busy}>
          Answered for
        </Button>
      </Form>
      <Refusal message={form.refusal} />
    </li>
  );
}
