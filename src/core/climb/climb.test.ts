import fc from 'fast-check';
import { growthFindings, isHeld, nextPattern, nextVolume, rungFindings, shorterHold } from '.';
import { millis } from '../units';
import { SHIPPED_LIBRARY } from '../library';

const { techniques: TECHNIQUES } = SHIPPED_LIBRARY;

const pace = { tempo: millis(1000), naturalBreath: millis(4000) };
const done = (pattern: string, dose = '4 min') => ({ pattern, dose, pace });

test.each([
  ['4:5', '6:7', '5:6'],
  ['4:4:4', '6:6:6', '5:5:5'],
  ['in 4 left, out 4 right, alternating', 'in 4 left, out 6 right, alternating', 'in 4 left, out 5 right, alternating'],
  ['6:7', '6:7', null],
  ['4:4', '4:4:4:4', '4:4:4'],
  ['4:4:4', '4:4:4:4', '4:4:4:4'],
  ['4:4', '4:6:4', '4:4:4'],
  ['27 pumps at 60', '108 pumps at 60', '54 pumps at 60'],
  ['27 pumps at 60', '40 pumps at 60', '40 pumps at 60'],
  [
    'each round in 4, hold 4 s, out 4; 27 pumps at 60',
    'each round in 4, hold 12 s, out 4; 27 pumps at 60',
    'each round in 4, hold 5 s, out 4; 27 pumps at 60',
  ],
  ['in 8 s, out 8 s', 'in 8 s, out 15 s', 'in 8 s, out 10 s'],
  ['4:4 for 3 rounds > 4:4:4 for 3 rounds', '4:4 for 3 rounds > 6:6:6 for 3 rounds', '4:4 for 3 rounds > 5:5:5 for 3 rounds'],
  ['4:4', '27 pumps at 60', null],
])('from %s towards %s comes %s', (from, target, next) => {
  expect(nextPattern(from, target)).toBe(next);
});

test('volume grows by a minute or a fifth a week, whichever is larger', () => {
  expect(nextVolume('4:4', '4 min', '11 min', pace)).toBe('5 min');
  expect(nextVolume('4:4', '10 min', '15 min', pace)).toBe('12 min');
  expect(nextVolume('4:4', '10 min', '11 min', pace)).toBe('11 min');
  expect(nextVolume('4:7:8', '4 rounds', '8 rounds', pace)).toBe('7 rounds');
  expect(nextVolume('4:4', '5 min', '5 min', pace)).toBeNull();
});

test('a counts climb ends at its target and never jumps', () => {
  const counts = fc.integer({ min: 2, max: 12 });
  fc.assert(
    fc.property(counts, counts, counts, counts, (a, b, c, d) => {
      let at = `${a}:${b}`;
      for (let step = 0; step < 12; step += 1) {
        const next = nextPattern(at, `${c}:${d}`);
        if (!next) break;
        expect(growthFindings(done(at), done(next), 7).filter(({ guard }) => guard === 'count jump')).toEqual([]);
        at = next;
      }
      expect(at).toBe(`${c}:${d}`);
    }),
  );
});

test('every shipped technique keeps inside its own rung', () => {
  for (const { id, pattern, dose, rung } of TECHNIQUES) expect([id, rungFindings({ pattern, dose, pace }, rung)]).toEqual([id, []]);
  expect(rungFindings(done('in 4, hold 12, out 8'), 3)).toEqual([{ guard: 'hold too long', is: 12, limit: 10 }]);
  expect(rungFindings(done('4:5'), 1)).toMatchObject([]);
  expect(rungFindings(done('9:10'), 2)).toMatchObject([{ guard: 'pace too slow', limit: 3.5 }]);
});

test('what grew too fast is named', () => {
  expect(growthFindings(done('4:4:4'), done('4:6:4'), 7)).toEqual([{ guard: 'count jump', by: 2 }]);
  expect(growthFindings(done('4:4', '4 min'), done('4:4', '7 min'), 7)).toMatchObject([{ guard: 'minutes jump' }]);
  expect(growthFindings(done('4:4', '4 min'), done('4:4', '6 min'), 21)).toEqual([]);
  // Quiet weeks save up one week's growth, and no more.
  expect(growthFindings(done('4:4', '4 min'), done('4:4', '7 min'), 70)).toMatchObject([{ guard: 'minutes jump' }]);
});

test('holds are shortened by a count, down to one, and only where something is held', () => {
  expect(['4:6:4', '4:4:4:4', '4:2:4', '4:1:4', '4:6', 'deepened'].map(shorterHold)).toEqual(['4:5:4', '4:3:4:3', '4:1:4', null, null, null]);
  expect(['4:6:4', '4:6', 'deepened'].map(isHeld)).toEqual([true, false, false]);
});
