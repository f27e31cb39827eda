'use client';

import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { useForkRef } from '@mui/material/utils';
import { useController, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form';
import { useTypedEarly } from '../fields/useTypedEarly';
import { ChoiceField, Claims, DayField, NumberField, PickField, TimeField, type Option } from '../fields';
import type { FieldProps } from '../fields/types';

type InForm<F extends FieldValues> = { readonly form: UseFormReturn<F>; readonly name: Path<F> };
type Props<F extends FieldValues> = Omit<TextFieldProps, 'form' | 'name'> &
  InForm<F> & {
    /** Others read it: claims a studio cannot stand behind are marked. */
    readonly published?: boolean;
  };

/** A text field of a form with its sentence below when something is wrong. */
export function Field<F extends FieldValues>({ form, name, helperText, published = false, ...rest }: Props<F>) {
  const { field, fieldState } = useController({ control: form.control, name });
  const message = fieldState.error?.message;
  const { ref, value, ...handlers } = field;
  const both = useForkRef(ref, useTypedEarly(field.onChange, String(value ?? '')));
  const box = (
    <TextField
      id={String(name)}
      inputRef={both}
      value={value ?? ''}
      {...handlers}
      error={Boolean(message)}
      helperText={message ?? helperText}
      {...rest}
    />
  );
  if (!published) return box;
  return (
    <div>
      {box}
      <Claims text={String(value ?? '')} onTake={(text) => field.onChange(text)} />
    </div>
  );
}

type Given<Extra = unknown> = Omit<FieldProps<string>, 'id' | 'value' | 'onChange' | 'onBlur' | 'error' | 'inputRef'> & {
  /** Told of every choice, after the form was. */
  readonly onPick?: (value: string) => void;
} & Extra;

/** What one of our fields is given by a form: its value, its way back, and its sentence when something is wrong. */
function useOurs<F extends FieldValues>(
  { form, name }: InForm<F>,
  { helperText, onPick }: Pick<Given, 'helperText' | 'onPick'>,
): FieldProps<string> & { readonly label: string } {
  const { field, fieldState } = useController({ control: form.control, name });
  const message = fieldState.error?.message;
  return {
    id: String(name),
    label: '',
    value: field.value === null || field.value === undefined ? '' : String(field.value),
    onChange: (value: string) => {
      field.onChange(value);
      onPick?.(value);
    },
    onBlur: field.onBlur,
    inputRef: field.ref,
    error: Boolean(message),
    helperText: message ?? helperText,
  };
}

export function Choice<F extends FieldValues>({
  form,
  name,
  helperText,
  onPick,
  ...rest
}: InForm<F> & Given<{ readonly options: readonly Option[] }>) {
  return <ChoiceField {...useOurs({ form, name }, { helperText, onPick })} {...rest} />;
}

export function Pick<F extends FieldValues>({
  form,
  name,
  helperText,
  onPick,
  ...rest
}: InForm<F> & Given<{ readonly options: readonly Option[]; readonly placeholder?: string }>) {
  return <PickField {...useOurs({ form, name }, { helperText, onPick })} {...rest} />;
}

export function Day<F extends FieldValues>({ form, name, helperText, onPick, ...rest }: InForm<F> & Given<{ readonly placeholder?: string }>) {
  return <DayField {...useOurs({ form, name }, { helperText, onPick })} {...rest} />;
}

export function Time<F extends FieldValues>({ form, name, helperText, onPick, ...rest }: InForm<F> & Given) {
  return <TimeField {...useOurs({ form, name }, { helperText, onPick })} {...rest} />;
}

export function Amount<F extends FieldValues>({
  form,
  name,
  helperText,
  onPick,
  ...rest
}: InForm<F> & Given<{ readonly step?: number; readonly least?: number; readonly most?: number }>) {
  return <NumberField {...useOurs({ form, name }, { helperText, onPick })} {...rest} />;
}

/** What was refused as a whole, read out when it appears. */
export function Refusal({ message }: { message: string | null }) {
  return (
    <p role="alert" className={message ? 'note bad' : undefined}>
      {message}
    </p>
  );
}
