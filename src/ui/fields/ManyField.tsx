'use client';

import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { labelled, type FieldProps, type Option } from './types';

/** Several of many, each typed to find. */
export function ManyField({
  id,
  label,
  hideLabel,
  value,
  onChange,
  onBlur,
  inputRef,
  options,
  error,
  helperText,
}: FieldProps<readonly string[]> & { readonly options: readonly Option[] }) {
  return (
    <Autocomplete
      id={id}
      multiple
      disableCloseOnSelect
      options={[...options]}
      value={options.filter((option) => value.includes(option.value))}
      onChange={(_, chosen) => onChange(chosen.map((option) => option.value))}
      onBlur={onBlur}
      getOptionKey={(option) => option.value}
      isOptionEqualToValue={(a, b) => a.value === b.value}
      autoHighlight
      limitTags={6}
      noOptionsText="Nothing of that name."
      openText={`All of ${label}`}
      closeText={`Close ${label}`}
      clearText={`Nothing of ${label}`}
      slotProps={{ chip: { size: 'small', variant: 'outlined', sx: { borderRadius: 0 } } }}
      renderInput={(params) => (
        <TextField
          {...params}
          {...labelled(label, hideLabel)}
          slotProps={{ ...params.slotProps, htmlInput: { ...params.slotProps.htmlInput, ...(hideLabel ? { 'aria-label': label } : {}) } }}
          inputRef={inputRef}
          error={error}
          helperText={helperText}
        />
      )}
    />
  );
}
