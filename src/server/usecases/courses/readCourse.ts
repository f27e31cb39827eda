import { checkCourse, checkText, mendText, weekOf, type Check, type CourseSetting } from '@/core/course';
import { chipText, minutesUp, sessionTime, techniqueName } from '@/core/plan';
import { techniqueOf } from '@/core/techniques';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { cohort } from '../../repositories/cohorts';
import { course, progressOf, sessionsOf, type Progress, type Session } from '../../repositories/courses';
import { staff } from '../../repositories/studio';
import { settingOf } from '../setting';

/** A check as the page shows it. */
export interface ShownCheck {
  readonly severity: Check['severity'];
  readonly session: string;
  readonly date: string;
  readonly block: string | null;
  readonly title: string | null;
  readonly text: string;
  readonly mend: { readonly kind: 'move' | 'shorten rest' | 'add preparation'; readonly block: string; readonly text: string } | null;
}

export type SessionState = 'empty' | 'planned' | 'published' | 'acknowledged' | 'taught' | 'not logged';

/** A course as its ladder: sessions with what they practise, where they stand, and what is wrong where. */
export async function readCourse(desk: Desk, id: string) {
  authorise(desk.who, 'see courses');
  const found = await course(desk, id);
  const [group, sessions, everyone, setting] = await Promise.all([
    cohort(desk, found.cohort),
    sessionsOf(desk, [id]),
    staff(desk),
    settingOf(desk, found),
  ]);
  const progress = await progressOf(
    desk,
    sessions.map((session) => session.id),
  );
  const seen = new Set<string>(setting.already);
  return {
    course: {
      id,
      name: found.name,
      version: found.version,
      weeks: found.weeks,
      start: found.start,
      minutes: found.minutes,
      weekdays: found.weekdays,
      unplaced: found.unplaced,
      goals: found.goals.map(({ technique, pattern, dose, practise }) => ({ technique, pattern, dose, practise, name: techniqueOf(technique).name })),
    },
    cohort: { id: group.id, name: group.name, people: setting.members.length },
    teacher: everyone.find((member) => member.id === found.teacher)?.name ?? '',
    week: desk.today < found.firstDate ? null : weekOf(found.firstDate, desk.today),
    today: desk.today,
    mayEdit: may(desk.who.role, 'edit courses'),
    sessions: sessions.map((session) => ({
      ...rowOf(session, setting, seen),
      week: weekOf(found.firstDate, session.date),
      state: stateOf(session, progress.get(session.id), desk.today),
      logged: loggedText(progress.get(session.id)),
    })),
    checks: checksOf(sessions, setting, desk.today),
  };
}

function rowOf(session: Session, setting: CourseSetting, seen: Set<string>) {
  const planned = minutesUp(sessionTime(session.blocks, setting.naturalBreath));
  const techniques = session.blocks.flatMap((block) => {
    if (block.kind !== 'technique') return [];
    const fresh = !seen.has(block.technique);
    seen.add(block.technique);
    const { of } = techniqueOf(block.technique);
    const name = techniqueName(block);
    return [{ id: block.id, technique: block.technique, name, family: of.id, familyName: of.name, chip: chipText(block), dose: block.dose, fresh }];
  });
  return { id: session.id, date: session.date, start: session.start, minutes: session.minutes, fixed: session.fixed, planned, techniques };
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

/** A log in a few words. @example "9 of 11 came, 1 strained" */
export function loggedText(progress: Progress | undefined): string | null {
  const log = progress?.log;
  if (!log) return null;
  const came = log.attendance.filter((person) => person.came);
  const strained = came.filter(({ effort }) => effort === 'strained').length;
  const signs = came.filter(({ stopSigns }) => stopSigns.length > 0).length;
  return [
    `${came.length} of ${log.attendance.length} came`,
    ...(strained > 0 ? [`${strained} strained`] : []),
    ...(signs > 0 ? [`${signs} with a stop sign`] : []),
  ].join(', ');
}

/** Checks in words, with their mends. */
export function checksOf(sessions: readonly Session[], setting: CourseSetting, today: string): ShownCheck[] {
  const dateOf = (id: string) => sessions.find((session) => session.id === id)?.date ?? null;
  return checkCourse(sessions, setting)
    .filter(({ date, severity }) => date >= today || severity !== 'know')
    .map((check) => ({
      severity: check.severity,
      session: check.session,
      date: check.date,
      block: check.block,
      title: check.technique ? techniqueOf(check.technique).name : null,
      text: checkText(check),
      mend: check.mend && {
        kind: check.mend.kind,
        block: check.mend.kind === 'add preparation' ? check.mend.before : check.mend.block,
        text: mendText(check.mend, dateOf),
      },
    }));
}
