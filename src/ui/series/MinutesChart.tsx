'use client';

import { useState } from 'react';
import { Bar, BarChart, Cell, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { SeriesDayView } from '@/views/series';
import { ChoiceField } from '../fields';
import { Fold } from '../shell/Fold';

const FIGURES = {
  minutes: { label: 'minutes a day', note: 'At most one minute more in three days.' },
  counts: { label: 'counts of a breath', note: 'Days of natural breathing have none.' },
  kept: { label: '% who did it', note: 'Of those who could, day by day.' },
} as const;
type Figure = keyof typeof FIGURES;

/** Minutes, counts, or who kept it up, day by day, days that are over filled. The same figures stand below as a table. */
export function MinutesChart({ days }: { days: readonly SeriesDayView[] }) {
  const [figure, setFigure] = useState<Figure>('minutes');
  const data = days.map(({ day, minutes, counts, did, of }) => ({
    day,
    minutes,
    counts,
    kept: did === null || of === 0 ? null : Math.round((100 * did) / of),
  }));
  return (
    <>
      <ChoiceField
        id="series-figure"
        label="Figure"
        hideLabel
        value={figure}
        onChange={(value) => setFigure(value as Figure)}
        options={Object.entries(FIGURES).map(([value, { label }]) => ({ value, label }))}
      />
      <div style={{ height: 110 }} aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <BarChart data={data} margin={{ top: 8, right: 0, bottom: 0, left: -34 }} barCategoryGap={1} accessibilityLayer={false}>
            <XAxis dataKey="day" tick={{ fontSize: 11, fill: 'var(--soft-ink)', fontFamily: 'var(--serif)' }} stroke="var(--rule)" minTickGap={24} />
            <YAxis tick={{ fontSize: 11, fill: 'var(--soft-ink)', fontFamily: 'var(--serif)' }} stroke="none" allowDecimals={false} />
            <Tooltip
              contentStyle={{ background: 'var(--plank)', border: '1px solid var(--rule)', borderRadius: 0 }}
              cursor={{ fill: 'var(--pale-oak)', opacity: 0.4 }}
            />
            <Bar dataKey={figure} name={FIGURES[figure].label} stroke="var(--lichen)" isAnimationActive={false}>
              {days.map(({ day, did }) => (
                <Cell key={day} fill={did !== null ? 'var(--lichen-tint)' : 'var(--plank)'} />
              ))}
            </Bar>
          </BarChart>
        </ResponsiveContainer>
      </div>
      <p className="small soft">{FIGURES[figure].note}</p>
      <Fold plain title="As a table">
        <table className="figures small">
          <thead>
            <tr>
              <th scope="col">Day</th>
              <th scope="col">Minutes</th>
              <th scope="col">Counts</th>
              <th scope="col">Did it</th>
            </tr>
          </thead>
          <tbody>
            {data.map(({ day, minutes, counts, kept }) => (
              <tr key={day}>
                <td>{day}</td>
                <td>{minutes}</td>
                <td>{counts ?? '–'}</td>
                <td>{kept === null ? '–' : `${kept} %`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Fold>
    </>
  );
}
