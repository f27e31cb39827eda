'use client';

import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import { SAID, type Condition, type Said } from '@/core/screening';
import { DayField } from '../fields';
import styles from './ConditionQuestion.module.css';

export interface Given {
  readonly condition: string;
  readonly answer: Said;
  readonly date: string | null;
  /** Parts of the question that were answered; what is missing is not known. */
  readonly parts: readonly { readonly id: string; readonly said: Said }[];
}

interface Props {
  readonly condition: Condition;
  readonly given: Given | null;
  readonly onChange: (given: Given) => void;
}

/** One question of the screening form, open until it is answered; a date and its parts only once the answer is yes. */
export function ConditionQuestion({ condition, given, onChange }: Props) {
  const { id, question, date, parts } = condition;
  const answer = given?.answer ?? null;
  const change = (more: Partial<Given>) => onChange({ condition: id, answer: 'yes', date: null, parts: [], ...given, ...more });
  const saidOf = (part: string) => given?.parts.find((one) => one.id === part)?.said ?? null;
  return (
    <fieldset className={styles.question}>
      <legend>{question}</legend>
      <Choices name={id} value={answer} onChange={(said) => change({ answer: said })} />
      {answer === 'yes' && (date || parts.length > 0) && (
        <div className={`row ${styles.more}`}>
          {date && (
            <DayField
              id={`${id}-date`}
              label={date.label}
              value={given?.date ?? ''}
              onChange={(day) => change({ date: day || null })}
              sx={{ maxWidth: 240 }}
            />
          )}
          {parts.map((part) => (
            <fieldset key={part.id} className={styles.question}>
              <legend>{part.label}</legend>
              <Choices
                name={`${id}-${part.id}`}
                value={saidOf(part.id)}
                onChange={(said) => change({ parts: [...(given?.parts ?? []).filter((one) => one.id !== part.id), { id: part.id, said }] })}
              />
            </fieldset>
          ))}
        </div>
      )}
    </fieldset>
  );
}

function Choices({ name, value, onChange }: { name: string; value: Said | null; onChange: (said: Said) => void }) {
  return (
    <RadioGroup row value={value} name={name} onChange={(_, said) => onChange(said as Said)}>
      {SAID.map((choice) => (
        <FormControlLabel key={choice} value={choice} control={<Radio />} label={choice} />
      ))}
    </RadioGroup>
  );
}
