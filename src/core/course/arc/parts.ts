import type { ElasticFrame } from './cases';

/** Whole minutes of what stands around the breathing; settling is that after a technique of factor 1. */
export interface Parts {
  readonly arrive: number;
  readonly movement: number;
  readonly clear: number;
  readonly settle: number;
  readonly rest: number;
  readonly close: number;
}

type Range = readonly [least: number, most: number];

/** Least and most of each part in one class, and how much settling there is: the sum of the factors of its techniques. */
export type Ranges = { readonly [Name in keyof Parts]: Range } & { readonly factor: number };

/** A class and its place in the course, as far as its frame hangs on it. */
export interface Place {
  readonly minutes: number;
  /** From 0. */
  readonly at: number;
  readonly classes: number;
  /** Nothing but what everybody knows can stand yet: there is time to talk. */
  readonly talk: boolean;
  readonly side: boolean;
  readonly factor: number;
}

/** How long each part of a class may be. */
export function rangesOf(frame: ElasticFrame, { minutes, at, classes, talk, side, factor }: Place): Ranges {
  const moved = side || minutes >= frame.movementFrom ? frame.movement[0] : 0;
  const clear = side ? frame.clearNose : 0;
  return {
    arrive: at === 0 ? frame.first : frame.arrive,
    movement: [moved, Math.max(moved, Math.floor(minutes * frame.movement[1]))],
    clear: [clear, clear],
    settle: frame.settle,
    rest: [frame.rest[0], restCeiling(frame, at, classes)],
    close: [frame.close[0], talk ? frame.talk : frame.close[1]],
    factor,
  };
}

/** The longest lying rest of a class: it grows evenly from the first class to the last. @example restCeiling(frame, 0, 10) // 5 */
export const restCeiling = ({ rest }: Pick<ElasticFrame, 'rest'>, at: number, classes: number): number =>
  Math.round(rest[0] + (classes > 1 ? ((rest[1] - rest[0]) * at) / (classes - 1) : 0));

/** Parts that grow, what comes first where nothing else decides. */
const ELASTIC = ['rest', 'settle', 'movement', 'arrive', 'close'] as const;

/**
 * Fills what the breathing leaves of an hour: each part gets its least, and what is left goes where most is lacking.
 *
 * @param left minutes that the breathing leaves
 */
export function partsOf(ranges: Ranges, left: number): Parts {
  const least = (name: keyof Parts) => ranges[name][0];
  const parts = {
    arrive: least('arrive'),
    movement: least('movement'),
    clear: least('clear'),
    settle: least('settle'),
    rest: least('rest'),
    close: least('close'),
  };
  const price = (name: (typeof ELASTIC)[number]) => (name === 'settle' ? ranges.factor : 1);
  const filled = (name: (typeof ELASTIC)[number]) => (parts[name] - least(name)) / (ranges[name][1] - least(name));
  let free = left - (parts.arrive + parts.movement + parts.clear + parts.settle * ranges.factor + parts.rest + parts.close);
  for (;;) {
    const open = ELASTIC.filter((name) => price(name) > 0 && parts[name] < ranges[name][1] && price(name) <= free + 1e-9);
    if (open.length === 0) {
      // A longer settling everywhere may take more than is left: then other parts give a minute or two.
      const lacking = Math.ceil(ranges.factor - free - 1e-9);
      const giving = ELASTIC.filter((name) => name !== 'settle' && parts[name] > least(name));
      const spare = giving.reduce((sum, name) => sum + parts[name] - least(name), 0);
      if (free < 1 - 1e-9 || ranges.factor === 0 || parts.settle >= ranges.settle[1] || spare < lacking) return parts;
      for (let i = 0; i < lacking; i += 1)
        parts[giving.reduce((most, name) => (parts[name] - least(name) > parts[most] - least(most) ? name : most))] -= 1;
      parts.settle += 1;
      free += lacking - ranges.factor;
      continue;
    }
    const next = open.reduce((best, name) => (filled(name) < filled(best) - 1e-9 ? name : best));
    parts[next] += 1;
    free -= price(next);
  }
}
