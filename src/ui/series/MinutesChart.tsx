'use client';

import { Bar, BarChart, Cell, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { SeriesDayView } from '@/views/series';
import { Fold } from '../shell/Fold';

/** The minutes of every day, those that are over filled; and how many kept it up. The same figures stand below as a table. */
export function MinutesChart({ days, today }: { days: readonly SeriesDayView[]; today: number | null }) {
  const data = days.map(({ day, minutes, did, of }) => ({ day, minutes, kept: did === null || of === 0 ? null : Math.round((100 * did) / of) }));
  return (
    <>
      <div style={{ height: 110 }} aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <BarChart data={data} margin={{ top: 4, right: 0, bottom: 0, left: -34 }} barCategoryGap={1} accessibilityLayer={false}>
            <XAxis dataKey="day" tick={{ fontSize: 11, fill: 'var(--soft-ink)', fontFamily: 'var(--serif)' }} stroke="var(--rule)" minTickGap={24} />
            <YAxis tick={{ fontSize: 11, fill: 'var(--soft-ink)', fontFamily: 'var(--serif)' }} stroke="none" allowDecimals={false} />
            <Tooltip
              contentStyle={{ background: 'var(--plank)', border: '1px solid var(--rule)', borderRadius: 0 }}
              cursor={{ fill: 'var(--pale-oak)', opacity: 0.4 }}
            />
            <Bar dataKey="minutes" stroke="var(--lichen)" isAnimationActive={false}>
              {days.map(({ day, did }) => (
                <Cell key={day} fill={did !== null && (today === null || day <= today) ? 'var(--lichen-tint)' : 'var(--plank)'} />
              ))}
            </Bar>
          </BarChart>
        </ResponsiveContainer>
      </div>
      <p className="small soft">At most one minute more in three days.</p>
      <Fold plain title="As a table">
        <table className="figures small">
          <thead>
            <tr>
              <th scope="col">Day</th>
              <th scope="col">Minutes</th>
              <th scope="col">Kept up</th>
            </tr>
          </thead>
          <tbody>
            {data.map(({ day, minutes, kept }) => (
              <tr key={day}>
                <td>{day}</td>
                <td>{minutes}</td>
                <td>{kept === null ? '–' : `${kept} %`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Fold>
    </>
  );
}
