import fc from 'fast-check';
import { asGoal, bestReview, counting, howMany, readiness, readinessOf, type ForecastCourse } from '.';
import type { Edge } from '../ladder';
import { addDays, isoDate } from '../units';

const first = isoDate('2027-01-04');
const course = (classes: readonly string[], edges: readonly Edge[]): ForecastCourse => ({
  classes: classes.map((techniques, index) => ({ date: addDays(first, index * 7), techniques: techniques.split(' ').filter(Boolean) })),
  edges,
  already: new Set(),
});
const edge = (to: string, needs: string, sessions: number): Edge => ({ to, needs, sessions, days: 0 });

test('four needed, each held at 80 %', () => {
  const edges = [edge('v', 'a', 4)];
  expect(readiness(course(['a', 'a', 'a', 'a', 'v'], edges), 'v', 4, 0.8)).toBeCloseTo(256 / 625, 12);
  expect(readiness(course(['a', 'a', 'a', 'a', 'a', 'v'], edges), 'v', 5, 0.8)).toBeCloseTo(2304 / 3125, 12);
});

test('needs that share classes move together', () => {
  const chain = course(['a', 'a', 'a b', 'a b', 'b', 'c'], [edge('b', 'a', 2), edge('c', 'b', 2)]);
  expect(readiness(chain, 'c', 5, 0.75)).toBeCloseTo(81 / 128, 12);
  // To have come to enough of b's classes is not to have practised it.
  const came = course(['', '', 'b', 'b', 'b', 'c'], [edge('c', 'b', 2)]);
  expect(readiness(came, 'c', 5, 0.75)).toBeCloseTo(0.84375, 12);
});

test('one review: of one thing changes nothing, of another a good deal', () => {
  const edges = [edge('b', 'a', 1), edge('v', 'a', 3), edge('v', 'b', 2)];
  const base = ['a', 'a', 'a b', 'a b', '', 'v'];
  expect(readiness(course(base, edges), 'v', 5, 0.8)).toBeCloseTo(384 / 625, 12);
  expect(readiness(course(['a', 'a', 'a b', 'a b', 'a', 'v'], edges), 'v', 5, 0.8)).toBeCloseTo(384 / 625, 12);
  expect(readiness(course(['a', 'a', 'a b', 'a b', 'b', 'v'], edges), 'v', 5, 0.8)).toBeCloseTo(2432 / 3125, 12);
  expect(bestReview(course(base, edges), 'v', 5, [0.8], () => true)).toMatchObject({ at: 4, technique: 'b' });
  expect(bestReview(course(base, edges), 'v', 5, [1], () => true)).toBeNull();
});

test('days are the cohort’s, and what is practised already is met', () => {
  const waits = course(['a', 'a', 'v'], [{ to: 'v', needs: 'a', sessions: 1, days: 15 }]);
  expect([readiness(waits, 'v', 2, 1), readiness(course(['a', 'a', '', 'v'], [{ to: 'v', needs: 'a', sessions: 1, days: 15 }]), 'v', 3, 1)]).toEqual([
    0, 1,
  ]);
  expect(readiness({ ...course(['v'], [edge('v', 'a', 4)]), already: new Set(['a']) }, 'v', 0, 0.1)).toBe(1);
});

test('the same as going through every way of coming', () => {
  const edges = [edge('b', 'a', 1), edge('c', 'a', 2), edge('v', 'b', 1), edge('v', 'c', 1)];
  const someClass = fc.subarray(['a', 'b', 'c']).map((ids) => ids.join(' '));
  fc.assert(
    fc.property(fc.array(someClass, { minLength: 1, maxLength: 6 }), fc.double({ min: 0.1, max: 0.9, noNaN: true }), (classes, p) => {
      const all = course([...classes, 'v'], edges);
      let sum = 0;
      for (let ways = 0; ways < 1 << classes.length; ways += 1) {
        const had: Record<string, number> = { a: 0, b: 0, c: 0 };
        let chance = 1;
        classes.forEach((techniques, at) => {
          const came = (ways & (1 << at)) !== 0;
          chance *= came ? p : 1 - p;
          const before = { ...had };
          for (const id of came ? techniques.split(' ').filter(Boolean) : [])
            if (edges.filter(({ to }) => to === id).every(({ needs, sessions }) => before[needs] >= sessions)) had[id] += 1;
        });
        if (had.b >= 1 && had.c >= 1) sum += chance;
      }
      // Nobody has begun what stood in no class.
      const begun = ['b', 'c'].every((id) => classes.some((techniques) => techniques.split(' ').includes(id)));
      expect(readiness(all, 'v', classes.length, p)).toBeCloseTo(begun ? sum : 0, 10);
    }),
    { numRuns: 150 },
  );
});

test('how many of a group, with the range of four cases in five', () => {
  expect(howMany([1, 1, 0])).toEqual({ expected: 2, low: 2, high: 2 });
  const ten = howMany(Array.from({ length: 10 }, () => 0.5));
  expect(ten).toEqual({ expected: 5, low: 3, high: 7 });
  expect(howMany([])).toEqual({ expected: 0, low: 0, high: 0 });
});

test('who is known to have come or not, by class, counts as that', () => {
  const all = course(['a', 'a', 'a', 'v'], [edge('v', 'a', 2)]);
  expect(readinessOf(all, 'v', 3, [0.5, [1, 0, 0.5, 1], [1, 1, 0.5, 0], [0, 0, 1, 1]])).toEqual([0.5, 0.5, 1, 0]);
});

test('a goal counts where it stands as it is asked for, for whoever was ready for its technique', () => {
  const all = course(['a', 'a', 'v', 'v', 'v'], [edge('v', 'a', 2)]);
  const ready = (asked: readonly number[], practise: number) => {
    const { course: of, goal } = asGoal(all, { technique: 'v', practise, meets: (at) => asked.includes(at) });
    return readiness(of, goal, 5, 0.5);
  };
  // Both of the first two, and of the last two at least one, or both.
  expect([ready([3, 4], 1), ready([3, 4], 2), ready([2, 3, 4], 1), ready([], 1)]).toEqual([0.1875, 0.0625, 0.21875, 0]);
});

test('asked again and again it comes out the same as asked once', () => {
  const edges = [edge('b', 'a', 2), edge('c', 'a', 1), edge('v', 'b', 1), edge('v', 'c', 2)];
  const someClass = fc.subarray(['a', 'b', 'c', 'v']).map((ids) => ids.join(' '));
  const someRate = fc.constantFrom(0, 0.3, 0.8, 1);
  const ids = ['a', 'b', 'c', 'v'];
  const needs = (id: string) => edges.filter(({ to }) => to === id).map((one) => [ids.indexOf(one.needs), one.sessions] as const);
  const most = { a: 2, b: 1, c: 2, v: 0 };
  fc.assert(
    fc.property(
      fc.array(fc.array(someClass, { minLength: 7, maxLength: 7 }), { minLength: 1, maxLength: 4 }),
      fc.array(fc.array(someRate, { minLength: 7, maxLength: 7 }), { minLength: 1, maxLength: 3 }),
      fc.integer({ min: 1, max: 3 }),
      fc.nat(7),
      fc.boolean(),
      (courses, people, practise, from, same) => {
        const counted = [...ids.map((id) => ({ needs: needs(id), most: most[id as keyof typeof most] })), { needs: needs('v'), most: practise }];
        const asked = counting(
          counted,
          people.map((comes, at) => ({ people: at + 1, comes })),
          from,
        );
        for (const [index, classes] of courses.entries()) {
          // What is past is the same in all of them; where it is not, it is still right.
          const all = course(same ? [...courses[0].slice(0, from), ...classes.slice(from)] : classes, edges);
          const { course: of, goal } = asGoal(all, { technique: 'v', practise, meets: () => true });
          const once = readinessOf(of, goal, 7, people).reduce((sum, chance, at) => sum + chance * (at + 1), 0);
          const marks = Float64Array.from(all.classes, ({ techniques }) =>
            techniques.reduce((sum, id) => sum + 2 ** ids.indexOf(id) + (id === 'v' ? 2 ** ids.length : 0), 0),
          );
          expect(asked.expected(marks)).toBeCloseTo(once, 10);
          // Some are gone on from, as the search does.
          if (index % 2 === 0) asked.goOn(marks);
          expect(asked.expected(marks)).toBeCloseTo(once, 10);
        }
      },
    ),
    { numRuns: 200 },
  );
  expect(() =>
    counting(
      Array.from({ length: 53 }, () => ({ needs: [], most: 1 })),
      [],
    ),
  ).toThrow(RangeError);
  expect(
    counting(
      Array.from({ length: 52 }, () => ({ needs: [], most: 0 })),
      [{ people: 1, comes: [1] }],
    ).expected(Float64Array.of(0)),
  ).toBe(1);
});
