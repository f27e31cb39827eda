import { newSince } from '@/core/course';
import { instructionsFor, toldTo } from '@/core/instructions';
import { coursePage, handout, planSheet, type CoursePage, type Handout, type PlanFacts, type PlanSheet } from '@/core/paper';
import { blockName, named, techniquesIn } from '@/core/plan';
import { TO_EVERYBODY, STOP_SIGNS } from '@/core/screening';
import { isoDate, stampIn } from '@/core/units';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { Refusal } from '../../errors';
import { cohort } from '../../repositories/cohorts';
import { course, session as sessionById, sessionsOf } from '../../repositories/courses';
import { progressOf } from '../../repositories/plans';
import { members } from '../../repositories/screenings';
import { staffNames } from '../../repositories/staff';
import { changeLines } from '../plans/lines';
import { houseOf, type Setting } from '../setting';

/** A lesson plan as it is printed, and what is around it. */
async function factsOf(desk: Desk, id: string) {
  const session = await sessionById(desk, id);
  const progress = (await progressOf(desk, [id])).get(id)!;
  const found = await course(desk, session.course);
  const holder = progress.handedTo ?? found.teacher;
  const mine = holder === desk.who.id && progress.plan !== null;
  if (!mine && !may(desk.who.role, 'see plans')) throw new Refusal('not-found', 'This class is not in your hands.');
  if (!mine) await cohort(desk, found.cohort);
  const [house, sessions, nameOf] = await Promise.all([houseOf(desk, found.cohort), sessionsOf(desk, [found.id]), staffNames(desk)]);
  const { plan } = progress;
  const blocks = plan?.blocks ?? named(session.blocks, house);
  if (blocks.length === 0) throw new Refusal('invalid', 'There is nothing in this class to print yet.');
  const at = sessions.findIndex((one) => one.id === id);
  const before = sessions.slice(0, Math.max(0, at)).findLast((one) => one.blocks.length > 0);
  const techniques = (of: typeof blocks) => ({ techniques: techniquesIn(of).map((block) => ({ ...block, name: blockName(block, house.library) })) });
  // Names and what each does instead are for whoever teaches it, and for whoever answers for it.
  const people = mine || may(desk.who.role, 'see reasons') ? await told(await members(desk, found.cohort), blocks, session.date, house) : null;
  const facts: PlanFacts = {
    studio: desk.who.studioName,
    course: found.name,
    number: at + 1,
    of: sessions.length,
    date: session.date,
    start: session.start,
    minutes: session.minutes,
    version: plan?.number ?? null,
    teacher: nameOf(holder),
    purpose: plan?.purpose ?? session.purpose,
    note: plan?.note ?? session.note,
    fresh: before ? newSince(techniques(before.blocks), techniques(blocks)) : [],
    changes: plan ? changeLines(plan.changes) : [],
    blocks,
    people,
    asOf: stampIn(desk.who.zone, desk.now),
    stopSigns: STOP_SIGNS,
    emergency: TO_EVERYBODY,
  };
  return { facts, house, next: sessions[at + 1]?.date ?? null };
}

function told(people: Setting['members'], blocks: PlanFacts['blocks'], date: PlanFacts['date'], house: Awaited<ReturnType<typeof houseOf>>) {
  const all = instructionsFor(people, blocks, isoDate(date), house);
  return people.map(({ id, name }) => ({ name, told: toldTo(all.get(id) ?? []) }));
}

/** A class's lesson plan for paper: as it was published, or as it stands where it was not. */
export async function readPlanSheet(desk: Desk, id: string): Promise<PlanSheet> {
  authorise(desk.who, 'teach');
  const { facts, house } = await factsOf(desk, id);
  return planSheet(facts, house);
}

/** What the people of a cohort may practise at home after a class: without anybody's name or instructions. */
export async function readHandout(desk: Desk, id: string): Promise<Handout> {
  authorise(desk.who, 'teach');
  const { facts, house, next } = await factsOf(desk, id);
  return handout(facts, next, house);
}

/** A course for the notice board. */
export async function readCoursePage(desk: Desk, id: string): Promise<CoursePage> {
  authorise(desk.who, 'see courses');
  const found = await course(desk, id);
  const [sessions, house, nameOf] = await Promise.all([sessionsOf(desk, [id]), houseOf(desk, found.cohort), staffNames(desk)]);
  const facts = { studio: desk.who.studioName, name: found.name, minutes: found.minutes, teacher: nameOf(found.teacher) };
  return coursePage(facts, sessions, house.library);
}
