'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { Controller, type Control, type FieldValues, type Path } from 'react-hook-form';
import styles from './CourseForm.module.css';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

interface Props<F extends FieldValues> {
  readonly control: Control<F>;
  readonly name: Path<F>;
  readonly legend?: string;
}

/** Weekdays, any number of them. */
export function Weekdays<F extends FieldValues>({ control, name, legend = 'Weekdays' }: Props<F>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => {
        const days: readonly number[] = field.value;
        return (
          <fieldset className={styles.days}>
            <legend>{legend}</legend>
            {DAYS.map((day, index) => {
              const chosen = days.includes(index + 1);
              return (
                <FormControlLabel
                  key={day}
                  label={day}
                  control={
                    <Checkbox
                      checked={chosen}
                      onChange={() => field.onChange(chosen ? days.filter((one) => one !== index + 1) : [...days, index + 1].sort())}
                    />
                  }
                />
              );
            })}
            {fieldState.error && <p className="error">{fieldState.error.message}</p>}
          </fieldset>
        );
      }}
    />
  );
}
