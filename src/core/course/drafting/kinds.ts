import type { Model, ModelClass } from './model';

/** A way to weigh practices so that no class can hold more than its own weight: time, or how many that long, or side work beside the rest. */
export interface Kind {
  readonly weight: Float64Array;
  /** The weight all classes before each can hold together. */
  readonly upTo: Float64Array;
}

/** How many kinds are kept: those that are tightest when everything is still to be done. */
const KEPT = 2;

/** The kinds that bind most on a problem, with so many practices of each task still to come. */
export function kindsOf(model: Model, lacking: Uint8Array): Kind[] {
  const { tasks, classes, most } = model;
  const shortest = tasks.map(({ steps }) => Math.min(...steps.map(({ ms }) => ms)));
  const sideOf = (task: number) => tasks[task].side;
  const nets = ({ room, sideRoom }: ModelClass) => Math.max(0, room - sideRoom);
  const made: Kind[] = [];
  const add = (weight: (task: number) => number, capacity: (one: ModelClass) => number) => {
    const upTo = new Float64Array(classes.length + 1);
    // A fixed class holds what it holds; its practices are not counted against it.
    classes.forEach((one, at) => (upTo[at + 1] = upTo[at] + (one.fixed ? 1e12 : capacity(one))));
    made.push({ weight: Float64Array.from(tasks, (_, task) => weight(task)), upTo });
  };
  add(
    (task) => shortest[task],
    ({ room }) => room,
  );
  for (const factor of new Set(classes.filter((one) => nets(one) > 0).map((one) => one.room / nets(one))))
    add(
      (task) => shortest[task] * (sideOf(task) ? factor : 1),
      (one) => Math.max(one.room, factor * nets(one)),
    );
  const lengths = [...new Set(shortest)];
  const leastSide = Math.min(...shortest.filter((_, task) => sideOf(task)));
  for (const length of lengths) {
    const long = (task: number) => shortest[task] >= length;
    add(
      (task) => (long(task) ? 1 : 0),
      ({ room }) => Math.min(most, Math.floor(room / length)),
    );
    if (leastSide === Infinity) continue;
    // Side work beside long practices without sides: so many of one are worth so many of the other.
    for (const one of new Set(classes.map(({ room, sideRoom }) => `${room} ${sideRoom}`))) {
      const [room, sideRoom] = one.split(' ').map(Number);
      const sides = Math.floor(Math.max(0, room - sideRoom) / leastSide);
      const longs = Math.floor(room / length);
      if (sides === 0 || longs === 0) continue;
      add(
        (task) => (sideOf(task) ? longs : long(task) ? sides : 0),
        (own) => {
          let best = sides * Math.min(most, Math.floor(own.room / length));
          for (let count = 1; count <= most && count * leastSide <= nets(own); count += 1)
            best = Math.max(best, count * longs + sides * Math.min(most - count, Math.floor((nets(own) - count * leastSide) / length)));
          return best;
        },
      );
    }
  }
  const tightness = ({ weight, upTo }: Kind) => {
    const open = classes.reduce((sum, one, at) => sum + (one.fixed ? 0 : upTo[at + 1] - upTo[at]), 0);
    return weight.reduce((sum, each, task) => sum + each * lacking[task], 0) / Math.max(1, open);
  };
  return made
    .map((kind) => ({ kind, tight: tightness(kind) }))
    .sort((a, b) => b.tight - a.tight)
    .slice(0, KEPT)
    .map(({ kind }) => kind);
}
