import { layOut } from '@/core/cues';
import { asidesIn, instructionsFor, instructionText, toldOf, type House } from '@/core/instructions';
import { changeLine, changesBetween, techniquesIn, type NamedBlock } from '@/core/plan';
import { EMERGENCY, STOP_SIGNS } from '@/core/screening';
import { lacking } from '@/core/staff';
import { logText, type ClassLog } from '@/core/teach';
import { isoDate, stampIn, timeIn, type IsoDate } from '@/core/units';
import type { ForPeople, PlanView, ShownLog } from '@/views/plan';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { cohort } from '../../repositories/cohorts';
import { course, progressOf, session as sessionById, sessionsOf, type Plan } from '../../repositories/courses';
import type { OpenedMember } from '../../repositories/screenings';
import { staffNames, teachers } from '../../repositories/studio';
import { checksOf, stateOf } from '../courses/readCourse';
import { houseOf, settingOf } from '../setting';
import { stricterSince } from '../teach/stricterSince';
import { listOwnWays } from '../techniques/ownWays';
import { changeLines } from './lines';

/** One session as a plan: its blocks, who does what instead, the cue sheet, its versions, and what came back from the class. */
export async function readPlan(desk: Desk, id: string): Promise<PlanView> {
  authorise(desk.who, 'see plans');
  const session = await sessionById(desk, id);
  const found = await course(desk, session.course);
  const [group, nameOf, sessions, studio] = await Promise.all([
    cohort(desk, found.cohort),
    staffNames(desk),
    sessionsOf(desk, [found.id]),
    houseOf(desk, found.cohort),
  ]);
  const { planning, members } = await settingOf(desk, found, sessions);
  const at = (await progressOf(desk, [id])).get(id)!;
  const shownLog = (log: ClassLog): ShownLog => ({
    id: log.id,
    summary: logText(log),
    at: stampIn(studio.zone, log.at),
    by: nameOf(log.taughtBy),
    reached: log.reached,
    note: log.note,
    people: log.attendance.map(({ person, came, effort, stopSigns }) => ({
      name: members.find((member) => member.id === person)?.name ?? 'somebody who left',
      came,
      effort,
      stopSigns,
    })),
  });
  const { log } = at;
  return {
    session: { id, date: session.date, start: session.start, minutes: session.minutes, version: session.version, blocks: session.blocks },
    course: { id: found.id, name: found.name },
    cohort: { id: group.id, name: group.name },
    naturalBreath: studio.naturalBreath,
    tempo: studio.tempo,
    seat: group.seat,
    schools: studio.schools,
    mayEdit: may(desk.who.role, 'edit plans') && session.date >= desk.today && !session.cancelled,
    asOf: timeIn(studio.zone, desk.now),
    state: stateOf(session, at, desk.today),
    asides: may(desk.who.role, 'see reasons') ? asidesIn(members, session.blocks, session.date, studio) : [],
    forPeople: forPeople(desk, members, session, at.plan, studio),
    cues: layOut(session.blocks, studio, studio.speech).cues,
    cautions: cautionsOf(session.blocks, studio),
    stopSigns: STOP_SIGNS,
    emergency: EMERGENCY,
    checks: (await checksOf(found, sessions, planning, desk)).filter(
      ({ session: of, key }) => of === id && !found.accepted.some((one) => one.key === key),
    ),
    versions: at.versions.map((plan) => ({
      number: plan.number,
      teacher: nameOf(plan.teacher),
      publishedAt: stampIn(studio.zone, plan.publishedAt),
      changes: changeLines(plan.changes),
    })),
    unpublished: at.plan && changesBetween(at.plan.blocks, session.blocks, studio).map(changeLine),
    askedAgain: (await stricterSince(desk, session, at)).length > 0,
    acknowledgedAt: at.acknowledgedAt && stampIn(studio.zone, at.acknowledgedAt),
    log: log && { ...shownLog(log), unsettled: log.unsettled, each: log.each.map(shownLog) },
    ownWays: await listOwnWays(desk),
    teacher: at.plan?.teacher ?? found.teacher,
    teachers: (await teachers(desk)).map(({ id: staffId, name, qualifications }) => ({
      id: staffId,
      name,
      lacks: lacking(session.blocks, qualifications, session.date, studio.library),
    })),
  };
}

/** Who does what instead: the director with its answers; whoever teaches it what to do, for what was published to them. */
function forPeople(
  desk: Desk,
  members: readonly OpenedMember[],
  { date, blocks }: { readonly date: IsoDate; readonly blocks: readonly NamedBlock[] },
  plan: Plan | null,
  house: House,
): ForPeople | null {
  if (may(desk.who.role, 'see reasons')) {
    const all = instructionsFor(members, blocks, date, house);
    return {
      for: 'director',
      people: members.map(({ id, name }) => ({
        id,
        name,
        instructions: (all.get(id) ?? []).map(({ block, answer, advice, inStep }) => ({ block, answer, text: instructionText(advice), inStep })),
      })),
    };
  }
  if (plan?.teacher !== desk.who.id) return null;
  const all = instructionsFor(members, plan.blocks, isoDate(date), house);
  return { for: 'teacher', people: members.map(({ id, name }) => ({ id, name, instructions: (all.get(id) ?? []).map(toldOf) })) };
}

function cautionsOf(blocks: readonly NamedBlock[], { library }: House) {
  const used = new Set(techniquesIn(blocks).map(({ technique }) => library.technique(technique).family));
  return library.families.filter(({ id }) => used.has(id)).map(({ name, cautions, watchFor }) => ({ name, cautions, watchFor }));
}
