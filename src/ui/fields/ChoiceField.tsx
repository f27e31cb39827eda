'use client';

import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { labelled, type FieldProps, type Option } from './types';

/** A choice of a few, all of them seen at once. */
export function ChoiceField({
  id,
  label,
  hideLabel,
  value,
  onChange,
  options,
  ...rest
}: FieldProps<string> & { readonly options: readonly Option[] }) {
  return (
    <TextField
      {...rest}
      {...labelled(label, hideLabel)}
      id={id}
      select
      value={value}
      onChange={(event) => onChange(event.target.value)}
      slotProps={{ select: { displayEmpty: true }, htmlInput: hideLabel ? { 'aria-label': label } : {} }}
    >
      {options.map((option) => (
        <MenuItem key={option.value} value={option.value}>
          {option.label}
        </MenuItem>
      ))}
    </TextField>
  );
}
