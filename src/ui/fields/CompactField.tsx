'use client';

import type { ReactNode } from 'react';
import { trimNumber } from '@/core/units';
import styles from './CompactField.module.css';

interface Props {
  readonly id: string;
  readonly label: string;
  /** What is said in place of the label, where the place alone shows what it is about. */
  readonly said?: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly readOnly?: boolean;
  readonly problem?: ReactNode;
  /** For a number: what ↑ and ↓ go by. */
  readonly step?: number;
  readonly hideLabel?: boolean;
  readonly width?: number;
  readonly placeholder?: string;
}

/** A small field that stands in a line of others: a pattern, a dose, a tempo. Numbers step with ↑ and ↓. */
export function CompactField({ id, label, said, value, onChange, readOnly, problem, step, hideLabel, width, placeholder }: Props) {
  const press = (event: React.KeyboardEvent) => {
    const by = event.key === 'ArrowUp' ? step : event.key === 'ArrowDown' && step !== undefined ? -step : undefined;
    if (by === undefined || readOnly || value === '' || Number.isNaN(Number(value))) return;
    event.preventDefault();
    onChange(trimNumber(Math.max(0, Number(value) + by)));
  };
  return (
    <span className={styles.field} style={width ? { width } : undefined} data-number={step === undefined ? undefined : ''}>
      <label htmlFor={id} className={hideLabel ? 'sr' : undefined}>
        {label}
      </label>
      <input
        id={id}
        aria-label={said}
        value={value}
        placeholder={placeholder}
        readOnly={readOnly}
        inputMode={step === undefined ? 'text' : 'decimal'}
        role={step === undefined ? undefined : 'spinbutton'}
        aria-valuenow={step === undefined ? undefined : Number(value) || 0}
        spellCheck={false}
        autoComplete="off"
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-says` : undefined}
        onChange={(event) => onChange(event.target.value)}
        onKeyDown={press}
      />
      {problem && (
        <span id={`${id}-says`} className={styles.problem} role="alert">
          {problem}
        </span>
      )}
    </span>
  );
}
