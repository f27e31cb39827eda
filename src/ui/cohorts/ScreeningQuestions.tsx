'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { Controller, type UseFormReturn } from 'react-hook-form';
import { ASKED } from '@/core/screening';
import type { AnswersInput } from '@/forms';
import { ConditionQuestion, type Given } from './ConditionQuestion';

/** The questions of a screening form, as they are typed in from paper. */
export function ScreeningQuestions({ form }: { form: UseFormReturn<AnswersInput> }) {
  return (
    <>
      <Controller
        control={form.control}
        name="guardianConsent"
        render={({ field }) => (
          <FormControlLabel control={<Checkbox checked={field.value} onChange={field.onChange} />} label="Under 16, and a guardian consents" />
        )}
      />
      <Controller
        control={form.control}
        name="answers"
        render={({ field }) => {
          const given = (field.value ?? []) as readonly Given[];
          const open = ASKED.filter(({ id }) => !given.some(({ condition }) => condition === id));
          return (
            <div>
              {ASKED.map((condition) => (
                <ConditionQuestion
                  key={condition.id}
                  condition={condition}
                  given={given.find((answer) => answer.condition === condition.id) ?? null}
                  onChange={(answer) => field.onChange([...given.filter((other) => other.condition !== condition.id), answer])}
                />
              ))}
              {open.length > 0 && (
                <div className="note stack">
                  <p>
                    {open.length === 1 ? 'One question is' : `${open.length} questions are`} open. What stays open is kept as “prefer not to say”, and
                    planned for gently.
                  </p>
                  <Button
                    style={{ alignSelf: 'start' }}
                    onClick={() =>
                      field.onChange([...given, ...open.map(({ id }): Given => ({ condition: id, answer: 'no', date: null, parts: [] }))])
                    }
                  >
                    The paper says no to all of these
                  </Button>
                </div>
              )}
            </div>
          );
        }}
      />
    </>
  );
}
