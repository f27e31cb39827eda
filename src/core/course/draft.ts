import { climbSteps, type ClimbStep } from '../climb';
import { wayDown } from '../ladder';
import { blockTime, techniquesIn, type TechniqueBlock } from '../plan';
import { isSideWork } from '../techniques';
import { isoDate, millis, type IsoDate } from '../units';
import { checkCourse, inTimeOrder } from './checks';
import { after, byQualified, forSettled, forSomebody, insideGuards, NOTHING_BEFORE, type Before, type Day, type Finding } from './constraints';
import { weekOf } from './dates';
import { clashOf, mendsFor, solve, type Case, type CaseFile, type MendOf, type Request, type Solved } from './drafting';
import { frame, frameTime, settleShare } from './frame';
import { COURSE_LIMITS } from './limits';
import { hourOf, type CourseSession, type Goal, type Planning } from './types';

/** What was asked for that cannot be kept together, and what would mend it, as codes that can be kept and worded. */
export type ClashCode = Pick<Request, 'code' | 'technique'>;
export type MendCode = Omit<MendOf, 'with'>;

/** Why a goal could not be placed. Worded in one place, `words.ts`. */
export type Blocked =
  | { readonly why: 'hour'; readonly technique: string; readonly hours: readonly string[] }
  | { readonly why: 'left out by all' | 'not settled' | 'nobody qualified'; readonly technique: string }
  /** Found by a draft from before reasons were kept as codes, or not settled in the time there was. */
  | { readonly why: 'earlier draft'; readonly technique: string }
  /** Nothing stands in its way: it was asked for after the last draft, or what it had was moved away. */
  | { readonly why: 'not drafted'; readonly technique: string }
  | { readonly why: 'no room'; readonly technique: string; readonly minutes: number }
  | { readonly why: 'clash'; readonly technique: string; readonly with: readonly ClashCode[] }
  // Kept by drafts from before clashes were worked out.
  | {
      readonly why: 'sessions';
      readonly technique: string;
      readonly needs: string;
      readonly sessions: number;
      readonly had: number;
      readonly days: number;
    }
  | { readonly why: 'new things'; readonly technique: string; readonly sessions: number }
  | { readonly why: 'practice'; readonly technique: string; readonly wanted: number; readonly had: number };

export interface Unplaced {
  readonly goal: Goal;
  readonly blocked: Blocked;
  /** Changes that were tried and make every goal possible; each alone, or a pair together. */
  readonly mends?: readonly (readonly MendCode[])[];
}

/** How good a draft is known to be. */
export interface Proof {
  readonly proved: boolean;
  /** Goals left out, and the sum of the classes in which the others are reached; no draft has a smaller sum than the bound. */
  readonly dropped: number;
  readonly sum: number;
  readonly bound: number;
  /** By goal: the number of the class it is reached in. */
  readonly reached: readonly (number | null)[];
  /** By goal: no draft reaches it in an earlier class. */
  readonly earliest: readonly number[];
}

export interface Draft {
  readonly sessions: readonly CourseSession[];
  readonly unplaced: readonly Unplaced[];
  readonly proof: Proof;
}

/** What may be asked of drafting while it runs. */
export interface Drafting {
  /** Whether what was found is enough; asked often. */
  readonly enough: () => boolean;
  /** Told of every better draft on the way. */
  readonly onBetter?: (better: Omit<Draft, 'unplaced'>) => void;
}

const HOUR = { morning: 'm', day: 'd', evening: 'e' } as const;

/** A course as the drafting problem: tables of techniques and edges, and the request. */
function problemOf(sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning) {
  const { basis, ladder, already, taught, tempo } = planning;
  const { library } = basis;
  const pace = { tempo: millis(tempo), naturalBreath: basis.naturalBreath };
  const taughtSo = sessions.filter(({ fixed }) => fixed);
  // A climb goes on from what was reached: a class that fell short counts only where nothing else was practised.
  const standing = [...taughtSo.filter(({ short }) => short), ...taughtSo.filter(({ short }) => !short)].flatMap(({ blocks }) =>
    techniquesIn(blocks),
  );
  const pins = sessions.flatMap(({ fixed, blocks }, at) =>
    fixed ? [] : techniquesIn(blocks).flatMap(({ pinned, technique }) => (pinned && library.find(technique) ? [[at, technique] as const] : [])),
  );
  const wanted = new Set([
    ...goals.map(({ technique }) => technique),
    ...pins.map(([, technique]) => technique),
    ...already,
    ...standing.map(({ technique }) => technique),
  ]);
  for (const id of [...wanted]) for (const below of wayDown(ladder, id)) wanted.add(below);
  const ids = [...wanted].filter((id) => library.find(id) !== null);
  const first = (id: string): TechniqueBlock => {
    const last = standing.findLast(({ technique }) => technique === id);
    const way = last ?? taught(id);
    return { id, kind: 'technique', technique: id, pattern: way.pattern, dose: way.dose, tempo };
  };
  const differs = (a: TechniqueBlock, b: TechniqueBlock) => a.pattern !== b.pattern || a.dose !== b.dose;
  const isBelow = (id: string, from: TechniqueBlock) => standing.some((block) => block.technique === id && differs(block, from));
  // A climb that is to grow more slowly does so across the techniques of its own family too.
  const between = (needs: string, to: string) =>
    Math.max(
      0,
      ...goals.map(({ technique, everyDays }) => {
        const family = (id: string) => library.find(id)?.family === library.find(technique)?.family;
        const onItsWay = to === technique || wayDown(ladder, technique).includes(to);
        return everyDays && onItsWay && family(needs) && family(to) ? everyDays : 0;
      }),
    );
  const climbs = new Map<string, readonly ClimbStep[]>(
    ids.map((id) => {
      const goal = goals.find(({ technique }) => technique === id);
      const from = first(id);
      if (!goal) return [id, [{ ...from, isNew: true, classes: 0, days: 0, lighter: false }]];
      const steps = climbSteps(from, goal, pace, goal, planning.guards);
      // Classes that did it otherwise than it stands now were below this climb: they count, but not on its steps.
      return [id, isBelow(id, from) ? [{ ...steps[0], isNew: false }, { ...steps[0], isNew: false }, ...steps.slice(1)] : steps];
    }),
  );
  // What a cohort may do of a technique is asked of the way the studio first teaches it.
  const asTaught = (id: string): TechniqueBlock => ({ id, kind: 'technique', technique: id, ...taught(id), tempo });
  const time = (id: string, { pattern, dose }: Pick<ClimbStep, 'pattern' | 'dose'>) => blockTime({ ...first(id), pattern, dose }, basis);
  const part = (id: string) => library.part(id).minutes;
  const file: Omit<CaseFile, 'instances'> = {
    frame: {
      arrive: part('arrive'),
      movement: part('movement'),
      movementFrom: COURSE_LIMITS.movementFrom,
      clearNose: part('clear-nose'),
      settle: COURSE_LIMITS.settleMinutes,
      rest: COURSE_LIMITS.shortestRest,
      close: part('close'),
    },
    techniques: Object.fromEntries(
      ids.map((id) => {
        const technique = library.technique(id);
        const hours = technique.taughtAt.map((hour) => HOUR[hour]).join('');
        const { nature, rung, family } = technique;
        return [
          id,
          { ms: time(id, climbs.get(id)![0]), settle: settleShare(technique), hours, nature, rung, family, side: isSideWork(technique) ? 1 : 0 },
        ];
      }),
    ),
    edges: ladder
      .filter(({ needs, to }) => wanted.has(needs) && wanted.has(to))
      .map(({ needs, to, sessions: times, days }) => [needs, to, times, Math.max(days, between(needs, to))] as const),
  };
  const one: Case = {
    id: 'course',
    dates: sessions.map(({ date }) => date),
    hours: sessions.map(({ start }) => HOUR[hourOf(start)]).join(''),
    minutes: sessions.map(({ minutes }) => minutes),
    already: [...already].filter((id) => library.find(id) !== null),
    banned: [],
    unqualified: [],
    unsettled: ids.filter((id) => forSettled(asTaught(id), NO_DAY, NOTHING_BEFORE, planning).length > 0),
    goals: goals.map(({ technique, practise, by }) => {
      const steps = climbs.get(technique)!;
      return {
        v: technique,
        r: practise,
        by: by ?? undefined,
        steps: steps.map((step) => ({ ms: time(technique, step), fresh: step.isNew ? 1 : 0, n: step.classes, d: step.days })),
      };
    }),
    fixed: sessions.map(({ fixed, blocks }) =>
      fixed
        ? techniquesIn(blocks).map((block) => {
            const from = first(block.technique);
            const goal = goals.some(({ technique }) => technique === block.technique);
            return [block.technique, goal && isBelow(block.technique, from) && !differs(block, from) ? 1 : 0] as const;
          })
        : null,
    ),
    open: Object.fromEntries(
      ids.map((id) => [
        id,
        sessions.map(
          (session) =>
            session.fixed ||
            (forSomebody(asTaught(id), session, NOTHING_BEFORE, planning).length === 0 && isTaughtBySomebody(asTaught(id), session, planning)),
        ),
      ]),
    ),
    pins,
    most: COURSE_LIMITS.mostTechniques,
    further: planning.further,
  };
  return { file: { ...file, instances: [one] }, one, climbs, first };
}

/**
 * Proposes the blocks of a course: as many goals as can be, each as early as can be, inside every rule of the ladder, the climbs and
 * the hour. A goal that cannot be placed is named with what it clashes with and what would mend it; the rest is drafted without it.
 * Past and published sessions stay as they are and count.
 */
export function draftCourse(
  sessions: readonly CourseSession[],
  goals: readonly Goal[],
  planning: Planning,
  newId: () => string,
  { enough, onBetter }: Drafting = NO_HURRY,
): Draft {
  const ordered = inTimeOrder(sessions);
  const { file, one, climbs, first } = problemOf(ordered, goals, planning);
  const proofOf = ({ status, dropped, sum, bound, reached, earliest }: Solved): Proof => ({
    proved: status === 'proved',
    dropped,
    sum,
    bound,
    reached,
    earliest,
  });
  const laidOut = (solved: Solved, pinnedAsTheyAre: boolean): CourseSession[] =>
    ordered.map((session, at) => {
      if (session.fixed) return session;
      const stood = techniquesIn(session.blocks);
      const techniques = solved.sessions[at].map(([id, step]): TechniqueBlock => {
        const { pattern, dose } = climbs.get(id)![step];
        const had = stood.find(({ technique }) => technique === id);
        // What stands there already stays the block it is, with its lines and what was set by hand.
        if (had && ((had.pinned && pinnedAsTheyAre) || (had.pattern === pattern && had.dose === dose))) return had;
        return had ? { ...had, pattern, dose } : { ...first(id), id: newId(), pattern, dose };
      });
      const same = techniques.length === stood.length && techniques.every((block) => stood.includes(block));
      return same && stood.length > 0 ? session : framed(session, techniques, ordered[0].date, planning, newId);
    });
  const sessionsOf = (solved: Solved): CourseSession[] => {
    const asPinned = laidOut(solved, true);
    // A pinned dose that makes a climb jump gives way to the climb; where it stands is kept.
    return climbsJump(asPinned, planning) ? laidOut(solved, false) : asPinned;
  };
  const better = onBetter && ((found: Solved) => onBetter({ sessions: sessionsOf(found), proof: proofOf(found) }));
  const solved = solve(file, one, { enough, onBetter: better });
  const left = goals.filter((_, index) => solved.reached[index] === null);
  // Where pins alone clash, nothing is drafted over them.
  const kept = solved.status === 'impossible' || isAsGood(ordered, goals, planning, solved);
  return { sessions: kept ? ordered : sessionsOf(solved), unplaced: whyNot(left, ordered, goals, planning, enough), proof: proofOf(solved) };
}

/** Whether a climb grows by more than its guard in a class that is open. */
function climbsJump(sessions: readonly CourseSession[], planning: Planning): boolean {
  let before: Before = NOTHING_BEFORE;
  for (const session of sessions) {
    const known = before;
    if (!session.fixed && techniquesIn(session.blocks).some((block) => insideGuards(block, session, known, planning).length > 0)) return true;
    before = after(before, session);
  }
  return false;
}

/** Whether a course as it stands is a draft as good as the best one: nothing is changed for the sake of change. */
function isAsGood(sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning, { sum, dropped }: Solved): boolean {
  const open = new Set(sessions.filter(({ fixed }) => !fixed).map(({ id }) => id));
  if (sessions.some(({ id, blocks }) => open.has(id) && blocks.length === 0)) return false;
  const reached = goals.map((goal) => reachedIn(sessions, goal));
  if (reached.filter((at) => at === null).length !== dropped || reached.reduce<number>((all, at) => all + (at ?? 0), 0) !== sum) return false;
  return checkCourse(sessions, planning).every(({ session, severity }) => !open.has(session) || severity === 'know');
}

/** The number of the class in which a goal was practised often enough as it should be reached; null while it was not. */
export function reachedIn(sessions: readonly CourseSession[], { technique, pattern, dose, practise, by }: Goal): number | null {
  let had = 0;
  for (const [at, { blocks, date }] of sessions.entries()) {
    if (by && date > by) return null;
    if (techniquesIn(blocks).some((block) => block.technique === technique && block.pattern === pattern && block.dose === dose)) had += 1;
    if (had >= practise) return at + 1;
  }
  return null;
}

/** A session with these techniques and everything that stands around them. */
export function framed(
  session: CourseSession,
  techniques: readonly TechniqueBlock[],
  first: IsoDate,
  planning: Planning,
  newId: () => string,
): CourseSession {
  return { ...session, blocks: frame(techniques, session.minutes, weekOf(first, session.date), newId, planning.basis) };
}

/** Goals that are not practised so often on their last step in these sessions, each with why, and what would mend it. */
export function unplacedIn(sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning, enough: () => boolean): Unplaced[] {
  const ordered = inTimeOrder(sessions);
  const left = goals.filter((goal) => reachedIn(ordered, goal) === null);
  return whyNot(left, ordered, goals, planning, enough);
}

function whyNot(
  left: readonly Goal[],
  ordered: readonly CourseSession[],
  goals: readonly Goal[],
  planning: Planning,
  enough: () => boolean,
): Unplaced[] {
  if (left.length === 0) return [];
  const { file, one } = problemOf(ordered, goals, planning);
  const placed = new Set(goals.filter((goal) => !left.includes(goal)).map(({ technique }) => technique));
  // Each is asked beside what has its place, so that no goal is said to clash with what another one clashes with.
  const clashWith = ({ technique }: Goal): Blocked => {
    const clash = clashOf(file, { ...one, goals: one.goals.filter(({ v }) => v === technique || placed.has(v)) }, enough);
    if (clash) return { why: 'clash', technique, with: clash.map(({ code, technique: of }) => ({ code, technique: of })) };
    return { why: enough() ? 'earlier draft' : 'not drafted', technique };
  };
  const mends = mendsFor(file, one, enough).map((together) =>
    together.map(({ code, technique, number, hour }): MendCode => ({ code, technique, number, hour })),
  );
  return left.map((goal): Unplaced => ({ goal, blocked: plainlyBlocked(goal, ordered, planning) ?? clashWith(goal), mends }));
}

/** Whether anybody of the staff is qualified for a technique on the day of a class. */
function isTaughtBySomebody(block: TechniqueBlock, day: Day, planning: Planning): boolean {
  return byQualified(block, day, NOTHING_BEFORE, planning).every(({ code }) => code !== 'nobody qualified');
}

/** For rules that ask of no day. */
const NO_DAY: Day = { date: isoDate('2000-01-01'), start: '00:00' };

const NO_HURRY: Drafting = { enough: () => false };

/** What keeps a goal from being placed by itself: the plainest reason there is. */
function plainlyBlocked({ technique: goal }: Goal, sessions: readonly CourseSession[], planning: Planning): Blocked | null {
  const { basis, ladder, already, taught, tempo } = planning;
  const open = sessions.filter(({ fixed }) => !fixed);
  for (const id of [goal, ...wayDown(ladder, goal)].filter((one) => one === goal || !already.has(one))) {
    const technique = basis.library.technique(id);
    const block: TechniqueBlock = { id, kind: 'technique', technique: id, ...taught(id), tempo };
    if (!open.some(({ start }) => technique.taughtAt.includes(hourOf(start)))) return { why: 'hour', technique: id, hours: technique.taughtAt };
    const never = (rule: (session: CourseSession) => readonly Finding[]) => !open.some((session) => rule(session).length === 0);
    if (never((session) => forSomebody(block, session, NOTHING_BEFORE, planning))) return { why: 'left out by all', technique: id };
    if (never((session) => forSettled(block, session, NOTHING_BEFORE, planning))) return { why: 'not settled', technique: id };
    if (!open.some((session) => isTaughtBySomebody(block, session, planning))) return { why: 'nobody qualified', technique: id };
    const longest = Math.max(0, ...open.map(({ minutes }) => minutes));
    const needed = frameTime(longest, [block], basis);
    if (needed > longest * 60_000) return { why: 'no room', technique: id, minutes: Math.ceil(needed / 60_000) };
  }
  return null;
}
