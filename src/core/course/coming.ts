import type { Alike } from '../forecast';
import type { Comer, CourseSession } from './types';

/** How each of some people comes to each class: 1 or 0 where it is known, else as they usually come. @example comingOf(sessions, comers)[0] // [1, 0, 0.8] */
export function comingOf(sessions: readonly Pick<CourseSession, 'id'>[], comers: readonly Comer[]): number[][] {
  return comers.map(({ rate, came }) => sessions.map(({ id }) => (id in came ? Number(came[id]) : rate)));
}

/** The same, with those who come alike together: nothing of who will be ready hangs on who they are. */
export function alike(sessions: readonly Pick<CourseSession, 'id'>[], comers: readonly Comer[]): Alike[] {
  const groups = new Map<string, { people: number; comes: readonly number[] }>();
  for (const comes of comingOf(sessions, comers)) {
    const key = comes.join();
    const found = groups.get(key);
    if (found) found.people += 1;
    else groups.set(key, { people: 1, comes });
  }
  return [...groups.values()];
}
