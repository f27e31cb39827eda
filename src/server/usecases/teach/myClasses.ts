import { blockName, minutesUp, sessionTime, techniquesIn } from '@/core/plan';
import { addDays, mondayOf } from '@/core/units';
import type { TeachingClass } from '@/views/teach';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { untilChanged } from '../../untilChanged';
import { allSessionsById, courses } from '../../repositories/courses';
import { progressOf } from '../../repositories/plans';
import { sessionsHandedTo } from '../../repositories/hands';
import { unlogged } from '../../repositories/logs';
import { conventions } from '../../repositories/studio';
import { loggedText, stateOf } from '../courses/readCourse';
import { stricterSince } from './stricterSince';

/** The signed-in teacher's classes, from this week's Monday to the end of next week, and older ones still to be logged. */
export async function myClasses(desk: Desk): Promise<TeachingClass[]> {
  authorise(desk.who, 'teach');
  return untilChanged(desk, `classes of ${desk.who.id}`, 'everything', (at) => classesNow(at));
}

async function classesNow(desk: Desk): Promise<TeachingClass[]> {
  const [handed, all, studio] = await Promise.all([sessionsHandedTo(desk, desk.who.id), courses(desk), conventions(desk)]);
  const here = new Set(all.map(({ id }) => id));
  const mine = (await allSessionsById(desk, [...handed])).filter(({ course }) => here.has(course));
  const monday = mondayOf(desk.today);
  // What is over and logged is asked for nowhere here.
  const old = await unlogged(
    desk,
    mine.filter(({ date, cancelled }) => date < monday && !cancelled).map(({ id }) => id),
  );
  const maybe = mine.filter(({ id, date }) => old.has(id) || (date >= monday && date < addDays(monday, 14)));
  const progress = await progressOf(
    desk,
    maybe.map(({ id }) => id),
  );
  const own = maybe.filter(({ id }) => progress.get(id)?.plan?.teacher === desk.who.id);
  const shown = own.filter(
    ({ id, date, cancelled }) => (date >= monday && date < addDays(monday, 14)) || (date < desk.today && !cancelled && !progress.get(id)?.log),
  );
  const stricter = await Promise.all(shown.map((session) => stricterSince(desk, session, progress.get(session.id)!)));
  return shown.map((session, index) => {
    const at = progress.get(session.id)!;
    const blocks = at.plan?.blocks ?? [];
    return {
      id: session.id,
      courseId: session.course,
      date: session.date,
      start: session.start,
      minutes: minutesUp(sessionTime(blocks, studio)),
      course: all.find(({ id }) => id === session.course)?.name ?? '',
      techniques: techniquesIn(blocks).map((block) => blockName(block, studio.library)),
      number: at.plan?.number ?? 0,
      again: stricter[index].length > 0,
      state: stateOf(session, stricter[index].length > 0 ? { ...at, acknowledgedAt: null } : at, desk.today),
      today: session.date === desk.today,
      thisWeek: session.date < addDays(monday, 7),
      logged: session.cancelled ? `cancelled: ${session.cancelled.reason ?? 'no longer asked for'}` : loggedText(at),
    };
  });
}
