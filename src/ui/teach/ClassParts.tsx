import { leftText, phaseText, type Second, type Shown } from '@/core/cues';
import { inStepText, type InStep } from '@/core/screening';
import { clockText } from '@/core/units';
import styles from './ClassScreen.module.css';

/** The line to say now, and when the next one is due. */
export function Line({ moment: { line, then, over } }: { moment: Shown }) {
  return (
    <div className={styles.line} data-over={over ? '' : undefined}>
      <p className={styles.say}>{line ?? ' '}</p>
      <p className={styles.soft}>{then ? `in ${clockText(then.in)}: ${then.say}` : ' '}</p>
    </div>
  );
}

/** What is done now, how, and its count, as tall as the screen allows. Phases are announced; their counts are not. */
export function Now({ moment }: { moment: Shown }) {
  const { segment, count, counting, next, over, word, how, block } = moment;
  if (over)
    return (
      <>
        <p className={styles.phase}>The class is over</p>
        <p className={styles.then}>Stay a moment before you log it.</p>
      </>
    );
  return (
    <>
      <p className={styles.phase} data-phase={segment.kind ?? 'natural'} aria-live="polite">
        {word}
      </p>
      <p className={styles.how}>{how.join(' · ') || ' '}</p>
      <p className={styles.number} data-small={count === null ? '' : undefined} data-wide={(segment.counts ?? 0) > 9 ? '' : undefined}>
        {count ?? timeOf(moment)}
        {counting && (
          <span className={styles.of}>
            counting
            <br />
            {counting === 'up' ? `up to ${segment.counts}` : `down from ${segment.counts}`}
          </span>
        )}
      </p>
      <p className={styles.then}>
        {next && segment.kind !== null ? (
          <>
            then <strong>{next.block === segment.block ? phaseText(next, block.sided).toLowerCase() : 'the next block'}</strong>
            {next.block === segment.block && next.counts ? ` · ${next.counts}` : ''}
          </>
        ) : (
          ' '
        )}
      </p>
    </>
  );
}

/** Time where nothing is counted. What ends when it is easy has no figure to hold out for. */
function timeOf({ segment, leftInBlock, leftInSegment }: Shown): string {
  if (segment.open) return '';
  return minutes(segment.kind === null && segment.part === 'natural' ? leftInBlock : leftInSegment);
}

/** How far the block has come; around the techniques, what comes after. */
export function Place({ moment, after }: { moment: Shown; after: string | null }) {
  const { block, place, leftInBlock, left } = moment;
  const whole = block.end - block.start;
  const [first = block.kind === 'technique' ? block.name : after ? `then ${after}` : 'the last block', ...more] = place;
  return (
    <div>
      <p className={styles.round}>{first}</p>
      {more.length > 0 && <p className={styles.more}>{more.join(' · ')}</p>}
      {block.kind === 'technique' && (
        <p className={styles.soft}>
          {block.name} · {block.detail}
        </p>
      )}
      <div className={styles.through} aria-hidden="true">
        <span style={{ width: `${Math.round((100 * (whole - leftInBlock)) / whole)}%` }} />
      </div>
      <p className={styles.left}>
        {leftText(moment)} · {inMinutes(left)} in all
      </p>
    </div>
  );
}

/** The pattern that runs in step, said without whose it is or why. */
export function SecondPattern({ inStep, at, sided }: { inStep: InStep; at: Second | null; sided: boolean }) {
  return (
    <div className={styles.second}>
      <span className={styles.soft}>
        second pattern {inStepText(inStep)}
        {sided ? ', both sides open' : ''}
      </span>
      <p>{at === null ? 'natural breath' : at.phase === 'free' ? 'free' : `${at.phase} ${at.count} of ${at.of}`}</p>
    </div>
  );
}

/** @example inMinutes(1_935_000) // "33 min" */
export const inMinutes = (time: number): string => `${Math.ceil(time / 60_000)} min`;

function minutes(time: number): string {
  const seconds = Math.ceil(time / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
