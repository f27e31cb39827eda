import type { IsoDate } from '../units';
import { finding, type Check } from './checks';
import type { Closure } from './dates';
import { closureOn } from './dates';
import type { CourseSession } from './types';

/** A class of whatever course, as far as it can stand in another one's way. */
export interface Elsewhere {
  readonly date: IsoDate;
  readonly start: string;
  readonly minutes: number;
  /** What course it belongs to, in words. */
  readonly name: string;
  /** What it has in common with the course that is checked. */
  readonly shares: 'cohort' | 'teacher';
}

/** Minutes since midnight. @example minuteOf('05:45') // 345 */
function minuteOf(start: string): number {
  const [hour, minute] = start.split(':').map(Number);
  return hour * 60 + minute;
}

/** Whether two classes run at the same time; one that begins as another ends does not. */
export function overlap(a: Pick<Elsewhere, 'date' | 'start' | 'minutes'>, b: Pick<Elsewhere, 'date' | 'start' | 'minutes'>): boolean {
  const [from, other] = [minuteOf(a.start), minuteOf(b.start)];
  return a.date === b.date && from < other + b.minutes && other < from + a.minutes;
}

/** What is wrong with the days of classes: closed ones, and other classes of the same cohort or teacher at the same time. */
export function aroundChecks(sessions: readonly CourseSession[], closures: readonly Closure[], elsewhere: readonly Elsewhere[]): Check[] {
  return sessions.flatMap((session): Check[] => {
    const closure = closureOn(closures, session.date);
    const clashes = elsewhere.filter((one) => overlap(session, one));
    return [
      ...(closure ? [finding(session, { code: 'closed', reason: closure.reason })] : []),
      ...clashes.map(({ name, shares }) => finding(session, { code: 'same time', name, shares })),
    ];
  });
}
