'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { dayText } from '@/core/units';
import { FORM_LIMITS } from '@/forms';
import type { CourseView, ShownCheck } from '@/views/course';
import { Mark } from '../figures/Mark';
import { Fold } from '../shell/Fold';
import styles from './Checks.module.css';
import { Form } from '../forms/Form';

interface Props {
  readonly checks: readonly ShownCheck[];
  readonly onMend: ((check: ShownCheck) => void) | null;
  /** Accepts a check with a reason. */
  readonly onAccept?: (check: ShownCheck, reason: string) => void;
  readonly accepted?: CourseView['accepted'];
  readonly busy: boolean;
  /** Whether each check names its day; a plan has only one. */
  readonly days?: boolean;
  /** Goals without a place: then it is not said that nothing is out of order. */
  readonly unplaced?: number;
}

const MARK = { stop: 'leave out', mend: 'ask first', know: 'adapt' } as const;

/** The checks plank: what is wrong, why, and the one-step mend; folded by cause, most harmful first. */
export function Checks({ checks, onMend, onAccept, accepted = [], busy, days = true, unplaced = 0 }: Props) {
  const groups = new Map<string, ShownCheck[]>();
  for (const check of checks) groups.set(check.cause, [...(groups.get(check.cause) ?? []), check]);
  return (
    <section aria-label="Checks" className="stack">
      <h2>Checks</h2>
      {groups.size === 0 && <p className="soft">{unplaced > 0 ? 'Nothing else is out of order.' : 'Nothing is out of order.'}</p>}
      <ul className="plain">
        {[...groups].map(([cause, [check, ...others]]) => (
          <li key={cause} className={styles.check} data-severity={check.severity}>
            <Mark answer={MARK[check.severity]} size={24} />
            <div>
              <One check={check} days={days} onMend={onMend} onAccept={onAccept} busy={busy} />
              {others.length > 0 && (
                <Fold plain title={others.length === 1 ? 'and in one more class' : `and in ${others.length} more classes`}>
                  <ul className="plain">
                    {others.map((other) => (
                      <li key={other.session + other.block + other.text} style={{ padding: '4px 0' }}>
                        <One check={other} days={days} onMend={onMend} onAccept={onAccept} busy={busy} />
                      </li>
                    ))}
                  </ul>
                </Fold>
              )}
            </div>
          </li>
        ))}
      </ul>
      {accepted.length > 0 && (
        <Fold plain title={accepted.length === 1 ? 'One check was accepted' : `${accepted.length} checks were accepted`}>
          <ul className="plain lines">
            {accepted.map(({ key, text, reason, by }) => (
              <li key={key} className="small" style={{ padding: '5px 0' }}>
                {text}.{' '}
                <span className="soft">
                  “{reason}” · {by}
                </span>
              </li>
            ))}
          </ul>
        </Fold>
      )}
    </section>
  );
}

function One({ check, days, onMend, onAccept, busy }: Pick<Props, 'onMend' | 'onAccept' | 'busy'> & { check: ShownCheck; days: boolean }) {
  const [accepting, setAccepting] = useState(false);
  const [reason, setReason] = useState('');
  return (
    <>
      <p>
        {check.title && <strong>{check.title} </strong>}
        {days && <span className="soft">on {dayText(check.date)} </span>}
        {check.text}.
      </p>
      <p className={styles.ways}>
        {check.mend && onMend && (
          <button type="button" className={styles.mend} disabled={busy} onClick={() => onMend(check)}>
            {check.mend.text}
          </button>
        )}
        {check.key !== null && onAccept && !accepting && (
          <button
            type="button"
            className={styles.accept}
            disabled={busy}
            onClick={() => setAccepting(true)}
            aria-label={`Accept: ${check.title ?? 'A class'} ${check.text}`}
          >
            Accept it
          </button>
        )}
      </p>
      {accepting && (
        <Form
          className="stack"
          style={{ gap: 6, marginTop: 4 }}
          form={{
            send: (event) => {
              event?.preventDefault();
              if (reason.trim()) onAccept?.(check, reason.trim());
            },
          }}
        >
          <TextField
            label="Why it is right here"
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            slotProps={{ htmlInput: { maxLength: FORM_LIMITS.reason } }}
            autoFocus
          />
          <div className="row">
            <Button type="submit" size="small" disabled={busy || reason.trim() === ''}>
              Accept with this reason
            </Button>
            <Button size="small" onClick={() => setAccepting(false)}>
              Leave it
            </Button>
          </div>
        </Form>
      )}
    </>
  );
}
