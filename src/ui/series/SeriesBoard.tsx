'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import { changeDayAction, draftSeriesAgainAction, endPauseAction, undoSeriesAction } from '@/app/actions/series';
import { dayText } from '@/core/units';
import type { SeriesView } from '@/views/series';
import { Mends } from '../courses/Mends';
import { Refusal } from '../forms/fields';
import type { Reply } from '../forms/reply';
import { useAction } from '../forms/useAction';
import { Plank } from '../shell/Plank';
import { DayEdit, type ChangeDay } from './DayEdit';
import { Going } from './Going';
import { Ladders } from './Ladders';
import { MinutesChart } from './MinutesChart';
import { People } from './People';
import styles from './Series.module.css';
import { SeriesChecks } from './SeriesChecks';
import { SeriesMenu, SeriesWish, type Wish } from './SeriesMenu';

const RULE = {
  'go on': 'Never doubled up. Whoever misses a day goes on with the series; nothing comes that they are not ready for.',
  repeat: 'Never doubled up. Whoever misses a day has it the next day, and goes on from there.',
  'step back': 'Never doubled up. One missed: go on. Two or more: one step back, the easier version first.',
} as const;

/** A series as ladders of days, what stands against it, and how it goes. */
export function SeriesBoard({ view }: { view: SeriesView }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [wish, setWish] = useState<Wish | null>(null);
  const { run, busy, refusal, refresh } = useAction();
  const seen = { series: view.id, version: view.version };
  // Where somebody else was first, the page shows what they did: what was meant is pressed once more.
  const send = async (work: () => Promise<Reply<unknown>>) => {
    await run(work);
    refresh();
  };
  const change: ChangeDay = (edit) => send(() => changeDayAction({ ...seen, ...edit }));
  // What is chosen goes along when it changes places, and so does what is typed about it.
  const day = view.days.find(({ id }) => id === chosen) ?? null;
  return (
    <>
      <div className="head">
        <div>
          <h1>{view.name}</h1>
          <p className="soft">
            {view.days.length} days, {dayText(view.firstDate)} – {dayText(view.lastDate)} · every day at {view.start} ·{' '}
            <Link href={`/cohorts/${view.cohort.id}`}>{view.cohort.name}</Link>, {view.people.filter(({ left }) => !left).length} taking part · led by{' '}
            {view.teacher.name}
          </p>
        </div>
        {view.mayEdit && wish === null && <SeriesMenu view={view} onWish={setWish} />}
      </div>
      {wish !== null && <SeriesWish wish={wish} view={view} onDone={() => setWish(null)} />}
      <Lead view={view} />
      {view.pauses.map(({ from, until }) => (
        <p key={from} className="row" style={{ marginBottom: 10 }}>
          A pause: {from === until ? dayText(from) : `${dayText(from)} – ${dayText(until)}`}.
          {view.mayEdit && (
            <Button size="small" disabled={busy} onClick={() => void send(() => endPauseAction({ ...seen, from }))}>
              End the pause
            </Button>
          )}
        </p>
      ))}
      <Unreached view={view} busy={busy} onMend={(technique, mend) => void send(() => draftSeriesAgainAction({ ...seen, technique, mend }))} />
      {day === null && <Refusal message={refusal} />}
      {view.undo && (
        <p style={{ marginBottom: 10 }}>
          <Button size="small" disabled={busy} onClick={() => void send(() => undoSeriesAction(seen))}>
            {view.undo.back ? 'Do again' : 'Take back'}: {view.undo.what}
          </Button>
        </p>
      )}
      <div className="two" aria-busy={busy}>
        <div className="stack">
          <Ladders view={view} chosen={chosen} busy={busy} onChoose={setChosen} onChange={change} />
          {(view.people.length > 0 || view.joining) && <People view={view} />}
        </div>
        <Plank>
          {day && view.mayEdit && (
            <DayEdit
              key={`${day.id} ${day.day} ${day.kind} ${day.practices.map(({ name, minutes }) => `${name} ${minutes}`).join()}`}
              day={day}
              view={view}
              busy={busy}
              refusal={refusal}
              onChange={change}
              onClose={() => setChosen(null)}
            />
          )}
          {view.going && <Going view={view} going={view.going} />}
          {view.going && <SeriesChecks checks={view.checks} />}
          <section>
            <h2>A missed day</h2>
            <p className="small">{RULE[view.missed]}</p>
          </section>
          <section>
            <h2>Day by day</h2>
            <MinutesChart days={view.days} />
          </section>
          {view.mayEdit && view.state !== 'finished' && view.begun < view.days.length && (
            <Button onClick={() => void send(() => draftSeriesAgainAction(seen))} disabled={busy}>
              {view.begun === 0 ? 'Draft the days again' : `Draft the days from day ${view.begun + 1} again`}
            </Button>
          )}
        </Plank>
      </div>
    </>
  );
}

/** What was asked for and does not come, and what would let it, each a button. */
function Unreached({
  view: { unreached, mayEdit },
  busy,
  onMend,
}: {
  view: SeriesView;
  busy: boolean;
  onMend: (technique: string, mend: number) => void;
}) {
  if (unreached.length === 0) return null;
  return (
    <div className={`note stack ${styles.unreached}`}>
      {unreached.map(({ technique, text, mends }) => (
        <div key={technique}>
          <p>{text}</p>
          {mayEdit && mends.length > 0 && (
            <Mends label={`What would do: ${text}`} mends={mends} busy={busy} onMend={({ at }) => onMend(technique, at)} />
          )}
        </div>
      ))}
    </div>
  );
}

function Lead({ view: { going, state, today, days, people } }: { view: SeriesView }) {
  const here = people.filter(({ left }) => !left).length;
  if (state === 'planning') return <p className="lead">It has not begun. Its days are drafted; each can be changed.</p>;
  if (state === 'finished') return <p className="lead">It is over.</p>;
  return (
    <p className="lead">
      {today === null
        ? 'There is a pause today. '
        : `Today is day ${today} of ${days.length}${going?.today !== null && going ? `; ${going.today} of ${here} did it` : ''}. `}
      {going?.finish && (
        <>
          <strong>
            <span className="num">{Math.round(going.finish.expected)}</span> of {here} will finish
          </strong>
          {going.finish.low < going.finish.high && (
            <>
              , between <span className="num">{going.finish.low}</span> and <span className="num">{going.finish.high}</span>
            </>
          )}
          .{' '}
        </>
      )}
      {going && going.drifting.length > 0 && (
        <strong>{going.drifting.length === 1 ? 'One is drifting off.' : `${going.drifting.length} are drifting off.`}</strong>
      )}
    </p>
  );
}
