import { dayText } from '@/core/units';
import { listed } from '@/core/wording';
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
export function orderLine({ wrong: { was, now } }: { readonly wrong: Pick<Outcome['wrong'], 'was' | 'now'> }): string | null {
  if (was === now) return null;
  if (now === 0) return 'Nothing would be out of order any more.';
  return now === 1 ? 'One thing would want mending.' : `${now} things would want mending.`;
}

/**
 * Who is asked to read again, and what is not given out again, in sentences.
 * @example againLines(outcome) // ["Tue 8 Dec goes out again to Corin Vale, who had read it."]
 */
export function againLines({ again }: Pick<Outcome, 'again'>): string[] {
  const out = again.filter(({ held }) => !held);
  const teachers = [...new Set(out.map(({ teacher }) => teacher))];
  return [
    ...teachers.map((teacher) => {
      const own = out.filter((one) => one.teacher === teacher);
      const read = own.filter((one) => one.read);
      const had =
        read.length === 0
          ? ''
          : read.length < own.length
            ? `, who had read ${read.length} of them`
            : own.length === 1
              ? ', who had read it'
              : ', who had read them';
      return `${listed(own.map(({ date }) => dayText(date)))} ${own.length === 1 ? 'goes' : 'go'} out again to ${teacher}${had}.`;
    }),
    ...again
      .filter(({ held }) => held)
      .map(({ date }) => `${dayText(date)} changes, and a check stands against giving it out again: its teacher keeps what was read.`),
  ];
}
