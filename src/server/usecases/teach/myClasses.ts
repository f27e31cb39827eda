import { minutesUp, sessionTime, techniqueName } from '@/core/plan';
import { addDays, mondayOf } from '@/core/units';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { PlanRow } from '../../db/rows';
import { courses, progressOf, sessionsOf } from '../../repositories/courses';
import { conventions, ours } from '../../repositories/studio';
import { stricterSince } from './stricterSince';
import { loggedText, stateOf } from '../courses/readCourse';

/** The signed-in teacher's classes, from this week's Monday to the end of next week, and older ones still to be logged. */
export async function myClasses(desk: Desk) {
  authorise(desk.who, 'teach');
  const handed = await desk.em.find(PlanRow, { teacher: desk.who.id, ...ours(desk) }, { fields: ['session'] });
  const ids = new Set(handed.map(({ session }) => session));
  const [all, { naturalBreath }] = await Promise.all([courses(desk), conventions(desk)]);
  const sessions = (
    await sessionsOf(
      desk,
      all.map(({ id }) => id),
    )
  ).filter(({ id }) => ids.has(id));
  const progress = await progressOf(
    desk,
    sessions.map(({ id }) => id),
  );
  const monday = mondayOf(desk.today);
  const own = sessions.filter(({ id }) => progress.get(id)?.plan?.teacher === desk.who.id);
  const shown = own.filter(({ id, date }) => (date >= monday && date < addDays(monday, 14)) || (date < desk.today && !progress.get(id)?.log));
  const stricter = await Promise.all(shown.map((session) => stricterSince(desk, session, progress.get(session.id)!)));
  return shown.map((session, index) => {
    const at = progress.get(session.id)!;
    const blocks = at.plan?.blocks ?? [];
    return {
      id: session.id,
      date: session.date,
      start: session.start,
      minutes: minutesUp(sessionTime(blocks, naturalBreath)),
      course: all.find(({ id }) => id === session.course)?.name ?? '',
      techniques: blocks.flatMap((block) => (block.kind === 'technique' ? [techniqueName(block)] : [])),
      number: at.plan?.number ?? 0,
      /** Read, and to be read again: instructions became stricter since. */
      again: stricter[index].length > 0,
      state: stateOf(session, stricter[index].length > 0 ? { ...at, acknowledgedAt: null } : at, desk.today),
      today: session.date === desk.today,
      thisWeek: session.date < addDays(monday, 7),
      logged: loggedText(at),
    };
  });
}

/** How far a class may lie ahead and still be opened to be taught. */
export type TeachingClass = Awaited<ReturnType<typeof myClasses>>[number];
