import { modelOf, type Case, type CaseFile } from './cases';
import { fewest, looks } from './fewest';
import { filled } from './fill';
import { NOT_REACHED, valueOf, type Model, type Placed } from './model';
import { search, type Found, type Outcome } from './search';
import { State } from './state';

/** A draft of a case: by class the techniques that stand in it, each with its step. */
export interface Solved {
  /** Proved best; best found with a bound; or not possible, because the pins alone clash. */
  readonly status: 'proved' | 'bound' | 'impossible';
  readonly dropped: number;
  /** No draft leaves out fewer. */
  readonly least: number;
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
      least: least.dropped,
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
  const told = onBetter && ((found: Found, soonest: readonly number[]) => onBetter(solved(found.cost, found.classes, 0, false, soonest)));
  const outcome = best(model, enough, told);
  if (!outcome.best)
    return {
      status: outcome.proved ? 'impossible' : 'bound',
      dropped: one.goals.length,
      least: outcome.proved ? one.goals.length : valueOf(outcome.bound).dropped,
      sum: 0,
      bound: 0,
      sessions: one.dates.map(() => []),
      reached: one.goals.map(() => null),
      earliest: outcome.soonest.map((at) => at + 1),
    };
  return solved(outcome.best.cost, outcome.best.classes, outcome.bound, outcome.proved, outcome.soonest);
}

/** As few goals left out as can be; the others made early first, and then all that leave out as few. */
function best(model: Model, enough: () => boolean, onBetter?: (found: Found, soonest: readonly number[]) => void): Outcome {
  const settled = fewest(model, enough);
  const { least } = settled;
  if (settled.impossible) return { ...search(model, { enough: () => true, below: 0 }), best: null, proved: true };
  // Where fewer might do, a whole draft is looked for that shows it.
  const leftBy = (one: Found | null) => (one ? valueOf(one.cost).dropped : model.goals.length);
  const fewer = leftBy(settled.found) > least ? search(model, { enough: looks(SHOWN_IN, enough), below: leftBy(settled.found) * NOT_REACHED }) : null;
  const found = fewer?.best ?? settled.found;
  if (!found) return search(model, { enough, onBetter });
  const left = leftBy(found);
  const asWhole = (one: Found): Found => ({ ...one, cost: one.cost + left * NOT_REACHED });
  const first = search(
    { ...model, goals: reachedOf(model, found) },
    { enough, below: found.cost - left * NOT_REACHED + 1, onBetter: onBetter && ((one, soonest) => onBetter(asWhole(one), soonest)) },
  );
  const made = first.best ? asWhole(first.best) : found;
  if (left === 0) return { ...first, best: made };
  const whole = search(model, { enough, onBetter, below: made.cost });
  const bound = Math.max(whole.bound, least * NOT_REACHED + soonestOf(whole.soonest, model.goals.length - least));
  return { ...whole, best: whole.best ?? made, bound: whole.proved ? (whole.best ?? made).cost : bound };
}

/** Looks at a whole draft that leaves out fewer goals than those that were found to fit. */
const SHOWN_IN = 12_000;

/** The goals that a draft reaches. */
function reachedOf(model: Model, { classes }: Found): Model['goals'] {
  const end = classes.reduce((state, placed, at) => state.after(placed, at), State.first(model));
  return model.goals.filter((_, goal) => end.reached[goal] > 0);
}

/** No draft that reaches so many goals has a smaller sum: each of them comes no sooner than alone. */
const soonestOf = (soonest: readonly number[], many: number) =>
  [...soonest]
    .sort((a, b) => a - b)
    .slice(0, many)
    .reduce((sum, at) => sum + at + 1, 0);

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
