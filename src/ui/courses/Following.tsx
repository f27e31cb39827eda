'use client';

import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import { dayText, type IsoDate } from '@/core/units';
import { listed } from '@/core/wording';

/** Whether published classes stay as they are when their course changes, or change with it and go out again. */
export type Published = 'stay' | 'follow';

interface Props {
  /** The days of published classes that could change. */
  readonly days: readonly IsoDate[];
  readonly value: Published;
  readonly onChange: (value: Published) => void;
  readonly disabled?: boolean;
}

/** How many days are named before the rest are counted. */
const NAMED = 4;

/** Asked once wherever a course changes of which classes are published; nothing where none are. */
export function Following({ days, value, onChange, disabled }: Props) {
  if (days.length === 0) return null;
  const named = days.slice(0, NAMED).map(dayText);
  const rest = days.length - named.length;
  return (
    <div>
      <p className="small">
        {days.length === 1 ? 'One published class is' : `${days.length} published classes are`} still to come:{' '}
        {listed(rest > 0 ? [...named, `${rest} more`] : named)}.
      </p>
      <RadioGroup row value={value} onChange={(_, next) => onChange(next as Published)} aria-label="Published classes">
        <FormControlLabel value="stay" control={<Radio />} label="They stay as they are" disabled={disabled} />
        <FormControlLabel
          value="follow"
          control={<Radio />}
          label="They change with the rest, and their teachers are asked to read again"
          disabled={disabled}
        />
      </RadioGroup>
    </div>
  );
}
