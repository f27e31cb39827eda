'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { CALENDAR_LIMITS } from '@/core/exchange';
import { dayText } from '@/core/units';
import type { CalendarPreview } from '@/views/files';
import { FileField } from '../fields';
import { Refusal } from '../forms/fields';
import { useOnce } from '../forms/once';
import { sendFile } from '../forms/sendFile';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';

type Preview = CalendarPreview & { readonly text: string };

const SAYS = {
  closures: { label: 'Closed days from a calendar file', none: 'No whole day in it is new and still to come.', what: 'days are closed now' },
  busy: { label: 'Busy times from a calendar file', none: 'No time in it is new and still to come.', what: 'times came in' },
} as const;
/** How many lines of a file are shown. */
const SHOWN = 20;

/** Closed days, or when one is away, from a calendar's file: looked through first, all of it or nothing. */
export function CalendarFile({ as }: { as: 'closures' | 'busy' }) {
  const say = useNotice();
  const [preview, setPreview] = useState<Preview | null>(null);
  const [tooLarge, setTooLarge] = useState(false);
  const { run, refusal, busy, refresh } = useAction();
  const once = useOnce();
  const look = async (file: File) => {
    setPreview(null);
    setTooLarge(file.size > CALENDAR_LIMITS.characters);
    if (file.size > CALENDAR_LIMITS.characters) return;
    const text = await file.text();
    const reply = await run(() => sendFile<CalendarPreview>('calendar-preview', { once: once.id(), text, as }));
    if (reply?.ok) setPreview({ text, ...reply.value });
  };
  const bring = async ({ text }: Preview) => {
    const reply = await run(() => sendFile<{ added: number }>('calendar', { once: once.id(), text, as }));
    if (!reply?.ok) return;
    once.done();
    setPreview(null);
    say(`${reply.value.added} ${SAYS[as].what}.`);
    refresh();
  };
  return (
    <div className="stack">
      <FileField label={SAYS[as].label} accept=".ics,text/calendar" disabled={busy} onChange={(file) => void look(file)} />
      <Refusal message={tooLarge ? 'This calendar is too large: two million characters at most. Take a shorter time out of it.' : refusal} />
      {preview && (
        <div className={preview.problems.length > 0 ? 'note bad small' : 'note small'} role="status">
          {preview.problems.length > 0 ? (
            <>
              <p>
                <strong>Nothing came in.</strong>
              </p>
              <ul>
                {preview.problems.slice(0, SHOWN).map(({ event, message }) => (
                  <li key={`${event} ${message}`}>{event ? `${event}: ${message}` : message}</li>
                ))}
              </ul>
            </>
          ) : preview.spans.length === 0 ? (
            <p>{SAYS[as].none}</p>
          ) : (
            <>
              <ul>
                {preview.spans.slice(0, SHOWN).map(({ title, from, until, fromTime, untilTime }) => (
                  <li key={`${from} ${fromTime} ${title}`}>
                    <span className="num">
                      {dayText(from)}
                      {until !== from && ` – ${dayText(until)}`}
                      {fromTime && `, ${fromTime}–${untilTime}`}
                    </span>{' '}
                    {as === 'closures' && title}
                  </li>
                ))}
              </ul>
              {preview.spans.length > SHOWN && <p>… and {preview.spans.length - SHOWN} more.</p>}
              <Button size="small" variant="contained" disabled={busy} onClick={() => void bring(preview)}>
                Bring {preview.spans.length === 1 ? 'it' : `all ${preview.spans.length}`} in
              </Button>
            </>
          )}
        </div>
      )}
    </div>
  );
}
