'use client';

import TextField from '@mui/material/TextField';
import { useForkRef } from '@mui/material/utils';
import { trimNumber } from '@/core/units';
import { labelled, type FieldProps } from './types';
import { useTypedEarly } from './useTypedEarly';

interface Props extends FieldProps<string> {
  /** What ↑ and ↓ go by. */
  readonly step?: number;
  readonly least?: number;
  readonly most?: number;
}

/** A number that is typed, or stepped with ↑ and ↓. What is typed stays as it is: whether it will do is said beside it. */
export function NumberField({ id, label, hideLabel, value, onChange, inputRef, step = 1, least = -Infinity, most = Infinity, ...rest }: Props) {
  const both = useForkRef(inputRef, useTypedEarly(onChange, value));
  const press = (event: React.KeyboardEvent) => {
    const by = event.key === 'ArrowUp' ? step : event.key === 'ArrowDown' ? -step : 0;
    const from = Number(value);
    if (by === 0 || value === '' || Number.isNaN(from)) return;
    event.preventDefault();
    onChange(trimNumber(Math.min(most, Math.max(least, from + by))));
  };
  return (
    <TextField
      {...rest}
      {...labelled(label, hideLabel)}
      id={id}
      inputRef={both}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      onKeyDown={press}
      autoComplete="off"
      slotProps={{
        htmlInput: {
          inputMode: 'decimal',
          role: 'spinbutton',
          'aria-valuenow': Number(value) || undefined,
          className: 'num',
          ...(hideLabel ? { 'aria-label': label } : {}),
        },
      }}
    />
  );
}
