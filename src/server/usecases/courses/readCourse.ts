import {
  aboutCourse,
  aheadTexts,
  blockedAhead,
  byHarm,
  checkCourse,
  checkKey,
  checkText,
  closureOn,
  fewReadyText,
  mayAccept,
  mended,
  mendText,
  publishes,
  reachedIn,
  unplacedTexts,
  waysOut,
  weekOf,
  withTriedMends,
  type Check,
  type Planning,
} from '@/core/course';
import { tallier } from '@/core/instructions';
import { wayDown } from '@/core/ladder';
import type { Library } from '@/core/library';
import { blockName, chipText, minutesUp, sessionTime, techniquesIn } from '@/core/plan';
import { logText } from '@/core/teach';
import type { CourseView, SessionPlank, SessionState, ShownCheck } from '@/views/course';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { untilChanged } from '../../untilChanged';
import { cohort } from '../../repositories/cohorts';
import { cancelledIn, course, courses, sessionsOf, type Course, type Session } from '../../repositories/courses';
import { progressOf, type Progress } from '../../repositories/plans';
import { staff, staffNames } from '../../repositories/staff';
import { closures, conventions } from '../../repositories/studio';
import type { OpenedMember } from '../../repositories/screenings';
import { houseOf, settingOf } from '../setting';
import { aroundOf } from './around';
import { openDays } from './lifeHappens';
import { saidBy } from './says';
import { lastChange } from './steps';
import { seriesOfLive } from '../../repositories/series';
import { goalsReady, whoIsBehind, whoIsReady } from './whoIsReady';

/** A course as its ladder. Who does what otherwise is in its checks for the director alone. */
export async function readCourse(desk: Desk, id: string): Promise<CourseView> {
  authorise(desk.who, 'see courses');
  return untilChanged(desk, `course ${id} for ${desk.who.id}`, 'everything', (at) => courseNow(at, id));
}

async function courseNow(desk: Desk, id: string): Promise<CourseView> {
  const found = await course(desk, id);
  const mayEdit = may(desk.who.role, 'edit courses');
  const [group, sessions, everyone, closed, gone, by, of, reopened, last, lastTime] = await Promise.all([
    cohort(desk, found.cohort),
    sessionsOf(desk, [id]),
    staff(desk),
    closures(desk),
    cancelledIn(desk, [id]),
    staffNames(desk),
    seriesOfLive(desk, id),
    mayEdit ? openDays(desk, found) : [],
    mayEdit ? lastChange(desk, id) : null,
    found.copiedFrom && may(desk.who.role, 'see reasons') ? lastTimeOf(desk, found.copiedFrom) : null,
  ]);
  const [{ planning, members, reached }, progress, checks] = await Promise.all([
    settingOf(desk, found, sessions),
    progressOf(
      desk,
      sessions.map((session) => session.id),
    ),
    checksOf(desk, found, sessions),
  ]);
  const seen = new Set<string>(planning.already);
  const { name, version, weeks, start, minutes, weekdays } = found;
  const nameOf = (technique: string) => planning.basis.library.find(technique)?.name ?? technique;
  const forecast = { sessions: reached, goals: found.goals, planning, members, progress };
  // Before anything is drafted: what no draft could place.
  const undrafted = !of && found.unplaced.length === 0 && sessions.every(({ blocks }) => techniquesIn(blocks).length === 0);
  const counts = may(desk.who.role, 'see reasons');
  const ahead = undrafted ? aheadTexts(blockedAhead(sessions, found.goals, planning), planning.basis.library, counts) : [];
  const about = aboutCourse(reached, found.goals, planning, found.arc);
  const reachedOn = found.goals.map((goal) => {
    const at = reachedIn(sessions, goal);
    return at === null ? null : weekOf(found.firstDate, sessions[at - 1].date);
  });
  const silent = new Set(found.accepted.map(({ key }) => key));
  return {
    course: {
      id,
      name,
      version,
      weeks,
      start,
      minutes,
      weekdays,
      unplaced: [...ahead, ...unplacedTexts(found.unplaced, planning.basis.library, counts)],
      mends: waysOut(found.unplaced, planning.basis.library),
      goals: found.goals.map(({ technique }) => nameOf(technique)),
      reached: reachedOn,
      arc: found.arc,
      lacks: about.lacks,
      series: of ? { id: of.id, name: of.name } : null,
    },
    cohort: { id: group.id, name: group.name, people: members.length },
    teacher: everyone.find((member) => member.id === found.teacher)?.name ?? '',
    week: desk.today < found.firstDate ? null : weekOf(found.firstDate, desk.today),
    today: desk.today,
    mayEdit,
    sessions: sessions.map((session) => ({
      ...plankOf(session, planning, seen, new Set(found.goals.map(({ technique }) => technique))),
      week: weekOf(found.firstDate, session.date),
      purpose: session.purpose || (about.purposes.get(session.id) ?? ''),
      state: stateOf(session, progress.get(session.id), desk.today),
      logged: loggedText(progress.get(session.id)),
    })),
    themes: Object.fromEntries(about.themes),
    checks: checks.filter(({ key }) => key === null || !silent.has(key)),
    accepted: checks.flatMap(({ key, title, text }) => {
      const accepted = found.accepted.find((one) => one.key === key);
      return accepted ? [{ key: accepted.key, text: `${title ?? 'A class'} ${text}`, reason: accepted.reason, by: by(accepted.by) }] : [];
    }),
    cancelled: gone.map(({ id: session, date, reason }) => ({ id: session, date, reason, week: weekOf(found.firstDate, date) })),
    reopened,
    closed: mayEdit ? sessions.filter(({ date }) => date >= desk.today && closureOn(closed, date)).map(({ date }) => date) : [],
    last,
    says: may(desk.who.role, 'answer a class') ? saidBy(sessions, planning, members.length, progress) : [],
    lastTime,
    ready: mayEdit && may(desk.who.role, 'see reasons') ? whoIsReady(forecast, desk.today) : [],
    behind: mayEdit && may(desk.who.role, 'see reasons') ? whoIsBehind(forecast, desk.today, await alone(desk, found, members, planning)) : [],
    already: [...planning.already],
  };
}

function plankOf(
  session: Session,
  { basis, ladder }: Planning,
  seen: Set<string>,
  goals: ReadonlySet<string>,
): Omit<SessionPlank, 'week' | 'state' | 'logged' | 'purpose'> {
  const planned = minutesUp(sessionTime(session.blocks, basis));
  const techniques = techniquesIn(session.blocks).map((block) => {
    const fresh = !seen.has(block.technique);
    // What is outgrown and no goal of its own comes back as a review.
    const family = basis.library.technique(block.technique).family;
    const review =
      !goals.has(block.technique) &&
      [...seen].some((id) => basis.library.find(id)?.family === family && wayDown(ladder, id).includes(block.technique));
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
      pinned: block.pinned ?? false,
      review,
    };
  });
  const { id, version, date, start, minutes, fixed } = session;
  return { id, version, date, start, minutes, fixed, planned, techniques };
}

/** Where a session stands between planned and taught. */
export function stateOf(
  session: { readonly date: string; readonly blocks: readonly unknown[]; readonly cancelled: unknown },
  progress: Progress | undefined,
  today: string,
): SessionState {
  if (session.cancelled) return 'cancelled';
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

/** What says how many people come out otherwise, or that all do, is the director's alone: in a small group it names them. */
export const OF_PEOPLE: readonly Check['finding']['code'][] = ['adapted', 'near a limit', 'left out by all'];

/**
 * Checks of a course and of the days around its classes, in words; accepted ones too, known by their keys.
 * @param tryMends whether mends are tried: where checks are only counted, they are not
 */
export async function checksOf(desk: Desk, found: Course, sessions: readonly Session[], tryMends = true): Promise<ShownCheck[]> {
  const [{ checks }, around, { library }] = await Promise.all([insideOf(desk, found, tryMends), aroundOf(desk, found), conventions(desk)]);
  return shownChecks([...checks, ...around], sessions, library, desk);
}

/** What is to be said of the classes of a course, whatever the days around them: what the rules say, and whether too few will be ready for its goals. */
export function insideOf(desk: Desk, { id, cohort: group }: Course, tryMends = true): Promise<Inside> {
  return untilChanged(desk, `${tryMends ? 'mended ' : ''}checks of ${id}`, [id, group, 'studio'], async (at) => {
    const [found, sessions] = await Promise.all([course(at, id), sessionsOf(at, [id])]);
    const { planning, members, reached } = await settingOf(at, found, sessions);
    const checks = checkCourse(reached, planning);
    return {
      checks: tryMends ? withTriedMends(checks, reached, planning, at.today) : checks,
      few: fewReadyText(goalsReady({ sessions: reached, goals: found.goals, planning, members }, at.today)),
    };
  });
}

interface Inside {
  readonly checks: readonly Check[];
  /** For which goals fewer will be ready than are asked for, or than many, in words; null where that is none. */
  readonly few: string | null;
}

/** Checks in words, as far as whoever asks may see them. */
function shownChecks(checks: readonly Check[], sessions: readonly Session[], library: Library, { today, who }: Desk): ShownCheck[] {
  const dateOf = (id: string) => sessions.find((session) => session.id === id)?.date ?? null;
  return byHarm(checks)
    .filter(({ date, severity }) => date >= today || severity !== 'know')
    .filter(({ finding }) => may(who.role, 'see reasons') || !OF_PEOPLE.includes(finding.code))
    .map((check) => {
      const text = checkText(check, library);
      // What is past stays as it was: there is nothing to mend.
      const mend = check.date >= today ? check.mend : null;
      return {
        severity: check.severity,
        session: check.session,
        date: check.date,
        block: check.block,
        title: check.technique ? (library.find(check.technique)?.name ?? null) : null,
        text,
        cause: causeOf(check),
        stops: publishes(check) !== 'freely',
        key: mayAccept(check.finding) ? checkKey(check, text) : null,
        mend: mend && {
          kind: mend.kind,
          block: mended(mend),
          part: mend.kind === 'add preparation' ? mend.part : null,
          text: mendText(mend, dateOf),
        },
      };
    });
}

/** Whether somebody does a technique as it is taught today, so that it may be practised alone; asked of the director's pages only. */
async function alone(desk: Desk, { cohort: group }: Course, people: readonly OpenedMember[], planning: Planning) {
  const house = await houseOf(desk, group);
  const each = new Map(people.map((person) => [person.id, tallier([person], house)]));
  return (person: string, technique: string): boolean => {
    const { leaveOut, askFirst, adapt } = each.get(person)!({ technique, ...planning.taught(technique), tempo: planning.tempo }, desk.today);
    return leaveOut + askFirst + adapt === 0;
  };
}

/** What checks of one cause have in common: what they are about and what is wrong, whatever the day and the figures. */
function causeOf({ technique, finding }: Check): string {
  const what =
    finding.code === 'guard'
      ? finding.finding.guard
      : 'lacking' in finding
        ? finding.lacking.needs
        : finding.code === 'not prepared'
          ? finding.part
          : '';
  return [technique ?? '', finding.code, what].join('|');
}

/** What the classes of the course it was copied from said: who came, how it went, and the teacher's note. */
async function lastTimeOf(desk: Desk, id: string): Promise<CourseView['lastTime']> {
  const before = (await courses(desk)).find((one) => one.id === id);
  if (!before) return null;
  const sessions = await sessionsOf(desk, [id]);
  const progress = await progressOf(
    desk,
    sessions.map((session) => session.id),
  );
  return {
    name: before.name,
    classes: sessions.map((session) => {
      const log = progress.get(session.id)?.log;
      return log ? [logText(log), ...(log.note ? [`“${log.note}”`] : [])].join('. ') : null;
    }),
  };
}
