import fc from 'fast-check';
import { betaBinomial, chanceToFinish, neededDays, priorFrom, SERIES_LIMITS, thoughtOf, willFinish, type SoFar } from '.';
import { addDays, isoDate } from '../units';

const first = isoDate('2027-01-04');
const usual = SERIES_LIMITS.prior;
/** The same in every run, and thrown enough. */
function thrower(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}
/** The second of five uniform draws has a Beta(2,4)… the fourth of four a Beta(4,1) one. */
const beta41 = (next: () => number) => Math.max(next(), next(), next(), next());

test('80 % of the days, on both sides', () => {
  expect([7, 14, 21, 30, 40].map((days) => neededDays(days))).toEqual([6, 12, 17, 24, 32]);
  expect(neededDays(10, 0.8)).toBe(8);
});

test('the chances of every number of days add up to one, with the right mean', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 40 }),
      fc.double({ min: 0.1, max: 30, noNaN: true }),
      fc.double({ min: 0.1, max: 30, noNaN: true }),
      (ahead, did, missed) => {
        const chances = betaBinomial(ahead, { did, missed });
        expect(chances).toHaveLength(ahead + 1);
        expect(chances.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
        expect(chances.reduce((sum, one, days) => sum + one * days, 0)).toBeCloseTo((ahead * did) / (did + missed), 6);
      },
    ),
  );
  expect(betaBinomial(1, { did: 4, missed: 1 })).toEqual([expect.closeTo(0.2), expect.closeTo(0.8)]);
});

test('a day a week back counts half', () => {
  const of: SoFar = {
    past: [
      { date: first, did: false },
      { date: addDays(first, 7), did: true },
    ],
    ahead: 3,
    needed: 4,
  };
  expect(thoughtOf(of, addDays(first, 7), usual)).toEqual({ did: 5, missed: 1.5 });
});

test('whoever has enough days has finished; whoever cannot reach them will not', () => {
  const past = (did: number, of: number) => Array.from({ length: of }, (_, day) => ({ date: addDays(first, day), did: day < did }));
  expect(chanceToFinish({ past: past(17, 18), ahead: 3, needed: 17 }, addDays(first, 18))).toBe(1);
  expect(chanceToFinish({ past: past(13, 18), ahead: 3, needed: 17 }, addDays(first, 18))).toBe(0);
  const possible = chanceToFinish({ past: past(14, 18), ahead: 3, needed: 17 }, addDays(first, 18));
  expect(possible).toBeGreaterThan(0);
  expect(possible).toBeLessThan(1);
  expect(
    willFinish(
      [
        { past: past(17, 18), ahead: 3, needed: 17 },
        { past: past(13, 18), ahead: 3, needed: 17 },
      ],
      addDays(first, 18),
    ),
  ).toEqual({ expected: 1, low: 1, high: 1 });
});

test('whoever joined late finishes by the days that are theirs', () => {
  const past = Array.from({ length: 5 }, (_, day) => ({ date: addDays(first, 10 + day), did: true }));
  const late = { past, ahead: 6, needed: neededDays(11) };
  expect(neededDays(11)).toBe(9);
  expect(chanceToFinish(late, addDays(first, 15))).toBeGreaterThan(0.7);
  expect(chanceToFinish({ ...late, needed: neededDays(21) }, addDays(first, 15))).toBe(0);
});

test('as simulation says', () => {
  const next = thrower(7);
  const past = Array.from({ length: 6 }, (_, day) => ({ date: addDays(first, day), did: day % 3 !== 0 }));
  const of: SoFar = { past, ahead: 8, needed: 11 };
  const today = addDays(first, 6);
  const { did, missed } = thoughtOf(of, today, usual);
  // A Beta draw by two Gammas, each by sums and a fraction (Jöhnk).
  const gamma = (shape: number): number => {
    let sum = 0;
    for (let whole = 0; whole < Math.floor(shape); whole += 1) sum -= Math.log(1 - next());
    const rest = shape - Math.floor(shape);
    if (rest < 1e-9) return sum;
    for (;;) {
      const [x, y] = [next() ** (1 / rest), next() ** (1 / (1 - rest))];
      if (x + y <= 1) return sum - (Math.log(1 - next()) * x) / (x + y);
    }
  };
  const runs = 15_000;
  let finished = 0;
  for (let run = 0; run < runs; run += 1) {
    const [a, b] = [gamma(did), gamma(missed)];
    const rate = a / (a + b);
    let days = past.filter((one) => one.did).length;
    for (let day = 0; day < of.ahead; day += 1) if (next() < rate) days += 1;
    if (days >= of.needed) finished += 1;
  }
  expect(finished / runs).toBeCloseTo(chanceToFinish(of, today), 1.8);
});

test.each([
  [12, 7],
  [26, 10],
  [60, 14],
])('the range holds in four cases of five: %i people after %i days of 21', (people, over) => {
  const next = thrower(people * 100 + over);
  const today = addDays(first, over);
  const runs = 250;
  let [inside, outside] = [0, 0];
  for (let run = 0; run < runs; run += 1) {
    const group = Array.from({ length: people }, () => {
      let rate = beta41(next);
      // Habits change a little from week to week.
      const days = Array.from({ length: 21 }, (_, day) => {
        if (day % 7 === 0 && day > 0) rate = 0.6 * rate + 0.4 * beta41(next);
        return next() < rate;
      });
      return { past: days.slice(0, over).map((did, day) => ({ date: addDays(first, day), did })), ahead: 21 - over, needed: 17, all: days };
    });
    const really = group.filter(({ all }) => all.filter(Boolean).length >= 17).length;
    const { low, high } = willFinish(group, today);
    if (really >= low && really <= high) inside += 1;
    else outside += 1;
  }
  expect(inside + outside).toBe(runs);
  expect(inside / runs).toBeGreaterThan(0.75);
  expect(inside / runs).toBeLessThan(0.85);
});

test('a studio with a past of its own goes by it, on both sides of enough people', () => {
  const shares = (count: number) => Array.from({ length: count }, (_, at) => (at % 2 === 0 ? 0.5 : 0.7));
  expect(priorFrom(shares(19))).toEqual(usual);
  const { did, missed } = priorFrom(shares(20));
  expect(did / (did + missed)).toBeCloseTo(0.6);
  expect(did + missed).toBeGreaterThan(10);
  expect(priorFrom(Array.from({ length: 30 }, () => 1)).missed).toBeGreaterThan(0);
});
