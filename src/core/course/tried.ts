import type { IsoDate } from '../units';
import { checkCourse, type Check } from './checks';
import { edit } from './edits';
import type { CourseSession, Planning } from './types';

/**
 * Checks with those of their mends that do mend: each is made, looked at and thrown away. One is offered only where what it is about is
 * gone then, and nothing else came up instead.
 * @param sessions in order of time
 * @example withTriedMends(checkCourse(sessions, planning), sessions, planning, today)
 */
export function withTriedMends(checks: readonly Check[], sessions: readonly CourseSession[], planning: Planning, today: IsoDate): Check[] {
  const wrong = (of: readonly Check[]) => of.filter(({ severity }) => severity !== 'know').length;
  const before = wrong(checkCourse(sessions, planning));
  return checks.map((check) => {
    const { mend, severity, date } = check;
    if (!mend || severity === 'know' || date < today) return check;
    let made = 0;
    const done = edit(sessions, mend, { today, library: planning.basis.library, newId: () => `tried ${(made += 1)}` });
    if (!done.ok) return { ...check, mend: null };
    const now = new Map(done.edited.map(({ session, blocks }) => [session, blocks]));
    const after = checkCourse(
      sessions.map((session) => (now.has(session.id) ? { ...session, blocks: now.get(session.id)! } : session)),
      planning,
    );
    return wrong(after) < before ? check : { ...check, mend: null };
  });
}
