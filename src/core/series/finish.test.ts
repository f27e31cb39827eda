import { neededDays, SERIES_LIMITS, willFinish, type SoFar, type Whole } from '.';
import type { Chance } from './kinds';
import { addDays, chances, isoDate } from '../units';

const first = isoDate('2027-01-04');
const soFar = (days: readonly boolean[], over: number, needed = neededDays(days.length)): SoFar => ({
  past: days.slice(0, over).map((did, day) => ({ date: addDays(first, day), did })),
  ahead: days.length - over,
  needed,
});
const went = (text: string) => [...text].map((day) => day === 'x');

test('80 % of the days, on both sides', () => {
  expect([7, 14, 21, 30, 40].map((days) => neededDays(days))).toEqual([6, 12, 17, 24, 32]);
  expect(neededDays(10, 0.8)).toBe(8);
});

test('whoever has enough days has finished; whoever cannot reach them, or left, will not', () => {
  const done = soFar(went(`${'x'.repeat(17)}----`), 18);
  const never = soFar(went(`${'x'.repeat(13)}${'-'.repeat(8)}`), 18);
  const left = { ...soFar(went('x'.repeat(21)), 10), ahead: 0 };
  expect(willFinish([done, never, left], [])).toEqual({ expected: 1, low: 1, high: 1 });
  const open = willFinish([soFar(went(`${'x'.repeat(14)}${'-'.repeat(7)}`), 18)], []);
  expect([open.expected > 0, open.expected < 1]).toEqual([true, true]);
});

test('nothing looks better because somebody went', () => {
  const steady = Array.from({ length: 8 }, () => soFar(went('xxxxxx-xxx-----------'), 10));
  const all = willFinish(steady, []).expected;
  const without = willFinish([{ ...steady[0], ahead: 0 }, ...steady.slice(1)], []).expected;
  expect(without).toBeLessThan(all);
});

test('whoever did more so far, or lately, is not thought less of', () => {
  const one = (days: string) => willFinish([soFar(went(days), 10)], []).expected;
  expect(one('xxxxxxxxxx-----------')).toBeGreaterThan(one('xxx-xx-xx------------'));
  expect(one('xx-x-xxxxx-----------')).toBeGreaterThan(one('xxxxxx-x-x-----------'.replace('x-x', '---')));
});

test('whoever joined late finishes by the days that are theirs', () => {
  const late = soFar(went('xxxxx------'), 5);
  expect([neededDays(11), late.needed]).toEqual([9, 9]);
  expect(willFinish([late], []).expected).toBeGreaterThan(0.5);
  expect(willFinish([{ ...late, needed: neededDays(21) }], []).expected).toBe(0);
});

/** Six worlds, with figures that the forecast does not know. */
type World = (next: Chance) => (length: number, weekday: (day: number) => number) => boolean[];
const beta = (next: Chance, did: number, missed: number): number => {
  const gamma = (shape: number) => Array.from({ length: shape }, () => -Math.log(1 - next())).reduce((sum, one) => sum + one, 0);
  const [a, b] = [gamma(did), gamma(missed)];
  return a / (a + b);
};
const days = (length: number, one: (day: number) => boolean) => Array.from({ length }, (_, day) => one(day));
const WORLDS: Readonly<Record<string, World>> = {
  'alike each day': (next) => (length) => {
    const rate = beta(next, 8, 2);
    return days(length, () => next() < rate);
  },
  streaks: (next) => (length) => {
    let on = next() < 0.85;
    return days(length, () => {
      on = on ? next() > 0.06 : next() < 0.3;
      return on;
    });
  },
  'weekends off': (next) => (length, weekday) => {
    const [rate, off] = [beta(next, 18, 2), next() < 0.6];
    return days(length, (day) => next() < (weekday(day) >= 6 && off ? 0.15 : rate));
  },
  leaving: (next) => (length) => {
    const rate = beta(next, 18, 2);
    let here = true;
    return days(length, () => {
      if (next() < 0.03) here = false;
      return here && next() < rate;
    });
  },
  'falling off': (next) => (length) => {
    const [from, falls] = [0.85 + 0.14 * next(), 0.025 * next()];
    return days(length, (day) => next() < Math.max(0, from - falls * day));
  },
  'steady or not': (next) => (length) => {
    const rate = next() < 0.6 ? 0.93 : 0.4;
    return days(length, () => next() < rate);
  },
};
const [PEOPLE, LENGTH, OVER, RUNS, PAST] = [20, 21, 10, 40, 60] as const;

/** How often the range holds in a world, how far the mean is off in people of the group, and how wide it is. */
function tried(world: World, withPast: boolean, seed: number) {
  const next = chances(seed);
  const person = world(next);
  const weekday = (day: number) => (day % 7) + 1;
  let [inside, off, wide] = [0, 0, 0];
  for (let run = 0; run < RUNS; run += 1) {
    const past = withPast ? Array.from({ length: PAST }, (): Whole => ({ first, days: person(LENGTH, weekday) })) : [];
    const group = Array.from({ length: PEOPLE }, () => person(LENGTH, weekday));
    const really = group.filter((all) => all.filter(Boolean).length >= neededDays(LENGTH)).length;
    const { expected, low, high } = willFinish(
      group.map((all) => soFar(all, OVER)),
      past,
    );
    if (really >= low && really <= high) inside += 1;
    off += (expected - really) / PEOPLE / RUNS;
    wide += (high - low) / RUNS;
  }
  return { inside: inside / RUNS, off, wide };
}

test('the range holds on people of six kinds, with a past of the same kind and with none', () => {
  const found = Object.entries(WORLDS).flatMap(([name, world], at) =>
    [true, false].map((withPast) => ({ name, withPast, ...tried(world, withPast, 100 + at) })),
  );
  const percent = (n: number) => `${Math.round(n * 100)} %`;
  console.info(
    [
      `${PEOPLE} people after ${OVER} of ${LENGTH} days, ${RUNS} groups of each kind (seeds 100 to 105):`,
      ...found.map(
        ({ name, withPast, inside, off, wide }) =>
          `  ${name}, ${withPast ? `${PAST} past people` : 'no past'}: holds ${percent(inside)}, mean off by ${percent(off)}, ${wide.toFixed(1)} people wide`,
      ),
    ].join('\n'),
  );
  for (const { name, withPast, inside, off } of found) {
    expect([name, withPast, inside >= (withPast ? 0.75 : 0.68)]).toEqual([name, withPast, true]);
    expect([name, withPast, Math.abs(off) <= (withPast ? 0.05 : 0.12)]).toEqual([name, withPast, true]);
  }
  const own = found.filter(({ withPast }) => withPast);
  expect(own.reduce((sum, { off }) => sum + Math.abs(off), 0) / own.length).toBeLessThanOrEqual(0.03);
}, 120_000);

test('a studio with a past of its own goes by it, on both sides of enough people', () => {
  const group = Array.from({ length: 10 }, () => soFar(went('xxxxx-xxxx-----------'), 10));
  const never = (count: number) => Array.from({ length: count }, (): Whole => ({ first, days: went('xxxxx-xxxx-----------') }));
  const { pastFrom } = SERIES_LIMITS;
  expect(willFinish(group, never(pastFrom - 1))).toEqual(willFinish(group, []));
  expect(willFinish(group, never(pastFrom)).expected).toBeLessThan(willFinish(group, []).expected * 0.6);
});
