import { memo, useMemo } from 'react';
import { formatPattern, type Dose, type Pattern } from '@/core/pattern';
import { changedRulebook, inStepText, keepInStep, outlook, waysSeen, type RuleChange } from '@/core/screening';
import { figuresOf, type Figure, type Pace } from '@/core/timing';
import type { Tag } from '@/core/techniques';
import { BreathStrip } from '../figures/BreathStrip';
import { Figures } from '../figures/Figures';
import styles from './Bench.module.css';
import { Outlook } from './Outlook';

/** A pattern at a dose and a pace, everything read. */
export interface OnBench {
  readonly pattern: Pattern;
  readonly dose: Dose;
  readonly pace: Pace;
  readonly tags: readonly Tag[];
}

/** What a pattern comes to: strip, and figures with their working. */
export const Reading = memo(function Reading({ bench, other }: { bench: OnBench; other: OnBench | null }) {
  const { pattern, dose, pace } = bench;
  return (
    <>
      <div className="sheet">
        <BreathStrip pattern={pattern} pace={pace} title={`Breath strip of ${formatPattern(pattern)}`} />
      </div>
      <Figures figures={figuresOf(pattern, dose, pace)} />
      {other && <Compared one={bench} other={other} />}
    </>
  );
});

/** What screening would say, and what keeps step without a hold. */
export const Screened = memo(function Screened({
  bench: { pattern, dose, pace, tags },
  rules,
}: {
  bench: OnBench;
  rules: readonly RuleChange[] | null;
}) {
  const rulebook = useMemo(() => rules && changedRulebook(rules), [rules]);
  const ways = waysSeen(pattern, dose, pace, tags);
  const [inStep] = keepInStep(pattern, pace.tempo, () => true);
  const holds = ways[0].features.holdInSeconds + ways[0].features.holdOutSeconds > 0;
  return (
    <div className={styles.columns}>
      {rulebook && (
        <section>
          <h2>What screening says</h2>
          {ways.map(({ name, features }) => (
            <div key={name}>
              {ways.length > 1 && <h3>“{name}”</h3>}
              <Outlook lines={outlook(features, rulebook)} />
            </div>
          ))}
        </section>
      )}
      {holds && inStep && (
        <section>
          <h2>In step without the hold</h2>
          <p className="num">{inStepText(inStep)}</p>
          <p className="small soft">ends each cycle with the room</p>
        </section>
      )}
    </div>
  );
});

/** Another pattern under this one: its strip to the same width, and every figure that differs marked. */
function Compared({ one, other }: { one: OnBench; other: OnBench }) {
  const [ours, theirs] = [one, other].map(({ pattern, dose, pace }) => figuresOf(pattern, dose, pace));
  const ids = [...new Set([...ours, ...theirs].map(({ id }) => id))];
  const value = (figures: readonly Figure[], id: Figure['id']) => figures.find((figure) => figure.id === id)?.value ?? '–';
  const label = (id: Figure['id']) => [...ours, ...theirs].find((figure) => figure.id === id)?.label ?? '';
  return (
    <section style={{ marginTop: 16 }}>
      <h2>Beside it: {formatPattern(other.pattern)}</h2>
      <div className="sheet">
        <BreathStrip pattern={other.pattern} pace={other.pace} height={150} title={`Breath strip of ${formatPattern(other.pattern)}`} />
      </div>
      <table className="figures">
        <thead>
          <tr>
            <th scope="col">Figure</th>
            <th scope="col">{formatPattern(one.pattern)}</th>
            <th scope="col">{formatPattern(other.pattern)}</th>
          </tr>
        </thead>
        <tbody>
          {ids.map((id) => {
            const [a, b] = [value(ours, id), value(theirs, id)];
            return (
              <tr key={id}>
                <th scope="row">{label(id)}</th>
                <td className="num">{a}</td>
                <td className="num">{a === b ? b : <mark className={styles.differs}>{b}</mark>}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
