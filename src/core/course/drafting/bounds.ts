import { jointly } from './joint';
import { NOT_REACHED, type Model } from './model';
import type { State } from './state';

/** What is worked out once for a problem, to bound what can still be reached. */
export interface Bounds {
  /** By goal: the class before which nothing that goes on from a state reaches it, from 0; the number of classes where nothing does. */
  readonly soonest: (state: State, at: number) => readonly number[];
  /** The least that any draft costs which goes on from a state. */
  readonly lowest: (state: State, at: number) => number;
  /** By task: 1 where something that is still wanted needs it more often, or waits for it; 2 where it is pinned ahead, on whatever step may stand there. */
  readonly wanted: (state: State, at: number) => Uint8Array;
}

/**
 * Bounds by the critical path: the earliest class in which each task can be begun, practised often enough and waited for, and in
 * which what a goal stands on finds classes of its own, one new thing each.
 * @param onlyWhether all goals can be reached is asked, not how early
 */
export function boundsOf(model: Model, onlyWhether = false): Bounds {
  const { tasks, classes, goals } = model;
  const [n, count] = [tasks.length, classes.length];
  // The next class in which a task is allowed (or stands fixed), from each class on.
  const standsFixed = tasks.map((_, task) => classes.map(({ fixed }) => fixed !== null && fixed.some(([one]) => one === task)));
  const can = (task: number, at: number) => (classes[at].fixed ? standsFixed[task][at] : tasks[task].steps.some(({ allowed }) => allowed[at]));
  const numbers = classes.map((_, at) => at);
  const lists = tasks.map((_, task) => Int16Array.from(numbers.filter((at) => can(task, at))));
  const place = tasks.map((_, task) => {
    const from = new Int16Array(count + 1);
    from[count] = lists[task].length;
    for (let at = count - 1; at >= 0; at -= 1) from[at] = can(task, at) ? from[at + 1] - 1 : from[at + 1];
    return from;
  });
  const nth = (task: number, from: number, k: number): number => {
    if (from >= count) return count;
    const index = place[task][from] + k - 1;
    return index < lists[task].length ? lists[task][index] : count;
  };
  const fixedFrom = tasks.map((_, task) => {
    const from = new Int16Array(count + 1).fill(count);
    for (let at = count - 1; at >= 0; at -= 1) from[at] = standsFixed[task][at] ? at : from[at + 1];
    return from;
  });
  // The last class in which something a goal stands on is there already, in order or not: until then its own order binds nobody.
  const lastFixed = Int16Array.from(tasks, (_, task) => standsFixed[task].lastIndexOf(true));
  // The first class at least so many days after another.
  const reach = new Map<number, Int16Array>();
  const waited = (days: number) => {
    const known = reach.get(days);
    if (known) return known;
    const made = Int16Array.from(classes, ({ day }) => {
      const at = classes.findIndex((later) => later.day >= day + days);
      return at < 0 ? count : at;
    });
    reach.set(days, made);
    return made;
  };
  const needs = tasks.map(({ needs: own }) => own.map(({ task, classes: times, days }) => ({ task, times, waits: waited(days) })));
  const chain = tasks.map(({ steps }) => steps.map((step) => ({ ...step, waits: waited(step.days) })));
  // What each goal, or a pin, stands on, itself last.
  const standsOn = (task: number): Int16Array => {
    const found = new Set<number>();
    const walk = (one: number) => {
      if (found.has(one)) return;
      for (const need of tasks[one].already ? [] : tasks[one].needs) walk(need.task);
      found.add(one);
    };
    walk(task);
    return Int16Array.from(found);
  };
  const below = goals.map(({ task }) => standsOn(task));
  const loose = below.map((list) => Math.max(-1, ...Array.from(list, (task) => lastFixed[task])));
  const pinned = classes.flatMap(({ pins }, until) => pins.map((task) => ({ until, tasks: standsOn(task) })));
  // At least so many classes lie between the first class of a task and the first of a goal's.
  const tails = goals.map(({ task: goal }, index) => {
    const tail = new Map<number, number>([[goal, 0]]);
    for (const task of [...below[index]].reverse())
      if (tail.has(task))
        for (const { task: need, classes: times } of tasks[task].needs) tail.set(need, Math.max(tail.get(need) ?? 0, tail.get(task)! + times));
    return tail;
  });
  const byTail = below.map((list, index) => [...list].sort((a, b) => (tails[index].get(b) ?? 0) - (tails[index].get(a) ?? 0)));
  const earliest = new Int16Array(n);

  /** The earliest class each task can stand in from a class on. */
  const begin = (state: State, at: number): void => {
    for (let task = 0; task < n; task += 1) {
      let first = at;
      if (!tasks[task].already && state.begun[task] < 0)
        for (const { task: need, times, waits } of needs[task]) {
          if (tasks[need].already) continue;
          const lacking = times - state.had[need];
          const since = state.begun[need] >= 0 ? state.begun[need] : earliest[need];
          if (since >= count) {
            first = count;
            break;
          }
          const practised = lacking > 0 ? nth(need, earliest[need], lacking) + 1 : at;
          first = Math.max(first, practised, waits[since]);
        }
      // What stands in a fixed class stands there whatever it needs.
      earliest[task] = Math.min(first >= count ? count : nth(task, first, 1), fixedFrom[task][at]);
    }
  };

  /** The class in which a goal's task can be practised so often on its last step, from a class on. */
  const climbed = (state: State, task: number, from: number, times: number): number => {
    const steps = chain[task];
    const last = steps.length - 1;
    if (last === 0 || from >= count || lastFixed[task] >= from) return nth(task, from, times);
    let at = from;
    let [on, spent, since] = state.stepBegun[task] >= 0 ? [state.step[task], state.onStep[task], state.stepBegun[task]] : [0, 0, -1];
    if (since < 0) {
      since = at;
      spent = 1;
      at += 1;
    }
    for (; on < last; on += 1) {
      const { classes: asked, waits } = steps[on + 1];
      const practised = asked > spent ? nth(task, at, asked - spent) + 1 : at;
      const stepped = nth(task, Math.max(at, practised, since >= count ? count : waits[since]), 1);
      if (stepped >= count) return count;
      since = stepped;
      spent = 1;
      at = stepped + 1;
    }
    // The class of the last step is its first practice, unless it stood there already.
    const fresh = state.stepBegun[task] < 0 || state.step[task] < last;
    return times <= 1 && fresh ? since : nth(task, at, fresh ? times - 1 : times);
  };

  /** The earliest first class of a goal when everything below it takes a class of its own, longest way to go first. */
  const squeezed = (state: State, goal: number, at: number): number => {
    const waiting = byTail[goal].filter((task) => !state.knows(task));
    if (waiting.length === 0 || loose[goal] >= at) return at;
    let latest = 0;
    const done = new Set<number>();
    let now = at;
    while (done.size < waiting.length) {
      let chosen = -1;
      let soonest = count;
      for (const task of waiting) {
        if (done.has(task)) continue;
        if (earliest[task] <= now) {
          chosen = task;
          break;
        }
        soonest = Math.min(soonest, earliest[task]);
      }
      if (chosen < 0) {
        if (soonest >= count) return count;
        now = soonest;
        continue;
      }
      done.add(chosen);
      latest = Math.max(latest, now + (tails[goal].get(chosen) ?? 0));
      now += 1;
    }
    return latest;
  };

  const together = jointly(model, below, lastFixed, onlyWhether);
  const soonest = new Int16Array(goals.length);
  const lowest = (state: State, at: number): number => {
    begin(state, at);
    let cost = state.cost;
    const alive: number[] = [];
    for (let goal = 0; goal < goals.length; goal += 1) {
      if (state.reached[goal] > 0) continue;
      const { task, times, before } = goals[goal];
      const from = state.knows(task) ? earliest[task] : Math.max(earliest[task], squeezed(state, goal, at));
      const done = climbed(state, task, from >= count ? count : nth(task, from, 1), times - state.progress[goal]);
      soonest[goal] = done;
      if (done >= before) cost += NOT_REACHED;
      else alive.push(goal);
    }
    return pinsStand(state, at) ? cost + together(state, at, { soonest, earliest }, alive) : Infinity;
  };

  const pinsStand = (state: State, at: number): boolean => {
    for (let ahead = at; ahead < count; ahead += 1) for (const task of classes[ahead].pins) if (earliest[task] > ahead) return false;
    return true;
  };

  const wanted = (state: State, at: number): Uint8Array => {
    const found = new Uint8Array(n);
    for (const { until, tasks: own } of pinned)
      if (until >= at) for (const task of own) found[task] = Math.max(found[task], tasks[task].steps.length > 1 && task === own.at(-1) ? 2 : 1);
    for (let goal = 0; goal < goals.length; goal += 1)
      if (state.reached[goal] === 0 && at < goals[goal].before) for (const task of below[goal]) found[task] ||= 1;
    return found;
  };

  return {
    lowest,
    wanted,
    soonest: (state, at) => {
      lowest(state, at);
      return Array.from(soonest);
    },
  };
}
