import { after, inOrder, isNew, mayBeTaught, NOTHING_BEFORE, type Before, type Day } from './constraints';
import { inTimeOrder } from './checks';
import { weekOf } from './dates';
import { frame, frameTime } from './frame';
import { doseIsReached, growth, newTechniqueBlock } from './grow';
import { COURSE_LIMITS } from './limits';
import { hourOf, type CourseSession, type Goal, type Planning } from './types';
import { wayDown, type Shortfall } from '../ladder';
import type { Block, TechniqueBlock } from '../plan';
import { daysBetween, type IsoDate } from '../units';

/** Why a goal could not be placed. Worded in one place, `words.ts`. */
export type Blocked =
  | { readonly why: 'hour'; readonly technique: string; readonly hours: readonly string[] }
  | { readonly why: 'left out by all'; readonly technique: string }
  /** Found by a draft from before reasons were kept as codes. */
  | { readonly why: 'earlier draft'; readonly technique: string }
  | { readonly why: 'no room'; readonly technique: string; readonly minutes: number }
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
}

export interface Draft {
  readonly sessions: readonly CourseSession[];
  readonly unplaced: readonly Unplaced[];
}

/**
 * Proposes the blocks of a course, session by session: at most one new thing, every prerequisite met in number and days,
 * what the ladder still needs practised first, then reviews at growing gaps, all inside the minutes. A goal that cannot be
 * placed is dropped and named with what blocked it; the rest is drafted without it. Past and published sessions stay.
 */
export function draftCourse(sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning, newId: () => string): Draft {
  const unplaced: Unplaced[] = [];
  let wanted = [...goals];
  for (;;) {
    const run = new Run(sessions, wanted, planning, newId);
    const drafted = run.draft();
    const failed = wanted.flatMap((goal) => {
      const blocked = run.blockedBy(goal);
      return blocked ? [{ goal, blocked }] : [];
    });
    if (failed.length === 0) return { sessions: drafted, unplaced };
    // The first failing goal goes; without it the others may fit.
    unplaced.push(failed[failed.length - 1]);
    wanted = wanted.filter((goal) => goal !== failed[failed.length - 1].goal);
  }
}

/** How a technique stands in the draft so far. */
interface Learned {
  readonly dates: readonly IsoDate[];
  /** Index of the last session it stood in. */
  last: number;
  pattern: string;
  dose: string;
  /** Sessions on the present counts, and when the dose last grew. */
  onStep: number;
  grownOn: IsoDate;
}

class Run {
  private readonly learned = new Map<string, Learned>();
  private before: Before = NOTHING_BEFORE;
  /** Everything the goals stand on and the goals themselves, without what is already practised. */
  private readonly wanted: readonly string[];
  private readonly sessions: readonly CourseSession[];

  constructor(
    sessions: readonly CourseSession[],
    private readonly goals: readonly Goal[],
    private readonly planning: Planning,
    private readonly newId: () => string,
  ) {
    this.sessions = inTimeOrder(sessions);
    const all = goals.flatMap(({ technique }) => [technique, ...this.below(technique)]);
    this.wanted = [...new Set(all)];
  }

  draft(): CourseSession[] {
    return this.sessions.map((session, index) => {
      const blocks = session.fixed ? session.blocks : this.fill(session, index);
      this.remember(blocks, session, index);
      return { ...session, blocks };
    });
  }

  /** What a goal stands on, as far as the cohort does not already practise it. */
  private below(technique: string): string[] {
    const open: string[] = [];
    const walk = (id: string) => {
      for (const { needs } of this.planning.ladder.filter(({ to }) => to === id)) {
        if (this.planning.already.has(needs) || open.includes(needs)) continue;
        open.push(needs);
        walk(needs);
      }
    };
    walk(technique);
    return open;
  }

  private fill(session: CourseSession, index: number): Block[] {
    const chosen: TechniqueBlock[] = [];
    const put = (block: TechniqueBlock) => {
      if (chosen.length < COURSE_LIMITS.mostTechniques && this.fits(session, [...chosen, block])) chosen.push(block);
      return chosen.includes(block);
    };
    const fresh = this.candidates(session).find((id) => put(newTechniqueBlock(id, this.planning, this.newId())));
    let somethingNew = fresh !== undefined;
    for (const id of this.due(index)) {
      if (!this.mayTeach(id, session)) continue;
      const grown = this.grown(id, session, !somethingNew);
      if (put(grown) && isNew(grown, this.before, this.planning)) somethingNew = true;
    }
    for (const id of this.familiar()) {
      if (chosen.length >= COURSE_LIMITS.fewestTechniques) break;
      const sameFamily = chosen.some(({ technique }) => this.familyOf(technique) === this.familyOf(id));
      if (!sameFamily && this.mayTeach(id, session)) put(this.grown(id, session, false));
    }
    return frame(chosen, session.minutes, weekOf(this.sessions[0].date, session.date), this.newId, this.planning.basis);
  }

  private familyOf(technique: string): string {
    return this.planning.basis.library.technique(technique).family;
  }

  /** Techniques that could be introduced today, the one with the longest way still to go first. */
  private candidates(session: CourseSession): string[] {
    return this.wanted
      .filter((id) => !this.learned.has(id) && this.mayTeach(id, session) && this.missing(id, session).length === 0)
      .sort((a, b) => this.ahead(b) - this.ahead(a));
  }

  private missing(id: string, day: Day): readonly Shortfall[] {
    return inOrder(this.first(id), day, this.before, this.planning).flatMap((finding) => ('lacking' in finding ? [finding.lacking] : []));
  }

  private first(id: string): TechniqueBlock {
    return newTechniqueBlock(id, this.planning, 'asked');
  }

  /** How many sessions the goals above a technique still need after it. */
  private ahead(id: string): number {
    const above = this.planning.ladder.filter(({ needs, to }) => needs === id && this.wanted.includes(to));
    return Math.max(this.goals.find(({ technique }) => technique === id)?.practise ?? 0, ...above.map((edge) => edge.sessions + this.ahead(edge.to)));
  }

  private mayTeach(id: string, session: CourseSession): boolean {
    return mayBeTaught(this.first(id), session, this.before, this.planning);
  }

  /** What to practise again: first what something still waits for, then what is due by its gap, longest away first. */
  private due(index: number): string[] {
    const rank = (id: string): number => {
      const waiting = this.waiting(id);
      if (waiting > 0) return -waiting;
      const { dates, last } = this.learned.get(id)!;
      if (this.outgrown(id)) return Infinity;
      const gap = COURSE_LIMITS.gaps[Math.min(dates.length, COURSE_LIMITS.gaps.length) - 1];
      return index - last >= gap ? 100 - (index - last) : Infinity;
    };
    return [...this.learned.keys()]
      .map((id) => ({ id, rank: rank(id) }))
      .filter(({ rank: value }) => value < Infinity)
      .sort((a, b) => a.rank - b.rank)
      .map(({ id }) => id);
  }

  /** Whether a higher step of the same family has been learned, so that this one no longer needs reviewing. */
  private outgrown(id: string): boolean {
    return this.planning.ladder.some(({ needs, to }) => needs === id && this.learned.has(to) && this.familyOf(to) === this.familyOf(id));
  }

  /** What a class can be filled up with: learned here, or practised before and not standing under something else known; longest away first. */
  private familiar(): string[] {
    const { already, ladder } = this.planning;
    const tops = [...already].filter((id) => !this.learned.has(id) && !ladder.some(({ needs, to }) => needs === id && already.has(to)));
    return [...tops, ...[...this.learned].sort(([, a], [, b]) => a.last - b.last).map(([id]) => id)];
  }

  /** How urgently a technique must be practised again: the way ahead of whatever still lacks sessions of it. */
  private waiting(id: string): number {
    const had = this.learned.get(id)!.dates.length;
    const above = this.planning.ladder.filter(
      ({ needs, to, sessions }) => needs === id && this.wanted.includes(to) && !this.learned.has(to) && had < sessions,
    );
    const goal = this.goals.find(({ technique }) => technique === id);
    const own = goal && (had < goal.practise || !this.reached(goal)) ? 1 : 0;
    return Math.max(own, ...above.map((edge) => edge.sessions - had + this.ahead(edge.to)));
  }

  private reached(goal: Goal): boolean {
    const learned = this.learned.get(goal.technique);
    return learned !== undefined && doseIsReached(learned, goal);
  }

  private grown(id: string, session: CourseSession, mayStep: boolean): TechniqueBlock {
    const learned = this.learned.get(id);
    const first = newTechniqueBlock(id, this.planning, this.newId());
    const goal = this.goals.find(({ technique }) => technique === id);
    if (!learned) return first;
    const { pattern, dose, onStep, grownOn } = learned;
    const same = { ...first, pattern, dose };
    if (!goal) return same;
    return growth(same, goal, {
      mayStep: mayStep && onStep >= COURSE_LIMITS.classesOnAStep,
      aWeekOn: daysBetween(grownOn, session.date) >= COURSE_LIMITS.daysBetweenVolume,
      naturalBreath: this.planning.basis.naturalBreath,
    });
  }

  private fits(session: CourseSession, techniques: readonly TechniqueBlock[]): boolean {
    return frameTime(session.minutes, techniques, this.planning.basis) <= session.minutes * 60_000;
  }

  private remember(blocks: readonly Block[], session: CourseSession, index: number): void {
    this.before = after(this.before, { date: session.date, blocks });
    for (const block of blocks) {
      if (block.kind !== 'technique') continue;
      const before = this.learned.get(block.technique);
      const sameStep = before?.pattern === block.pattern;
      const grew = before !== undefined && (before.pattern !== block.pattern || before.dose !== block.dose);
      this.learned.set(block.technique, {
        dates: [...(before?.dates ?? []), session.date],
        last: index,
        pattern: block.pattern,
        dose: block.dose,
        onStep: sameStep ? before.onStep + 1 : 1,
        grownOn: before && !grew ? before.grownOn : session.date,
      });
    }
  }

  /** What kept a goal from being reached in this run; null when it was. */
  blockedBy(goal: Goal): Blocked | null {
    const learned = this.learned.get(goal.technique);
    if (learned && learned.dates.length >= goal.practise) return null;
    const open = this.sessions.filter(({ fixed }) => !fixed);
    const standingOn = [goal.technique, ...wayDown(this.planning.ladder, goal.technique).filter((id) => this.wanted.includes(id))];
    for (const id of standingOn.filter((id) => !this.learned.has(id))) {
      const technique = this.planning.basis.library.technique(id);
      const block = this.first(id);
      if (!open.some(({ start }) => technique.taughtAt.includes(hourOf(start)))) return { why: 'hour', technique: id, hours: technique.taughtAt };
      if (!open.some((session) => this.mayTeach(id, session))) return { why: 'left out by all', technique: id };
      const longest = Math.max(0, ...open.map(({ minutes }) => minutes));
      const needed = frameTime(longest, [block], this.planning.basis);
      if (needed > longest * 60_000) return { why: 'no room', technique: id, minutes: Math.ceil(needed / 60_000) };
    }
    if (learned) return { why: 'practice', technique: goal.technique, wanted: goal.practise, had: learned.dates.length };
    const last = this.sessions.at(-1);
    const lacking = last ? this.lowestGap(goal.technique, last) : null;
    if (!lacking) return { why: 'new things', technique: goal.technique, sessions: open.length };
    return { why: 'sessions', technique: lacking.to, needs: lacking.needs, sessions: lacking.sessions, had: lacking.had, days: lacking.days };
  }

  /** The first thing missing on the way up to a goal. */
  private lowestGap(id: string, day: Day): Shortfall | null {
    const missing = this.missing(id, day);
    for (const gap of missing) if (gap.had === 0) return this.lowestGap(gap.needs, day) ?? gap;
    return missing[0] ?? null;
  }
}
