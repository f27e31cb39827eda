import { dayText } from '@/core/units';
import type { Staff } from '../../auth/actors';
import { afresh, type Writing } from '../../desk';
import { type ClassFacts, type Course, type Session } from '../../repositories/courses';
import { addPlan, progressOf } from '../../repositories/plans';
import { addMail } from '../../repositories/mails';
import { staff } from '../../repositories/staff';

/** What somebody who teaches hears of: a letter each, once for all that a change did, and never of what they did themselves. */
type News = 'cancelled' | 'held after all' | 'changed' | 'to read';

interface Told {
  readonly course: string;
  readonly news: News;
  readonly line: string;
}

const SUBJECT: Readonly<Record<News, (classes: number) => string>> = {
  cancelled: (classes) => (classes === 1 ? 'a class is cancelled' : `${classes} classes are cancelled`),
  'held after all': (classes) => (classes === 1 ? 'a class is held after all' : `${classes} classes are held after all`),
  changed: (classes) => (classes === 1 ? 'a class has changed' : `${classes} classes have changed`),
  'to read': (classes) => (classes === 1 ? 'a plan waits to be read' : `${classes} plans wait to be read`),
};

const AFTER: Readonly<Record<News, string>> = {
  cancelled: 'The plan is no longer in your hands for these.',
  'held after all': 'They are in your hands as before. What is published of them waits to be read again in Teach.',
  changed: 'The plan waits to be read again in Teach.',
  'to read': 'You find them in Teach.',
};

const letters = new WeakMap<Writing['atEnd'], Map<string, Told[]>>();

/** Tells somebody of the staff something, in the one letter that goes out when all of the change is done. */
export function tellTeacher(at: Writing<Staff>, to: string, told: Told): void {
  if (to === at.who.id) return;
  const all = letters.get(at.atEnd) ?? new Map<string, Told[]>();
  letters.set(at.atEnd, all);
  all.set(to, [...(all.get(to) ?? []), told]);
  at.atEnd.set('letters to teachers', () => send(afresh(at), all));
}

async function send(at: Writing<Staff>, all: ReadonlyMap<string, readonly Told[]>): Promise<void> {
  const everyone = await staff(at);
  for (const [id, told] of all) {
    const to = everyone.find((one) => one.id === id && one.leftAt === null);
    if (!to) continue;
    const parts = partsOf(told);
    const subjectOf = ({ course, news, lines }: Part) => `${course}: ${SUBJECT[news](lines.length)}`;
    const subject = parts.length === 1 ? subjectOf(parts[0]) : `${parts[0].course}: what has changed`;
    const body = parts.flatMap((part) => [subjectOf(part), '', ...part.lines, '', AFTER[part.news], '']);
    await addMail(at, { person: null, address: to.email, subject, body: body.join('\n').trim() });
  }
}

interface Part extends Omit<Told, 'line'> {
  readonly lines: string[];
}

/** What is told of one course and one kind together. */
function partsOf(told: readonly Told[]): readonly Part[] {
  const parts: Part[] = [];
  for (const { course, news, line } of told) {
    const found = parts.find((one) => one.course === course && one.news === news);
    if (found) found.lines.push(line);
    else parts.push({ course, news, lines: [line] });
  }
  return parts;
}

const when = ({ date, start }: Pick<Session, 'date' | 'start'>) => `${dayText(date)}, ${start}`;

/**
 * A published plan goes out once more, with what has changed about its class, and waits to be read again; whoever has it hears.
 * @param session as it was before the change, which counted its version up by one
 */
export async function askAgain(at: Writing<Staff>, course: Pick<Course, 'name'>, session: Session, to: Partial<ClassFacts>): Promise<void> {
  const plan = (await progressOf(at, [session.id])).get(session.id)?.plan;
  if (!plan) return;
  const { blocks, teacher, purpose, note } = plan;
  const { date = session.date, start = session.start, minutes = session.minutes } = to;
  const back = session.cancelled !== null && to.cancelled === null;
  const changes = [
    ...(back ? ['held after all'] : []),
    ...(date === session.date ? [] : [`moved from ${dayText(session.date)} to ${dayText(date)}`]),
    ...(start === session.start ? [] : [`at ${start} instead of ${session.start}`]),
    ...(minutes === session.minutes ? [] : [`${minutes} minutes instead of ${session.minutes}`]),
  ];
  if (changes.length === 0) return;
  await addPlan(at, { ...session, version: session.version + 1 }, { blocks, teacher, purpose, note, changes });
  const line = `${when({ date, start })}: ${changes.join('; ')}`;
  tellTeacher(at, teacher, { course: course.name, news: back ? 'held after all' : 'changed', line });
}

/** Whoever a cancelled class was handed to, or the course's teacher, gets a word. */
export async function tellCancelled(
  at: Writing<Staff>,
  found: Pick<Course, 'name' | 'teacher'>,
  lost: readonly { readonly session: Session; readonly reason: string }[],
): Promise<void> {
  const handed = await inHands(
    at,
    found,
    lost.map(({ session }) => session),
  );
  for (const { session, reason } of lost)
    tellTeacher(at, handed(session), { course: found.name, news: 'cancelled', line: `${when(session)}: ${reason}` });
}

/** Whoever was told that a class is cancelled hears that it is held after all; of what was published {@link askAgain} tells. */
export async function tellHeldAfterAll(at: Writing<Staff>, found: Pick<Course, 'name' | 'teacher'>, back: readonly Session[]): Promise<void> {
  const open = back.filter(({ published }) => published === 0);
  const handed = await inHands(at, found, open);
  for (const session of open) tellTeacher(at, handed(session), { course: found.name, news: 'held after all', line: when(session) });
}

async function inHands(at: Writing<Staff>, found: Pick<Course, 'teacher'>, sessions: readonly Session[]): Promise<(session: Session) => string> {
  const progress = await progressOf(
    at,
    sessions.map(({ id }) => id),
  );
  return ({ id }) => progress.get(id)?.handedTo ?? found.teacher;
}
