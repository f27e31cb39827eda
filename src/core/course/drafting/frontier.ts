import { standsWherever } from './choices';
import type { Model } from './model';
import type { State } from './state';

/** A state that was looked at: what it has, as bytes of which more is better. */
interface Kept {
  readonly state: State;
  readonly has: Uint8Array;
  readonly adjusted: number;
}

/** States of one class that were looked at, none of them at least as good as another in everything. */
export class Frontier {
  private kept: Kept[] = [];
  private readonly counted: readonly number[];
  private readonly climbing: readonly number[];

  constructor(private readonly model: Model) {
    const all = model.tasks.map((_, task) => task);
    this.climbing = all.filter((task) => model.tasks[task].steps.length > 1);
    // What is pinned is a new thing in its class, unless it was begun before.
    const pinned = new Set(model.classes.flatMap(({ pins }) => pins));
    this.counted = all.filter((task) => !model.tasks[task].already && (model.tasks[task].mostNeeded > 0 || pinned.has(task)));
  }

  /**
   * Whether a state is worth looking at: no kept one is at least as good. It is kept then, and those that it beats are forgotten.
   * A goal that is not reached costs at least the next class, which is what makes costs of different progress comparable.
   */
  admits(state: State, next: number): boolean {
    const adjusted = state.cost + state.open * next;
    const has = this.bytesOf(state, next);
    for (const one of this.kept) if (one.adjusted <= adjusted && atLeast(one.has, has) && this.climbsAtLeast(one.state, state, next)) return false;
    this.kept = this.kept.filter((one) => !(adjusted <= one.adjusted && atLeast(has, one.has) && this.climbsAtLeast(state, one.state, next)));
    if (this.kept.length < MOST_KEPT) this.kept.push({ state, has, adjusted });
    return true;
  }

  /** Practices as far as anything asks for them, how long ago each task began as far as anything waits for it, and progress of the goals. */
  private bytesOf(state: State, next: number): Uint8Array {
    const { tasks, classes, goals } = this.model;
    const has = new Uint8Array(this.counted.length * 2 + goals.length);
    let at = 0;
    for (const task of this.counted) {
      const { mostNeeded, longestWait } = tasks[task];
      const begun = state.begun[task];
      has[at] = Math.min(state.had[task], mostNeeded);
      const waited = begun >= 0 && next < classes.length && classes[next].day - classes[begun].day >= longestWait;
      has[at + 1] = begun < 0 ? 0 : waited ? 255 : 254 - begun;
      at += 2;
    }
    for (let goal = 0; goal < goals.length; goal += 1) has[at + goal] = state.reached[goal] > 0 ? 255 : state.progress[goal];
    return has;
  }

  private climbsAtLeast(a: State, b: State, next: number): boolean {
    return this.climbing.every((task) => {
      if (b.stepBegun[task] < 0) return true;
      if (a.stepBegun[task] < 0) return false;
      const { steps } = this.model.tasks[task];
      // A higher step that takes longer may not fit where a lower one does, or not be for anybody there.
      if (a.step[task] !== b.step[task]) {
        const [higher, lower] = [steps[a.step[task]], steps[b.step[task]]];
        // One that is for a single class cannot be stayed on where another can.
        return a.step[task] > b.step[task] && !higher.once && higher.ms <= lower.ms && standsWherever(higher, lower, next);
      }
      return a.onStep[task] >= b.onStep[task] && a.stepBegun[task] <= b.stepBegun[task];
    });
  }
}

const MOST_KEPT = 4000;

function atLeast(a: Uint8Array, b: Uint8Array): boolean {
  for (let index = 0; index < a.length; index += 1) if (a[index] < b[index]) return false;
  return true;
}
