import { byHand, hourOf } from '@/core/course';
import { tallier } from '@/core/instructions';
import { changeLine, changesBetween, techniquesIn, type Block, type TechniqueBlock } from '@/core/plan';
import { isAway, overlap, smallestChange, whoCan, type Candidate } from '@/core/staff';
import { dayText } from '@/core/units';
import { handOverForm } from '@/forms';
import type { CoverView } from '@/views/week';
import type { Staff } from '../../auth/actors';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import { afresh, type Desk, type Writing } from '../../desk';
import { invalid, knownId, Refusal } from '../../errors';
import { cohortItself } from '../../repositories/cohorts';
import { changeClass, course, courses, session as sessionById, sessionsOf, type Course, type Session } from '../../repositories/courses';
import { progressOf, type Progress } from '../../repositories/plans';
import { addHandover } from '../../repositories/hands';
import { taughtBy } from '../../repositories/logs';
import { addMail } from '../../repositories/mails';
import { members } from '../../repositories/screenings';
import { aways, staffNames, staffToday, teachers, type StaffMember } from '../../repositories/staff';
import { recorded } from '../courses/steps';
import { lookedAt, publish, voiced } from '../plans/publishPlan';
import { houseOf } from '../setting';
import { classesAhead } from '../staff/manage';

/** Who can take a class: free, qualified for all of it that day, and how often they taught this cohort; else what would have to change. */
export async function coverFor(desk: Desk, id: string): Promise<CoverView> {
  authorise(desk.who, 'hand over');
  const { session, found, progress } = await classAt(desk, id);
  const [group, sessions, nameOf, inHand, studio] = await Promise.all([
    cohortItself(desk, found.cohort),
    sessionsOf(desk, [found.id]),
    staffNames(desk),
    busyWith(desk, session),
    houseOf(desk, found.cohort),
  ]);
  const holder = progress.handedTo ?? found.teacher;
  const [everybody, away, ownSessions] = await Promise.all([teachers(desk), aways(desk), sessionsOfCohort(desk, found.cohort)]);
  const others = everybody.filter((one) => one.id !== holder);
  const here = everybody.find((one) => one.id === holder) ?? null;
  const free = others.filter((one) => !isAway(away, one.id, session) && !inHand.has(one.id));
  const { able, unable } = whoCan(free, session, studio);
  const knows = await taughtBy(desk, ownSessions);
  const times = ({ id: of }: Candidate) => knows.get(of) ?? 0;
  const known = able.length === 0 && unable.length > 0 ? await whatIsKnown(desk, found, session, sessions) : [];
  const { date, start, minutes, version, blocks } = session;
  return {
    session: { id, version, date, start, minutes },
    course: found.name,
    cohort: group.name,
    number: sessions.findIndex((one) => one.id === id) + 1,
    of: sessions.length,
    teacher: { name: nameOf(holder), why: !here ? 'has left' : isAway(away, holder, session) ? 'is away' : null },
    able: able.sort((a, b) => times(b) - times(a) || a.name.localeCompare(b.name)).map((one) => ({ id: one.id, name: one.name, taught: times(one) })),
    unable: unable
      .map(({ candidate, lacks }) => {
        const change = able.length > 0 ? null : smallestChange({ date, minutes, blocks, known }, candidate, studio, desk.newId);
        return {
          id: candidate.id,
          name: candidate.name,
          taught: times(candidate),
          lacks,
          change: change && {
            minutes: Math.round(change.changed / 60_000),
            replaced: change.replaced,
            lines: changesBetween(blocks, change.blocks, studio).map(changeLine),
          },
        };
      })
      .sort((a, b) => (a.change?.minutes ?? Infinity) - (b.change?.minutes ?? Infinity) || a.lacks.length - b.lacks.length || b.taught - a.taught),
    busy: others.flatMap((one) =>
      inHand.has(one.id) ? [`${one.name} teaches ${inHand.get(one.id)!} then`] : isAway(away, one.id, session) ? [`${one.name} is away`] : [],
    ),
    mayChange: may(desk.who.role, 'edit plans'),
    published: progress.plan?.number ?? null,
  };
}

/** A class that is still to be taught, as somebody sees it. */
async function classAt(desk: Desk, id: string): Promise<{ readonly session: Session; readonly found: Course; readonly progress: Progress }> {
  const [session, all] = await Promise.all([sessionById(desk, id), progressOf(desk, [knownId(id)])]);
  const progress = all.get(id)!;
  if (session.cancelled) throw new Refusal('late', 'This class is cancelled: nobody has to take it.');
  if (session.date < desk.today || progress.log) throw new Refusal('late', 'This class is over: whoever taught it stands in the record.');
  return { session, found: await course(desk, session.course), progress };
}

/** What others of the staff teach at the time of a class, by teacher. */
async function busyWith(desk: Desk, session: Session): Promise<ReadonlyMap<string, string>> {
  const same = (await classesAhead(desk)).filter((one) => one.session !== session.id && overlap(one, session));
  return new Map(same.map(({ teacher, course: name }) => [teacher, name]));
}

async function sessionsOfCohort(desk: Desk, group: string): Promise<string[]> {
  const own = (await courses(desk)).filter((one) => one.cohort === group).map(({ id }) => id);
  return (await sessionsOf(desk, own)).map(({ id }) => id);
}

/** What a cohort knows before a class, each as it practised it last: as far as the hour allows, and not everybody leaves it out. */
async function whatIsKnown(desk: Desk, found: Course, session: Session, sessions: readonly Session[]): Promise<TechniqueBlock[]> {
  const [{ already }, people, studio] = await Promise.all([
    cohortItself(desk, found.cohort),
    members(desk, found.cohort),
    houseOf(desk, found.cohort),
  ]);
  const before = sessions.filter(({ date, id }) => date < session.date && id !== session.id).flatMap(({ blocks }) => techniquesIn(blocks));
  const taught = already.flatMap((technique): TechniqueBlock[] => {
    const known = studio.library.find(technique);
    return known ? [{ id: technique, kind: 'technique', technique, pattern: known.pattern, dose: known.dose, tempo: studio.tempo }] : [];
  });
  const last = new Map([...taught, ...before].map((block) => [block.technique, block]));
  const tally = tallier(people, studio);
  return [...last.values()].filter((block) => {
    const { leaveOut, askFirst, people: all } = tally(block, session.date);
    return studio.library.technique(block.technique).taughtAt.includes(hourOf(session.start)) && (all === 0 || leaveOut + askFirst < all);
  });
}

/** Gives a class into other hands, as it stands: a plan keeps its version and is to be read anew. */
export async function handOver(desk: Desk, input: unknown): Promise<{ readonly name: string }> {
  authorise(desk.who, 'hand over');
  const { once, session: id, version, teacher } = await checked(handOverForm, input);
  return onceOnly(desk, once, async (at) => {
    const { session, found, progress } = await classAt(at, id);
    if (session.version !== version) throw new Refusal('clash');
    const to = await whoIsFree(at, teacher, session, progress.handedTo ?? found.teacher);
    const studio = await houseOf(at, found.cohort);
    const { unable } = whoCan([to], session, studio);
    if (unable.length > 0) throw invalid({ field: 'teacher', message: `${to.name} is not qualified for ${unable[0].lacks.join(', ')}.` });
    await give(at, session, found, progress, to, null);
    return { name: to.name };
  });
}

/** Changes a class so that somebody can take it, and gives it to them: what was shown is worked out again here. */
export async function coverWithChange(desk: Desk, input: unknown): Promise<{ readonly name: string }> {
  authorise(desk.who, 'edit plans');
  const { once, session: id, version, teacher } = await checked(handOverForm, input);
  return onceOnly(desk, once, async (at) => {
    const { session, found, progress } = await classAt(at, id);
    if (session.version !== version) throw new Refusal('clash');
    const to = await whoIsFree(at, teacher, session, progress.handedTo ?? found.teacher);
    const [studio, sessions] = [await houseOf(at, found.cohort), await sessionsOf(at, [found.id])];
    const known = await whatIsKnown(at, found, session, sessions);
    const change = smallestChange({ ...session, known }, to, studio, at.newId);
    if (!change) throw new Refusal('invalid', `No change of this class would let ${to.name} teach it.`);
    const lines = changesBetween(session.blocks, change.blocks, studio).map(changeLine);
    await changeBlocks(at, session, change.blocks);
    const after = afresh(at);
    const now = await classAt(after, id);
    await give(after, now.session, found, now.progress, to, lines);
    return { name: to.name };
  });
}

async function changeBlocks(at: Writing<Staff>, session: Session, blocks: readonly Block[]): Promise<void> {
  await recorded(at, session.course, 'the change for cover', (now) =>
    changeClass(now, session.id, session.version, { blocks: byHand(session.blocks, blocks) }),
  );
}

/** Somebody who has not got the class, and is free at its time. */
async function whoIsFree(at: Writing<Staff>, id: string, session: Session, holder: string): Promise<StaffMember> {
  const to = (await teachers(at)).find((one) => one.id === id);
  if (!to) throw invalid({ field: 'teacher', message: 'This teacher is not part of your studio, or has left.' });
  if (id === holder) throw invalid({ field: 'teacher', message: `${to.name} has this class already.` });
  if (isAway(await aways(at), id, session)) throw invalid({ field: 'teacher', message: `${to.name} is away then.` });
  const busy = (await busyWith(at, session)).get(id);
  if (busy) throw invalid({ field: 'teacher', message: `${to.name} teaches ${busy} then.` });
  return to;
}

/** The class changes hands: its plan too, at its version where nothing in it changed; and everybody concerned gets a word. */
async function give(
  at: Writing<Staff>,
  session: Session,
  found: Course,
  progress: Progress,
  to: StaffMember,
  changed: readonly string[] | null,
): Promise<void> {
  const was = progress.handedTo ?? found.teacher;
  await addHandover(at, session.id, was, to.id);
  if (changed && progress.plan) {
    const looked = await lookedAt(at, found);
    await publish(at, voiced(session, looked, progress.plan), progress, to, looked.planning, found.name, '');
  } else await changeClass(at, session.id, session.version, {});
  const [everyone, nameOf] = [await staffToday(at), await staffNames(at)];
  const when = `${found.name}, ${dayText(session.date)} at ${session.start}`;
  const lines = changed ? ['', 'What changed so that it can be taught:', ...changed] : [];
  const tell = async (staff: StaffMember | undefined, subject: string, text: readonly string[]) => {
    if (staff && staff.id !== at.who.id) await addMail(at, { person: null, address: staff.email, subject, body: text.join('\n') });
  };
  await tell(to, `You take ${when}`, [
    `Hello ${to.name}`,
    '',
    `${at.who.name} has given you ${when}.`,
    progress.plan ? 'Its plan waits to be read in Teach.' : 'Its plan is not published yet.',
    ...lines,
  ]);
  const old = everyone.find(({ id }) => id === was);
  await tell(old, `${to.name} takes ${when}`, [`Hello ${nameOf(was)}`, '', `${to.name} takes ${when}. It is no longer in your hands.`]);
  for (const director of everyone.filter(({ role, id }) => role === 'director' && id !== to.id && id !== was))
    await tell(director, `${to.name} takes ${when}`, [`${at.who.name} has given ${when} from ${nameOf(was)} to ${to.name}.`, ...lines]);
}
