import { layOut } from '@/core/cues';
import { changesBetween, type Block } from '@/core/plan';
import { EMERGENCY, STOP_SIGNS } from '@/core/screening';
import { FAMILIES, techniqueOf } from '@/core/techniques';
import { timeIn } from '@/core/units';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { course, progressOf, session as sessionById, sessionsOf } from '../../repositories/courses';
import { conventions, staff, teachers } from '../../repositories/studio';
import { cohort } from '../../repositories/cohorts';
import { asidesIn } from '../asides';
import { checksOf, loggedText, stateOf } from '../courses/readCourse';
import { instructionsFor } from '../instructions';
import { settingOf } from '../setting';
import { stricterSince } from '../teach/stricterSince';
import { listOwnWays } from '../techniques/ownWays';

/** One session as a plan: its blocks, who does what instead, the cue sheet, its versions, and what came back from the class. */
export async function readPlan(desk: Desk, id: string) {
  authorise(desk.who, 'see plans');
  const session = await sessionById(desk, id);
  const found = await course(desk, session.course);
  const [group, setting, everyone, sessions, studio] = await Promise.all([
    cohort(desk, found.cohort),
    settingOf(desk, found),
    staff(desk),
    sessionsOf(desk, [found.id]),
    conventions(desk),
  ]);
  const at = (await progressOf(desk, [id])).get(id)!;
  const nameOf = (staffId: string) => everyone.find((member) => member.id === staffId)?.name ?? '';
  const instructions = instructionsFor(setting.members, session.blocks, session.date, studio);
  return {
    session: { id, date: session.date, start: session.start, minutes: session.minutes, version: session.version, blocks: session.blocks },
    course: { id: found.id, name: found.name },
    cohort: { id: group.id, name: group.name },
    naturalBreath: studio.naturalBreath,
    tempo: studio.tempo,
    schools: studio.schools,
    mayEdit: may(desk.who.role, 'edit plans') && session.date >= desk.today,
    asOf: timeIn(studio.zone, desk.now),
    state: stateOf(session, at, desk.today),
    asides: may(desk.who.role, 'see reasons') ? asidesIn(setting.members, session.blocks, session.date, studio) : [],
    people: setting.members.map(({ id: person, name }) => ({ id: person, name, instructions: instructions.get(person) ?? [] })),
    cues: layOut(session.blocks, studio.naturalBreath, studio.speech).cues,
    cautions: cautionsOf(session.blocks),
    stopSigns: STOP_SIGNS,
    emergency: EMERGENCY,
    checks: checksOf(sessions, setting, desk.today).filter((check) => check.session === id),
    versions: at.versions.map((plan) => ({
      number: plan.number,
      teacher: nameOf(plan.teacher),
      publishedAt: stamp(studio.zone, plan.publishedAt),
      changes: plan.changes,
    })),
    unpublished: at.plan ? changesBetween(at.plan.blocks, session.blocks) : null,
    askedAgain: (await stricterSince(desk, session, at)).length > 0,
    acknowledgedAt: at.acknowledgedAt && stamp(studio.zone, at.acknowledgedAt),
    log: at.log && {
      summary: loggedText(at),
      at: stamp(studio.zone, at.log.at),
      by: nameOf(at.log.taughtBy),
      reached: at.log.reached,
      note: at.log.note,
      people: at.log.attendance.map(({ person, came, effort, stopSigns }) => ({
        name: setting.members.find((member) => member.id === person)?.name ?? 'somebody who left',
        came,
        effort,
        stopSigns,
      })),
    },
    ownWays: await listOwnWays(desk),
    teacher: at.plan?.teacher ?? found.teacher,
    teachers: (await teachers(desk)).map(({ id: staffId, name, qualifications }) => ({
      id: staffId,
      name,
      lacks: lacking(
        session.blocks,
        qualifications.map(({ family }) => family),
      ),
    })),
  };
}

function stamp(zone: string, at: Date): string {
  const day = new Intl.DateTimeFormat('en-GB', { timeZone: zone, weekday: 'short', day: 'numeric', month: 'short' }).format(at).replace(',', '');
  return `${day}, ${timeIn(zone, at)}`;
}

function cautionsOf(blocks: readonly Block[]) {
  const used = new Set(blocks.flatMap((block) => (block.kind === 'technique' ? [techniqueOf(block.technique).family] : [])));
  return FAMILIES.filter(({ id }) => used.has(id)).map(({ name, cautions, watchFor }) => ({ name, cautions, watchFor }));
}

/** Names of what a teacher is not yet qualified for in these blocks. */
export function lacking(blocks: readonly Block[], qualified: readonly string[]): string[] {
  return [
    ...new Set(
      blocks.flatMap((block) =>
        block.kind === 'technique' && !qualified.includes(techniqueOf(block.technique).family) ? [techniqueOf(block.technique).name] : [],
      ),
    ),
  ];
}
