import type { DayView } from '@/views/series';
import styles from './Day.module.css';

const WIDTH = 354;
const STEP = 27;

/** A person's own ladder: a step a week, a rung a day. What was done is solid, a gap is only a gap, what comes is pale. */
export function OwnLadder({ ladder }: { ladder: DayView['ladder'] }) {
  const first = ladder[0].week;
  const weeks = ladder[ladder.length - 1].week - first + 1;
  const height = weeks * STEP + 18;
  const wide = (WIDTH - 34) / Math.max(1, weeks * 7);
  const done = ladder.filter((one) => one.done === 'done').length;
  const over = ladder.filter((one) => one.done !== 'ahead').length;
  return (
    <section aria-label="Your ladder" className="stack">
      <h2>Your ladder</h2>
      <svg viewBox={`0 0 ${WIDTH} ${height}`} width="100%" role="img" aria-label={`${done} of ${over} days so far`}>
        <rect x="0" y="0" width="6" height={height} fill="var(--oak)" />
        <rect x={WIDTH - 6} y="0" width="6" height={height} fill="var(--oak)" />
        {ladder.map(({ day, week, done: how }) => {
          const at = day - 1 - (first - 1) * 7;
          const [x, y] = [17 + at * wide, height - 16 - (week - first) * STEP];
          return <rect key={day} x={x} y={y} width={Math.max(3, wide - 2.5)} height="9" className={styles[how]} />;
        })}
      </svg>
      <p className="small soft">A gap is only a gap: the ladder goes on.</p>
    </section>
  );
}
