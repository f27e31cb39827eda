import fc from 'fast-check';
import { addDays, isoDate } from '../units';
import { catchUp } from '.';
import type { Course } from './readiness';

const day = isoDate('2026-12-01');
const course = (...techniques: readonly (readonly string[])[]): Course => ({
  classes: techniques.map((one, index) => ({ date: addDays(day, index * 3), techniques: one })),
  edges: [
    { needs: 'a', to: 'b', sessions: 2, days: 4 },
    { needs: 'b', to: 'c', sessions: 2, days: 4 },
  ],
  already: new Set(),
});
const four = course(['a'], ['a', 'b'], ['a', 'b'], ['b', 'c'], ['b', 'c'], ['c']);
const never = () => false;
const three = () => 3;

test('whoever came to all of it is with the room from the next class on', () => {
  expect(catchUp(course(['a'], ['a'], ['b'], ['b']), new Set([0, 1]), 2, never, three)).toEqual({ steps: [], withRoom: 2 });
});

test('a late joiner makes up at home for what the next class stands on, from the ground up', () => {
  expect(catchUp(four, new Set(), 3, () => true, three)).toEqual({
    steps: [
      {
        at: 3,
        home: [
          { technique: 'a', times: 2 },
          { technique: 'b', times: 1 },
        ],
        instead: ['c'],
      },
    ],
    withRoom: 4,
  });
});

test('what may not be practised at home waits for the classes that practise it', () => {
  const found = catchUp(four, new Set(), 3, (technique) => technique === 'a', three);
  expect(found.steps.map(({ at, instead }) => [at, instead])).toEqual([
    [3, ['c']],
    [4, ['c']],
  ]);
  expect(found.withRoom).toBe(5);
  expect(catchUp(four, new Set(), 3, never, three).withRoom).toBeNull();
});

test('no more is made up for than there are days before a class', () => {
  for (const days of [0, 1, 2, 5]) {
    const [first] = catchUp(
      four,
      new Set(),
      3,
      () => true,
      () => days,
    ).steps;
    expect(first.home.reduce((sum, { times }) => sum + times, 0)).toBe(Math.min(days, 4));
  }
});

test('coming to one class more never keeps anybody from the room longer', () => {
  fc.assert(
    fc.property(fc.subarray([0, 1, 2]), fc.constantFrom(0, 1, 2), (came, more) => {
      const at = (of: readonly number[]) => catchUp(four, new Set(of), 3, never, three).withRoom ?? 99;
      expect(at([...came, more])).toBeLessThanOrEqual(at(came));
    }),
  );
});
