'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { Controller, type Control } from 'react-hook-form';
import styles from './CourseForm.module.css';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** The weekdays of a course. */
export function Weekdays<F extends { weekdays: number[] }>({ control }: { control: Control<F> }) {
  return (
    <Controller
      control={control as unknown as Control<{ weekdays: number[] }>}
      name="weekdays"
      render={({ field, fieldState }) => (
        <fieldset className={styles.days}>
          <legend>Weekdays</legend>
          {DAYS.map((day, index) => {
            const chosen = field.value.includes(index + 1);
            return (
              <FormControlLabel
                key={day}
                label={day}
                control={
                  <Checkbox
                    checked={chosen}
                    onChange={() => field.onChange(chosen ? field.value.filter((one) => one !== index + 1) : [...field.value, index + 1].sort())}
                  />
                }
              />
            );
          })}
          {fieldState.error && <p className="error">{fieldState.error.message}</p>}
        </fieldset>
      )}
    />
  );
}
