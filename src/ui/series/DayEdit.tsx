'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { dayText, trimNumber } from '@/core/units';
import { DAY_KINDS } from '@/core/series';
import type { SeriesDayView, SeriesView } from '@/views/series';
import { ChoiceField, NumberField, PickField } from '../fields';

/** Changes a day by hand; what is refused is said above the ladders. */
export type ChangeDay = (edit: Readonly<Record<string, unknown>>) => Promise<void>;

const KIND = { own: 'alone at home', gentle: 'gentle', live: 'live, with a teacher' } as const;

interface Props {
  readonly day: SeriesDayView;
  readonly view: SeriesView;
  readonly busy: boolean;
  readonly onChange: ChangeDay;
  readonly onClose: () => void;
}

/** One day, changed by hand: what it is, what is practised, and where it stands. The guards answer beside it. */
export function DayEdit({ day, view, busy, onChange, onClose }: Props) {
  const [first] = day.practices;
  const [technique, setTechnique] = useState(first?.technique ?? '');
  const [minutes, setMinutes] = useState(trimNumber(day.minutes));
  const pattern = technique === first?.technique ? first.pattern : (view.techniques.find(({ id }) => id === technique)?.pattern ?? '');
  const changed = technique !== first?.technique || Number(minutes) !== day.minutes;
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
          <PickField
            id="day-technique"
            label="Practised"
            value={technique}
            onChange={setTechnique}
            options={view.techniques.map(({ id, name }) => ({ value: id, label: name }))}
          />
          <NumberField id="day-minutes" label="Minutes" value={minutes} onChange={setMinutes} step={0.5} />
          <div className="row">
            <Button
              variant="contained"
              disabled={busy || !changed}
              onClick={() => void onChange({ do: 'practice', day: day.day, technique, pattern, minutes: Number(minutes) })}
            >
              Change the day
            </Button>
            <Button onClick={onClose}>Leave it</Button>
          </div>
          <p className="small soft">Alt ↑ and Alt ↓ move a day; dragged onto another, they change places.</p>
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
