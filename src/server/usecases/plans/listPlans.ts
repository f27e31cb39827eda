import { blockName, minutesUp, sessionTime, techniquesIn } from '@/core/plan';
import { addDays } from '@/core/units';
import type { PlanLine } from '@/views/plan';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { untilChanged } from '../../untilChanged';
import { cohorts } from '../../repositories/cohorts';
import { courses, sessionsBetween } from '../../repositories/courses';
import { progressOf } from '../../repositories/plans';
import { staff } from '../../repositories/staff';
import { conventions } from '../../repositories/studio';
import { loggedText, stateOf } from '../courses/readCourse';
import { stricterSince } from '../teach/stricterSince';

/** How far back and ahead plans are listed, in days. */
const BACK = 14;
const AHEAD = 28;

/** Sessions from a fortnight ago to four weeks ahead, with where each plan stands. */
export async function listPlans(desk: Desk): Promise<PlanLine[]> {
  authorise(desk.who, 'see plans');
  return untilChanged(desk, `plans for ${desk.who.id}`, 'everything', (at) => plansNow(at));
}

async function plansNow(desk: Desk): Promise<PlanLine[]> {
  const [all, groups, everyone, studio] = await Promise.all([courses(desk), cohorts(desk), staff(desk), conventions(desk)]);
  const seen = all.filter(({ cohort }) => groups.some(({ id }) => id === cohort));
  const between = await sessionsBetween(desk, addDays(desk.today, -BACK), addDays(desk.today, AHEAD));
  const sessions = between.filter(({ course }) => seen.some(({ id }) => id === course));
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
      planned: minutesUp(sessionTime(session.blocks, studio)),
      course: seen.find(({ id }) => id === session.course)?.name ?? '',
      techniques: techniquesIn(session.blocks).map((block) => blockName(block, studio.library)),
      // A plan that is to be read again is as good as not read.
      state: stateOf(session, at && again[index] ? { ...at, acknowledgedAt: null } : at, desk.today),
      number: at?.plan?.number ?? null,
      teacher: everyone.find(({ id }) => id === at?.plan?.teacher)?.name ?? null,
      logged: loggedText(at),
      unsettled: at?.log?.unsettled ?? false,
    };
  });
}
