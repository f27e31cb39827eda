import fc from 'fast-check';
import { climbSteps, growthFindings, nextPattern, nextVolume, restFindings, rungFindings, GROWTH_LIMITS, GUARDS, type Guards, rungAsked } from '.';
import { SHIPPED_LIBRARY } from '../library';
import { millis } from '../units';

/** No growing path trips a guard, and each planted breach is found. */

const pace = { tempo: millis(1000), naturalBreath: millis(4000) };
const done = (pattern: string, dose = '4 min') => ({ pattern, dose, pace });
const guards = (from: string, to: string, days = 7, doses: readonly [string, string] = ['4 min', '4 min']) =>
  growthFindings(done(from, doses[0]), done(to, doses[1]), days).map(({ guard }) => guard);

test.each<[string, string, string, string[]]>([
  ['a count at a time', '4:5', '5:6', []],
  ['two counts at once', '4:5', '4:7', ['count jump']],
  ['counts behind a new layer', '4:4', '4:2:6', ['count jump']],
  ['counts behind two new layers', '4:4', '4:2:6:2', ['count jump']],
  ['a layer as long as the inhale', '4:4', '4:4:4', []],
  ['a layer longer than the inhale', '4:4', '4:5:4', ['layer too long']],
  ['an empty layer longer than the inhale', '4:4:4', '4:4:4:5', ['layer too long']],
  ['a quarter more in seconds', 'in 8 s, out 8 s', 'in 10 s, out 10 s', []],
  ['more than a quarter in seconds', 'in 8 s, out 8 s', 'in 8 s, out 10.5 s', ['length jump']],
  ['a hold of a second more', 'in 4, hold 2 s, out 4', 'in 4, hold 3 s, out 4', []],
  ['a hold of two seconds more', 'in 4, hold 2 s, out 4', 'in 4, hold 4 s, out 4', ['length jump']],
  ['counts become seconds', '4:4', 'in 4 s, out 6 s', ['length jump']],
  ['along the steps of pumps', '27 pumps at 60', '54 pumps at 60', []],
  ['over a step of pumps', '27 pumps at 60', '108 pumps at 60', ['pumps jump']],
  ['a stage that jumps', '4:4 for 3 rounds > 4:4:4 for 3 rounds', '4:4 for 3 rounds > 6:6:6 for 3 rounds', ['count jump']],
])('%s', (_, from, to, found) => {
  expect(guards(from, to)).toEqual(found);
});

test('time that grows while counts grow, on both sides of the limit', () => {
  expect(guards('4:5', '5:6', 7, ['10 min', '12 min'])).toEqual([]);
  expect(guards('4:5', '5:6', 7, ['10 min', '12.25 min'])).toEqual(['minutes jump']);
  expect(guards('4:4', '5:5', 7, ['40 rounds', '40 rounds'])).toEqual(['minutes jump']);
  expect(guards('4:4', '4:4', 13, ['10 min', '14 min'])).toEqual(['minutes jump']);
  expect(guards('4:4', '4:4', 14, ['10 min', '14 min'])).toEqual([]);
});

test('a closing hold and a rest, on both sides of their limits', () => {
  const closing = (seconds: number) => rungFindings(done(`in 4, out 5 hiss; last in 4, hold ${seconds} s, out 4`), 1).map(({ guard }) => guard);
  expect([closing(4), closing(4.5)]).toEqual([[], ['closing hold']]);
  expect([restFindings(15, 30), restFindings(15, 30.5).map(({ guard }) => guard)]).toEqual([[], ['rest jump']]);
});

test('no growing path of counts, layers, volume or pumps trips a guard', () => {
  const count = fc.integer({ min: 2, max: 9 });
  fc.assert(
    fc.property(
      fc.array(count, { minLength: 4, maxLength: 4 }),
      fc.array(count, { minLength: 4, maxLength: 4 }),
      fc.integer({ min: 2, max: 4 }),
      (from, to, layers) => {
        let at = from.slice(0, layers).join(':');
        for (;;) {
          const next = nextPattern(at, to.slice(0, layers).join(':'));
          if (!next) break;
          expect(guards(at, next, 3)).toEqual([]);
          at = next;
        }
        // Layers, each at most the inhale long.
        const [inhale, exhale] = to;
        const steps = [`${inhale}:${exhale}`, `${inhale}:${inhale}:${exhale}`, `${inhale}:${inhale}:${exhale}:${inhale}`];
        steps.slice(1).forEach((step, index) => expect(guards(steps[index], step, 3)).toEqual([]));
      },
    ),
  );
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 20 }), fc.integer({ min: 1, max: 40 }), fc.constantFrom('4:4', '4:7:8', '6:6:6:6'), (from, to, pattern) => {
      for (const unit of ['min', 'rounds']) {
        let dose = `${from} ${from === 1 && unit === 'rounds' ? 'round' : unit}`;
        for (let week = 0; week < 60; week += 1) {
          const next = nextVolume(pattern, dose, `${to} ${unit}`, pace);
          if (!next) break;
          expect(guards(pattern, pattern, 7, [dose, next])).toEqual([]);
          dose = next;
        }
      }
    }),
  );
  const { pumpSteps } = GROWTH_LIMITS;
  pumpSteps.slice(1).forEach((pumps, index) => expect(guards(`${pumpSteps[index]} pumps at 60`, `${pumps} pumps at 60`)).toEqual([]));
});

test('a studio’s own guards are the ones that are asked', () => {
  const set = (over: Partial<Guards>): Guards => ({ ...GUARDS, ...over });
  const grows = (to: string, own: Guards) => growthFindings(done('4:6', '5 min'), done('4:6', to), 7, own).map(({ guard }) => guard);
  expect([grows('6 min', GUARDS), grows('6 min', set({ weekMinutes: 0.5, weekShare: 0.1 }))]).toEqual([[], ['minutes jump']]);
  expect([grows('7 min', GUARDS), grows('7 min', set({ weekMinutes: 2 }))]).toEqual([['minutes jump'], []]);
  expect([restFindings(5, 20), restFindings(5, 20, set({ restMinutes: 10 })).map(({ guard }) => guard)]).toEqual([[], ['rest jump']]);
  const held = (seconds: number, own: Guards) => rungFindings(done(`in 4 s, hold ${seconds} s, out 4 s`, '3 min'), 3, own).map(({ guard }) => guard);
  expect([held(6, set({ holdSeconds: [0, 0, 6, 30] })), held(7, set({ holdSeconds: [0, 0, 6, 30] }))[0]]).toEqual([[], 'hold too long']);
  const classes = (guards: Guards) => climbSteps({ pattern: '4:5', dose: '4 min' }, { pattern: '5:6', dose: '4 min' }, pace, {}, guards)[1].classes;
  expect([classes(GUARDS), classes(set({ classesOnAStep: 4 }))]).toEqual([2, 4]);
  const lighter = (guards: Guards) =>
    climbSteps({ pattern: '4:6', dose: '4 min' }, { pattern: '4:6', dose: '9 min' }, pace, {}, guards).findIndex((step) => step.lighter);
  expect([lighter(GUARDS), lighter(set({ growingSteps: 2 }))]).toEqual([4, 3]);
});

test.each([
  ['4:5', 1],
  ['4:6', 2],
  ['5:6', 2],
  ['4:4:4', 3],
  ['10:10:10', 3],
  ['11:11:11', 4],
  ['in 4, hold 11, out 16', 4],
  ['6:6:6:6', 3],
  ['8:8:8:8', 4],
  ['natural', 1],
  ['27 pumps at 60', 3],
  ['28 pumps at 60', 4],
  ['connected 3 s, long 6 s', 4],
  ['4:4 | 108 pumps at 60', 4],
  ['4:4 for 3 rounds > 6:6:6:6 for 2 rounds', 3],
])('what %s asks for is rung %i, whatever it is called', (pattern, rung) => {
  expect(rungAsked(pattern)).toBe(rung);
});

test('no shipped technique stands on a lower rung than its breath asks for', () => {
  const below = SHIPPED_LIBRARY.techniques.filter(({ pattern, rung }) => rungAsked(pattern) > rung);
  expect(below.map(({ id, pattern, rung }) => `${id} ${pattern}: ${rung}, asks ${rungAsked(pattern)}`)).toEqual([]);
});
