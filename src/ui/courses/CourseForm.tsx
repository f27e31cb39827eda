'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { createCourseAction } from '@/app/actions/courses';
import { USUAL_ARC } from '@/core/course';
import { courseForm, type CourseInput } from '@/forms';
import { Amount, Day, Field, Pick, Refusal, Time } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';
import { ArcFields } from './ArcFields';
import styles from './CourseForm.module.css';
import { goalOf, Goals, type Teachable } from './Goals';
import { Weekdays } from './Weekdays';
import { WeeksGive } from './WeeksGive';

interface Props {
  readonly cohorts: readonly { readonly id: string; readonly name: string }[];
  readonly teachers: readonly { readonly id: string; readonly name: string }[];
  readonly techniques: readonly Teachable[];
  readonly firstDate: string;
}

/** A course: for whom, when, how long, and where it should arrive. */
export function CourseForm({ cohorts, teachers, techniques, firstDate }: Props) {
  const router = useRouter();
  const initial = {
    name: '',
    cohort: cohorts[0]?.id ?? '',
    firstDate,
    weeks: 6,
    weekdays: [2, 5],
    start: '18:30',
    minutes: 60,
    teacher: teachers[0]?.id ?? '',
    goals: [goalOf(techniques, 'longer-4-6')],
    arc: USUAL_ARC,
  };
  const form = useForm<CourseInput, { id: string }>(courseForm as never, initial, createCourseAction, ({ id }) => router.push(`/courses/${id}`));
  return (
    <div className={styles.beside}>
      <Form form={form} className="stack">
        <div className={`sheet ${styles.grid}`}>
          <Field form={form} name="name" label="Name of the course" published autoFocus />
          <Pick form={form} name="cohort" label="Cohort" options={cohorts.map(({ id, name }) => ({ value: id, label: name }))} />
          <Pick form={form} name="teacher" label="Teacher" options={teachers.map(({ id, name }) => ({ value: id, label: name }))} />
          <Day form={form} name="firstDate" label="First day" />
          <Amount form={form} name="weeks" label="Weeks" />
          <Time form={form} name="start" label="Starts at" />
          <Amount form={form} name="minutes" label="Minutes" step={5} />
          <Weekdays control={form.control} name="weekdays" />
        </div>
        <Goals form={form} techniques={techniques} />
        <ArcFields form={form} />
        <Refusal message={form.refusal} />
        <div className="row">
          <Button type="submit" variant="contained" disabled={form.busy}>
            Make the course
          </Button>
          <Button href="/courses">Leave it</Button>
        </div>
      </Form>
      <WeeksGive control={form.control} />
    </div>
  );
}
