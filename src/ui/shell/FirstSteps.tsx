'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { putStepsAwayAction } from '@/app/actions/studio';
import type { FirstStep } from '@/views/lobby';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import styles from './FirstSteps.module.css';

/** The way into a studio that begins, as rungs from the ground up: what is done, what is next, and what comes after. */
export function FirstSteps({ steps }: { steps: readonly FirstStep[] }) {
  const { run, refusal, busy, refresh } = useAction();
  // What was passed over is not asked for again.
  const last = steps.findLastIndex(({ done }) => done);
  const next = steps.findIndex(({ done }, index) => !done && index > last);
  const away = async () => {
    if ((await run(() => putStepsAwayAction()))?.ok) refresh();
  };
  return (
    <section className={styles.steps} aria-label="First steps">
      <ol className="plain">
        {steps.map(({ title, text, href, doing, done }, index) => (
          <li key={title} className={styles.step} data-at={done ? 'done' : index === next ? 'next' : 'later'}>
            <div>
              <h2>
                {title}
                {done && <span className="soft"> · done</span>}
              </h2>
              <p className="small">{text}</p>
            </div>
            {doing !== null && index === next ? (
              <Button href={href} variant="contained">
                {doing}
              </Button>
            ) : (
              doing !== null && <Link href={href}>{doing}</Link>
            )}
          </li>
        ))}
      </ol>
      <Refusal message={refusal} />
      <p className="small soft">
        In this order or any other; each is the real thing. They go by themselves once the first plan is out.{' '}
        <Button size="small" disabled={busy} onClick={() => void away()}>
          Put these away
        </Button>
      </p>
    </section>
  );
}
