import type { SxProps, Theme } from '@mui/material/styles';

/** What every field of ours is given; a label that is not shown is still said. */
export interface FieldProps<Value> {
  readonly id: string;
  readonly label: string;
  readonly hideLabel?: boolean;
  readonly value: Value;
  readonly onChange: (value: Value) => void;
  readonly onBlur?: () => void;
  readonly inputRef?: React.Ref<HTMLElement>;
  readonly error?: boolean;
  readonly helperText?: React.ReactNode;
  readonly disabled?: boolean;
  readonly autoFocus?: boolean;
  readonly sx?: SxProps<Theme>;
}

export interface Option {
  readonly value: string;
  readonly label: string;
  /** The heading it stands under. */
  readonly group?: string;
}

/** A label as MUI's fields take it, shown or only said. */
export function labelled(label: string, hideLabel: boolean | undefined) {
  return hideLabel ? { hiddenLabel: true as const } : { label };
}
