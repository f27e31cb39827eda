import type { Bounds } from './bounds';
import type { Model, Placed, Step } from './model';
import type { State } from './state';

/** Something that could stand in a class. */
interface Item {
  readonly task: number;
  readonly step: number;
  readonly ms: number;
  readonly side: boolean;
  readonly isNew: boolean;
  readonly pinned: boolean;
  /** A step up after which it may not stand where it could before, or for one class only: leaving it may be better. */
  readonly narrows: boolean;
}

/**
 * Every maximal set of what is still useful in a class, pins always among them, with at most one new thing; and where a step up would
 * narrow where something may stand, the sets without that step too. Empty where a pin cannot stand.
 */
export function choicesIn(model: Model, bounds: Bounds, state: State, at: number): Placed[] {
  const items = itemsIn(model, bounds, state, at, model.classes[at].pins);
  const narrowing = items.filter(({ narrows }) => narrows);
  if (narrowing.length === 0) return maximalSets(model, at, items);
  const without = narrowing.reduce<readonly (readonly Item[])[]>((sets, item) => [...sets, ...sets.map((set) => [...set, item])], [[]]);
  const all = without.flatMap((left) =>
    maximalSets(
      model,
      at,
      items.filter((item) => !left.includes(item)),
    ),
  );
  return [...new Map(all.map((placed) => [[...placed].sort((a, b) => a[0] - b[0]).join(), placed])).values()];
}

function maximalSets(model: Model, at: number, items: readonly Item[]): Placed[] {
  const { room, sideRoom, pins } = model.classes[at];
  const must = pins.map((task) => items.filter((item) => item.task === task));
  if (must.some((ways) => ways.length === 0)) return [];
  const free = items.filter(({ pinned }) => !pinned);
  const found: Placed[] = [];
  const chosen: Item[] = [];
  let [time, sides, news] = [0, 0, 0];
  const fits = (item: Item): boolean =>
    chosen.length < model.most &&
    !(item.isNew && news > 0) &&
    !chosen.some(({ task }) => task === item.task) &&
    time + item.ms + (sides > 0 || item.side ? sideRoom : 0) <= room;
  const put = (item: Item, by: 1 | -1): void => {
    if (by > 0) chosen.push(item);
    else chosen.pop();
    time += by * item.ms;
    if (item.side) sides += by;
    if (item.isNew) news += by;
  };
  const extend = (from: number): void => {
    for (let index = from; index < free.length; index += 1) {
      if (!fits(free[index])) continue;
      put(free[index], 1);
      extend(index + 1);
      put(free[index], -1);
    }
    // Nothing left that fits: a maximal set, unless something before it would fit too.
    if (!free.some((item) => !chosen.includes(item) && fits(item))) found.push(chosen.map(({ task, step }) => [task, step] as const));
  };
  const pinAll = (which: number): void => {
    if (which === must.length) return extend(0);
    for (const item of must[which]) {
      if (!fits(item)) continue;
      put(item, 1);
      pinAll(which + 1);
      put(item, -1);
    }
  };
  pinAll(0);
  return found;
}

function itemsIn(model: Model, bounds: Bounds, state: State, at: number, pins: readonly number[]): Item[] {
  const wanted = bounds.wanted(state, at);
  const items: Item[] = [];
  model.tasks.forEach((task, index) => {
    const pinned = pins.includes(index);
    if (!(pinned || isUseful(model, state, index, at, wanted))) return;
    const known = state.knows(index);
    if (!task.already && !needsMet(model, state, index, at)) return;
    const offer = (step: number, isNew: boolean, narrows = false): void => {
      const { ms, allowed } = task.steps[step];
      if (allowed[at]) items.push({ task: index, step, ms, side: task.side, isNew, pinned, narrows });
    };
    if (state.stepBegun[index] < 0) return offer(0, !known);
    const on = state.step[index];
    if (!task.steps[on].once) offer(on, false);
    const next = task.steps[on + 1];
    if (!next) return;
    const waited = model.classes[at].day - model.classes[state.stepBegun[index]].day;
    if (state.onStep[index] >= next.classes && waited >= next.days)
      offer(on + 1, next.isNew, next.once || !standsWherever(next, task.steps[on], at + 1));
  });
  return items;
}

/** Whether a higher step may be taught wherever a lower one may, from some class on. */
export const standsWherever = (higher: Step, lower: Step, from: number): boolean =>
  higher.allowed === lower.allowed || lower.allowed.every((may, at) => at < from || !may || higher.allowed[at]);

/** Whether every need of a task is met before a class. */
export function needsMet({ tasks, classes }: Model, state: State, task: number, at: number): boolean {
  return tasks[task].needs.every(
    ({ task: need, classes: times, days }) =>
      tasks[need].already || (state.had[need] >= times && state.begun[need] >= 0 && classes[at].day - classes[state.begun[need]].day >= days),
  );
}

/** Whether practising a task once more helps something that is still wanted. */
function isUseful({ goals, tasks }: Model, state: State, task: number, at: number, wanted: Uint8Array): boolean {
  if (goals.some((goal, index) => goal.task === task && state.reached[index] === 0 && at < goal.before)) return true;
  if (wanted[task] === 0) return false;
  // A pin may have to be climbed to: its own class may be for a higher step alone.
  if (wanted[task] === 2) return true;
  if (!state.knows(task)) return true;
  if (tasks[task].already) return false;
  // Needs are asked in every open class, not only the first.
  return tasks.some(
    ({ needs, already }, above) => wanted[above] > 0 && !already && needs.some((need) => need.task === task && state.had[task] < need.classes),
  );
}
