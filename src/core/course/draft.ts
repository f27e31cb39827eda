import { techniquesIn, type TechniqueBlock } from '../plan';
import type { IsoDate } from '../units';
import { checkCourse, inTimeOrder } from './checks';
import { after, insideGuards, NOTHING_BEFORE, type Before } from './constraints';
import { weekOf } from './dates';
import { solve, type Solved } from './drafting';
import { frame } from './frame';
import { problemOf } from './toDraft';
import type { CourseSession, Goal, Planning } from './types';
import { reachedIn, whyNot, type Begin, type Unplaced } from './unplaced';

/** How good a draft is known to be. */
export interface Proof {
  readonly proved: boolean;
  /** No draft leaves out fewer goals. */
  readonly least: number;
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
  /** Begins to look for reasons, and then for what would do; as long as it takes where it is not said. */
  readonly begin?: Begin;
  /** Told of every better draft on the way. */
  readonly onBetter?: (better: Omit<Draft, 'unplaced'>) => void;
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
  { enough, begin = FOR_EVER, onBetter }: Drafting = NO_HURRY,
): Draft {
  const ordered = inTimeOrder(sessions);
  const { file, one, climbs, first } = problemOf(ordered, goals, planning);
  const proofOf = ({ status, dropped, least, sum, bound, reached, earliest }: Solved): Proof => ({
    proved: status === 'proved',
    dropped,
    least,
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
  return { sessions: kept ? ordered : sessionsOf(solved), unplaced: whyNot(left, ordered, goals, planning, begin), proof: proofOf(solved) };
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

const FOR_EVER: Begin = () => () => false;
const NO_HURRY: Drafting = { enough: FOR_EVER() };
