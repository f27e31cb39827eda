import { techniquesIn, type TechniqueBlock } from '../plan';
import { checkCourse, inTimeOrder } from './checks';
import { after, insideGuards, NOTHING_BEFORE, type Before } from './constraints';
import { draftArc, judge, requestOf, type ArcDraft, type Broken } from './arc';
import { solve, type Solved } from './drafting';
import { frame, type ClassPlace } from './frame';
import { arcProblemOf } from './toArc';
import { problemOf } from './toDraft';
import { USUAL_ARC, type Arc, type CourseSession, type Goal, type Planning } from './types';

export type { ClassPlace } from './frame';
import { reachedIn } from './goals';
import { whyNot, type Begin, type Unplaced } from './unplaced';

/** How good a draft is known to be, by what it was drafted for. */
export type Proof = SoonProof | SpreadProof;

interface Proved {
  readonly proved: boolean;
  /** Goals left out; no draft leaves out fewer than the least. */
  readonly dropped: number;
  readonly least: number;
  /** By goal: the number of the class it is reached in. */
  readonly reached: readonly (number | null)[];
}

export interface SoonProof extends Proved {
  readonly aim: 'soon';
  /** The sum of the classes in which goals are reached; no draft has a smaller sum than the bound. */
  readonly sum: number;
  readonly bound: number;
  /** By goal: no draft reaches it in an earlier class. */
  readonly earliest: readonly number[];
}

export interface SpreadProof extends Proved {
  readonly aim: 'spread';
  /** What every class and the course should be and is not. */
  readonly broken: readonly Broken[];
  /** No draft breaks less than this; and whether what is broken had to be. */
  readonly leastBroken: number;
  readonly weight: number;
  /** By goal: how many people will be ready for it; null where nobody asked. */
  readonly ready: readonly (number | null)[];
  /** By goal: the number of the class it could be reached in as soon as it can be taught. */
  readonly soonest: readonly (number | null)[];
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
  /** Looks at courses that are spread over the weeks; the usual number where it is not said. */
  readonly looks?: number;
  /** Begins to look for reasons, and then for what would do; as long as it takes where it is not said. */
  readonly begin?: Begin;
  /** Told of every better draft on the way. */
  readonly onBetter?: (better: Omit<Draft, 'unplaced'>) => void;
}

/**
 * Proposes the blocks of a course: as many goals as can be, inside every rule of the ladder, the climbs and the hour; spread over the weeks as
 * a course worth teaching, or each as early as can be. A goal that cannot be placed is named with what it clashes with and what would mend
 * it; the rest is drafted without it. Past and published sessions stay as they are and count.
 */
export function draftCourse(
  sessions: readonly CourseSession[],
  goals: readonly Goal[],
  planning: Planning,
  newId: () => string,
  drafting: Drafting = NO_HURRY,
  arc: Arc = AS_SOON,
): Draft {
  const { begin = FOR_EVER } = drafting;
  const ordered = inTimeOrder(sessions);
  const placed = (arc.pace === 'soon' ? soonest : spread)(ordered, goals, planning, drafting, arc);
  const places = placesOf(ordered, goals, planning);
  const laidOut = (classes: readonly (readonly Way[])[], pinnedAsTheyAre: boolean): CourseSession[] =>
    ordered.map((session, at) => {
      if (session.fixed) return session;
      const stood = techniquesIn(session.blocks);
      const techniques = classes[at].map(({ first, pattern, dose }): TechniqueBlock => {
        const had = stood.find(({ technique }) => technique === first.technique);
        // What stands there already stays the block it is, with its lines and what was set by hand.
        if (had && ((had.pinned && pinnedAsTheyAre) || (had.pattern === pattern && had.dose === dose))) return had;
        return had ? { ...had, pattern, dose } : { ...first, id: newId(), pattern, dose };
      });
      const same = techniques.length === stood.length && techniques.every((block) => stood.includes(block));
      return same && stood.length > 0 ? session : framed(session, techniques, places[at], planning, newId);
    });
  const sessionsOf = (classes: readonly (readonly Way[])[]): CourseSession[] => {
    const asPinned = laidOut(classes, true);
    // A pinned dose that makes a climb jump gives way to the climb; where it stands is kept.
    return climbsJump(asPinned, planning) ? laidOut(classes, false) : asPinned;
  };
  const found = placed((classes, proof) => drafting.onBetter?.({ sessions: sessionsOf(classes), proof }));
  const left = goals.filter((_, index) => found.proof.reached[index] === null);
  return {
    // Where pins alone clash, nothing is drafted over them; and nothing is changed for the sake of change.
    sessions: found.classes === null ? ordered : sessionsOf(found.classes),
    unplaced: whyNot(left, ordered, goals, planning, begin),
    proof: found.proof,
  };
}

/** A technique in a class, as it is done there. */
interface Way {
  readonly first: TechniqueBlock;
  readonly pattern: string;
  readonly dose: string;
}

/** What a search found: null for the classes where they are to stay as they are. */
interface Found {
  readonly classes: readonly (readonly Way[])[] | null;
  readonly proof: Proof;
}

type Search = (
  ordered: readonly CourseSession[],
  goals: readonly Goal[],
  planning: Planning,
  drafting: Drafting,
  arc: Arc,
) => (onBetter: (classes: readonly (readonly Way[])[], proof: Proof) => void) => Found;

const soonest: Search =
  (ordered, goals, planning, { enough, onBetter: told }) =>
  (onBetter) => {
    const { file, one, climbs, first } = problemOf(ordered, goals, planning);
    const proofOf = ({ status, dropped, least, sum, bound, reached, earliest }: Solved): SoonProof => ({
      aim: 'soon',
      proved: status === 'proved',
      dropped,
      least,
      sum,
      bound,
      reached,
      earliest,
    });
    const classesOf = (solved: Solved) =>
      solved.sessions.map((placed) =>
        placed.map(([id, step]): Way => {
          const { pattern, dose } = climbs.get(id)![step];
          return { first: first(id), pattern, dose };
        }),
      );
    const solved = solve(file, one, { enough, onBetter: told && ((better) => onBetter(classesOf(better), proofOf(better))) });
    const stays = solved.status === 'impossible' || isAsGood(ordered, goals, planning, solved);
    return { classes: stays ? null : classesOf(solved), proof: proofOf(solved) };
  };

const spread: Search =
  (ordered, goals, planning, { looks, onBetter: told }, arc) =>
  (onBetter) => {
    const { file, one, first, wayOf, practicesOf } = arcProblemOf(ordered, goals, planning, arc);
    const classesOf = (sessions: ArcDraft['sessions']) =>
      sessions.map((held) => held.map(([id, step, ms]): Way => ({ first: first(id), ...wayOf(id, step, ms) })));
    const proofOf = ({ status, judged, least, soonest: soonestReached }: ArcDraft): SpreadProof => ({
      aim: 'spread',
      proved: status === 'proved',
      dropped: judged.dropped,
      least: least.dropped,
      reached: judged.reached,
      broken: judged.broken,
      leastBroken: least.Q,
      weight: judged.Q,
      ready: judged.ready,
      soonest: soonestReached,
    });
    const draft = draftArc(file, one, { looks, onBetter: told && ((better) => onBetter(classesOf(better.sessions), proofOf(better))) });
    const standing = practicesOf(ordered);
    const now = standing && judge(file, one, standing);
    const { dropped, Q, J } = draft.judged;
    const isAsGood = now && now.rules.length === 0 && (now.dropped - dropped || now.Q - Q || now.J - J) <= 0;
    const clean = isAsGood && checkCourse(ordered, planning).every(({ severity }) => severity === 'know');
    return { classes: draft.status === 'impossible' || clean ? null : classesOf(draft.sessions), proof: proofOf(draft) };
  };

/** Where each class stands in its course, and whether there is time to talk in it. */
export function placesOf(ordered: readonly CourseSession[], goals: readonly Goal[], planning: Planning): ClassPlace[] {
  const { file, one } = arcProblemOf(ordered, goals, planning, USUAL_ARC);
  const { firstOther } = requestOf(file, one);
  return ordered.map((_, at) => ({ at, classes: ordered.length, talk: at < firstOther }));
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
  place: ClassPlace,
  planning: Planning,
  newId: () => string,
): CourseSession {
  return { ...session, blocks: frame(techniques, session.minutes, place, newId, planning.basis) };
}

/** How courses were drafted before anybody said otherwise. */
const AS_SOON: Arc = { pace: 'soon', breath: 'usual' };
const FOR_EVER: Begin = () => () => false;
const NO_HURRY: Drafting = { enough: FOR_EVER() };
