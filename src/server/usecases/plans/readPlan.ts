import type { Planning } from '@/core/course';
import { layOut } from '@/core/cues';
import { asidesIn, instructionsFor, instructionText, toldTo, type House } from '@/core/instructions';
import { blockName, changeLine, changesBetween, techniquesIn, voiceChanges, type NamedBlock } from '@/core/plan';
import { TO_EVERYBODY, STOP_SIGNS } from '@/core/screening';
import { isAway, lacking } from '@/core/staff';
import { logText, type ClassLog } from '@/core/teach';
import { isoDate, stampIn, timeIn, type IsoDate } from '@/core/units';
import type { StepSaid } from '@/views/course';
import type { ForPeople, PlanView, ShownLog } from '@/views/plan';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { cohort } from '../../repositories/cohorts';
import { course, session as sessionById, sessionsOf, type Session } from '../../repositories/courses';
import { progressOf, type Plan, type Progress } from '../../repositories/plans';
import type { OpenedMember } from '../../repositories/screenings';
import { aways, staffNames, teachers } from '../../repositories/staff';
import { checksOf, insideOf, stateOf } from '../courses/readCourse';
import { saidBy } from '../courses/says';
import { houseOf, settingOf } from '../setting';
import { stricterSince } from '../teach/stricterSince';
import { listOwnWays } from '../techniques/ownWays';
import { changeLines } from './lines';
import { conversation } from './notes';
import { against, voiced } from './publishPlan';

/** One session as a plan: its blocks, who does what instead, the cue sheet, its versions, and what came back from the class. */
export async function readPlan(desk: Desk, id: string): Promise<PlanView> {
  authorise(desk.who, 'see plans');
  const session = await sessionById(desk, id);
  const past = (all: readonly Session[]) => all.filter(({ date }) => date <= desk.today).map((one) => one.id);
  const [found, sessions, progress, said, ways, away, known, nameOf, before] = await Promise.all([
    course(desk, session.course),
    sessionsOf(desk, [session.course]),
    progressOf(desk, [id]),
    conversation(desk, id),
    listOwnWays(desk),
    aways(desk, session.date),
    teachers(desk),
    staffNames(desk),
    may(desk.who.role, 'answer a class') ? sessionsOf(desk, [session.course]).then((all) => progressOf(desk, past(all))) : null,
  ]);
  const edits = may(desk.who.role, 'edit plans');
  const at = progress.get(id)!;
  const [group, studio, { planning, members, reached }, checks, inside, stricter] = await Promise.all([
    cohort(desk, found.cohort),
    houseOf(desk, found.cohort),
    settingOf(desk, found, sessions),
    checksOf(desk, found, sessions),
    insideOf(desk, found),
    stricterSince(desk, session, at),
  ]);
  const shownLog = (log: ClassLog): ShownLog => ({
    id: log.id,
    summary: logText(log),
    at: stampIn(studio.zone, log.at),
    by: nameOf(log.taughtBy),
    reached: log.reached,
    note: log.note,
    unnamed: log.unnamed,
    said: saidOf(log, at.plan?.blocks ?? session.blocks, studio.library),
    corrected: at.log?.each.some(({ corrects }) => corrects === log.id) ?? false,
    people: log.attendance.map(({ person, came, late, effort, stopSigns }) => ({
      name: members.find((member) => member.id === person)?.name ?? 'somebody who left',
      came,
      late: late === true,
      effort,
      stopSigns,
    })),
  });
  const { log } = at;
  const voice = voiced(session, { found, reached, planning }, at.plan);
  const here = before ? saidHere(desk, session, { sessions, planning, people: members.length, before }) : [];
  return {
    session: { id, date: session.date, start: session.start, minutes: session.minutes, version: session.version, blocks: session.blocks },
    course: { id: found.id, name: found.name, version: found.version },
    says: {
      said: here,
      seen: sessions.filter(({ fixed }) => !fixed).map(({ id: open, version }) => ({ session: open, version })),
    },
    cohort: { id: group.id, name: group.name },
    purpose: session.purpose,
    drafted: voice.purpose,
    note: session.note,
    ...beside(sessions, id),
    conversation: said,
    judged: edits ? against(session, { found, checks: inside.checks }, studio.library).judged : [],
    naturalBreath: studio.naturalBreath,
    tempo: studio.tempo,
    seat: group.seat,
    schools: studio.schools,
    mayEdit: edits && session.date >= desk.today && !session.cancelled,
    asOf: timeIn(studio.zone, desk.now),
    state: stateOf(session, at, desk.today),
    asides: may(desk.who.role, 'see reasons') ? asidesIn(members, session.blocks, session.date, studio) : [],
    forPeople: forPeople(desk, members, session, at.plan, studio),
    cues: layOut(session.blocks, studio, studio.speech).cues,
    cautions: cautionsOf(session.blocks, studio),
    stopSigns: STOP_SIGNS,
    emergency: TO_EVERYBODY,
    checks: checks.filter(({ session: of, key }) => of === id && !found.accepted.some((one) => one.key === key)),
    versions: at.versions.map((plan) => ({
      number: plan.number,
      teacher: nameOf(plan.teacher),
      publishedAt: stampIn(studio.zone, plan.publishedAt),
      changes: changeLines(plan.changes),
      reason: plan.reason,
    })),
    unpublished: at.plan && [...voiceChanges(at.plan, voice), ...changesBetween(at.plan.blocks, session.blocks, studio)].map(changeLine),
    askedAgain: stricter.length > 0,
    acknowledgedAt: at.acknowledgedAt && stampIn(studio.zone, at.acknowledgedAt),
    log: log && { ...shownLog(log), unsettled: log.unsettled, each: log.each.map(shownLog) },
    ownWays: ways,
    teacher: at.handedTo ?? found.teacher,
    teachers: known.map(({ id: staffId, name, qualifications }) => ({
      id: staffId,
      name,
      lacks: lacking(session.blocks, qualifications, session.date, studio.library),
      away: isAway(away, staffId, session),
    })),
  };
}

/** What a log says beside who came, in words. */
function saidOf({ blocks, firstBreath, mood, change }: ClassLog, planned: readonly NamedBlock[], library: House['library']): string[] {
  const nameOf = (id: string) => {
    const block = planned.find((one) => one.id === id);
    return block ? blockName(block, library) : 'a block that was taken out since';
  };
  const room = [mood?.before && `${mood.before} before`, mood?.after && `${mood.after} after`].filter(Boolean).join(', ');
  return [
    ...blocks.map(({ block, done }) => `${nameOf(block)}: ${done === 'part' ? 'in part' : done}`),
    ...(firstBreath ? [`first free breath after the holds ${firstBreath}`] : []),
    ...(room ? [`the room ${room}`] : []),
    ...(change ? [`to change: “${change}”`] : []),
  ];
}

/** The classes before and after one. */
function beside(sessions: readonly Session[], id: string): Pick<PlanView, 'before' | 'after' | 'number' | 'of'> {
  const at = sessions.findIndex((one) => one.id === id);
  const link = (one: Session | undefined) => (one ? { id: one.id, date: one.date } : null);
  return { before: at > 0 ? link(sessions[at - 1]) : null, after: at >= 0 ? link(sessions[at + 1]) : null, number: at + 1, of: sessions.length };
}

/** What the last class said: on its own plan, and on the open ones after it that practise the same. */
function saidHere(
  desk: Desk,
  session: Session,
  {
    sessions,
    planning,
    people,
    before,
  }: {
    readonly sessions: readonly Session[];
    readonly planning: Planning;
    readonly people: number;
    readonly before: ReadonlyMap<string, Progress>;
  },
): StepSaid[] {
  const said = saidBy(sessions, planning, people, before);
  const here = new Set(techniquesIn(session.blocks).map(({ technique }) => technique));
  return said.filter(({ technique, date }) => here.has(technique) && (date === session.date || (date < session.date && !session.fixed)));
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
  return { for: 'teacher', people: members.map(({ id, name }) => ({ id, name, instructions: toldTo(all.get(id) ?? []) })) };
}

function cautionsOf(blocks: readonly NamedBlock[], { library }: House) {
  const used = new Set(techniquesIn(blocks).map(({ technique }) => library.technique(technique).family));
  return library.families.filter(({ id }) => used.has(id)).map(({ name, cautions, watchFor }) => ({ name, cautions, watchFor }));
}
