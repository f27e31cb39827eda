import { isAway, overlap, type Away } from '../staff';
import type { IsoDate } from '../units';
import { listed } from '../wording';
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

/** Who has which class in hand. */
export interface InHand {
  /** By class; null where nobody has it. */
  readonly of: (session: CourseSession) => { readonly id: string; readonly name: string } | null;
  readonly aways: readonly Away[];
}

/**
 * What is wrong with the days of classes: closed ones, other classes of the same cohort or teacher at the same time, a teacher who is
 * away, and none at all.
 */
export function aroundChecks(
  sessions: readonly CourseSession[],
  closures: readonly Closure[],
  elsewhere: (session: CourseSession) => readonly Elsewhere[],
  hands: InHand,
): Check[] {
  return sessions.flatMap((session): Check[] => {
    const closure = closureOn(closures, session.date);
    const clashes = elsewhere(session).filter((one) => overlap(session, one));
    const teacher = hands.of(session);
    const away = teacher && isAway(hands.aways, teacher.id, session);
    return [
      ...(teacher && !away ? [] : [finding(session, { code: 'nobody', away: teacher?.name ?? null })]),
      ...(closure ? [finding(session, { code: 'closed', reason: closure.reason })] : []),
      ...(['cohort', 'teacher'] as const).flatMap((shares) => {
        const names = [...new Set(clashes.filter((one) => one.shares === shares).map(({ name }) => name))];
        return names.length === 0 ? [] : [finding(session, { code: 'same time', name: several(names), shares })];
      }),
    ];
  });
}

/** How many are named before the rest are counted. */
const NAMED = 3;

const several = (names: readonly string[]) =>
  listed(names.length <= NAMED ? names : [...names.slice(0, NAMED - 1), `${names.length - NAMED + 1} others`]);
