import { modelOf, type Case, type CaseFile } from './cases';
import { filled } from './fill';
import { NOT_REACHED, valueOf, type Placed } from './model';
import { search } from './search';

/** A draft of a case: by class the techniques that stand in it, each with its step. */
export interface Solved {
  /** Proved best; best found with a bound; or not possible, because the pins alone clash. */
  readonly status: 'proved' | 'bound' | 'impossible';
  readonly dropped: number;
  readonly sum: number;
  /** No draft that leaves out as few goals has a smaller sum. */
  readonly bound: number;
  readonly sessions: readonly (readonly (readonly [technique: string, step: number])[])[];
  /** By goal: the number of the class it is reached in; null where it is left out. */
  readonly reached: readonly (number | null)[];
  /** By goal: no draft reaches it in an earlier class than this, whatever becomes of the others. */
  readonly earliest: readonly number[];
}

/** What may be asked of a search while it runs. */
export interface Asking {
  /** Whether it is enough; asked often. */
  readonly enough: () => boolean;
  readonly onBetter?: (better: Solved) => void;
}

/** Drafts a case: fewest goals left out, then the least sum of the classes in which the others are reached. */
export function solve(file: CaseFile, one: Case, { enough, onBetter }: Asking): Solved {
  const model = modelOf(file, one);
  const named = (classes: readonly Placed[]) =>
    filled(model, classes).map((placed) => placed.map(([task, step]) => [model.tasks[task].id, step] as const));
  const solved = (cost: number, classes: readonly Placed[], bound: number, proved: boolean, soonest: readonly number[]): Solved => {
    const { dropped, sum } = valueOf(cost);
    const least = valueOf(bound);
    return {
      status: proved ? 'proved' : 'bound',
      dropped,
      sum,
      bound: least.dropped === dropped ? least.sum : 0,
      sessions: named(classes),
      reached: one.goals.map((goal) =>
        reachedIn(
          classes,
          model.tasks.findIndex(({ id }) => id === goal.v),
          (goal.steps?.length ?? 1) - 1,
          goal.r,
          one.dates.filter((date) => goal.by === undefined || date <= goal.by).length,
        ),
      ),
      earliest: soonest.map((at) => at + 1),
    };
  };
  const outcome = search(model, {
    enough,
    onBetter: onBetter && ((found, soonest) => onBetter(solved(found.cost, found.classes, 0, false, soonest))),
  });
  if (!outcome.best)
    return {
      status: outcome.proved ? 'impossible' : 'bound',
      dropped: one.goals.length,
      sum: 0,
      bound: 0,
      sessions: one.dates.map(() => []),
      reached: one.goals.map(() => null),
      earliest: outcome.soonest.map((at) => at + 1),
    };
  return solved(outcome.best.cost, outcome.best.classes, outcome.bound, outcome.proved, outcome.soonest);
}

function reachedIn(classes: readonly Placed[], task: number, last: number, times: number, before: number): number | null {
  let had = 0;
  for (const [at, placed] of classes.slice(0, before).entries()) {
    if (placed.some(([one, step]) => one === task && step === last)) had += 1;
    if (had >= times) return at + 1;
  }
  return null;
}

/** Whether every goal of a case can be reached; null when that was not settled in time. */
export function isPossible(file: CaseFile, one: Case, enough: () => boolean): boolean | null {
  const { best, proved } = search(modelOf(file, one), { enough, below: NOT_REACHED, goodEnough: NOT_REACHED - 1 });
  return best ? true : proved ? false : null;
}
