import type { Model, Placed } from './model';

/** Where a task stands before a class: how often practised, since when, and on which step. Kept flat: there are hundreds of thousands. */
export class State {
  /** Lowest cost of any draft that goes on from here. */
  bound = 0;

  private constructor(
    readonly model: Model,
    /** Practices so far, no more than anything asks for. */
    readonly had: Uint8Array,
    /** The class it began in; -1 not yet. */
    readonly begun: Int16Array,
    readonly step: Uint8Array,
    readonly onStep: Uint8Array,
    readonly stepBegun: Int16Array,
    /** By goal: practices on the last step, and the number of the class it was reached in; 0 not yet. */
    readonly progress: Uint8Array,
    readonly reached: Uint8Array,
    /** The sum of the classes in which goals were reached. */
    readonly cost: number,
    /** Goals not reached yet. */
    readonly open: number,
    /** How much was practised that something still needs: of equally good branches the fuller one is tried first. */
    readonly worth: number,
  ) {}

  static first(model: Model): State {
    const n = model.tasks.length;
    const begun = new Int16Array(n).fill(-1);
    return new State(
      model,
      new Uint8Array(n),
      begun,
      new Uint8Array(n),
      new Uint8Array(n),
      new Int16Array(n).fill(-1),
      new Uint8Array(model.goals.length),
      new Uint8Array(model.goals.length),
      0,
      model.goals.length,
      0,
    );
  }

  /** Whether a task was practised, here or before the course. */
  knows(task: number): boolean {
    return this.begun[task] >= 0 || this.model.tasks[task].already;
  }

  /** What follows when these stand in a class. */
  after(placed: Placed, at: number): State {
    const { model } = this;
    const [had, begun, step] = [this.had.slice(), this.begun.slice(), this.step.slice()];
    const [onStep, stepBegun] = [this.onStep.slice(), this.stepBegun.slice()];
    const [progress, reached] = [this.progress.slice(), this.reached.slice()];
    let { cost, open } = this;
    for (const [task, on] of placed) {
      if (had[task] < MOST) had[task] += 1;
      if (begun[task] < 0) begun[task] = at;
      if (on !== step[task] || stepBegun[task] < 0) {
        step[task] = on;
        onStep[task] = 1;
        stepBegun[task] = at;
      } else if (onStep[task] < MOST) onStep[task] += 1;
    }
    for (let goal = 0; goal < model.goals.length; goal += 1) {
      const { task, times, before } = model.goals[goal];
      const last = model.tasks[task].steps.length - 1;
      if (reached[goal] > 0 || at >= before || !placed.some(([one, on]) => one === task && on === last)) continue;
      progress[goal] += 1;
      if (progress[goal] < times) continue;
      reached[goal] = at + 1;
      cost += at + 1;
      open -= 1;
    }
    return new State(model, had, begun, step, onStep, stepBegun, progress, reached, cost, open, placed.length);
  }
}

/** No count in the problem is larger. */
const MOST = 250;
