'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import TextField from '@mui/material/TextField';
import type { Condition } from '@/core/screening';

export interface Given {
  readonly condition: string;
  readonly answer: 'yes' | "don't know" | 'prefer not to say';
  readonly date: string | null;
  readonly states: readonly string[];
}

const CHOICES = ['no', 'yes', "don't know", 'prefer not to say'] as const;

interface Props {
  readonly condition: Condition;
  readonly given: Given | null;
  readonly onChange: (given: Given | null) => void;
}

/** One question of the screening form; a date and states only once the answer is yes. */
export function ConditionQuestion({ condition, given, onChange }: Props) {
  const { id, question, date, states } = condition;
  const answer = given?.answer ?? 'no';
  const change = (more: Partial<Given>) => onChange({ condition: id, answer: 'yes', date: null, states: [], ...given, ...more });
  return (
    <fieldset style={{ border: 0, borderTop: '1px solid var(--rule)', margin: 0, padding: '8px 0' }}>
      <legend style={{ float: 'left', width: '100%', fontWeight: 600 }}>{question}</legend>
      <RadioGroup
        row
        value={answer}
        name={id}
        onChange={(_, value) => (value === 'no' ? onChange(null) : change({ answer: value as Given['answer'] }))}
        style={{ clear: 'both' }}
      >
        {CHOICES.map((choice) => (
          <FormControlLabel key={choice} value={choice} control={<Radio />} label={choice} />
        ))}
      </RadioGroup>
      {answer === 'yes' && (date || states.length > 0) && (
        <div className="row" style={{ paddingTop: 4 }}>
          {date && (
            <TextField
              id={`${id} date`}
              label={date.label}
              type="date"
              value={given?.date ?? ''}
              onChange={(event) => change({ date: event.target.value || null })}
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
