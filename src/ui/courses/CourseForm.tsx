'use client';

import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Checkbox from '@mui/material/Checkbox';
import { useRouter } from 'next/navigation';
import { Controller, useFieldArray } from 'react-hook-form';
import { createCourseAction } from '@/app/actions/courses';
import { courseForm, type CourseInput } from '@/forms';
import { Amount, Day, Field, Pick, Refusal, Time } from '../forms/fields';
import { useForm } from '../forms/useForm';
import styles from './CourseForm.module.css';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

interface Props {
  readonly cohorts: readonly { readonly id: string; readonly name: string }[];
  readonly teachers: readonly { readonly id: string; readonly name: string }[];
  readonly techniques: readonly { readonly id: string; readonly name: string; readonly pattern: string; readonly dose: string }[];
  readonly firstDate: string;
}

/** A course: for whom, when, how long, and where it should arrive. */
export function CourseForm({ cohorts, teachers, techniques, firstDate }: Props) {
  const router = useRouter();
  const goalOf = (id: string) => {
    const { pattern, dose } = techniques.find((technique) => technique.id === id) ?? techniques[0];
    return { technique: id, pattern, dose, practise: 2 };
  };
  const initial = {
    name: '',
    cohort: cohorts[0]?.id ?? '',
    firstDate,
    weeks: 6,
    weekdays: [2, 5],
    start: '18:30',
    minutes: 60,
    teacher: teachers[0]?.id ?? '',
    goals: [goalOf('longer-4-6')],
  };
  const form = useForm<CourseInput, { id: string }>(courseForm as never, initial, createCourseAction, ({ id }) => router.push(`/courses/${id}`));
  const goals = useFieldArray({ control: form.control, name: 'goals' });
  return (
    <form onSubmit={form.send} noValidate className="stack" style={{ maxWidth: 860 }}>
      <div className={`sheet ${styles.grid}`}>
        <Field form={form} name="name" label="Name of the course" published autoFocus sx={{ gridColumn: '1 / -1' }} />
        <Pick form={form} name="cohort" label="Cohort" options={cohorts.map(({ id, name }) => ({ value: id, label: name }))} />
        <Pick form={form} name="teacher" label="Teacher" options={teachers.map(({ id, name }) => ({ value: id, label: name }))} />
        <Day form={form} name="firstDate" label="First day" />
        <Amount form={form} name="weeks" label="Weeks" />
        <Time form={form} name="start" label="Starts at" />
        <Amount form={form} name="minutes" label="Minutes" step={5} />
        <Controller
          control={form.control}
          name="weekdays"
          render={({ field, fieldState }) => (
            <fieldset className={styles.days}>
              <legend>Weekdays</legend>
              {DAYS.map((day, index) => {
                const chosen = (field.value as readonly number[]).includes(index + 1);
                return (
                  <FormControlLabel
                    key={day}
                    label={day}
                    control={
                      <Checkbox
                        checked={chosen}
                        onChange={() => field.onChange(chosen ? field.value.filter((one) => one !== index + 1) : [...field.value, index + 1].sort())}
                      />
                    }
                  />
                );
              })}
              {fieldState.error && <p className="error">{fieldState.error.message}</p>}
            </fieldset>
          )}
        />
      </div>
      <section className="sheet stack">
        <h2>Goals</h2>
        <p className="soft">
          Where the course should arrive. What a goal needs first is drafted by itself; counts and minutes climb to what you write here.
        </p>
        {goals.fields.map((goal, index) => (
          <div key={goal.id} className={styles.goal}>
            <Pick
              form={form}
              name={`goals.${index}.technique`}
              label="Technique"
              options={techniques.map(({ id, name }) => ({ value: id, label: name }))}
              onPick={(id) => form.setValue(`goals.${index}`, goalOf(id), { shouldValidate: true })}
            />
            <Field form={form} name={`goals.${index}.pattern`} label="Pattern to reach" />
            <Field form={form} name={`goals.${index}.dose`} label="Dose to reach" />
            <Amount form={form} name={`goals.${index}.practise`} label="In classes" />
            <Button onClick={() => goals.remove(index)} aria-label={`Leave out goal ${index + 1}`} disabled={goals.fields.length === 1}>
              Leave out
            </Button>
          </div>
        ))}
        <div>
          <Button onClick={() => goals.append(goalOf('alternate-4-4'))}>Another goal</Button>
        </div>
      </section>
      <Refusal message={form.refusal} />
      <div className="row">
        <Button type="submit" variant="contained" disabled={form.busy}>
          Make the course
        </Button>
        <Button href="/courses">Leave it</Button>
      </div>
    </form>
  );
}
