import { aboutCourse, checkCourse, checkKey, checkText, publishes, type Check, type Planning } from '@/core/course';
import type { Library } from '@/core/library';
import { changesBetween, named, saidAgain, voiceChanges } from '@/core/plan';
import { isAway, lacking } from '@/core/staff';
import { dayText } from '@/core/units';
import { publishForm, publishManyForm } from '@/forms';
import type { Published } from '@/views/plan';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import type { Desk, Writing } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { course, seenAt, session as sessionById, sessionsOf, type Course, type Session } from '../../repositories/courses';
import { addPlan, progressOf, type Progress } from '../../repositories/plans';
import { aways, teacher, teachers, type StaffMember } from '../../repositories/staff';
import { tellTeacher } from '../courses/telling';
import { settingOf } from '../setting';

/**
 * Freezes a session's blocks as the next version and hands it to a teacher. What is the director's to judge (order, too soon, hour,
 * guards) asks for a reason, which stays in the record; what everybody must leave out, and a teacher who is not qualified, cannot be
 * published. Nothing new to say makes no new version.
 */
export async function publishPlan(desk: Desk, input: unknown): Promise<{ readonly number: number; readonly version: number }> {
  authorise(desk.who, 'edit plans');
  const { once, reason, ...form } = await checked(publishForm, input);
  return onceOnly(desk, once, async (at) => {
    const session = await sessionById(at, form.session);
    if (session.version !== form.version) throw new Refusal('clash');
    const late = tooLate(at, session);
    if (late) throw new Refusal('late', late);
    if (session.blocks.length === 0) throw new Refusal('invalid', EMPTY);
    const looked = await lookedAt(at, await course(at, session.course));
    const { never, judged } = against(session, looked, looked.planning.basis.library);
    if (never.length > 0) throw new Refusal('invalid', never.join(' '));
    if (judged.length > 0 && reason === '') throw invalid({ field: 'reason', message: `${judged.join(' ')} Say why it goes out all the same.` });
    const to = await teacher(at, form.teacher);
    const lacks = notQualified(session, to, looked.planning);
    if (lacks) throw invalid({ field: 'teacher', message: lacks });
    const progress = (await progressOf(at, [session.id])).get(session.id)!;
    const away = isAway(await aways(at), to.id, session);
    if (away && !form.evenAway)
      throw invalid({ field: 'teacher', message: `${to.name} is away then. Choose somebody else, or say that it goes to them all the same.` });
    return publish(at, voiced(session, looked, progress.plan), progress, to, looked.planning, looked.found.name, judged.length > 0 ? reason : '');
  });
}

/**
 * Publishes classes of a course together: every one that passes its checks, to whoever has it in hand. What is held back is named,
 * each with why; nothing is published over a check here.
 */
export async function publishMany(desk: Desk, input: unknown): Promise<Published> {
  authorise(desk.who, 'edit plans');
  const { once, course: id, seen } = await checked(publishManyForm, input);
  return onceOnly(desk, once, async (at) => {
    const looked = await lookedAt(at, await course(at, id));
    const wanted = looked.sessions.filter((session) => seen.some((one) => one.session === session.id));
    if (wanted.length < seen.length) throw new Refusal('clash');
    for (const session of wanted) if (seenAt(seen, session.id) !== session.version) throw new Refusal('clash');
    return issue(at, looked, wanted);
  });
}

/** Publishes classes of a course, each to whoever has it in hand; what something stands against is held back, and why. */
export async function issue(at: Writing<Staff>, looked: Looked, wanted: readonly Session[]): Promise<Published> {
  const progress = await progressOf(
    at,
    wanted.map(({ id }) => id),
  );
  const [staff, away] = [await teachers(at), await aways(at)];
  const published: Session['date'][] = [];
  const held: { date: Session['date']; start: string; why: string }[] = [];
  for (const session of wanted) {
    const own = progress.get(session.id)!;
    const to = staff.find((member) => member.id === (own.handedTo ?? looked.found.teacher)) ?? null;
    const why =
      heldBack(at, session, to, looked) ??
      (to && isAway(away, to.id, session) ? `${to.name} is away then. Find cover, or publish it on its own.` : null);
    if (why) held.push({ date: session.date, start: session.start, why });
    else if ((await publish(at, voiced(session, looked, own.plan), own, to!, looked.planning, looked.found.name, '')).version > session.version)
      published.push(session.date);
  }
  return { published, held };
}

const EMPTY = 'There is nothing in this session to publish yet.';

interface Looked {
  readonly found: Course;
  readonly sessions: readonly Session[];
  /** As they were reached. */
  readonly reached: readonly Session[];
  readonly planning: Planning;
  readonly checks: readonly Check[];
}

/** A course with everything its checks ask, gathered once. */
export async function lookedAt(at: Desk, found: Course): Promise<Looked> {
  const sessions = await sessionsOf(at, [found.id]);
  const { planning, reached } = await settingOf(at, found, sessions);
  return { found, sessions, reached, planning, checks: checkCourse(reached, planning) };
}

/**
 * A class with what it is for: as somebody said by hand; else as it was published, while it stays what it was; else in the words that its
 * draft has for it.
 */
export function voiced(
  session: Session,
  { found, reached, planning }: Pick<Looked, 'found' | 'reached' | 'planning'>,
  plan: Progress['plan'],
): Session {
  if (session.purpose !== '') return session;
  if (plan && changesBetween(plan.blocks, session.blocks, planning.basis).length === 0) return saidAgain(session, plan);
  return { ...session, purpose: aboutCourse(reached, found.goals, planning, found.arc).purposes.get(session.id) ?? '' };
}

/** What stands against publishing a class: what cannot be published over, and what the director may judge. Accepted checks are silent. */
export function against(
  session: Session,
  { found, checks }: Pick<Looked, 'found' | 'checks'>,
  library: Library,
): { readonly never: readonly string[]; readonly judged: readonly string[] } {
  const accepted = new Set(found.accepted.map(({ key }) => key));
  const open = checks.filter((check) => check.session === session.id && !accepted.has(checkKey(check, checkText(check, library))));
  const say = (how: ReturnType<typeof publishes>) =>
    open
      .filter((check) => publishes(check) === how)
      .map((check) => `${check.technique ? library.technique(check.technique).name : 'This session'} ${checkText(check, library)}.`);
  return { never: say('not at all'), judged: say('with a reason') };
}

function tooLate({ today }: Desk, { date, cancelled }: Session): string | null {
  return date < today ? 'This session is past.' : cancelled ? 'This class is cancelled.' : null;
}

function notQualified(session: Session, to: StaffMember, { basis }: Planning): string | null {
  const lacks = lacking(session.blocks, to.qualifications, session.date, basis.library);
  return lacks.length > 0 ? `${to.name} is not qualified for ${lacks.join(', ')}.` : null;
}

/** Why a class is not published with others; null where nothing stands against it. */
function heldBack(at: Desk, session: Session, to: StaffMember | null, looked: Looked): string | null {
  const late = tooLate(at, session);
  if (late) return late;
  if (session.blocks.length === 0) return EMPTY;
  if (!to) return 'Nobody has it in hand.';
  const { never, judged } = against(session, looked, looked.planning.basis.library);
  return [...never, ...judged][0] ?? notQualified(session, to, looked.planning);
}

/** The next version of a plan, where there is anything new to say. */
export async function publish(
  at: Writing<Staff>,
  session: Session,
  { plan: before }: Progress,
  to: StaffMember,
  { basis }: Planning,
  course: string,
  reason: string,
): Promise<{ readonly number: number; readonly version: number }> {
  const changes = before ? [...voiceChanges(before, session), ...changesBetween(before.blocks, session.blocks, basis)] : [];
  if (before && changes.length === 0 && before.teacher === to.id) return { number: before.number, version: session.version };
  const { purpose, note } = session;
  // What changed stands in the plan, and is read there: a note may be about somebody, and a letter lies about.
  const news = before?.teacher === to.id ? 'changed' : 'to read';
  tellTeacher(at, to.id, { course, news, line: `${dayText(session.date)}, ${session.start}` });
  return addPlan(at, session, { blocks: named(session.blocks, basis), changes, teacher: to.id, purpose, note, reason });
}
