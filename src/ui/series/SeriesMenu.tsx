'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { lengthenSeriesAction, pauseSeriesAction, removeSeriesAction, stopSeriesAction } from '@/app/actions/series';
import { SERIES_LIMITS } from '@/core/series';
import type { SeriesView } from '@/views/series';
import { DayField } from '../fields';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { More, type MoreItem } from '../shell/More';
import styles from './Series.module.css';

export type Wish = 'pause' | 'stop' | 'longer' | 'remove';

/** What becomes of a series as a whole. */
export function SeriesMenu({ view, onWish }: { view: SeriesView; onWish: (wish: Wish) => void }) {
  return (
    <div className="actions">
      <More items={moreOf(view, onWish)} />
      {view.state === 'finished' ? (
        <Button href={`/series/${view.id}/copy`}>Copy it</Button>
      ) : (
        <Button href={`/series/${view.id}/ask`}>Change what is asked</Button>
      )}
    </div>
  );
}

interface WishProps {
  readonly wish: Wish;
  readonly view: SeriesView;
  readonly onDone: () => void;
}

/** More days, a pause, an early end. */
export function SeriesWish({ wish, view, onDone }: WishProps) {
  const [from, setFrom] = useState('');
  const [until, setUntil] = useState('');
  const [keepWeekdays, setKeepWeekdays] = useState(view.days.some(({ kind }) => kind === 'live'));
  const router = useRouter();
  const { run, busy, refusal, refresh } = useAction();
  const seen = { series: view.id, version: view.version };
  const then = async (work: Parameters<typeof run>[0]) => {
    if (!(await run(work))?.ok) return;
    onDone();
    refresh();
  };
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
          <div className={styles.dates}>
            <DayField id="pause-from" label="First day of the pause" value={from} onChange={setFrom} />
            <DayField id="pause-until" label="Last day of the pause" value={until} onChange={setUntil} />
          </div>
          {view.days.some(({ kind, day }) => kind === 'live' && day > view.begun) && (
            <FormControlLabel
              label="Live days stay on their weekdays: unless the pause is of whole weeks, what follows is drafted anew"
              control={<Checkbox checked={keepWeekdays} onChange={({ target }) => setKeepWeekdays(target.checked)} />}
            />
          )}
          <div className="row">
            <Button variant="contained" disabled={busy} onClick={() => void then(() => pauseSeriesAction({ ...seen, from, until, keepWeekdays }))}>
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
