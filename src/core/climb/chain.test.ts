import fc from 'fast-check';
import { climbSteps, growthFindings, lighterDose, type ClimbStep } from '.';
import { mustParseDose } from '../pattern';
import { millis } from '../units';

const pace = { tempo: millis(1000), naturalBreath: millis(4000) };
const ways = (steps: readonly ClimbStep[]) => steps.map(({ pattern, dose, lighter }) => `${pattern} ${dose}${lighter ? ' lighter' : ''}`);
const climb = (from: string, to: string, dose = ['4 min', '4 min'], slower = {}) =>
  climbSteps({ pattern: from, dose: dose[0] }, { pattern: to, dose: dose[1] }, pace, slower);

test('counts come first, a count a step and two classes on each; then volume, a week a step', () => {
  const steps = climb('4:5', '6:7', ['4 min', '6 min']);
  expect(ways(steps)).toEqual(['4:5 4 min', '5:6 4 min', '6:7 4 min', '6:7 5 min', '6:7 6 min']);
  expect(steps.map(({ isNew, classes, days }) => [isNew, classes, days])).toEqual([
    [true, 0, 0],
    [true, 2, 0],
    [true, 2, 0],
    [false, 1, 7],
    [false, 1, 7],
  ]);
});

test('after three that grew comes a lighter one, and it goes on from where it was', () => {
  expect(ways(climb('4:4', '4:4', ['4 min', '9 min']))).toEqual([
    '4:4 4 min',
    '4:4 5 min',
    '4:4 6 min',
    '4:4 7 min',
    '4:4 5 min lighter',
    '4:4 8 min',
    '4:4 9 min',
  ]);
});

test('slower where it is asked to be: days between steps, minutes a step', () => {
  expect(climb('4:5', '5:6', undefined, { everyDays: 14 }).map(({ days }) => days)).toEqual([0, 14]);
  expect(climb('4:4', '4:4', ['4 min', '5 min'], { everyDays: 3 }).map(({ days }) => days)).toEqual([0, 7]);
  expect(ways(climb('4:4', '4:4', ['4 min', '5 min'], { stepMinutes: 0.5 }))).toEqual(['4:4 4 min', '4:4 4.5 min', '4:4 5 min']);
});

test('another shape is one new thing by itself, in no more time than a week allows', () => {
  expect(ways(climb('4:4', '4:4:4', ['15 rounds', '15 rounds']))[1]).toMatch(/^4:4:4 \d+ rounds$/);
  const [, next] = climb('4:4', '4:4:4', ['20 rounds', '20 rounds']);
  // Twenty rounds of eight seconds are 2 min 40 s; a minute more of twelve-second rounds are eighteen of them.
  expect(next.dose).toBe('18 rounds');
});

test('three quarters is lighter: of minutes in halves, of rounds in whole ones, and never nothing', () => {
  expect(['4 min', '5 min', '0.5 min', '8 rounds', '1 round'].map((dose) => lighterDose({ dose }))).toEqual([
    '3 min',
    '3.5 min',
    '0.5 min',
    '6 rounds',
    '1 round',
  ]);
});

test('whatever it goes from and to: it arrives, and no step on the way trips a guard', () => {
  const counts = fc.integer({ min: 3, max: 8 });
  fc.assert(
    fc.property(counts, counts, counts, counts, fc.integer({ min: 3, max: 8 }), fc.integer({ min: 0, max: 6 }), (a, b, c, d, minutes, more) => {
      const steps = climb(`${a}:${b}`, `${c}:${d}`, [`${minutes} min`, `${minutes + more} min`]);
      const last = steps[steps.length - 1];
      expect([last.pattern, mustParseDose(last.dose)]).toEqual([`${c}:${d}`, mustParseDose(`${minutes + more} min`)]);
      let before = steps[0];
      for (const step of steps.slice(1)) {
        const found = growthFindings({ ...before, pace }, { ...step, pace }, Math.max(7, step.days));
        expect([step.dose, found]).toEqual([step.dose, []]);
        if (!step.lighter) before = step;
      }
    }),
  );
});
