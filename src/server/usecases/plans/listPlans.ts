import { minutesUp, sessionTime, techniqueName } from '@/core/plan';
import { addDays } from '@/core/units';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { courses, progressOf, sessionsOf } from '../../repositories/courses';
import { cohorts } from '../../repositories/cohorts';
import { conventions, staff } from '../../repositories/studio';
import { stricterSince } from '../teach/stricterSince';
import { loggedText, stateOf } from '../courses/readCourse';

/** Sessions from a fortnight ago to four weeks ahead, with where each plan stands. */
export async function listPlans(desk: Desk) {
  authorise(desk.who, 'see plans');
  const [all, groups, everyone, { naturalBreath }] = await Promise.all([courses(desk), cohorts(desk), staff(desk), conventions(desk)]);
  const seen = all.filter(({ cohort }) => groups.some(({ id }) => id === cohort));
  const sessions = (
    await sessionsOf(
      desk,
      seen.map(({ id }) => id),
    )
  ).filter(({ date }) => date >= addDays(desk.today, -14) && date <= addDays(desk.today, 28));
  const progress = await progressOf(
    desk,
    sessions.map(({ id }) => id),
  );
  const again = await Promise.all(sessions.map(async (session) => (await stricterSince(desk, session, progress.get(session.id)!)).length > 0));
  return sessions.map((session, index) => {
    const at = progress.get(session.id);
    return {
      id: session.id,
      date: session.date,
      start: session.start,
      minutes: session.minutes,
      planned: minutesUp(sessionTime(session.blocks, naturalBreath)),
      course: seen.find(({ id }) => id === session.course)?.name ?? '',
      techniques: session.blocks.flatMap((block) => (block.kind === 'technique' ? [techniqueName(block)] : [])),
      // A plan that is to be read again is as good as not read.
      state: stateOf(session, at && again[index] ? { ...at, acknowledgedAt: null } : at, desk.today),
      number: at?.plan?.number ?? null,
      teacher: everyone.find(({ id }) => id === at?.plan?.teacher)?.name ?? null,
      logged: loggedText(at),
    };
  });
}
