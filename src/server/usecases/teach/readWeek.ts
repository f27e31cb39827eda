import { newSince } from '@/core/course';
import { blockName, changesBetween, saidAgain, techniquesIn, voiceChanges } from '@/core/plan';
import { isAway } from '@/core/staff';
import { addDays, isIsoDate, isoDate, mondayOf, type IsoDate } from '@/core/units';
import type { WeekView } from '@/views/week';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { untilChanged } from '../../untilChanged';
import { cohorts } from '../../repositories/cohorts';
import { courses, weekOfSessions } from '../../repositories/courses';
import { progressOf } from '../../repositories/plans';
import { unreadNotes } from '../../repositories/notes';
import { aways, staffToday } from '../../repositories/staff';
import { conventions } from '../../repositories/studio';
import { loggedText, stateOf } from '../courses/readCourse';
import { houseOf } from '../setting';
import { stricterSince } from './stricterSince';

/** How far back the class before one is looked for, in days. */
const BEFORE_DAYS = 70;

/**
 * The classes of a week: everybody's for whoever hands classes over, one's own otherwise.
 * @param withFresh whether it is said what is new in each since the class before
 */
export async function readWeek(desk: Desk, week: string | null, withFresh = true): Promise<WeekView> {
  authorise(desk.who, 'teach');
  const monday = mondayOf(week && isIsoDate(week) ? isoDate(week) : desk.today);
  return untilChanged(desk, `week ${monday} for ${desk.who.id}${withFresh ? '' : ', in short'}`, 'everything', (at) =>
    weekNow(at, monday, withFresh),
  );
}

async function weekNow(desk: Desk, monday: IsoDate, withFresh: boolean): Promise<WeekView> {
  const whole = may(desk.who.role, 'hand over');
  const from = withFresh ? addDays(monday, -BEFORE_DAYS) : monday;
  const [all, studio, staff, seeing, sessions] = await Promise.all([
    courses(desk),
    conventions(desk),
    staffToday(desk),
    cohorts(desk),
    weekOfSessions(desk, from, addDays(monday, 6)),
  ]);
  const visible = new Set(seeing.map(({ id }) => id));
  const here = new Set(all.map(({ id }) => id));
  const every = sessions.filter(({ course }) => here.has(course));
  const inWeek = every.filter(({ date, cancelled }) => date >= monday && date < addDays(monday, 7) && cancelled?.reason !== null);
  const ids = inWeek.map(({ id }) => id);
  const [progress, unread, away] = await Promise.all([progressOf(desk, ids), unreadNotes(desk, ids), aways(desk, monday)]);
  const courseOf = (session: { readonly course: string }) => all.find(({ id }) => id === session.course)!;
  const holderOf = (session: (typeof inWeek)[number]) => progress.get(session.id)!.handedTo ?? courseOf(session).teacher;
  const seen = inWeek.filter((session) => whole || (holderOf(session) === desk.who.id && session.blocks.length > 0));
  const rows = await Promise.all(
    seen.map(async (session) => {
      const at = progress.get(session.id)!;
      const [course, holder] = [courseOf(session), holderOf(session)];
      const house = await houseOf(desk, course.cohort);
      const teacher = staff.find(({ id }) => id === holder) ?? null;
      const ahead = session.date >= desk.today && !session.cancelled && !at.log;
      const again = ahead && (await stricterSince(desk, session, at)).length > 0;
      const before = every.findLast(
        (one) => one.course === session.course && !one.cancelled && one.date + one.start < session.date + session.start && one.blocks.length > 0,
      );
      const facts = ({ blocks }: typeof session) => ({
        techniques: techniquesIn(blocks).map((block) => ({ ...block, name: blockName(block, studio.library) })),
      });
      return {
        id: session.id,
        version: session.version,
        courseId: course.id,
        course: course.name,
        date: session.date,
        start: session.start,
        minutes: session.minutes,
        teacher: teacher?.name ?? null,
        mine: holder === desk.who.id,
        opens: whole && visible.has(course.cohort),
        nobody: !ahead ? null : !teacher ? ('has left' as const) : isAway(away, holder, session) ? ('is away' as const) : null,
        state: stateOf(session, again ? { ...at, acknowledgedAt: null } : at, desk.today),
        number: at.plan?.number ?? null,
        changed:
          ahead &&
          at.plan !== null &&
          [...voiceChanges(at.plan, saidAgain(session, at.plan)), ...changesBetween(at.plan.blocks, session.blocks, house)].length > 0,
        again: again && at.acknowledgedAt !== null,
        logged: loggedText(at),
        cancelled: session.cancelled?.reason ?? null,
        fresh: !withFresh ? '' : before ? newSince(facts(before), facts(session)).join('; ') : 'the first class',
        unread: unread.get(session.id) ?? 0,
      };
    }),
  );
  return { monday, today: desk.today, rows, whole, mayEdit: may(desk.who.role, 'edit plans') };
}
