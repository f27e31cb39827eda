import { layOut } from '@/core/cues';
import { instructionsFor, toldTo, type Told } from '@/core/instructions';
import { minutesUp, readBlock, techniquesIn } from '@/core/plan';
import { DOOR_COMBINATIONS, DOOR_QUESTIONS, doorKey, TO_EVERYBODY, HELP_SIGNS, STOP_SIGNS } from '@/core/screening';
import { CORRECTED_WITHIN_HOURS } from '@/core/teach';
import { setupsText } from '@/core/techniques';
import { derive } from '@/core/timing';
import { isoDate, timeIn } from '@/core/units';
import type { ClassView } from '@/views/teach';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { Refusal } from '../../errors';
import { course, session as sessionById } from '../../repositories/courses';
import { progressOf, type Progress } from '../../repositories/plans';
import { members } from '../../repositories/screenings';
import { staffNames } from '../../repositories/staff';
import { houseOf } from '../setting';
import { changeLines } from '../plans/lines';
import { conversation } from '../plans/notes';
import { logFrom } from './logClass';
import { stricterSince } from './stricterSince';

/**
 * Everything a device needs to teach a class without a network: the published blocks in time, the cues, and what each person
 * does for every combination of door answers. Only for the teacher the plan was handed to.
 */
export async function readClass(desk: Desk, id: string): Promise<ClassView> {
  authorise(desk.who, 'teach');
  const session = await sessionById(desk, id);
  if (session.cancelled) throw new Refusal('late', `This class is cancelled: ${session.cancelled.reason ?? 'it is no longer asked for'}.`);
  const at = (await progressOf(desk, [id])).get(id)!;
  const plan = at.plan;
  const own = plan?.teacher === desk.who.id;
  // Whoever sees everybody's answers may log a class for the teacher who could not.
  if (!plan || !(own || (may(desk.who.role, 'see reasons') && session.date <= desk.today)))
    throw new Refusal('not-found', 'This class is not in your hands.');
  const found = await course(desk, session.course);
  const [people, studio] = await Promise.all([members(desk, found.cohort), houseOf(desk, found.cohort)]);
  const date = isoDate(session.date);
  const stricter = await stricterSince(desk, session, at);
  const known: Parameters<typeof instructionsFor>[5] = new Map();
  const byDoor = DOOR_COMBINATIONS.map((door) => [doorKey(door), instructionsFor(people, plan.blocks, date, studio, door, known)] as const);
  const families = new Set(techniquesIn(plan.blocks).map(({ technique }) => studio.library.technique(technique).family));
  const read = plan.blocks.map((block) => readBlock(block, studio));
  const { most, otherwise } = setupsText(read.map(({ setup }) => setup));
  return {
    session: { id, date: session.date, start: session.start, minutes: session.minutes },
    course: found.name,
    today: session.date === desk.today,
    past: session.date < desk.today,
    logFrom: logFrom(desk, session).toISOString(),
    plan: { id: plan.id, number: plan.number, changes: changeLines(plan.changes), purpose: plan.purpose, note: plan.note },
    conversation: await conversation(desk, id),
    ownLog: ownLog(at, desk),
    acknowledged: at.acknowledgedAt !== null && stricter.length === 0,
    stricter,
    logged: at.log !== null,
    asOf: timeIn(studio.zone, desk.now),
    line: layOut(plan.blocks, studio, studio.speech),
    planned: plan.blocks,
    naturalBreath: studio.naturalBreath,
    speech: studio.speech,
    endsAt: endOf(session.start, session.minutes),
    zone: studio.zone,
    usually: most,
    blocks: plan.blocks.map((block, index) => {
      const { name, timing } = read[index];
      return {
        id: block.id,
        kind: block.kind,
        name,
        minutes: minutesUp(timing.planned),
        detail: block.kind === 'technique' ? `${block.pattern} · ${block.dose}` : null,
        how: otherwise[index],
        lines: block.lines ?? [],
        note: block.note ?? '',
      };
    }),
    cautions: studio.library.families
      .filter((family) => families.has(family.id))
      .map(({ name, cautions, watchFor }) => ({ name, cautions: cautions.map(({ caution }) => caution), watchFor })),
    people: people.map(({ id: person, name }) => ({
      id: person,
      name,
      byDoor: Object.fromEntries(byDoor.map(([key, all]): [string, readonly Told[]] => [key, toldTo(all.get(person) ?? [])])),
    })),
    doorQuestions: DOOR_QUESTIONS,
    holds: read.some(({ pattern, pace }) => (derive(pattern, pace)?.holdShare ?? 0) > 0),
    teacher: own ? null : (await staffNames(desk))(plan.teacher),
    stopSigns: STOP_SIGNS,
    helpSigns: HELP_SIGNS,
    emergency: TO_EVERYBODY,
  };
}

/** The teacher's own log, while they may still put it right. */
function ownLog({ log }: Progress, { who, now }: Desk): ClassView['ownLog'] {
  const own = log?.each.findLast(({ taughtBy }) => taughtBy === who.id);
  if (!own || now.getTime() - own.at.getTime() > CORRECTED_WITHIN_HOURS * 3_600_000) return null;
  const { id, reached, note, attendance, unnamed, blocks, firstBreath, mood, change } = own;
  return { id, reached, note, attendance, unnamed, blocks, firstBreath, mood, change };
}

/** @example endOf('05:45', 60) // "06:45" */
function endOf(start: string, minutes: number): string {
  const [hour, minute] = start.split(':').map(Number);
  const end = hour * 60 + minute + minutes;
  return `${String(Math.floor(end / 60) % 24).padStart(2, '0')}:${String(end % 60).padStart(2, '0')}`;
}
