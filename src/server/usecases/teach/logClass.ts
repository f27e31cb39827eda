import { ALL_SIGNS } from '@/core/screening';
import { CORRECTED_WITHIN_HOURS, type ClassLog } from '@/core/teach';
import { instantIn } from '@/core/units';
import { logForm, logId } from '@/forms';
import type { LogAnswer } from '@/views/teach';
import type { InferType } from 'yup';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import type { HeldReason } from '../../db/kinds';
import { inOne, type Desk, type Writing } from '../../desk';
import { Refusal } from '../../errors';
import { course, session as sessionById, type Session } from '../../repositories/courses';
import { progressOf } from '../../repositories/plans';
import { sessionsHandedTo } from '../../repositories/hands';
import { addLog, holdLog, logIsHere } from '../../repositories/logs';
import { peopleOf } from '../../repositories/people';
import { marksIn, takeMarks, takeSigns, type Mark } from '../signs/markSigns';
import { noteSign } from '../signs/noteSign';

/** How long before its hour a class may have begun, in minutes. */
const BEGINS_EARLY_MINUTES = 15;

type At = Writing<Desk['who']>;
type Said = Omit<InferType<typeof logForm>, 'marks'> & Pick<ClassLog, 'attendance' | 'unnamed'>;

/**
 * Keeps what a teacher logs after class. The device makes the id, so a log that is sent again, after the network came
 * back or from two tabs, is kept once. A log that cannot be taken as it is (somebody moved, the class is in other hands) is
 * kept as it came and waits for the director: what was seen in a room is never sent back. Its stop signs stand either way.
 */
export async function logClass(desk: Desk, input: unknown): Promise<LogAnswer> {
  authorise(desk.who, 'teach');
  const { id, by } = await checked(logId, input);
  if (by && by !== desk.who.id) throw new Refusal('another');
  return inOne(desk, async (at) => {
    const here = await logIsHere(at, id);
    if (here) return { kept: here === 'held' ? 'held' : 'again' };
    const form = await orNull(checked(logForm, input));
    const session = form && (await orNull(sessionById(at, form.session)));
    if (session && at.now < logFrom(at, session))
      throw new Refusal('late', `This class begins at ${session.start}. It can be logged once it has begun.`);
    const marks = (form?.marks ?? []).map((mark): Mark => ({ ...mark, person: mark.person ?? null, sign: mark.sign ?? null }));
    const said = form && marksIn(form, marks);
    const wrong = said && session ? await take(at, said, session) : 'unreadable';
    if (wrong) await holdLog(at, id, wrong, said, input);
    if (session) await takeMarks(at, session, marks);
    if (form) await takeSigns(at, session, form);
    else await takeSignsIn(at, input);
    return { kept: wrong ? 'held' : 'taken' };
  });
}

/** From when on a class may be logged: when it begins by the studio's clock, a little early at most. */
export function logFrom({ who }: Desk, { date, start }: Session): Date {
  return new Date(instantIn(who.zone, date, start).getTime() - BEGINS_EARLY_MINUTES * 60_000);
}

/** Stop signs in something that cannot be read as a log: nobody is named, and they stand all the same. */
async function takeSignsIn(at: At, input: unknown): Promise<void> {
  const text = JSON.stringify(input);
  const signs = ALL_SIGNS.filter((sign) => text.includes(sign));
  if (signs.length === 0) return;
  const sign = { id: at.newId(), person: null, session: null, member: null, date: at.today, signs, place: 'in a log that cannot be read' };
  await noteSign(at, sign, null, 'in a class whose log cannot be read');
}

/** Takes a log, or says why it cannot be taken as it is. */
async function take(at: At, said: Said, session: Session): Promise<HeldReason | null> {
  const { versions, handedTo, log } = (await progressOf(at, [session.id])).get(session.id)!;
  const plan = versions.find(({ id }) => id === said.plan);
  // The plan may have had a new version while the class ran without a network: any version that was in this teacher's hands will do.
  const own = plan !== undefined && (plan.teacher === at.who.id || handedTo === at.who.id || (await sessionsHandedTo(at, at.who.id)).has(session.id));
  // The director logs a class for the teacher who could not.
  const forAnother = !own && plan !== undefined && may(at.who.role, 'see reasons');
  if (!own && !forAnother) return 'not in their hands';
  const known = await peopleOf(at, (await course(at, session.course)).cohort);
  if (said.attendance.some(({ person }) => !known.has(person))) return 'strangers';
  const teacher = forAnother ? (handedTo ?? plan.teacher) : at.who.id;
  const corrected = log?.each.find(({ id, taughtBy, at: when }) => id === said.corrects && taughtBy === at.who.id && isStillOpen(when, at.now));
  const note = forAnother ? [`Logged by ${at.who.name}.`, said.note].filter(Boolean).join(' ') : said.note;
  await addLog(at, { ...said, note, corrects: corrected?.id ?? null }, teacher);
  return null;
}

/** A log can be put right for a day; after that, what is sent stands beside it. */
function isStillOpen(when: Date, now: Date): boolean {
  return now.getTime() - when.getTime() <= CORRECTED_WITHIN_HOURS * 3_600_000;
}

/** What was refused as nothing; anything that is not a refusal is a bug and goes on. */
async function orNull<T>(work: Promise<T>): Promise<T | null> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof Refusal) return null;
    throw error;
  }
}
