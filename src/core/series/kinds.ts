/** Ways in which people keep something up, day after day, each with figures of its own: what a group may turn out to be like. */

/** A number from 0 to below 1. */
export type Chance = () => number;

/** Whether somebody does it, day by day. @param weekday of a day, 1 Monday to 7 Sunday */
export type Person = (length: number, weekday: (day: number) => number, chance: Chance) => boolean[];

const { min, max, sqrt } = Math;

const days = (length: number, one: (day: number) => boolean): boolean[] => Array.from({ length }, (_, day) => one(day));
const between = (chance: Chance, low: number, high: number): number => low + (high - low) * chance();

/** A rate around a mean: the more weight, the nearer. Drawn as a mean of so many throws, kept inside nought and one. */
function rate(chance: Chance, mean: number, weight: number): number {
  // A normal by twelve throws, with the spread that a Beta of this weight has.
  let sum = -6;
  for (let n = 0; n < 12; n += 1) sum += chance();
  return min(0.995, max(0.005, mean + sum * sqrt((mean * (1 - mean)) / (weight + 1))));
}

/** Makes a kind of people, with figures drawn as if by chance. */
type Kind = (chance: Chance) => Person;

const alike: Kind = (chance) => {
  const [mean, weight] = [between(chance, 0.6, 0.95), between(chance, 4, 25)];
  return (length, _, next) => {
    const own = rate(next, mean, weight);
    return days(length, () => next() < own);
  };
};

const inStreaks: Kind = (chance) => {
  const [mean, weight, run] = [between(chance, 0.65, 0.93), between(chance, 6, 30), between(chance, 2.5, 12)];
  return (length, _, next) => {
    const own = rate(next, mean, weight);
    let on = next() < own;
    return days(length, () => {
      const was = on;
      on = on ? next() >= (1 - own) / (run * 0.5 + 0.5) : next() < own / (run * 0.5 + 0.5);
      return was;
    });
  };
};

const notOnWeekends: Kind = (chance) => {
  const [mean, weight, share, weekend] = [between(chance, 0.75, 0.98), between(chance, 4, 20), between(chance, 0.3, 1), between(chance, 0, 0.45)];
  return (length, weekday, next) => {
    const own = rate(next, mean, weight);
    const free = next() < share ? weekend : own;
    return days(length, (day) => next() < (weekday(day) >= 6 ? min(own, free) : own));
  };
};

const leaving: Kind = (chance) => {
  const [mean, weight, leaves] = [between(chance, 0.75, 0.98), between(chance, 3, 20), between(chance, 0.006, 0.05)];
  return (length, _, next) => {
    const own = rate(next, mean, weight);
    let here = true;
    return days(length, () => {
      if (next() < leaves) here = false;
      return here && next() < own;
    });
  };
};

const fallingOff: Kind = (chance) => {
  const [from, slope] = [between(chance, 0.82, 0.98), between(chance, 0.003, 0.025)];
  return (length, _, next) => {
    const [start, falls] = [rate(next, from, 12), slope * (0.3 + 1.4 * next())];
    return days(length, (day) => next() < max(0.03, start - falls * day));
  };
};

const steadyOrNot: Kind = (chance) => {
  const [share, high, low] = [between(chance, 0.25, 0.85), between(chance, 0.86, 0.98), between(chance, 0.1, 0.6)];
  return (length, _, next) => {
    const own = rate(next, next() < share ? high : low, 30);
    return days(length, () => next() < own);
  };
};

export const KINDS = { alike, inStreaks, notOnWeekends, leaving, fallingOff, steadyOrNot } as const satisfies Readonly<Record<string, Kind>>;
