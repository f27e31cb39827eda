import { NOT_REACHED, type Model } from './model';
import { kindsOf } from './kinds';
import { State } from './state';

/** What the critical path of each goal has found already: the class it is done in at the soonest, or the number of classes. */
export interface Alone {
  readonly soonest: Int16Array;
  /** The earliest class of each task. */
  readonly earliest: Int16Array;
}

/** Goals up to which all their subsets are looked at. */
const MOST_TOGETHER = 8;

/**
 * Bounds goals together. In whatever order they are reached, the last one of a set is reached no sooner than the set allows: its
 * new things take a class each, and its practices have to fit the classes' time. The least sum over all orders goes through the
 * subsets once. Where it is only asked whether all can be reached, the whole set says it.
 */
export function jointly(model: Model, below: readonly Int16Array[], lastFixed: Int16Array, onlyWhether: boolean) {
  const { tasks, classes, goals } = model;
  const [n, count, all] = [tasks.length, classes.length, goals.length];
  const needsOf = goals.map((_, goal) =>
    [...below[goal]].reverse().map((task) => ({
      task,
      above: [...below[goal]].flatMap((other) =>
        tasks[other].already ? [] : tasks[other].needs.filter((need) => need.task === task).map((need) => ({ task: other, classes: need.classes })),
      ),
    })),
  );
  // What stands in a fixed class ahead needs nothing before it, nor what only it would need, and may begin beside other new things.
  const asks = new Uint8Array(n);
  const own = (state: State, goal: number, at: number): Uint8Array => {
    const found = new Uint8Array(n);
    asks.fill(0);
    for (const { task, above } of needsOf[goal]) {
      let [most, needed] = [0, task === goals[goal].task];
      for (const { task: other, classes: times } of above)
        if (asks[other] === 1) {
          needed = true;
          most = Math.max(most, times - state.had[task]);
        }
      if (!needed || tasks[task].already) continue;
      if (state.begun[task] < 0 && lastFixed[task] < at) asks[task] = 1;
      found[task] = Math.max(0, most, state.begun[task] < 0 ? 1 : 0);
    }
    const { task, times } = goals[goal];
    found[task] = Math.max(found[task], times - state.progress[goal]);
    return found;
  };
  const first = State.first(model);
  const everything = new Uint8Array(n);
  for (let goal = 0; goal < all; goal += 1) own(first, goal, count).forEach((times, task) => (everything[task] = Math.max(everything[task], times)));
  const kinds = kindsOf(model, everything);
  const lacking = new Uint8Array((1 << Math.min(all, MOST_TOGETHER)) * n);
  const order = new Int16Array(n);
  const cost = new Float64Array(1 << Math.min(all, MOST_TOGETHER));
  const fresh = new Uint8Array(n);

  return (state: State, at: number, { soonest, earliest }: Alone, alive: readonly number[]): number => {
    if (alive.length < 2) return alive.length === 0 ? 0 : soonest[alive[0]] + 1;
    const apart = () => alive.reduce((sum, goal) => sum + soonest[goal] + 1, 0);
    if (alive.length > MOST_TOGETHER) return apart();
    // What each goal lacks by itself.
    const single = alive.map((goal) => own(state, goal, at));
    const used: number[] = [];
    for (let task = 0; task < n; task += 1) {
      fresh[task] = state.knows(task) || lastFixed[task] >= at ? 0 : 1;
      if (single.some((one) => one[task] > 0)) used.push(task);
    }
    used.sort((a, b) => earliest[a] - earliest[b]);
    used.forEach((task, index) => (order[index] = task));
    const subsets = 1 << alive.length;
    if (onlyWhether) {
      for (const task of used) lacking[task] = Math.max(...single.map((one) => one[task]));
      return lastOf(subsets - 1, 0) >= count ? NOT_REACHED : apart();
    }
    lacking.fill(0, 0, subsets * n);
    cost[0] = 0;
    for (let set = 1; set < subsets; set += 1) {
      const low = 31 - Math.clz32(set & -set);
      const rest = (set & (set - 1)) * n;
      const mine = single[low];
      const base = set * n;
      for (let index = 0; index < used.length; index += 1) {
        const task = order[index];
        const a = lacking[rest + task];
        lacking[base + task] = a > mine[task] ? a : mine[task];
      }
      const last = lastOf(set, base);
      let least = Infinity;
      for (let which = 0; which < alive.length; which += 1) {
        if ((set & (1 << which)) === 0) continue;
        const without = cost[set & ~(1 << which)];
        if (without < least) least = without;
      }
      cost[set] = least + (last >= count ? NOT_REACHED : last + 1);
    }
    return cost[subsets - 1];

    /** The class before which not all of a set can be reached. */
    function lastOf(set: number, base: number): number {
      let last = 0;
      let tail = 255;
      for (let which = 0; which < alive.length; which += 1) {
        if ((set & (1 << which)) === 0) continue;
        if (soonest[alive[which]] > last) last = soonest[alive[which]];
        const { times } = goals[alive[which]];
        if (times - 1 < tail) tail = times - 1;
      }
      // New things, one a class, in the order in which they can come.
      let now = at - 1;
      for (let index = 0; index < used.length; index += 1) {
        const task = order[index];
        const times = lacking[base + task];
        if (times === 0) continue;
        if (fresh[task] === 1) now = earliest[task] > now ? earliest[task] : now + 1;
      }
      if (now >= at) last = Math.max(last, Math.min(count, now + tail));
      // Practices have to fit.
      for (let kind = 0; kind < kinds.length && last < count; kind += 1) {
        const { weight, upTo } = kinds[kind];
        let asked = upTo[at];
        for (let index = 0; index < used.length; index += 1) {
          const task = order[index];
          asked += weight[task] * lacking[base + task];
        }
        while (last < count && upTo[last + 1] < asked - 1e-6) last += 1;
      }
      return last;
    }
  };
}
