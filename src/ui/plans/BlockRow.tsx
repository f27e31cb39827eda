'use client';

import { mustParsePattern } from '@/core/pattern';
import { findPart, findTechnique } from '@/core/techniques';
import { clockText, millis } from '@/core/units';
import { BreathStrip } from '../figures/BreathStrip';
import type { Draft, Read } from './edit';
import styles from './PlanBoard.module.css';

interface Props {
  readonly draft: Draft;
  readonly read: Read;
  readonly editable: boolean;
  readonly onEdit: (more: Partial<Draft>) => void;
  readonly onUp: (() => void) | null;
  readonly onDown: (() => void) | null;
  readonly onLeaveOut: () => void;
}

/** One block of a plan. Fields step with ↑ and ↓ where they are numbers. */
export function BlockRow({ draft, read, editable, onEdit, onUp, onDown, onLeaveOut }: Props) {
  const name = draft.own?.name ?? findTechnique(draft.technique ?? '')?.name ?? findPart(draft.part ?? '')?.name ?? '';
  const problems = read.ok ? {} : read.problems;
  const field = (key: 'pattern' | 'dose' | 'tempo' | 'minutes', label: string, number = false) => (
    <span className={styles.field} data-field={key} data-long={draft[key].length > 15 ? '' : undefined}>
      <label htmlFor={`${draft.id} ${key}`}>{label}</label>
      <input
        id={`${draft.id} ${key}`}
        aria-label={`${label} of ${name}`}
        value={draft[key]}
        readOnly={!editable}
        type={number ? 'number' : 'text'}
        step={key === 'tempo' ? 0.05 : 0.5}
        min={0}
        spellCheck={false}
        autoComplete="off"
        aria-invalid={problems[key] ? true : undefined}
        aria-describedby={problems[key] ? `${draft.id} ${key} says` : undefined}
        onChange={(event) => onEdit({ [key]: event.target.value })}
      />
      {problems[key] && (
        <span id={`${draft.id} ${key} says`} className={styles.problem} role="alert">
          {problems[key]}
        </span>
      )}
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
            {field('tempo', 's a count', true)}
          </div>
          <div className={styles.strip}>
            {read.ok && read.block.kind === 'technique' && (
              <BreathStrip
                pattern={mustParsePattern(read.block.pattern)}
                pace={{ tempo: millis(read.block.tempo), naturalBreath: millis(4000) }}
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
          {field('minutes', 'Minutes', true)} <span className="num">min</span>
        </span>
      ) : (
        <span className={`num ${styles.time}`}>{read.ok ? clockText(read.time) : '–'}</span>
      )}
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
