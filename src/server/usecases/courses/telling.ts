import { dayText } from '@/core/units';
import type { Staff } from '../../auth/actors';
import type { Writing } from '../../desk';
import { addPlan, progressOf, type ClassFacts, type Course, type Session } from '../../repositories/courses';
import { addMail } from '../../repositories/mails';
import { staff } from '../../repositories/staff';

/**
 * A published plan goes out once more, with what has changed about its class, and waits to be read again.
 * @param session as it was before the change, which counted its version up by one
 */
export async function askAgain(at: Writing<Staff>, session: Session, to: Partial<ClassFacts>): Promise<void> {
  const plan = (await progressOf(at, [session.id])).get(session.id)?.plan;
  if (!plan) return;
  const { blocks, teacher, purpose, note } = plan;
  const { date = session.date, start = session.start, minutes = session.minutes } = to;
  const changes = [
    ...(session.cancelled && to.cancelled === null ? ['held after all'] : []),
    ...(date === session.date ? [] : [`moved from ${dayText(session.date)} to ${dayText(date)}`]),
    ...(start === session.start ? [] : [`at ${start} instead of ${session.start}`]),
    ...(minutes === session.minutes ? [] : [`${minutes} minutes instead of ${session.minutes}`]),
  ];
  if (changes.length > 0) await addPlan(at, { ...session, version: session.version + 1 }, { blocks, teacher, purpose, note, changes });
}

/** Whoever a cancelled class was handed to, or the course's teacher, gets a word. */
export async function tellCancelled(
  at: Writing<Staff>,
  found: Pick<Course, 'name' | 'teacher'>,
  lost: readonly { readonly session: Session; readonly reason: string }[],
): Promise<void> {
  if (lost.length === 0) return;
  const progress = await progressOf(
    at,
    lost.map(({ session }) => session.id),
  );
  const everyone = await staff(at);
  const handed = (session: Session) => progress.get(session.id)?.plan?.teacher ?? found.teacher;
  for (const teacher of new Set(lost.map(({ session }) => handed(session)))) {
    const to = everyone.find(({ id }) => id === teacher);
    if (!to || to.id === at.who.id) continue;
    const lines = lost
      .filter(({ session }) => handed(session) === teacher)
      .map(({ session, reason }) => `${dayText(session.date)}, ${session.start}: ${reason}`);
    const subject = `${found.name}: ${lines.length === 1 ? 'a class is' : `${lines.length} classes are`} cancelled`;
    const body = [subject, '', ...lines, '', 'The plan is no longer in your hands for these.'].join('\n');
    await addMail(at, { person: null, address: to.email, subject, body });
  }
}
