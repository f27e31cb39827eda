'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { Controller, useWatch } from 'react-hook-form';
import { changeCourseAction, compareRequestAction, tryCourseAction } from '@/app/actions/courses';
import { changeCourseForm, type ChangeCourseInput } from '@/forms';
import type { CourseRequest, Outcome, RequestNow } from '@/views/course';
import { ManyField } from '../fields';
import { Clash } from '../forms/Clash';
import { Amount, Day, Field, Pick, Refusal, Time } from '../forms/fields';
import { useForm } from '../forms/useForm';
import { useNotice } from '../look/Notices';
import { ArcFields } from './ArcFields';
import styles from './CourseForm.module.css';
import { Goals, type Teachable } from './Goals';
import { Following } from './Following';
import { OutcomeLines } from './OutcomeLines';
import { Weekdays } from './Weekdays';
import { WeeksGive } from './WeeksGive';
import { Form } from '../forms/Form';

interface Named {
  readonly id: string;
  readonly name: string;
}

interface Props {
  readonly request: CourseRequest;
  readonly choices: { readonly techniques: readonly Teachable[]; readonly cohorts: readonly Named[]; readonly teachers: readonly Named[] };
  /** Whether classes were taught or published: its cohort and first day stay then. */
  readonly begun: boolean;
}

const options = (all: readonly Named[]) => all.map(({ id, name }) => ({ value: id, label: name }));

/** What a course that stands is asked for. What a change would do is shown first; then it is kept or left. */
export function RequestForm({ request, choices, begun }: Props) {
  const router = useRouter();
  const say = useNotice();
  const [theirs, setTheirs] = useState<RequestNow | null>(null);
  const [current, setCurrent] = useState<Outcome | null>(null);
  const keeping = useRef(false);
  const save = async (values: ChangeCourseInput) => {
    const reply = await (keeping.current ? changeCourseAction(values) : tryCourseAction(values));
    const now = !reply.ok && reply.code === 'clash' ? await compareRequestAction(values) : null;
    if (now?.ok) setTheirs(now.value);
    return reply;
  };
  const initial = {
    ...request,
    goals: request.goals.map((goal) => ({ by: null, everyDays: null, stepMinutes: null, ready: null, ...goal })),
    published: 'stay',
    then: 'draft',
  };
  const form = useForm<ChangeCourseInput, Outcome | { id: string }>(changeCourseForm as never, initial as never, save, (value) => {
    if ('id' in value) {
      say('Kept.');
      return router.push(`/courses/${value.id}`);
    }
    setCurrent(value);
  });
  // What is shown is of what was typed then; anything typed since is looked at first.
  const { subscribe } = form;
  useEffect(() => subscribe({ formState: { values: true }, callback: () => setCurrent(null) }), [subscribe]);
  const values = useWatch({ control: form.control });
  const send = (keep: boolean) => {
    keeping.current = keep;
    return form.send();
  };
  const settle = ({ request: now }: RequestNow, mine: boolean) => {
    setTheirs(null);
    if (!mine) return form.reset({ ...initial, ...now } as never);
    form.setValue('version', now.version);
    form.setValue('seen', now.seen);
    void send(keeping.current);
  };
  const choose = (name: 'then' | 'published', value: string) => {
    form.setValue(name, value as never);
    void send(false);
  };
  return (
    <div className={styles.beside}>
      <Form
        form={{
          send: (event) => {
            event?.preventDefault();
            void send(current !== null);
          },
        }}
        className="stack"
      >
        <div className={`sheet ${styles.grid}`}>
          <Field form={form} name="name" label="Name of the course" published autoFocus />
          <Pick
            form={form}
            name="cohort"
            label="Cohort"
            options={options(choices.cohorts)}
            disabled={begun}
            helperText={begun ? 'Taught to them already; copy the course for others.' : undefined}
          />
          <Pick form={form} name="teacher" label="Teacher" options={options(choices.teachers)} />
          <Day form={form} name="firstDate" label="First day" disabled={begun} />
          <Amount form={form} name="weeks" label="Weeks" />
          <Time form={form} name="start" label="Starts at" />
          <Amount form={form} name="minutes" label="Minutes" step={5} />
          <Weekdays control={form.control} name="weekdays" />
          <div className={styles.wide}>
            <Controller
              control={form.control}
              name="already"
              render={({ field, fieldState }) => (
                <ManyField
                  id="already"
                  label="The cohort practises already, with all below it"
                  value={field.value ?? []}
                  onChange={field.onChange}
                  onBlur={field.onBlur}
                  options={options(choices.techniques)}
                  error={Boolean(fieldState.error)}
                  helperText={fieldState.error?.message}
                />
              )}
            />
          </div>
          <div className={styles.wide}>
            <Controller
              control={form.control}
              name="settled"
              render={({ field }) => (
                <FormControlLabel
                  label="A settled group: connected breath may be taught"
                  control={<Checkbox checked={Boolean(field.value)} onChange={(_, on) => field.onChange(on)} />}
                />
              )}
            />
          </div>
        </div>
        <Goals form={form} techniques={choices.techniques} />
        <ArcFields form={form} />
        {theirs ? (
          <Clash differs={theirs.differs} onTheirs={() => settle(theirs, false)} onMine={() => settle(theirs, true)} />
        ) : (
          <>
            <Refusal message={form.refusal} />
            {current && (
              <section className="sheet stack" aria-label="What it changes">
                <h2>What it changes</h2>
                <RadioGroup row value={values.then} onChange={(_, value) => choose('then', value)} aria-label="Planned classes">
                  <FormControlLabel value="draft" control={<Radio />} label="Open classes are drafted anew" disabled={form.busy} />
                  <FormControlLabel value="keep" control={<Radio />} label="They keep what is planned" disabled={form.busy} />
                </RadioGroup>
                <Following
                  days={current.published}
                  value={values.published ?? 'stay'}
                  onChange={(value) => choose('published', value)}
                  disabled={form.busy}
                />
                <OutcomeLines outcome={current} />
              </section>
            )}
            <div className="row">
              {current ? (
                <Button type="submit" variant="contained" disabled={form.busy}>
                  Keep the change
                </Button>
              ) : (
                <Button type="submit" variant="contained" disabled={form.busy}>
                  {form.busy ? 'Working it out' : 'See what it changes'}
                </Button>
              )}
              <Button href={`/courses/${request.course}`}>Leave it</Button>
            </div>
          </>
        )}
      </Form>
      <WeeksGive control={form.control} course={request.course} />
    </div>
  );
}
