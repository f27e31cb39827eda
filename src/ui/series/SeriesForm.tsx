'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { Controller, useFieldArray, useWatch, type UseFormReturn } from 'react-hook-form';
import { askSeriesAction, createSeriesAction } from '@/app/actions/series';
import { MISSED_RULES, minutesShort, SERIES_LIMITS, weekOfDay } from '@/core/series';
import { seriesAskForm, seriesForm, type SeriesInput } from '@/forms';
import type { SeriesView } from '@/views/series';
import { ManyField } from '../fields';
import { Amount, Choice, Day, Field, Pick, Refusal, Time } from '../forms/fields';
import { Form } from '../forms/Form';
import { useForm } from '../forms/useForm';
import course from '../courses/CourseForm.module.css';
import { Weekdays } from '../courses/Weekdays';
import styles from './Series.module.css';

interface Named {
  readonly id: string;
  readonly name: string;
}
interface Props {
  readonly cohorts: readonly Named[];
  readonly teachers: readonly Named[];
  readonly techniques: readonly Named[];
  readonly firstDate: string;
  /** The series that is asked anew, as it stands; left out for a new one. */
  readonly of?: SeriesView & { readonly asked: NonNullable<SeriesView['asked']> };
}

const options = (all: readonly Named[]) => all.map(({ id, name }) => ({ value: id, label: name }));
/** What follows from a missed day, as choices. */
export const RULE = { 'go on': 'go on', repeat: 'repeat it', 'step back': 'step back after two' } as const;

/** A series: for whom, from when, how long a day grows, and what each week is about. Of one that has begun, what is ahead can be asked anew. */
export function SeriesForm({ cohorts, teachers, techniques, firstDate, of }: Props) {
  const router = useRouter();
  const initial = {
    name: '',
    cohort: cohorts[0]?.id ?? '',
    teacher: teachers[0]?.id ?? '',
    firstDate,
    length: 21,
    start: '06:30',
    from: 1,
    to: 6,
    gentleEvery: SERIES_LIMITS.gentleEvery,
    live: [] as number[],
    liveMinutes: 30,
    missed: 'step back' as const,
    themes: THEMES.map((techniques_) => ({ techniques: [...techniques_], pairs: false })),
    ...(of && {
      series: of.id,
      version: of.version,
      name: of.name,
      cohort: of.cohort.id,
      teacher: of.teacher.id,
      firstDate: of.firstDate,
      start: of.start,
      missed: of.missed,
      ...of.asked,
    }),
  };
  // Weeks beyond its days keep what was chosen for them, should it become longer again; they are not sent.
  const send = (asked: SeriesInput) =>
    (of ? askSeriesAction : createSeriesAction)({ ...asked, themes: asked.themes.slice(0, weekOfDay(asked.length)) });
  const form = useForm<SeriesInput, { readonly id: string } | { readonly version: number }>(
    (of ? seriesAskForm : seriesForm) as never,
    initial as never,
    send,
    (done) => router.push(`/series/${'id' in done ? done.id : of?.id}`),
  );
  const begun = of?.begun ?? 0;
  const hasLive = of?.days.some(({ kind }) => kind === 'live') ?? false;
  return (
    <Form form={form} className="stack" style={{ maxWidth: 900 }}>
      <div className={`sheet ${course.grid}`}>
        <Field form={form} name="name" label="Name of the series" published autoFocus />
        {!of && <Pick form={form} name="cohort" label="For" options={options(cohorts)} />}
        <Pick form={form} name="teacher" label="Led by" options={options(teachers)} />
        {begun === 0 && <Day form={form} name="firstDate" label="First day" />}
        <Choice
          form={form}
          name="length"
          label="Days"
          options={SERIES_LIMITS.lengths
            .filter((days) => days > begun || days === of?.days.length)
            .map((days) => ({ value: String(days), label: `${days} days` }))}
        />
        <Time form={form} name="start" label="Every day at" />
        <Choice form={form} name="missed" label="A missed day" options={MISSED_RULES.map((value) => ({ value, label: RULE[value] }))} />
        {begun === 0 && <Amount form={form} name="from" label="Minutes on day 1" least={1} />}
        <Amount form={form} name="to" label="Minutes at last" least={1} />
        <Amount form={form} name="gentleEvery" label="Gentle every … days" least={0} />
        {!hasLive && <Amount form={form} name="liveMinutes" label="Minutes of a live day" step={5} />}
        <Weekdays control={form.control} name="live" legend="Live days, with a teacher" />
      </div>
      <Arithmetic form={form} stay={of?.days.slice(0, begun).map(({ minutes }) => minutes) ?? []} />
      <Themes form={form} techniques={techniques} />
      <Refusal message={form.refusal} />
      <div className="row">
        <Button type="submit" variant="contained" disabled={form.busy}>
          {of ? 'Change it' : 'Draft the days'}
        </Button>
        <Button href={of ? `/series/${of.id}` : '/series'}>Leave it</Button>
      </div>
    </Form>
  );
}

/** What the first weeks are about until somebody says otherwise. */
const THEMES = [['equal-4-4'], ['longer-4-5'], ['alternate-4-4']] as const;

/** The arithmetic of a daily dose, as it is typed: where it gets to, and what would mend it. */
function Arithmetic({ form, stay }: { form: UseFormReturn<SeriesInput>; stay: readonly number[] }) {
  const [length, from, to, gentleEvery] = useWatch({ control: form.control, name: ['length', 'from', 'to', 'gentleEvery'] }).map(Number);
  if (![length, from, to, gentleEvery].every(Number.isFinite)) return null;
  const short = minutesShort({ length, from, to, gentleEvery }, stay);
  if (!short) return null;
  return (
    <div className="note stack">
      <p>
        A minute more every three days at most: {stay.length > 0 ? 'as it stands' : 'from '}
        {stay.length === 0 && <span className="num">{from}</span>} that is <span className="num">{short.reached}</span> minutes after {length} days,
        not <span className="num">{to}</span>.
      </p>
      <div className="row">
        {short.mends.map((mend) => (
          <Button
            key={mend.mend}
            onClick={() => {
              if (mend.mend === 'arrive') form.setValue('to', mend.minutes, { shouldValidate: true });
              if (mend.mend === 'start') form.setValue('from', mend.minutes, { shouldValidate: true });
              if (mend.mend === 'longer') form.setValue('length', mend.days, { shouldValidate: true });
            }}
          >
            {mend.mend === 'arrive' ? `Arrive at ${mend.minutes}` : mend.mend === 'start' ? `Start at ${mend.minutes}` : `${mend.days} days`}
          </Button>
        ))}
      </div>
    </div>
  );
}

function Themes({ form, techniques }: { form: UseFormReturn<SeriesInput>; techniques: readonly Named[] }) {
  const themes = useFieldArray({ control: form.control, name: 'themes' });
  const length = Number(useWatch({ control: form.control, name: 'length' }));
  const weeks = weekOfDay(length || 7);
  const { append, fields } = themes;
  useEffect(() => {
    if (fields.length < weeks)
      append(
        Array.from({ length: weeks - fields.length }, () => ({ techniques: [], pairs: false })),
        { shouldFocus: false },
      );
  }, [weeks, fields.length, append]);
  const problem = form.formState.errors.themes;
  return (
    <section className="sheet stack">
      <h2>What each week is about</h2>
      <p className="soft">What it needs first comes by itself. Something waits for its week; what was learned comes back in the later ones.</p>
      {fields.slice(0, weeks).map((field, week) => (
        <div key={field.id} className={styles.theme}>
          <strong>Week {week + 1}</strong>
          <Controller
            control={form.control}
            name={`themes.${week}.techniques`}
            render={({ field: own, fieldState }) => (
              <ManyField
                id={`theme-${week}`}
                label={`Techniques of week ${week + 1}`}
                hideLabel
                value={own.value as string[]}
                onChange={own.onChange}
                onBlur={own.onBlur}
                options={options(techniques)}
                error={Boolean(fieldState.error)}
                helperText={fieldState.error?.message}
              />
            )}
          />
          <Controller
            control={form.control}
            name={`themes.${week}.pairs`}
            render={({ field: own }) => (
              <FormControlLabel label="in pairs, to the grid" control={<Checkbox checked={Boolean(own.value)} onChange={own.onChange} />} />
            )}
          />
        </div>
      ))}
      {problem?.message || problem?.root?.message ? <p className="error">{problem.message ?? problem.root?.message}</p> : null}
    </section>
  );
}
