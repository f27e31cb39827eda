'use client';

import Button from '@mui/material/Button';
import { useFieldArray, type UseFormReturn } from 'react-hook-form';
import type { CourseInput } from '@/forms';
import { Amount, Day, Field, Pick as PickOne } from '../forms/fields';
import styles from './CourseForm.module.css';

export interface Teachable {
  readonly id: string;
  readonly name: string;
  readonly pattern: string;
  readonly dose: string;
}

/** A goal as the studio teaches the technique. @example goalOf(techniques, '4-7-8') // 4:7:8, 4 rounds, in 2 classes */
export function goalOf(techniques: readonly Teachable[], id: string): CourseInput['goals'][number] {
  const { pattern, dose } = techniques.find((technique) => technique.id === id) ?? techniques[0];
  return { technique: id, pattern, dose, practise: 2, by: null, everyDays: null, stepMinutes: null, ready: 80 };
}

/** Where a course should arrive. */
export function Goals<F extends Pick<CourseInput, 'goals'>>({ form: of, techniques }: { form: UseFormReturn<F>; techniques: readonly Teachable[] }) {
  const form = of as unknown as UseFormReturn<CourseInput>;
  const goals = useFieldArray({ control: form.control, name: 'goals' });
  return (
    <section className="sheet stack">
      <h2>Goals</h2>
      <p className="soft">
        Where the course should arrive. What a goal needs first is drafted by itself; counts and minutes climb to what you write here.
      </p>
      {goals.fields.map((goal, index) => (
        <div key={goal.id} className={styles.goal} role="group" aria-label={`Goal ${index + 1}`}>
          <PickOne
            form={form}
            name={`goals.${index}.technique`}
            label="Technique"
            options={techniques.map(({ id, name }) => ({ value: id, label: name }))}
            onPick={(id) => form.setValue(`goals.${index}`, goalOf(techniques, id), { shouldValidate: true })}
          />
          <Field form={form} name={`goals.${index}.pattern`} label="Pattern to reach" />
          <Field form={form} name={`goals.${index}.dose`} label="Dose to reach" />
          <Amount form={form} name={`goals.${index}.practise`} label="In classes" />
          <Amount form={form} name={`goals.${index}.ready`} label="Ready, in % of them" step={5} />
          <Day form={form} name={`goals.${index}.by`} label="By, if it matters" placeholder="any day" />
          <Button onClick={() => goals.remove(index)} aria-label={`Leave out goal ${index + 1}`} disabled={goals.fields.length === 1}>
            Leave out
          </Button>
        </div>
      ))}
      <div>
        <Button onClick={() => goals.append(goalOf(techniques, 'alternate-4-4'))}>Another goal</Button>
      </div>
    </section>
  );
}
