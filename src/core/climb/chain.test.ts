import fc from 'fast-check';
import { arrives, climbSteps, growthFindings, GUARDS, isLighterThan, levelAfter, lighterDose, type ClimbStep, type Guards } from '.';
import { formatDose, formatPattern, mustParseDose, mustParsePattern } from '../pattern';
import { timeBlock } from '../timing';
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

const whole = (min: number, max: number) => fc.integer({ min, max });
/** Ways of breathing that may grow into each other, or not: counts, layers, seconds, pumps with holds before their rounds, stages. */
const anyBreath = fc.oneof(
  fc.array(whole(2, 9), { minLength: 2, maxLength: 4 }).map((counts) => counts.join(':')),
  fc.tuple(whole(2, 6), whole(1, 20), whole(2, 8)).map(([a, b, c]) => `in ${a}, hold ${b} s, out ${c}`),
  fc.tuple(whole(4, 12), whole(4, 20)).map(([a, b]) => `in ${a} s, out ${b} s`),
  fc.tuple(fc.constantFrom(27, 40, 54, 81, 108), whole(2, 15)).map(([pumps, hold]) => `each round in 4, hold ${hold} s, out 4; ${pumps} pumps at 60`),
  fc.constantFrom(27, 54, 81, 108).map((pumps) => `${pumps} pumps at 60`),
  fc.tuple(whole(3, 6), whole(3, 8)).map(([a, b]) => `${a}:${a} for 3 rounds > ${b}:${b}:${b} for 3 rounds`),
);
const anyDose = fc.oneof(
  whole(1, 40).map((minutes) => `${minutes / 2} min`),
  whole(1, 20).map((rounds) => (rounds === 1 ? '1 round' : `${rounds} rounds`)),
);
const anyGuards: fc.Arbitrary<Guards> = fc
  .record({ weekMinutes: fc.constantFrom(0.5, 1, 2), weekShare: fc.constantFrom(0.1, 0.2, 0.5), growingSteps: whole(1, 4) })
  .map((own) => ({ ...GUARDS, ...own }));

test('whatever it goes from and to, every step is inside the guards, measured as the checks do, and it ends where none is', () => {
  let [ended, whole_] = [0, 0];
  fc.assert(
    fc.property(anyBreath, anyDose, anyBreath, anyDose, anyGuards, fc.constantFrom(1000, 1100, 1250), (from, least, to, most, guards, tempo) => {
      const at = { tempo: millis(tempo), naturalBreath: millis(4000) };
      const plain = (pattern: string, dose: string) => ({ pattern: formatPattern(mustParsePattern(pattern)), dose: formatDose(mustParseDose(dose)) });
      const [first, goal] = [plain(from, least), plain(to, most)];
      const steps = climbSteps(first, goal, at, {}, guards);
      let level: ClimbStep | undefined;
      steps.forEach((step, index) => {
        const trips = level ? growthFindings({ ...level, pace: at }, { ...step, pace: at }, 1, guards) : [];
        expect([step.pattern, step.dose, trips]).toEqual([step.pattern, step.dose, []]);
        // One lighter class at a time, and something that grows from the level before comes after it.
        if (step.lighter) expect([isLighterThan(step, steps[index - 1]), steps[index + 1]?.lighter]).toEqual([true, false]);
        level = levelAfter(level, step);
      });
      const last = steps[steps.length - 1];
      const directly = growthFindings({ ...last, pace: at }, { ...goal, pace: at }, 7, guards);
      if (arrives(steps, goal)) whole_ += 1;
      else ended += 1;
      expect([
        last,
        arrives(steps, goal) || directly.length > 0 || !timeBlock(mustParsePattern(goal.pattern), mustParseDose(goal.dose), at).fits,
      ]).toEqual([last, true]);
    }),
    { numRuns: 5000 },
  );
  expect(Math.min(ended, whole_)).toBeGreaterThan(300);
});

test.each([
  ['a layer a step, then a count a step', '4:4', '6:6:6:6', ['4:4', '4:4:4', '4:4:4:4', '5:5:5:5', '6:6:6:6']],
  ['pumps along their steps', '27 pumps at 60', '108 pumps at 60', ['27 pumps at 60', '54 pumps at 60', '108 pumps at 60']],
])('%s', (_, from, to, patterns) => {
  const steps = climb(from, to, ['1 round', '1 round']);
  expect(steps.map(({ pattern }) => pattern)).toEqual(patterns);
});

test('it goes on past forty steps, from rounds to minutes by steps, and ends where a round more is too much', () => {
  const long = climb('4:4', '4:4', ['1 min', '25 min'], { stepMinutes: 0.25 });
  expect(long.filter(({ lighter }) => !lighter).length).toBe(97);
  expect(ways(climb('4:4', '4:4', ['24 rounds', '6 min']))).toEqual(['4:4 24 rounds', '4:4 4 min', '4:4 5 min', '4:4 6 min']);
  const pumps = climb('108 pumps at 54', '108 pumps at 54', ['1 round', '9 rounds']);
  expect([pumps.length, arrives(pumps, { pattern: '108 pumps at 54', dose: '9 rounds' })]).toEqual([1, false]);
});
