'use client';

import { useState } from 'react';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { dayText, isoDate } from '@/core/units';
import type { Climb, ClimbPoint } from '@/views/climb';
import { ChoiceField } from '../fields';
import styles from './Climbs.module.css';

const MEASURES = {
  minutes: { label: 'minutes', of: (point: ClimbPoint) => point.minutes },
  counts: { label: 'counts of a breath', of: (point: ClimbPoint) => point.counts },
  pace: { label: 'breaths a minute', of: (point: ClimbPoint) => point.pace },
  held: { label: '% held', of: (point: ClimbPoint) => point.held },
} as const;
const dayOf = (day: number) => dayText(isoDate(new Date(day).toISOString().slice(0, 10)));
type Measure = keyof typeof MEASURES;

/** The figures of a climb class by class, planned against reached: as a chart, and as the table it is drawn from. */
export function Figures({ climb }: { climb: Climb }) {
  const [measure, setMeasure] = useState<Measure>('minutes');
  const { of, label } = MEASURES[measure];
  const data = climb.points.map((point) => ({ day: Date.parse(point.date), planned: of(point), reached: point.reached ? of(point) : null }));
  return (
    <div className="stack">
      <div style={{ maxWidth: 240 }}>
        <ChoiceField
          id={`measure-${climb.technique}`}
          label="Figure"
          value={measure}
          onChange={(value) => setMeasure(value as Measure)}
          options={Object.entries(MEASURES).map(([value, one]) => ({ value, label: one.label }))}
        />
      </div>
      <div style={{ height: 190 }} aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={{ top: 6, right: 12, bottom: 0, left: -18 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis
              dataKey="day"
              type="number"
              scale="time"
              domain={['dataMin', 'dataMax']}
              tickFormatter={dayOf}
              tick={{ fontSize: 12, fill: 'var(--soft-ink)' }}
              stroke="var(--rule)"
              minTickGap={18}
            />
            <YAxis
              tick={{ fontSize: 12, fill: 'var(--soft-ink)', fontFamily: 'var(--serif)' }}
              stroke="var(--rule)"
              domain={[0, 'auto']}
              allowDecimals={false}
            />
            <Tooltip
              labelFormatter={(day) => dayOf(Number(day))}
              contentStyle={{ background: 'var(--plank)', border: '1px solid var(--rule)', borderRadius: 0 }}
            />
            <Line
              type="stepAfter"
              dataKey="planned"
              stroke="var(--oak)"
              strokeWidth={2.5}
              dot={{ r: 2.5 }}
              isAnimationActive={false}
              name={`planned, ${label}`}
            />
            <Line
              type="linear"
              dataKey="reached"
              stroke="var(--lichen)"
              strokeWidth={0}
              dot={{ r: 5, fill: 'var(--lichen)', strokeWidth: 0 }}
              isAnimationActive={false}
              name={`reached, ${label}`}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <div style={{ overflowX: 'auto' }}>
        <table className={`small ${styles.figures}`} style={{ width: '100%' }}>
          <thead>
            <tr>
              <th scope="col">Class</th>
              <th scope="col">How</th>
              <th scope="col">Minutes</th>
              <th scope="col">Counts</th>
              <th scope="col">Pace</th>
              <th scope="col">Held</th>
              <th scope="col">Reached</th>
            </tr>
          </thead>
          <tbody>
            {climb.points.map(({ session, date, pattern, dose, minutes, counts, pace, held, reached, lighter }) => (
              <tr key={session}>
                <td className="num">{dayText(date)}</td>
                <td>
                  {pattern}, {dose}
                  {lighter && <span className="soft"> (lighter)</span>}
                </td>
                <td className="num">{minutes}</td>
                <td className="num">{counts ?? '–'}</td>
                <td className="num">{pace ?? '–'}</td>
                <td className="num">{held} %</td>
                <td>{reached === null ? '' : reached ? 'as planned' : 'less'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}
