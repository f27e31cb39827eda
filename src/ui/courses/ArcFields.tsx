'use client';

import type { UseFormReturn } from 'react-hook-form';
import { BREATHS, breathText, PACES, paceText } from '@/core/course';
import type { CourseInput } from '@/forms';
import { Pick } from '../forms/fields';

/** How a course is built: sentences with a blank each. */
export function ArcFields<F extends { arc: CourseInput['arc'] }>({ form: of }: { form: UseFormReturn<F> }) {
  const form = of as unknown as UseFormReturn<CourseInput>;
  return (
    <section className="sheet stack">
      <h2>How it is built</h2>
      <div style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(260px, 1fr))', gap: 18 }}>
        <Pick
          form={form}
          name="arc.pace"
          label="New things come"
          options={PACES.map((pace) => ({ value: pace, label: paceText(pace) }))}
          helperText="Spread: something grows in every week, what is begun comes back, and the last class gathers it."
        />
        <Pick
          form={form}
          name="arc.breath"
          label="Breath fills"
          options={BREATHS.map((breath) => ({ value: breath, label: breathText(breath) }))}
          helperText="It rises towards this; movement, rest and talk take what is left."
        />
      </div>
    </section>
  );
}
