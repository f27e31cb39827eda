'use client';

import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { useController, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form';

type Props<F extends FieldValues> = Omit<TextFieldProps, 'form' | 'name'> & { form: UseFormReturn<F>; name: Path<F> };

/** A text field of a form with its sentence below when something is wrong. */
export function Field<F extends FieldValues>({ form, name, helperText, ...rest }: Props<F>) {
  const { field, fieldState } = useController({ control: form.control, name });
  const message = fieldState.error?.message;
  const { ref, value, ...handlers } = field;
  return (
    <TextField
      id={String(name)}
      inputRef={ref}
      value={value ?? ''}
      {...handlers}
      error={Boolean(message)}
      helperText={message ?? helperText}
      {...rest}
    />
  );
}

/** A choice from a list, by the browser's own menu: quick on a phone and by keyboard. */
export function Choice<F extends FieldValues>({ options, ...rest }: Props<F> & { options: readonly { value: string | number; label: string }[] }) {
  return (
    <Field {...rest} select slotProps={{ select: { native: true } }}>
      {options.map(({ value, label }) => (
        <option key={value} value={value}>
          {label}
        </option>
      ))}
    </Field>
  );
}

/** What was refused as a whole, read out when it appears. */
export function Refusal({ message }: { message: string | null }) {
  return (
    <p role="alert" className={message ? 'note bad' : undefined}>
      {message}
    </p>
  );
}
