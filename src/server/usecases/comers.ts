import type { Comer } from '@/core/course';
import type { LoggedClass } from '../repositories/logs';

/** Attendance where nothing is known of it, and how many classes of a cohort, or of a person, that is worth. */
const USUAL = 0.8;
const WORTH = { cohort: 10, person: 4 } as const;

/** A rate is an estimate: to a twentieth. Those who come alike are so counted together. */
const STEPS = 20;

/** How each member comes, by the logs of a course: their own record, with the cohort's as what is expected of them. */
export function comersOf(members: readonly { readonly id: string }[], logs: ReadonlyMap<string, LoggedClass>): Comer[] {
  const logged = [...logs].flatMap(([session, { attendance }]) => attendance.map((one) => ({ ...one, session })));
  const cameOf = (of: typeof logged) => of.filter(({ came }) => came).length;
  const mean = (cameOf(logged) + USUAL * WORTH.cohort) / (logged.length + WORTH.cohort);
  return members.map(({ id }) => {
    const own = logged.filter(({ person }) => person === id);
    const rate = (cameOf(own) + mean * WORTH.person) / (own.length + WORTH.person);
    // Whoever a log does not name was not in the room.
    const came = Object.fromEntries([...logs.keys()].map((session) => [session, own.some((one) => one.session === session && one.came)]));
    return { rate: Math.round(rate * STEPS) / STEPS, came };
  });
}
