'use client';

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
          return (
            <div>
              {ASKED.map((condition) => (
                <ConditionQuestion
                  key={condition.id}
                  condition={condition}
                  given={given.find((answer) => answer.condition === condition.id) ?? null}
                  onChange={(answer) => field.onChange([...given.filter((other) => other.condition !== condition.id), ...(answer ? [answer] : [])])}
                />
              ))}
            </div>
          );
        }}
      />
    </>
  );
}
