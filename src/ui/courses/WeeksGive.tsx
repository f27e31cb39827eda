'use client';

import { useWatch, type Control, type FieldValues } from 'react-hook-form';
import { givenText } from '@/core/course';
import { dayText } from '@/core/units';
import { listed } from '@/core/wording';
import type { WeeksAsked } from '@/views/course';
import { useLibrary } from '../shell/Inside';
import styles from './CourseForm.module.css';
import { useWeeksGive } from './useWeeksGive';

const FIELDS = ['cohort', 'teacher', 'firstDate', 'weeks', 'weekdays', 'start', 'minutes', 'settled', 'goals', 'arc', 'already'] as const;

/** What the weeks of a request can give, beside the form, before anything is drafted. */
export function WeeksGive<F extends FieldValues>({ control, course = null }: { control: Control<F>; course?: string | null }) {
  const library = useLibrary();
  const values: FieldValues = useWatch({ control });
  const request = Object.fromEntries(FIELDS.flatMap((field) => (values[field] === undefined ? [] : [[field, values[field]]])));
  const { found, working, refused } = useWeeksGive({ ...request, course });
  const texts = found?.given.map((given) => givenText(given, library, found.asked.firstDate, found.asked.weeks, found.asked.counts)) ?? [];
  return (
    <aside className={`sheet ${styles.gives}`} aria-label="What these weeks can give" aria-busy={working}>
      <h2>What these weeks can give</h2>
      {found && !refused && <p className="small soft">{daysText(found.asked)}</p>}
      {refused && <p className="small">{refused}</p>}
      {!found && !refused && <p className="small soft">Working it out</p>}
      <ul className="plain lines" style={{ opacity: working || refused ? 0.55 : 1 }}>
        {texts.map(({ name, whole, says, beside }) => (
          <li key={name} className={whole ? undefined : styles.short}>
            <strong>{name}</strong> <span>{says}.</span>
            {beside.map((text) => (
              <span key={text} className="small soft" style={{ display: 'block' }}>
                {text[0].toUpperCase() + text.slice(1)}.
              </span>
            ))}
          </li>
        ))}
      </ul>
      <p className="small soft">
        As soon as it can be taught, with everything below it. A course that is spread over the weeks reaches it later, with more of them.
      </p>
    </aside>
  );
}

/** @example daysText(asked) // "12 classes, Tue 8 Dec – Fri 15 Jan. Fri 25 Dec falls out: winter closing." */
function daysText({ problem: { sessions }, out }: WeeksAsked): string {
  if (sessions.length === 0) return 'No class falls on these weekdays.';
  const [first, last] = [sessions[0].date, sessions.at(-1)!.date];
  const classes = sessions.length === 1 ? `One class, ${dayText(first)}.` : `${sessions.length} classes, ${dayText(first)} – ${dayText(last)}.`;
  const reasons = [...new Set(out.map(({ reason }) => reason))].map((reason) => {
    const days = out.filter((one) => one.reason === reason).map(({ date }) => dayText(date));
    return `${days.length > 3 ? `${days.length} classes fall` : `${listed(days)} ${days.length === 1 ? 'falls' : 'fall'}`} out: ${reason}.`;
  });
  return [classes, ...reasons].join(' ');
}
