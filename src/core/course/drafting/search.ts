import { boundsOf } from './bounds';
import { choicesIn } from './choices';
import { Frontier } from './frontier';
import { NOT_REACHED, type Model, type Placed } from './model';
import { State } from './state';

export interface Found {
  readonly cost: number;
  /** By class, from the first; what stands in fixed classes too. */
  readonly classes: readonly Placed[];
}

export interface Outcome {
  /** The best draft found; null where pins alone cannot be kept. */
  readonly best: Found | null;
  /** No draft costs less. */
  readonly bound: number;
  readonly proved: boolean;
  /** By goal: the class (from 0) before which no draft reaches it, whatever becomes of the others. */
  readonly soonest: readonly number[];
  readonly nodes: number;
}

export interface SearchOptions {
  /** Asked now and then; the search ends with what it has when this says so. */
  readonly enough: () => boolean;
  /** Told of every better draft. */
  readonly onBetter?: (found: Found, soonest: readonly number[]) => void;
  /** Ends at the first draft that costs no more than this. */
  readonly goodEnough?: number;
  /** Only drafts that cost less are looked for. */
  readonly below?: number;
}

/** How many branches are looked at between two questions whether it is enough. */
const ASKED_EVERY = 64;

/**
 * Chronological branch and bound: at each class every maximal set of still useful practices with at most one new thing. A branch is
 * left when its bound is no better than the best draft, or when a state of the same class that was looked at already is at least as
 * good in everything.
 */
export function search(model: Model, { enough, onBetter, goodEnough = -1, below = Infinity }: SearchOptions): Outcome {
  const bounds = boundsOf(model, below <= NOT_REACHED);
  const frontier = model.classes.map(() => new Frontier(model));
  const path: Placed[] = [];
  const lastPin = model.classes.findLastIndex(({ pins }) => pins.length > 0);
  let best: Found | null = null;
  let nodes = 0;
  let stopped = false;
  const limit = () => best?.cost ?? below;
  const visit = (state: State, at: number): void => {
    if (stopped) return;
    nodes += 1;
    if (nodes % ASKED_EVERY === 0 && enough()) stopped = true;
    if (at === model.classes.length || (state.open === 0 && at > lastPin)) return keep(state, at);
    const { fixed } = model.classes[at];
    if (fixed) {
      path.push(fixed);
      visit(state.after(fixed, at), at + 1);
      path.pop();
      return;
    }
    for (const { next, placed } of ordered(state, at)) {
      if (next.bound >= limit()) break;
      path.push(placed);
      visit(next, at + 1);
      path.pop();
      if (stopped) return;
    }
  };
  const ordered = (state: State, at: number) =>
    choicesIn(model, bounds, state, at)
      .map((placed) => {
        const next = state.after(placed, at);
        next.bound = bounds.lowest(next, at + 1);
        return { next, placed };
      })
      .filter(({ next }) => next.bound < limit())
      .sort((a, b) => a.next.bound - b.next.bound || b.next.worth - a.next.worth)
      .filter(({ next }) => frontier[at].admits(next, at + 1));
  const keep = (state: State, at: number): void => {
    const cost = state.cost + state.open * NOT_REACHED;
    if (cost >= limit()) return;
    best = { cost, classes: [...path, ...model.classes.slice(at).map(({ fixed }) => fixed ?? [])] };
    onBetter?.(best, soonest);
    if (cost <= goodEnough) stopped = true;
  };
  const start = State.first(model);
  start.bound = bounds.lowest(start, 0);
  const soonest = bounds.soonest(start, 0);
  const { bound } = start;
  if (bound < below) visit(start, 0);
  const proved = !stopped || (best !== null && limit() <= bound);
  return { best, bound: proved ? limit() : bound, proved, soonest, nodes };
}
