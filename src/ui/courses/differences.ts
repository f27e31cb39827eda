import { dayText } from '@/core/units';
import type { CourseView } from '@/views/course';

/**
 * What a course has now that it had not when it was seen, in words: moved, new, gone, published.
 * @example differences(seen, now) // ["Equal 4:4 moved from Tue 1 Dec to Fri 4 Dec"]
 */
export function differences(seen: Pick<CourseView, 'sessions'>, now: Pick<CourseView, 'sessions'>): string[] {
  const [before, after] = [placed(seen), placed(now)];
  const lines = [...after].flatMap(([id, { name, dose, date }]) => {
    const was = before.get(id);
    if (!was) return [`${name} came in on ${dayText(date)}`];
    if (was.date !== date) return [`${name} moved from ${dayText(was.date)} to ${dayText(date)}`];
    return was.dose === dose ? [] : [`${name} on ${dayText(date)}: ${was.dose} → ${dose}`];
  });
  const gone = [...before].filter(([id]) => !after.has(id)).map(([, { name, date }]) => `${name} left out on ${dayText(date)}`);
  const published = now.sessions
    .filter(({ id, fixed }) => fixed && seen.sessions.some((one) => one.id === id && !one.fixed))
    .map(({ date }) => `${dayText(date)} was published`);
  return [...lines, ...gone, ...published];
}

function placed({ sessions }: Pick<CourseView, 'sessions'>) {
  return new Map(sessions.flatMap(({ date, techniques }) => techniques.map(({ id, name, dose }) => [id, { name, dose, date }] as const)));
}
