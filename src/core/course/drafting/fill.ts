import { needsMet } from './choices';
import { COURSE_LIMITS } from '../limits';
import type { Model, Placed } from './model';
import { State } from './state';

const { fewestTechniques: FILLED_TO, gaps: GAPS } = COURSE_LIMITS;

/**
 * Fills open classes up with what is known, so that none is empty and nothing is forgotten: first what has waited longest beyond
 * its growing gap. Nothing new comes in and nothing is taken away, so that what was proved stays true.
 */
export function filled(model: Model, classes: readonly Placed[]): Placed[] {
  let state = State.first(model);
  const last = new Map<number, { at: number; times: number }>();
  return classes.map((placed, at) => {
    const whole = model.classes[at].fixed ? placed : withKnown(model, state, placed, at, last);
    for (const [task] of whole) last.set(task, { at, times: (last.get(task)?.times ?? 0) + 1 });
    state = state.after(whole, at);
    return whole;
  });
}

function withKnown(model: Model, state: State, placed: Placed, at: number, last: ReadonlyMap<number, { at: number; times: number }>): Placed {
  const { room, sideRoom } = model.classes[at];
  const due = (task: number) => {
    const had = last.get(task);
    return had ? at - had.at - GAPS[Math.min(had.times, GAPS.length) - 1] : 0;
  };
  const here = new Set(placed.map(([task]) => task));
  // What stands under something known that belongs to it needs no practice of its own.
  const outgrown = (task: number) =>
    model.tasks.some((above, index) => state.knows(index) && above.family === model.tasks[task].family && above.over.includes(task));
  const known = model.tasks
    .map((task, index) => ({ task, index }))
    .map(({ task, index }) => ({ task, index, step: state.stepBegun[index] < 0 ? 0 : state.step[index] }))
    .filter(
      ({ task, index, step }) =>
        state.knows(index) &&
        !task.steps[step].once &&
        task.steps[step].allowed[at] &&
        !here.has(index) &&
        (task.already || needsMet(model, state, index, at)),
    )
    .sort((a, b) => Number(outgrown(a.index)) - Number(outgrown(b.index)) || due(b.index) - due(a.index) || b.index - a.index);
  const whole = [...placed];
  const families = new Set(placed.map(([task]) => model.tasks[task].family));
  const time = (more: Placed) =>
    more.reduce((sum, [task, step]) => sum + model.tasks[task].steps[step].ms, 0) + (more.some(([task]) => model.tasks[task].side) ? sideRoom : 0);
  for (const { task, index, step } of known) {
    if (whole.length >= Math.min(FILLED_TO, model.most)) break;
    // What is not due yet, or outgrown, stands only where a class would be empty.
    if (whole.length > 0 && (families.has(task.family) || due(index) < 0 || outgrown(index))) continue;
    if (time([...whole, [index, step]]) > room) continue;
    whole.push([index, step]);
    families.add(task.family);
  }
  return whole;
}
