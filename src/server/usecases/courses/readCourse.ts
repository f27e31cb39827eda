import { checkCourse, checkText, mended, mendOfText, mendText, unplacedText, weekOf, type Check, type Planning } from '@/core/course';
import { blockName, chipText, minutesUp, sessionTime, techniquesIn } from '@/core/plan';
import { logText } from '@/core/teach';
import { listed } from '@/core/wording';
import type { CourseView, SessionPlank, SessionState, ShownCheck } from '@/views/course';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { cohort } from '../../repositories/cohorts';
import { course, progressOf, sessionsOf, type Progress, type Session } from '../../repositories/courses';
import { staff } from '../../repositories/studio';
import { settingOf } from '../setting';
import { whoIsReady } from './whoIsReady';

/** A course as its ladder. Who does what otherwise is in its checks for the director alone. */
export async function readCourse(desk: Desk, id: string): Promise<CourseView> {
  authorise(desk.who, 'see courses');
  const found = await course(desk, id);
  const [group, sessions, everyone] = await Promise.all([cohort(desk, found.cohort), sessionsOf(desk, [id]), staff(desk)]);
  const { planning, members } = await settingOf(desk, found, sessions);
  const progress = await progressOf(
    desk,
    sessions.map((session) => session.id),
  );
  const seen = new Set<string>(planning.already);
  const { name, version, weeks, start, minutes, weekdays } = found;
  const nameOf = (technique: string) => planning.basis.library.find(technique)?.name ?? technique;
  return {
    course: {
      id,
      name,
      version,
      weeks,
      start,
      minutes,
      weekdays,
      unplaced: found.unplaced.map((one) => unplacedText(one, planning.basis.library)),
      mends: (found.unplaced[0]?.mends ?? []).map((mends) => ({ text: listed(mends.map((mend) => mendOfText(mend, nameOf))), mends })),
      goals: found.goals.map(({ technique }) => nameOf(technique)),
    },
    cohort: { id: group.id, name: group.name, people: members.length },
    teacher: everyone.find((member) => member.id === found.teacher)?.name ?? '',
    week: desk.today < found.firstDate ? null : weekOf(found.firstDate, desk.today),
    today: desk.today,
    mayEdit: may(desk.who.role, 'edit courses'),
    sessions: sessions.map((session) => ({
      ...plankOf(session, planning, seen),
      week: weekOf(found.firstDate, session.date),
      state: stateOf(session, progress.get(session.id), desk.today),
      logged: loggedText(progress.get(session.id)),
    })),
    checks: checksOf(sessions, planning, desk),
    ready: may(desk.who.role, 'edit courses') && may(desk.who.role, 'see reasons') ? whoIsReady(sessions, planning, members, progress) : [],
  };
}

function plankOf(session: Session, { basis }: Planning, seen: Set<string>): Omit<SessionPlank, 'week' | 'state' | 'logged'> {
  const planned = minutesUp(sessionTime(session.blocks, basis));
  const techniques = techniquesIn(session.blocks).map((block) => {
    const fresh = !seen.has(block.technique);
    seen.add(block.technique);
    const { of } = basis.library.technique(block.technique);
    const name = blockName(block, basis.library);
    return {
      id: block.id,
      technique: block.technique,
      name,
      family: of.id,
      familyName: of.name,
      chip: chipText(block, basis),
      pattern: block.pattern,
      dose: block.dose,
      fresh,
    };
  });
  const { id, version, date, start, minutes, fixed } = session;
  return { id, version, date, start, minutes, fixed, planned, techniques };
}

/** Where a session stands between planned and taught. */
export function stateOf(
  session: { readonly date: string; readonly blocks: readonly unknown[] },
  progress: Progress | undefined,
  today: string,
): SessionState {
  if (progress?.log) return 'taught';
  if (progress?.plan && session.date < today) return 'not logged';
  if (progress?.acknowledgedAt) return 'acknowledged';
  if (progress?.plan) return 'published';
  return session.blocks.length > 0 ? 'planned' : 'empty';
}

/** A class's logs in a few words. @example "9 of 11 came, 1 strained" */
export function loggedText(progress: Progress | undefined): string | null {
  return progress?.log ? logText(progress.log) : null;
}

/** What says how many people come out otherwise is the director's alone: in a small group it names them. */
const OF_PEOPLE: readonly Check['finding']['code'][] = ['adapted', 'near a limit'];

/** Checks in words, with their mends, as far as whoever asks may see them. */
export function checksOf(sessions: readonly Session[], planning: Planning, { today, who }: Pick<Desk, 'today' | 'who'>): ShownCheck[] {
  const dateOf = (id: string) => sessions.find((session) => session.id === id)?.date ?? null;
  const { library } = planning.basis;
  return checkCourse(sessions, planning)
    .filter(({ date, severity }) => date >= today || severity !== 'know')
    .filter(({ finding }) => may(who.role, 'see reasons') || !OF_PEOPLE.includes(finding.code))
    .map((check) => ({
      severity: check.severity,
      session: check.session,
      date: check.date,
      block: check.block,
      title: check.technique ? (library.find(check.technique)?.name ?? null) : null,
      text: checkText(check, library),
      mend: check.mend && { kind: check.mend.kind, block: mended(check.mend), text: mendText(check.mend, dateOf) },
    }));
}
