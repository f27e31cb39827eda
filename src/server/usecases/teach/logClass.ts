import { callsForHelp } from '@/core/screening';
import { CORRECTED_WITHIN_HOURS } from '@/core/teach';
import { logForm, logId } from '@/forms';
import type { LogAnswer } from '@/views/teach';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import type { HeldReason } from '../../db/kinds';
import { inOne, type Desk, type Writing } from '../../desk';
import { Refusal } from '../../errors';
import { course, progressOf, session as sessionById } from '../../repositories/courses';
import { sessionsHandedTo } from '../../repositories/hands';
import { addLog, holdLog, logIsHere } from '../../repositories/logs';
import { peopleNames, peopleOf } from '../../repositories/people';
import { tellDirectors } from '../tellDirectors';

/**
 * Keeps what a teacher logs after class. The device makes the id, so a log that is sent again, after the network came
 * back or from two tabs, is kept once. A log that cannot be taken as it is (somebody moved, the class is in other hands) is
 * kept as it came and waits for the director: what was seen in a room is never sent back.
 */
export async function logClass(desk: Desk, input: unknown): Promise<LogAnswer> {
  authorise(desk.who, 'teach');
  const { id } = await checked(logId, input);
  return inOne(desk, async (at) => {
    const here = await logIsHere(at, id);
    if (here) return { kept: here === 'held' ? 'held' : 'again' };
    const wrong = await take(at, input);
    if (wrong) await holdLog(at, id, wrong, input);
    await tellOfHelp(at, input);
    return { kept: wrong ? 'held' : 'taken' };
  });
}

/** Where something called for help the directors hear of it, whether the log could be taken or waits. */
async function tellOfHelp(at: Writing<Desk['who']>, input: unknown): Promise<void> {
  const form = await orNull(checked(logForm, input));
  const called = form?.attendance.filter(({ stopSigns }) => callsForHelp(stopSigns)) ?? [];
  if (called.length === 0) return;
  const names = await peopleNames(at);
  for (const { person } of called) {
    const name = names.get(person) ?? 'Somebody';
    await tellDirectors(at, name, [
      `${at.who.name} logged of a class that something called for help with ${name}.`,
      '',
      'Ask them how they are. What was marked stands in the log of the class.',
    ]);
  }
}

/** Takes a log, or says why it cannot be taken as it is. */
async function take(at: Writing<Desk['who']>, input: unknown): Promise<HeldReason | null> {
  const form = await orNull(checked(logForm, input));
  const session = form && (await orNull(sessionById(at, form.session)));
  if (!session) return 'unreadable';
  const { versions, handedTo, log } = (await progressOf(at, [form.session])).get(form.session)!;
  const plan = versions.find(({ id }) => id === form.plan);
  // The plan may have had a new version while the class ran without a network: any version that was in this teacher's hands will do.
  const own = plan !== undefined && (plan.teacher === at.who.id || handedTo === at.who.id || (await sessionsHandedTo(at, at.who.id)).has(session.id));
  // The director logs a class for the teacher who could not.
  const forAnother = !own && plan !== undefined && may(at.who.role, 'see reasons');
  if (!own && !forAnother) return 'not in their hands';
  if (session.date > at.today) return 'not yet';
  const known = await peopleOf(at, (await course(at, session.course)).cohort);
  if (form.attendance.some(({ person }) => !known.has(person))) return 'strangers';
  const teacher = forAnother ? (handedTo ?? plan.teacher) : at.who.id;
  const corrected = log?.each.find(({ id, taughtBy, at: when }) => id === form.corrects && taughtBy === at.who.id && isStillOpen(when, at.now));
  const note = forAnother ? [`Logged by ${at.who.name}.`, form.note].filter(Boolean).join(' ') : form.note;
  await addLog(at, { ...form, note, corrects: corrected?.id ?? null }, teacher);
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
