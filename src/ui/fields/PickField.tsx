'use client';

import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { labelled, type FieldProps, type Option } from './types';

interface Props extends FieldProps<string> {
  readonly options: readonly Option[];
  readonly placeholder?: string;
  /** Empties itself after every choice: for adding one thing after another. */
  readonly empties?: boolean;
  /** Asks for more options by what is typed. */
  readonly onType?: (text: string) => void;
}

/** A choice of many that is typed to find: techniques, staff, people. */
export function PickField({
  id,
  label,
  hideLabel,
  value,
  onChange,
  onBlur,
  inputRef,
  options,
  placeholder,
  empties,
  onType,
  error,
  helperText,
  disabled,
  autoFocus,
  sx,
}: Props) {
  const chosen = options.find((option) => option.value === value) ?? null;
  return (
    <Autocomplete
      id={id}
      options={[...options]}
      value={empties ? null : chosen}
      {...(empties ? { inputValue: undefined, clearOnBlur: true, blurOnSelect: true, key: options.length } : {})}
      onChange={(_, option) => option && onChange(option.value)}
      onInputChange={(_, text, reason) => reason === 'input' && onType?.(text)}
      onBlur={onBlur}
      getOptionKey={(option) => option.value}
      groupBy={options.some(({ group }) => group) ? (option) => option.group ?? '' : undefined}
      isOptionEqualToValue={(a, b) => a.value === b.value}
      disableClearable={!empties && chosen !== null ? (true as never) : undefined}
      autoHighlight
      openOnFocus
      handleHomeEndKeys
      noOptionsText="Nothing of that name."
      openText={`All of ${label}`}
      closeText={`Close ${label}`}
      disabled={disabled}
      sx={sx}
      renderInput={(params) => (
        <TextField
          {...params}
          {...labelled(label, hideLabel)}
          inputRef={inputRef}
          placeholder={placeholder}
          error={error}
          helperText={helperText}
          autoFocus={autoFocus}
          slotProps={{ ...params.slotProps, htmlInput: { ...params.slotProps?.htmlInput, ...(hideLabel ? { 'aria-label': label } : {}) } }}
        />
      )}
    />
  );
}
