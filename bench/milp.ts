import type { Model } from '../src/core/course/drafting/model';

/** What a goal that is left out costs in the objective: more than any sum of classes. */
export const LEFT_OUT = 1000;

/**
 * The drafting problem as a mixed-integer one, in the LP format, for a solver that knows nothing of it: a binary for each technique,
 * step and class, and one for each goal and class it is reached in.
 * @example milpOf(modelOf(file, one)) // "Minimize\n obj: …"
 */
export function milpOf({ tasks, classes, goals, most }: Model): string {
  const rows: string[] = [];
  const binaries = new Set<string>();
  const bounds: string[] = [];
  const x = (task: number, step: number, at: number) => `x_${task}_${step}_${at}`;
  const steps = (task: number) => tasks[task].steps.map((_, step) => step);
  const sum = (terms: readonly string[]) => terms.join(' + ');
  /** What is said of a technique in a class, whatever the step. */
  const stands = (task: number, at: number) => steps(task).map((step) => x(task, step, at));
  const row = (left: readonly (readonly [number, string])[], sign: '<=' | '>=' | '=', right: number) => {
    if (left.length > 0)
      rows.push(` r${rows.length}: ${left.map(([by, name]) => `${by < 0 ? '-' : '+'} ${Math.abs(by)} ${name}`).join(' ')} ${sign} ${right}`);
  };
  const plus = (names: readonly string[], by = 1) => names.map((name) => [by, name] as const);
  const before = (task: number, at: number, step?: number) =>
    classes.slice(0, at).flatMap((_, then) => (step === undefined ? stands(task, then) : [x(task, step, then)]));
  const longAgo = (task: number, at: number, days: number, step?: number) =>
    classes.flatMap(({ day }, then) =>
      then < at && day <= classes[at].day - days ? (step === undefined ? stands(task, then) : [x(task, step, then)]) : [],
    );
  classes.forEach(({ fixed, pins, room, sideRoom }, at) => {
    const fresh: string[] = [];
    const sides: string[] = [];
    tasks.forEach((task, index) => {
      for (const step of steps(index)) binaries.add(x(index, step, at));
      if (fixed) {
        for (const step of steps(index)) bounds.push(` ${x(index, step, at)} = ${fixed.some(([one, on]) => one === index && on === step) ? 1 : 0}`);
        return;
      }
      for (const step of steps(index)) if (!task.steps[step].allowed[at]) bounds.push(` ${x(index, step, at)} = 0`);
      row(plus(stands(index, at)), '<=', 1);
      if (pins.includes(index)) row(plus(stands(index, at)), '=', 1);
      if (task.side) sides.push(...stands(index, at));
      if (!task.already) {
        for (const { task: need, classes: times, days } of task.needs) {
          if (tasks[need].already) continue;
          row([...plus(stands(index, at), times), ...plus(before(need, at), -1)], '<=', 0);
          row([...plus(stands(index, at)), ...plus(longAgo(need, at, days), -1)], '<=', 0);
        }
        const name = `n_${index}_${at}`;
        binaries.add(name);
        fresh.push(name);
        // New where it stands and never stood before.
        row([[-1, name], ...plus(stands(index, at)), ...plus(before(index, at), -1)], '<=', 0);
      }
      for (const step of steps(index).slice(1)) {
        const { classes: times, days, isNew } = task.steps[step];
        row([[times, x(index, step, at)], ...plus(before(index, at, step - 1), -1)], '<=', 0);
        row([[1, x(index, step, at)], ...plus(longAgo(index, at, days, step - 1), -1)], '<=', 0);
        // Never back down.
        const above = `a_${index}_${step}_${at}`;
        binaries.add(above);
        row(
          [
            [1, x(index, step, at)],
            [-1, above],
          ],
          '<=',
          0,
        );
        if (at > 0) {
          row(
            [
              [1, `a_${index}_${step}_${at - 1}`],
              [-1, above],
            ],
            '<=',
            0,
          );
          for (let low = 0; low < step; low += 1)
            row(
              [
                [1, x(index, low, at)],
                [1, `a_${index}_${step}_${at - 1}`],
              ],
              '<=',
              1,
            );
        }
        if (!isNew) continue;
        const name = `m_${index}_${step}_${at}`;
        binaries.add(name);
        fresh.push(name);
        row([[-1, name], [1, x(index, step, at)], ...plus(before(index, at, step), -1)], '<=', 0);
      }
    });
    if (fixed) return;
    row(plus(fresh), '<=', 1);
    row(plus(tasks.flatMap((_, index) => stands(index, at))), '<=', most);
    const side = `s_${at}`;
    binaries.add(side);
    for (const name of sides)
      row(
        [
          [1, name],
          [-1, side],
        ],
        '<=',
        0,
      );
    const time = tasks.flatMap((task, index) => steps(index).map((step) => [task.steps[step].ms / 1000, x(index, step, at)] as const));
    row([...time, ...(sides.length > 0 ? [[sideRoom / 1000, side] as const] : [])], '<=', room / 1000);
  });
  const objective: string[] = [];
  goals.forEach(({ task, times, before: until }, goal) => {
    const last = tasks[task].steps.length - 1;
    const left = `d_${goal}`;
    binaries.add(left);
    objective.push(`${LEFT_OUT} ${left}`);
    const reached = classes.slice(0, until).map((_, at) => `z_${goal}_${at}`);
    for (const name of reached) binaries.add(name);
    row([...plus(reached), [1, left]], '=', 1);
    reached.forEach((name, at) => {
      objective.push(`${at + 1} ${name}`);
      row([[times, name], ...plus(before(task, at + 1, last), -1)], '<=', 0);
    });
  });
  return `Minimize\n obj: ${sum(objective)}\nSubject To\n${rows.join('\n')}\nBounds\n${bounds.join('\n')}\nBinary\n ${[...binaries].join(' ')}\nEnd\n`;
}
