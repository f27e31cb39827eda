import type { Figure } from '@/core/timing';
import styles from './Figures.module.css';

/** Numbers with what they are of, and how each came about. */
export function Figures({ figures }: { figures: readonly Figure[] }) {
  return (
    <dl className={styles.figures}>
      {figures.map(({ id, value, label, working }) => (
        <div key={id}>
          <dt>{label}</dt>
          <dd className="num">{value}</dd>
          <dd className={styles.working}>{working}</dd>
        </div>
      ))}
    </dl>
  );
}
