import { dayText } from '@/core/units';
import type { Outcome } from '@/views/course';

/**
 * What a change costs or gives, goal by goal, in sentences; goals that stay where they are are left out.
 * @example goalLines(outcome) // ["4:7:8 is reached on Fri 18 Dec instead of Tue 15 Dec.", "27 pumps has no place any more."]
 */
export function goalLines({ goals }: Pick<Outcome, 'goals'>): string[] {
  return goals.flatMap(({ name, was, now, asked }) => {
    if (!asked) return [`${name} is no longer asked for.`];
    if (was === now) return [];
    if (now === null) return [`${name} has no place any more.`];
    return was === null ? [`${name} is reached on ${dayText(now)}.`] : [`${name} is reached on ${dayText(now)} instead of ${dayText(was)}.`];
  });
}

/** What else changes: how much is out of order. @example orderLine({ wrong: { was: 0, now: 2 } }) // "2 things would want mending." */
export function orderLine({ wrong: { was, now } }: Pick<Outcome, 'wrong'>): string | null {
  if (was === now) return null;
  if (now === 0) return 'Nothing would be out of order any more.';
  return now === 1 ? 'One thing would want mending.' : `${now} things would want mending.`;
}
