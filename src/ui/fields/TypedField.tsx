'use client';

import TextField from '@mui/material/TextField';
import { useForkRef } from '@mui/material/utils';
import { useState } from 'react';
import { labelled, type FieldProps } from './types';
import { useTypedEarly } from './useTypedEarly';

interface Props extends FieldProps<string> {
  /** What is meant by what was typed, as it is kept; null when it does not read. */
  readonly read: (text: string) => string | null;
  /** How what is kept is shown; null when it is nothing that was read. */
  readonly show: (value: string) => string | null;
  /** What ↑ (1) and ↓ (-1) make of what is kept. */
  readonly step: (value: string, by: 1 | -1) => string;
  /** Said when what was typed does not read. */
  readonly unread: string;
  readonly placeholder: string;
  readonly end?: React.ReactNode;
}

/** Something that is typed as people write it and read when the field is left. What does not read stays as it was typed. */
export function TypedField({
  id,
  label,
  hideLabel,
  value,
  onChange,
  onBlur,
  error,
  helperText,
  read,
  show,
  step,
  unread,
  end,
  inputRef,
  ...rest
}: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = show(value);
  const wrong = typed === null && value !== '' && shown === null;
  const settle = () => {
    if (typed === null) return;
    onChange(typed.trim() === '' ? '' : (read(typed) ?? typed));
    setTyped(null);
  };
  const type = (text: string) => {
    setTyped(text);
    // What is wrong is mended as it is typed, so that nothing below moves as the field is left.
    const meant = read(text);
    if (error && meant !== null) onChange(meant);
  };
  const both = useForkRef(inputRef, useTypedEarly(type, shown ?? value));
  const press = (event: React.KeyboardEvent) => {
    if (event.key === 'Enter') return settle();
    const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : null;
    const from = typed === null ? (shown === null ? null : value) : read(typed);
    if (by === null || from === null || event.altKey) return;
    event.preventDefault();
    onChange(step(from, by));
    setTyped(null);
  };
  return (
    <TextField
      {...rest}
      {...labelled(label, hideLabel)}
      id={id}
      inputRef={both}
      value={typed ?? shown ?? value}
      onChange={({ target }) => type(target.value)}
      onBlur={() => {
        settle();
        onBlur?.();
      }}
      onKeyDown={press}
      autoComplete="off"
      error={error || wrong}
      helperText={wrong ? unread : helperText}
      slotProps={{ htmlInput: hideLabel ? { 'aria-label': label } : {}, input: { endAdornment: end } }}
    />
  );
}
