'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { dayText, trimNumber } from '@/core/units';
import { DAY_KINDS } from '@/core/series';
import type { SeriesDayView, SeriesView } from '@/views/series';
import { FORM_LIMITS } from '@/forms/limits';
import { ChoiceField, NumberField, PickField } from '../fields';
import { Refusal } from '../forms/fields';
import styles from './Series.module.css';

/** Changes a day by hand; what is refused is said above the ladders. */
export type ChangeDay = (edit: Readonly<Record<string, unknown>>) => Promise<void>;

const KIND = { own: 'alone at home', gentle: 'gentle', live: 'live, with a teacher' } as const;

interface Props {
  readonly day: SeriesDayView;
  readonly view: SeriesView;
  readonly busy: boolean;
  readonly refusal: string | null;
  readonly onChange: ChangeDay;
  readonly onClose: () => void;
}

/** One day, changed by hand: what it is, what is practised, and where it stands. The guards answer beside it. */
export function DayEdit({ day, view, busy, refusal, onChange, onClose }: Props) {
  const [at, setAt] = useState(String(day.day));
  const elsewhere = Number(at) !== day.day && view.days.some((one) => one.day === Number(at));
  const over = day.did !== null && day.date < view.days[(view.today ?? 1) - 1].date;
  return (
    <section className="stack" aria-label={`Day ${day.day}`}>
      <h2>
        Day {day.day}, {dayText(day.date)}
      </h2>
      {over ? (
        <p className="small">This day is over; what people practised stays as it was.</p>
      ) : (
        <>
          <ChoiceField
            id="day-kind"
            label="It is"
            value={day.kind}
            onChange={(kind) => void onChange({ do: 'kind', day: day.day, kind })}
            options={DAY_KINDS.map((value) => ({ value, label: KIND[value] }))}
          />
          <Practices day={day} view={view} busy={busy} onChange={onChange} onClose={onClose} />
          <Refusal message={refusal} />
          <NumberField id="day-at" label="Stands on day" value={at} onChange={setAt} step={1} least={1} most={view.days.length} />
          <div className="row">
            <Button size="small" disabled={busy || !elsewhere} onClick={() => void onChange({ do: 'move', day: day.day, with: Number(at) })}>
              Move it there
            </Button>
            <Button size="small" disabled={busy || !elsewhere} onClick={() => void onChange({ do: 'swap', day: day.day, with: Number(at) })}>
              Change places
            </Button>
          </div>
          <p className="small soft">Alt ↑ and Alt ↓ move a day. Dragged onto another they change places; onto the rung between two it goes there.</p>
        </>
      )}
      {day.session && (
        <p>
          <a href={`/plans/${day.session}`}>The plan of this live day</a>
        </p>
      )}
    </section>
  );
}

/** What a day has, one after the other, each with its minutes. */
function Practices({ day, view: { techniques }, busy, onChange, onClose }: Omit<Props, 'refusal'>) {
  const was = day.practices.map(({ technique, pattern, minutes }) => ({ technique, pattern, minutes: trimNumber(minutes) }));
  const [practices, setPractices] = useState(was);
  const taught = (technique: string) => techniques.find(({ id }) => id === technique)?.pattern ?? '';
  const set = (index: number, to: Partial<(typeof was)[number]>) =>
    setPractices(practices.map((one, place) => (place === index ? { ...one, ...to } : one)));
  const label = (what: string, index: number) => (practices.length === 1 ? what : `${what}, ${index + 1}`);
  return (
    <>
      {practices.map(({ technique, minutes }, index) => (
        <div key={index} className={styles.practised}>
          <PickField
            id={`day-technique-${index}`}
            label={label('Practised', index)}
            value={technique}
            onChange={(to) => set(index, { technique: to, pattern: taught(to) })}
            options={techniques.map(({ id, name }) => ({ value: id, label: name }))}
          />
          <NumberField
            id={`day-minutes-${index}`}
            label={label('Minutes', index)}
            value={minutes}
            onChange={(to) => set(index, { minutes: to })}
            step={0.5}
          />
          {practices.length > 1 && (
            <Button
              size="small"
              aria-label={`Without practice ${index + 1}`}
              onClick={() => setPractices(practices.filter((_, place) => place !== index))}
            >
              Without it
            </Button>
          )}
        </div>
      ))}
      <div className="row">
        <Button
          variant="contained"
          disabled={busy || JSON.stringify(practices) === JSON.stringify(was)}
          onClick={() =>
            void onChange({
              do: 'practice',
              day: day.day,
              practices: practices.map((one) => ({ ...one, minutes: Number(one.minutes.replace(',', '.')) })),
            })
          }
        >
          Change the day
        </Button>
        <Button onClick={onClose}>Leave it</Button>
        {practices.length < FORM_LIMITS.dayPractices && (
          <Button size="small" onClick={() => setPractices([...practices, { technique: 'natural', pattern: taught('natural'), minutes: '1' }])}>
            And another
          </Button>
        )}
      </div>
    </>
  );
}
