import { wayDown } from '../ladder';
import { type TechniqueBlock } from '../plan';
import { inTimeOrder } from './checks';
import { forSettled, forSomebody, NOTHING_BEFORE, type Finding } from './constraints';
import { clashesWith, isPossible, mendsFor, withoutOthers, type MendOf, type Request } from './drafting';
import { frameTime } from './frame';
import { reachedIn } from './goals';
import { climbsOf, isTaughtBySomebody, problemOf, type StepOfDraft } from './toDraft';
import { hourOf, type CourseSession, type Goal, type Planning } from './types';

/** Goals without a place: why, and what would mend it. */

/** What was asked for that cannot be kept together, and what would mend it, as codes that can be kept and worded. */
export type ClashCode = Pick<Request, 'code' | 'technique'>;
export type MendCode = Omit<MendOf, 'with'>;

/** The highest step of a climb that somebody may go to, and how many of the cohort may at best. */
export interface UpTo {
  readonly pattern: string;
  readonly dose: string;
  readonly may: number;
  readonly people: number;
}

/** Why a goal could not be placed. Worded in one place, `words.ts`. */
export type Blocked =
  | { readonly why: 'hour'; readonly technique: string; readonly hours: readonly string[] }
  | { readonly why: 'left out by all'; readonly technique: string; readonly upTo?: UpTo }
  | { readonly why: 'not settled' | 'nobody qualified'; readonly technique: string }
  /** The guards allow no step further than this. */
  | { readonly why: 'guards'; readonly technique: string; readonly upTo: Pick<UpTo, 'pattern' | 'dose'> }
  /** Found by a draft from before reasons were kept as codes. */
  | { readonly why: 'earlier draft'; readonly technique: string }
  /** No place was found in the time there was, and that there is none is not proved. */
  | { readonly why: 'not found'; readonly technique: string }
  /** Nothing stands in its way: it was asked for after the last draft, or what it had was moved away. */
  | { readonly why: 'not drafted'; readonly technique: string }
  | { readonly why: 'no room'; readonly technique: string; readonly minutes: number }
  /** Each of these, taken away by itself, gives it its place; where there are several clashes, one after another has to be settled. */
  | { readonly why: 'clash'; readonly technique: string; readonly with: readonly ClashCode[]; readonly then?: readonly (readonly ClashCode[])[] }
  /** It has its place, but nothing is drafted over pins that cannot be kept. */
  | { readonly why: 'behind pins'; readonly technique: string; readonly with: readonly ClashCode[] }
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

/** Goals that are not practised so often on their last step in these sessions, each with why, and what would mend it. */
export function unplacedIn(sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning, begin: Begin): Unplaced[] {
  const ordered = inTimeOrder(sessions);
  const left = goals.filter((goal) => reachedIn(ordered, goal) === null);
  return whyNot(left, ordered, goals, planning, begin);
}

/** Begins to look for something, and says when that has been long enough. */
export type Begin = () => () => boolean;

/** Why goals have no place, each asked beside those that have theirs, and what would give all of them one. */
export function whyNot(
  left: readonly Goal[],
  ordered: readonly CourseSession[],
  goals: readonly Goal[],
  planning: Planning,
  begin: Begin,
): Unplaced[] {
  if (left.length === 0) return [];
  const { file, one } = problemOf(ordered, goals, planning);
  const ids = left.map(({ technique }) => technique);
  const enough = begin();
  const pinsStand = () => isPossible(file, { ...one, goals: [] }, enough) !== false;
  const clashWith = ({ technique }: Goal): Blocked => {
    // No goal is said to clash with what another one clashes with, nor with what is pinned of it, unless that is in its way.
    const alone = withoutOthers(one, ids, technique);
    const byItself = clashesWith(file, alone, technique, enough);
    const found = byItself === 'has a place' ? clashesWith(file, { ...alone, pins: one.pins }, technique, enough) : byItself;
    if (found === 'has a place') return { why: 'not drafted', technique };
    if (found === 'not settled') return { why: 'not found', technique };
    const [first = [], ...then] = found.map((clash) => clash.map(({ code, technique: of }): ClashCode => ({ code, technique: of })));
    if (byItself === 'has a place' && !pinsStand()) return { why: 'behind pins', technique, with: first.filter(({ code }) => code === 'pin') };
    return { why: 'clash', technique, with: first, ...(then.length > 0 ? { then } : {}) };
  };
  const unplaced = left.map((goal): Unplaced => ({ goal, blocked: plainlyBlocked(goal, ordered, goals, planning) ?? clashWith(goal) }));
  const mends = mendsFor(file, one, begin(), ids).map((together) => together.map(({ with: _, ...mend }): MendCode => mend));
  return unplaced.map((each) => ({ ...each, mends }));
}

/** Goals that no draft can place, seen without drafting: by the hour, by who may do it on any step, by who is qualified, by the guards, by room. */
export function blockedAhead(sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning): Unplaced[] {
  const ordered = inTimeOrder(sessions);
  return goals.flatMap((goal) => {
    const blocked = plainlyBlocked(goal, ordered, goals, planning);
    return blocked ? [{ goal, blocked }] : [];
  });
}

/** What keeps a goal from being placed by itself: the plainest reason there is. */
function plainlyBlocked({ technique: goal }: Goal, sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning): Blocked | null {
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
  return endsBefore(goal, sessions, goals, planning);
}

/** A climb that ends, for everybody or by the guards, before its last step: a technique's first way is not its last. */
function endsBefore(goal: string, sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning): Blocked | null {
  const open = sessions.filter(({ fixed }) => !fixed);
  const { climbs, first } = climbsOf(sessions, goals, planning);
  const mayAt = ({ pattern, dose }: StepOfDraft) =>
    open
      .map(({ date }) => planning.tally({ ...first(goal), pattern, dose }, date))
      .map(({ people, leaveOut, askFirst }) => ({ people, may: people - leaveOut - askFirst }))
      .reduce((best, one) => (one.may > best.may || one.people === 0 ? one : best), { people: 1, may: 0 });
  const steps = climbs.get(goal)!.map((step) => ({ step, at: mayAt(step) }));
  const barred = steps.findIndex(({ step, at }) => step.beyond || (at.people > 0 && at.may === 0));
  if (barred < 1) return null;
  const { step, at } = steps[barred - 1];
  if (steps[barred].step.beyond) return { why: 'guards', technique: goal, upTo: { pattern: step.pattern, dose: step.dose } };
  return { why: 'left out by all', technique: goal, upTo: { pattern: step.pattern, dose: step.dose, ...at } };
}
