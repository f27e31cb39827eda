'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { changeSeriesFactsAction, lengthenSeriesAction, pauseSeriesAction, removeSeriesAction, stopSeriesAction } from '@/app/actions/series';
import { MISSED_RULES, SERIES_LIMITS } from '@/core/series';
import { seriesFactsForm, type SeriesFactsInput } from '@/forms';
import type { SeriesView } from '@/views/series';
import { DayField } from '../fields';
import { Choice, Field, Pick, Refusal, Time } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { useForm } from '../forms/useForm';
import { More, type MoreItem } from '../shell/More';
import course from '../courses/CourseForm.module.css';
import styles from './Series.module.css';
import { RULE } from './SeriesForm';

interface Named {
  readonly id: string;
  readonly name: string;
}

export type Wish = 'facts' | 'pause' | 'stop' | 'longer' | 'remove';

/** What becomes of a series as a whole. */
export function SeriesMenu({ view, onWish }: { view: SeriesView; onWish: (wish: Wish) => void }) {
  return (
    <div className="actions">
      <More items={moreOf(view, onWish)} />
      {view.state === 'finished' ? (
        <Button href={`/series/${view.id}/copy`}>Copy it</Button>
      ) : view.asked ? (
        <Button href={`/series/${view.id}/ask`}>Change what is asked</Button>
      ) : (
        <Button onClick={() => onWish('facts')}>Change what is asked</Button>
      )}
    </div>
  );
}

interface WishProps {
  readonly wish: Wish;
  readonly view: SeriesView;
  readonly teachers: readonly Named[];
  readonly onDone: () => void;
}

/** Another hour or leader, more days, a pause, an early end. */
export function SeriesWish({ wish, view, teachers, onDone }: WishProps) {
  const [from, setFrom] = useState('');
  const [until, setUntil] = useState('');
  const router = useRouter();
  const { run, busy, refusal, refresh } = useAction();
  const seen = { series: view.id, version: view.version };
  const then = async (work: Parameters<typeof run>[0]) => {
    if (!(await run(work))?.ok) return;
    onDone();
    refresh();
  };
  if (wish === 'facts') return <Facts view={view} teachers={teachers} onDone={onDone} />;
  return (
    <section className={`note stack ${styles.unreached}`}>
      {wish === 'longer' && (
        <>
          <p>What it has stays, and what follows is drafted on.</p>
          <div className="row">
            {longerThan(view).map((length) => (
              <Button key={length} variant="contained" disabled={busy} onClick={() => void then(() => lengthenSeriesAction({ ...seen, length }))}>
                {length} days
              </Button>
            ))}
            <Button onClick={onDone}>Leave it</Button>
          </div>
        </>
      )}
      {wish === 'pause' && (
        <>
          <p>Nobody practises on these days, and nothing is missed: what follows comes so much later.</p>
          <div className={course.grid}>
            <DayField id="pause-from" label="First day of the pause" value={from} onChange={setFrom} />
            <DayField id="pause-until" label="Last day of the pause" value={until} onChange={setUntil} />
          </div>
          <div className="row">
            <Button variant="contained" disabled={busy} onClick={() => void then(() => pauseSeriesAction({ ...seen, from, until }))}>
              Pause it
            </Button>
            <Button onClick={onDone}>Leave it</Button>
          </div>
        </>
      )}
      {wish === 'stop' && (
        <>
          <p>Nothing is sent from today on, and its live days fall out; what people did stays.</p>
          <div className="row">
            <Button variant="contained" disabled={busy} onClick={() => void then(() => stopSeriesAction(seen))}>
              Stop it today
            </Button>
            <Button onClick={onDone}>Leave it</Button>
          </div>
        </>
      )}
      {wish === 'remove' && (
        <>
          <p>It goes with its live days; nobody has practised yet.</p>
          <div className="row">
            <Button
              variant="contained"
              disabled={busy}
              onClick={async () => {
                if ((await run(() => removeSeriesAction(seen)))?.ok) router.push('/series');
              }}
            >
              Remove it
            </Button>
            <Button onClick={onDone}>Leave it</Button>
          </div>
        </>
      )}
      <Refusal message={refusal} />
    </section>
  );
}

const longerThan = ({ days }: SeriesView) => SERIES_LIMITS.lengths.filter((length) => length > days.length);

function moreOf(view: SeriesView, onWish: (wish: Wish) => void): MoreItem[] {
  const { id, state } = view;
  return [
    { label: 'Copy to another cohort or date', href: `/series/${id}/copy` },
    { label: 'Take it to another studio', href: `/api/export/series/${id}`, download: true },
    ...(state === 'finished' || longerThan(view).length === 0 ? [] : [{ label: 'Make it longer', onChoose: () => onWish('longer') }]),
    ...(state === 'finished' ? [] : [{ label: 'Pause it', onChoose: () => onWish('pause') }]),
    ...(state === 'running' ? [{ label: 'Stop it early', onChoose: () => onWish('stop') }] : []),
    ...(state === 'planning' ? [{ label: 'Remove it', onChoose: () => onWish('remove') }] : []),
  ];
}

/** What a series is called, who leads it, its hour, and its rule for a missed day. */
function Facts({ view, teachers, onDone }: { view: SeriesView; teachers: readonly Named[]; onDone: () => void }) {
  const initial = { series: view.id, version: view.version, name: view.name, teacher: view.teacher.id, start: view.start, missed: view.missed };
  const form = useForm<SeriesFactsInput, unknown>(seriesFactsForm as never, initial as never, changeSeriesFactsAction, (_, __, refresh) => {
    onDone();
    refresh();
  });
  return (
    <form onSubmit={form.send} noValidate className={`sheet stack ${styles.unreached}`} aria-label="What is asked">
      <div className={course.grid}>
        <Field form={form} name="name" label="Name of the series" published autoFocus />
        <Pick form={form} name="teacher" label="Led by" options={teachers.map(({ id, name }) => ({ value: id, label: name }))} />
        <Time form={form} name="start" label="Every day at" />
        <Choice form={form} name="missed" label="A missed day" options={MISSED_RULES.map((value) => ({ value, label: RULE[value] }))} />
      </div>
      <Refusal message={form.refusal} />
      <div className="row">
        <Button type="submit" variant="contained" disabled={form.busy}>
          Change it
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </form>
  );
}
