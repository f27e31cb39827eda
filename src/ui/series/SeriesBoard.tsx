'use client';

import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import { changeDayAction, draftSeriesAgainAction } from '@/app/actions/series';
import { weekOfDay } from '@/core/series';
import { dayText } from '@/core/units';
import type { SeriesDayView, SeriesView } from '@/views/series';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { Fold } from '../shell/Fold';
import { Plank } from '../shell/Plank';
import { DayEdit, type ChangeDay } from './DayEdit';
import { Going } from './Going';
import { MinutesChart } from './MinutesChart';
import { People } from './People';
import styles from './Series.module.css';
import { SeriesMenu } from './SeriesMenu';

const RULE = {
  'go on': 'Never doubled up. Whoever misses a day goes on with the series; nothing comes that they are not ready for.',
  repeat: 'Never doubled up. Whoever misses a day has it the next day, and goes on from there.',
  'step back': 'Never doubled up. One missed: go on. Two or more: one step back, the easier version first.',
} as const;

/** A series as ladders of days: weeks side by side, day 1 at the foot, a rung a day. */
export function SeriesBoard({ view }: { view: SeriesView }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const { run, busy, refusal, refresh } = useAction();
  const change: ChangeDay = async (edit) => {
    const reply = await run(() => changeDayAction({ series: view.id, version: view.version, ...edit }));
    if (reply?.ok) refresh();
  };
  // What is chosen goes along when it changes places, and so does what is typed about it.
  const day = view.days.find(({ id }) => id === chosen) ?? null;
  const weeks = Array.from({ length: weekOfDay(view.days.length) }, (_, week) => view.days.slice(week * 7, week * 7 + 7));
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const dropped = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) void change({ do: 'swap', day: Number(active.id), with: Number(over.id) });
  };
  return (
    <>
      <div className="head">
        <div>
          <h1>{view.name}</h1>
          <p className="soft">
            {view.days.length} days, {dayText(view.firstDate)} – {dayText(view.lastDate)} · every day at {view.start} ·{' '}
            <Link href={`/cohorts/${view.cohort.id}`}>{view.cohort.name}</Link>, {view.people.filter(({ left }) => !left).length} taking part · led by{' '}
            {view.teacher}
          </p>
        </div>
        {view.mayEdit && <SeriesMenu view={view} />}
      </div>
      <Lead view={view} />
      {view.unreached.length > 0 && (
        <div className="note stack">
          {view.unreached.map(({ text, mends }) => (
            <p key={text}>
              {text}
              {mends.length > 0 && ` It would with: ${mends.slice(0, 4).join('; or ')}.`}
            </p>
          ))}
        </div>
      )}
      <Refusal message={refusal} />
      <div className="two">
        <div className="stack">
          <DndContext sensors={sensors} onDragEnd={dropped}>
            <div className={styles.ladders} style={{ '--weeks': Math.min(3, weeks.length) } as React.CSSProperties}>
              {weeks.map((days, week) => (
                <section key={week} aria-label={`Week ${week + 1}`}>
                  <h2 className={styles.week}>
                    Week {week + 1}
                    {view.themes[week] && <span className="soft small"> {view.themes[week]}</span>}
                  </h2>
                  <ol className={styles.ladder} reversed start={days[days.length - 1].day}>
                    {[...days].reverse().map((one) => (
                      <Rung
                        key={one.day}
                        day={one}
                        today={view.today === one.day}
                        chosen={chosen === one.id}
                        editable={view.mayEdit && !busy}
                        onChoose={() => setChosen(chosen === one.id ? null : one.id)}
                        onMove={(by) => {
                          const to = one.day + by;
                          if (to < 1 || to > view.days.length) return;
                          void change({ do: 'swap', day: one.day, with: to });
                          setChosen(one.id);
                        }}
                      />
                    ))}
                  </ol>
                </section>
              ))}
            </div>
          </DndContext>
          {view.people.length > 0 && <People view={view} />}
        </div>
        <Plank>
          {day && view.mayEdit && (
            <DayEdit
              key={`${day.id} ${day.kind} ${day.practices.map(({ name, minutes }) => `${name} ${minutes}`).join()}`}
              day={day}
              view={view}
              busy={busy}
              onChange={change}
              onClose={() => setChosen(null)}
            />
          )}
          {view.going && <Going view={view} going={view.going} />}
          <ChecksOf view={view} />
          <section>
            <h2>A missed day</h2>
            <p className="small">{RULE[view.missed]}</p>
          </section>
          <section>
            <h2>Day by day</h2>
            <MinutesChart days={view.days} />
          </section>
          {view.mayEdit && view.state === 'planning' && <DraftAgain view={view} />}
        </Plank>
      </div>
    </>
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

interface RungProps {
  readonly day: SeriesDayView;
  readonly today: boolean;
  readonly chosen: boolean;
  readonly editable: boolean;
  readonly onChoose: () => void;
  readonly onMove: (by: 1 | -1) => void;
}

/** One day: what is practised, how long, how many did it. Dragged onto another it changes places; by keyboard, with Alt and an arrow. */
function Rung({ day, today, chosen, editable, onChoose, onMove }: RungProps) {
  const { setNodeRef: draggable, listeners, transform, isDragging } = useDraggable({ id: day.day, disabled: !editable });
  const { setNodeRef: droppable, isOver } = useDroppable({ id: day.day });
  const press = (event: React.KeyboardEvent) => {
    const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : null;
    if (by === null || !event.altKey || !editable) return;
    event.preventDefault();
    onMove(by);
  };
  return (
    <li
      ref={droppable}
      className={styles.rung}
      data-kind={day.kind}
      data-today={today ? '' : undefined}
      data-ahead={day.did === null ? '' : undefined}
      data-over={isOver && !isDragging ? '' : undefined}
    >
      <button
        ref={draggable}
        type="button"
        className={styles.day}
        aria-pressed={chosen}
        onClick={onChoose}
        onKeyDown={press}
        {...listeners}
        style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      >
        <strong>{day.practices.map(({ name }) => name).join(', ')}</strong>
        <span>
          day {day.day} · {day.minutes} min{day.kind === 'own' ? '' : ` · ${day.kind}`}
          {day.did !== null && (
            <span className={styles.did}>
              <b className="num">{day.did}</b> of {day.of}
            </span>
          )}
          {day.wrong > 0 && <span className={styles.wrong}>{day.wrong === 1 ? 'one thing' : `${day.wrong} things`}</span>}
        </span>
      </button>
    </li>
  );
}

function ChecksOf({ view: { checks } }: { view: SeriesView }) {
  const wrong = checks.filter(({ severity }) => severity !== 'know');
  const known = new Map<string, number[]>();
  for (const { text, day, severity } of checks) if (severity === 'know') known.set(text, [...(known.get(text) ?? []), day]);
  return (
    <section>
      <h2>Checks</h2>
      {wrong.length === 0 && <p className="small">Nothing is out of order.</p>}
      <ul className="plain small">
        {wrong.map(({ day, text }) => (
          <li key={`${day} ${text}`}>
            <strong>Day {day}.</strong> {text}
          </li>
        ))}
      </ul>
      {known.size > 0 && (
        <Fold plain title={known.size === 1 ? 'One thing to know' : `${known.size} things to know`}>
          <ul className="plain small">
            {[...known].map(([text, days]) => (
              <li key={text}>
                {text} <span className="soft">{days.length === 1 ? `Day ${days[0]}.` : `${days.length} days.`}</span>
              </li>
            ))}
          </ul>
        </Fold>
      )}
    </section>
  );
}

function DraftAgain({ view }: { view: SeriesView }) {
  const { run, busy, refusal, refresh } = useAction();
  const again = async () => {
    const reply = await run(() => draftSeriesAgainAction({ series: view.id, version: view.version }));
    if (reply?.ok) refresh();
  };
  return (
    <section className="stack">
      <Button onClick={again} disabled={busy}>
        Draft the days again
      </Button>
      <Refusal message={refusal} />
    </section>
  );
}
