'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import type { Condition } from '@/core/screening';
import { DayField } from '../fields';
import styles from './ConditionQuestion.module.css';

const CHOICES = ['no', 'yes', "don't know", 'prefer not to say'] as const;

export interface Given {
  readonly condition: string;
  readonly answer: (typeof CHOICES)[number];
  readonly date: string | null;
  readonly states: readonly string[];
}

interface Props {
  readonly condition: Condition;
  readonly given: Given | null;
  readonly onChange: (given: Given) => void;
}

/** One question of the screening form, open until it is answered; a date and states only once the answer is yes. */
export function ConditionQuestion({ condition, given, onChange }: Props) {
  const { id, question, date, states } = condition;
  const answer = given?.answer ?? null;
  const change = (more: Partial<Given>) => onChange({ condition: id, answer: 'yes', date: null, states: [], ...given, ...more });
  return (
    <fieldset className={styles.question}>
      <legend>{question}</legend>
      <RadioGroup row value={answer} name={id} onChange={(_, value) => change({ answer: value as Given['answer'] })}>
        {CHOICES.map((choice) => (
          <FormControlLabel key={choice} value={choice} control={<Radio />} label={choice} />
        ))}
      </RadioGroup>
      {answer === 'yes' && (date || states.length > 0) && (
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
          {states.map((state) => (
            <FormControlLabel
              key={state.id}
              control={
                <Checkbox
                  checked={given?.states.includes(state.id) ?? false}
                  onChange={(_, on) =>
                    change({ states: on ? [...(given?.states ?? []), state.id] : (given?.states ?? []).filter((other) => other !== state.id) })
                  }
                />
              }
              label={state.label}
            />
          ))}
        </div>
      )}
    </fieldset>
  );
}
