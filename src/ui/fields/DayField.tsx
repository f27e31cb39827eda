'use client';

import IconButton from '@mui/material/IconButton';
import InputAdornment from '@mui/material/InputAdornment';
import Popover from '@mui/material/Popover';
import { AdapterDateFns } from '@mui/x-date-pickers/AdapterDateFns';
import { DateCalendar } from '@mui/x-date-pickers/DateCalendar';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import { format, parseISO } from 'date-fns';
import { enGB } from 'date-fns/locale/en-GB';
import { useState } from 'react';
import { addDays, dayText, isIsoDate, isoDate, longDayText, readDay, type IsoDate } from '@/core/units';
import { useToday } from '../shell/Inside';
import { TypedField } from './TypedField';
import type { FieldProps } from './types';

/**
 * A day: "Mon 30 Nov". Takes 30/11, next mon or in 3 weeks as well, or one from the calendar, whose weeks begin on Monday.
 */
export function DayField({
  label,
  value,
  onChange,
  placeholder = '30/11, next mon',
  ...rest
}: FieldProps<string> & { readonly placeholder?: string }) {
  const today = useToday();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const known = isIsoDate(value) ? isoDate(value) : null;
  const calendar = (
    <InputAdornment position="end">
      <IconButton
        size="small"
        aria-label={`Calendar for ${label}`}
        // Whatever is left by it must not move the page under the press.
        onMouseDown={(event) => event.preventDefault()}
        onClick={(event) => setAnchor(event.currentTarget.closest<HTMLElement>('.MuiInputBase-root'))}
      >
        <Leaf />
      </IconButton>
    </InputAdornment>
  );
  return (
    <>
      <TypedField
        {...rest}
        label={label}
        value={value}
        onChange={onChange}
        read={(text) => readDay(text, today)}
        show={(day) => (isIsoDate(day) ? shown(isoDate(day), today) : null)}
        step={(day, by) => addDays(isoDate(day), by)}
        unread="No day that reads: 30/11, Mon 30 Nov or next mon."
        placeholder={placeholder}
        end={calendar}
      />
      <Popover open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)} anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}>
        <LocalizationProvider dateAdapter={AdapterDateFns} adapterLocale={enGB}>
          <DateCalendar
            autoFocus
            value={parseISO(known ?? today)}
            onChange={(day, _, view) => {
              if (!day) return;
              onChange(format(day, 'yyyy-MM-dd'));
              if (view === undefined || view === 'day') setAnchor(null);
            }}
          />
        </LocalizationProvider>
      </Popover>
    </>
  );
}

/** With its year only where it is not this one's. */
function shown(day: IsoDate, today: IsoDate): string {
  return day.slice(0, 4) === today.slice(0, 4) ? dayText(day) : longDayText(day);
}

/** A leaf of a calendar. */
function Leaf() {
  return (
    <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
      <path d="M2.5 4h13v11h-13zM2.5 7.5h13M6 2v3M12 2v3" fill="none" stroke="currentColor" strokeWidth="1.5" />
    </svg>
  );
}
