'use client';

import { mustParsePattern } from '@/core/pattern';
import { clockText, millis } from '@/core/units';
import { BreathStrip } from '../figures/BreathStrip';
import { CompactField } from '../fields';
import { useLibrary } from '../shell/Inside';
import type { Draft, Read } from './edit';
import styles from './PlanBoard.module.css';
import { SetupLine } from './SetupLine';

interface Props {
  readonly draft: Draft;
  readonly read: Read;
  readonly naturalBreath: number;
  readonly editable: boolean;
  readonly onEdit: (more: Partial<Draft>) => void;
  readonly onUp: (() => void) | null;
  readonly onDown: (() => void) | null;
  readonly onLeaveOut: () => void;
}

/** One block of a plan. Fields step with ↑ and ↓ where they are numbers. */
export function BlockRow({ draft, read, naturalBreath, editable, onEdit, onUp, onDown, onLeaveOut }: Props) {
  const library = useLibrary();
  const name = draft.own?.name ?? library.find(draft.technique ?? '')?.name ?? library.findPart(draft.part ?? '')?.name ?? '';
  const problems = read.ok ? {} : read.problems;
  const field = (key: 'pattern' | 'dose' | 'tempo' | 'minutes', label: string, more: { step?: number; hideLabel?: boolean; width?: number } = {}) => (
    <span data-field={key} data-long={draft[key].length > 15 ? '' : undefined}>
      <CompactField
        id={`${draft.id}-${key}`}
        label={label}
        said={`${label} of ${name}`}
        value={draft[key]}
        readOnly={!editable}
        problem={problems[key]}
        onChange={(value) => onEdit({ [key]: value })}
        {...more}
      />
    </span>
  );
  return (
    <li className={draft.technique ? styles.technique : styles.part}>
      <div className={styles.name}>
        <strong>{name}</strong>
        {draft.own && <span className="small soft">our way, v{draft.own.number}</span>}
        {read.ok && read.note && <span className="small soft">{read.note}</span>}
      </div>
      {draft.technique ? (
        <>
          <div className={styles.fields}>
            {field('pattern', 'Pattern')}
            {field('dose', 'Dose')}
            {field('tempo', 's a count', { step: 0.05 })}
          </div>
          <div className={styles.strip}>
            {read.ok && read.block.kind === 'technique' && (
              <BreathStrip
                pattern={mustParsePattern(read.block.pattern)}
                pace={{ tempo: millis(read.block.tempo), naturalBreath: millis(naturalBreath) }}
                width={150}
                height={44}
                labels={false}
                title={`Breath strip of ${read.block.pattern}`}
              />
            )}
          </div>
        </>
      ) : (
        <div />
      )}
      {draft.part && editable ? (
        <span className={styles.minutes}>
          {field('minutes', 'Minutes', { step: 0.5, hideLabel: true, width: 62 })} <span className="num">min</span>
        </span>
      ) : (
        <span className={`num ${styles.time}`}>{read.ok ? clockText(read.time) : '–'}</span>
      )}
      <SetupLine draft={draft} name={name} problem={problems.lines} noteProblem={problems.note} editable={editable} onEdit={onEdit} />
      {editable && (
        <span className={`${styles.keys} noprint`}>
          <button type="button" disabled={!onUp} onClick={onUp ?? undefined} aria-label={`${name}: earlier`}>
            ↑
          </button>
          <button type="button" disabled={!onDown} onClick={onDown ?? undefined} aria-label={`${name}: later`}>
            ↓
          </button>
          <button type="button" onClick={onLeaveOut} aria-label={`Leave out ${name}`}>
            ×
          </button>
        </span>
      )}
    </li>
  );
}
