'use client';

import Button from '@mui/material/Button';
import { BLANKS, solveClimb, type Blank, type Climbed, type Rhythm, type Sentence } from '@/core/climb';
import styles from './Climbs.module.css';

interface Props {
  readonly id: string;
  readonly sentence: Sentence;
  readonly rhythm: Rhythm;
  readonly onChange: (sentence: Sentence) => void;
  /** Takes a change of a sentence that makes it fit; null for whoever may not. */
  readonly onTake: ((sentence: Sentence) => void) | null;
  /** Shows what a sentence that fits does to a course; null where there is none to try it on. */
  readonly onSee: ((sentence: Sentence) => void) | null;
  readonly busy: boolean;
  /** What is said where all of it fits. */
  readonly children?: React.ReactNode;
}

const WORDS: Readonly<Record<Blank, string>> = { from: 'From', to: 'to', step: 'by', every: 'every', over: 'over' };
const LABEL: Readonly<Record<Blank, string>> = { from: 'From', to: 'To', step: 'Step', every: 'How often', over: 'Over' };

/** A climb as a sentence with blanks: leave one empty and it is worked out; fill all and it is checked, with what would mend it. */
export function ClimbSentence({ id, sentence, rhythm, onChange, onTake, onSee, busy, children }: Props) {
  const found = solveClimb(sentence, rhythm);
  const filled = found.is === 'solved' ? found.filled : null;
  const wrong = found.is === 'unread' ? [found.blank] : found.is === 'short' ? (['to', 'step', 'over'] as const) : [];
  return (
    <div className="stack" style={{ gap: 10 }}>
      <p className={styles.sentence} role="group" aria-label="The climb as a sentence">
        {BLANKS.map((blank) => {
          const worked = filled === blank && found.is === 'solved' ? found.sentence[blank] : '';
          const shown = sentence[blank] || worked;
          return (
            <span key={blank} className={styles.part}>
              {WORDS[blank]}
              <input
                id={`${id}-${blank}`}
                aria-label={LABEL[blank]}
                aria-invalid={wrong.some((one) => one === blank)}
                aria-describedby={`${id}-said`}
                value={sentence[blank]}
                placeholder={worked || '…'}
                data-worked={worked !== ''}
                data-wrong={wrong.some((one) => one === blank)}
                style={{ width: `${Math.max(5, shown.length + 2)}ch` }}
                onChange={(event) => onChange({ ...sentence, [blank]: event.target.value })}
              />
              {blank === 'step' && sentence.kind !== 'pattern' && 'more'}
            </span>
          );
        })}
      </p>
      <div id={`${id}-said`} aria-live="polite">
        <Said found={found} onTake={onTake} onSee={onSee} busy={busy} sentence={sentence}>
          {children}
        </Said>
      </div>
    </div>
  );
}

const MEND: Readonly<Record<Blank, (value: string, kind: Sentence['kind']) => string>> = {
  to: (value) => `Arrive at ${value}`,
  step: (value, kind) => (kind === 'pattern' ? `${value} at once` : `Grow by ${value} each time`),
  from: (value) => `Start at ${value}`,
  over: (value) => `Take ${value}`,
  every: (value) => `A step every ${value}`,
};

function Said({
  found,
  onTake,
  onSee,
  busy,
  sentence,
  children,
}: Pick<Props, 'onTake' | 'onSee' | 'busy' | 'sentence' | 'children'> & { found: Climbed }) {
  switch (found.is) {
    case 'unread':
    case 'impossible':
      return <p className="error">{found.text}</p>;
    case 'open':
      return <p className="small soft">Leave one blank empty, and it is worked out.</p>;
    case 'solved':
      return (
        <div className="row">
          {found.early && <strong>It is there after {found.early}.</strong>}
          <span className={found.guard.holds ? 'small soft' : 'small error'}>{found.guard.text}</span>
          {children}
          {onSee && (
            <Button size="small" disabled={busy} onClick={() => onSee(found.sentence)}>
              See what it does to the course
            </Button>
          )}
        </div>
      );
    case 'short':
      return (
        <div>
          <p className={styles.sum}>{found.sum}</p>
          <p className="small soft">
            {found.mends.length > 0 ? 'Change one of these, and it fits:' : 'Nothing of it can be changed alone so that it fits.'}
          </p>
          <ul className={styles.mends}>
            {found.mends.map((mend) => {
              const text = MEND[mend.blank](mend.value, sentence.kind);
              return (
                <li key={mend.blank}>
                  <span>
                    <strong>{text}</strong> <span className={mend.guard.holds ? 'small soft' : 'small error'}>{mend.guard.text}</span>
                  </span>
                  {onTake && (
                    <Button
                      size="small"
                      disabled={busy}
                      onClick={() => onTake({ ...sentence, [mend.blank]: mend.value })}
                      aria-label={`Take it: ${text}`}
                    >
                      Take it
                    </Button>
                  )}
                </li>
              );
            })}
          </ul>
        </div>
      );
  }
}
