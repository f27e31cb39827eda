'use client';

import { dayText } from '@/core/units';
import type { ShownCheck } from '@/views/course';
import { Mark } from '../figures/Mark';
import styles from './Checks.module.css';

interface Props {
  readonly checks: readonly ShownCheck[];
  readonly onMend: ((check: ShownCheck) => void) | null;
  readonly busy: boolean;
  /** Whether each check names its day; a plan has only one. */
  readonly days?: boolean;
}

const MARK = { stop: 'leave out', mend: 'ask first', know: 'adapt' } as const;

/** The checks plank: what is wrong, why, and the one-step mend; grouped by cause, most harmful first. */
export function Checks({ checks, onMend, busy, days = true }: Props) {
  const groups = new Map<string, ShownCheck[]>();
  for (const check of checks) {
    const key = check.mend ? `${check.session} ${check.block} ${check.text}` : `${check.title} ${check.text}`;
    groups.set(key, [...(groups.get(key) ?? []), check]);
  }
  return (
    <section aria-label="Checks" className="stack">
      <h2>Checks</h2>
      {groups.size === 0 && <p className="soft">Nothing is out of order.</p>}
      <ul className="plain">
        {[...groups.values()].map(([check, ...others]) => (
          <li key={check.session + check.block + check.text} className={styles.check} data-severity={check.severity}>
            <Mark answer={MARK[check.severity]} size={24} />
            <div>
              <p>
                {check.title && <strong>{check.title} </strong>}
                {days && others.length === 0 && <span className="soft">on {dayText(check.date)} </span>}
                {check.text}
                {others.length > 0 && <span className="soft"> (in {others.length + 1} classes)</span>}.
              </p>
              {check.mend && onMend && (
                <button type="button" className={styles.mend} disabled={busy} onClick={() => onMend(check)}>
                  {check.mend.text}
                </button>
              )}
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
