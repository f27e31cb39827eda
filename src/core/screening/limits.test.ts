import { featuresOf, keepInStep, nearFeature, type Comfort } from '.';
import { mustParseDose, mustParsePattern, roomPattern } from '../pattern';
import { millis } from '../units';

/** Both sides of the numbers of staying in step and of what is near; they stand here a second time, so that changing one is seen. */

const inStep = (pattern: string, comfort: Comfort = { inhale: null, exhale: null }, tempo = 1000) =>
  keepInStep(mustParsePattern(pattern), tempo, () => true, comfort).map(([breath]) => breath);
const has = (found: ReturnType<typeof inStep>, inhale: number, exhale: number) => found.some((one) => one.inhale === inhale && one.exhale === exhale);
const wide = { inhale: 99, exhale: 99 };

test('an inhale of two counts and no less, of thirty and no more', () => {
  const inhales = (pattern: string, tempo: number) => inStep(pattern, wide, tempo).map(({ inhale }) => inhale);
  expect(Math.min(...inhales('4:4:4:4', 1000))).toBe(2);
  expect(Math.max(...inhales('in 30, hold 4, out 30', 1000))).toBe(30);
  expect(Math.max(...inStep('in 30, hold 15, out 30', wide).map(({ exhale }) => exhale))).toBe(30);
  expect(Math.max(...inStep('in 30, hold 20, out 30', { inhale: 31, exhale: 31 }).map(({ inhale, exhale }) => Math.max(inhale, exhale)))).toBe(30);
});

test('at most fifteen breaths a minute', () => {
  expect([has(inStep('4:4:4:4', wide), 2, 2), has(inStep('4:4:4:4', wide, 999), 2, 2)]).toEqual([true, false]);
});

test('an exhale shorter than twice the inhale', () => {
  const found = inStep('in 4, hold 16, out 4', wide);
  expect([has(found, 4, 7), has(found, 4, 8)]).toEqual([true, false]);
});

test('free counts are a quarter of the cycle at the most', () => {
  const found = inStep('4:4:4:4', wide);
  expect(found.filter(({ free }) => free === 4).length).toBeGreaterThan(0);
  expect(Math.max(...found.map(({ free }) => free))).toBe(4);
});

test('where no comfort is known, the group’s inhale and one more in, and three more out', () => {
  const found = inStep('6:6:6');
  expect([Math.max(...found.map(({ inhale }) => inhale)), Math.max(...found.map(({ exhale }) => exhale))]).toEqual([7, 9]);
});

test('near is where counts fifteen in a hundred slower would cross the limit', () => {
  const pace = { tempo: millis(1000), naturalBreath: millis(4000) };
  const held = (seconds: number) => featuresOf(roomPattern(mustParsePattern(`in 4, hold ${seconds} s, out 4`)), mustParseDose('5 rounds'), pace);
  const over = { is: 'hold in', overSeconds: 10 } as const;
  expect([8.5, 8.69, 8.7, 10, 10.1].map((seconds) => nearFeature(held(seconds), over))).toEqual([false, false, true, true, false]);
});
