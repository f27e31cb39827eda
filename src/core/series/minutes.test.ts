import fc from 'fast-check';
import { dailyJumps, dailyMinutes, minutesShort, mostReached, SERIES_LIMITS } from '.';
import {} from './example';

describe('the daily dose', () => {
  test('a week grows by two, and 21 days by six', () => {
    expect([7, 14, 21, 30, 40].map((length) => mostReached({ length, from: 1, gentleEvery: 0 }))).toEqual([3, 5, 7, 10, 14]);
    expect([7, 14, 21, 30, 40].map((length) => mostReached({ length, from: 1, gentleEvery: 7 }))).toEqual([3, 5, 7, 9, 12]);
    expect(dailyMinutes({ length: 7, from: 1, to: 3, gentleEvery: 7 })).toEqual([1, 1, 1, 2, 2, 2, 3]);
  });

  test('gentle days have three quarters, and the last day is not one', () => {
    const minutes = dailyMinutes({ length: 14, from: 4, to: 4, gentleEvery: 7 });
    expect([minutes[5], minutes[6], minutes[13]]).toEqual([4, 3, 4]);
  });

  test('what cannot be reached says where it gets to, and each mend works', () => {
    const of = { length: 21, from: 1, to: 10, gentleEvery: 7 };
    expect(minutesShort(of)).toEqual({
      reached: 7,
      mends: [
        { mend: 'arrive', minutes: 7 },
        { mend: 'start', minutes: 4 },
        { mend: 'longer', days: 40 },
      ],
    });
    expect(minutesShort({ ...of, to: 7 })).toBeNull();
    expect(minutesShort({ ...of, from: 4 })).toBeNull();
    expect(minutesShort({ ...of, length: 30 })).not.toBeNull();
    expect(minutesShort({ ...of, length: 40 })).toBeNull();
  });

  test('no plan of minutes trips its own guard, whatever is asked', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SERIES_LIMITS.lengths),
        fc.integer({ min: 1, max: 10 }),
        fc.integer({ min: 0, max: 15 }),
        fc.constantFrom(0, 3, 7),
        (length, from, more, gentleEvery) => {
          const minutes = dailyMinutes({ length, from, to: from + more, gentleEvery });
          expect(dailyJumps(minutes)).toEqual([]);
          expect(minutes[length - 1]).toBe(Math.min(from + more, mostReached({ length, from, gentleEvery })));
        },
      ),
    );
  });

  test('days that stay are as they were, and what follows grows from them, never too soon', () => {
    const of = { length: 14, from: 1, to: 6, gentleEvery: 7 };
    expect(dailyMinutes(of, [1, 1, 1, 3, 3])).toEqual([1, 1, 1, 3, 3, 3, 2, 4, 4, 4, 5, 5, 5, 6]);
    // Asked for less, it has less at once; a day that stays further on stands where it stands.
    expect(dailyMinutes({ ...of, to: 2 }, [1, 1, 1, 3, 3])).toEqual([1, 1, 1, 3, 3, 2, 1.5, 2, 2, 2, 2, 2, 2, 2]);
    expect(dailyMinutes({ ...of, to: 3 }, [1, null, null, null, null, null, null, null, 2.5])[8]).toBe(2.5);
    expect(minutesShort({ ...of, to: 7 }, [1, 1, 1])).toEqual({
      reached: 5,
      mends: [
        { mend: 'arrive', minutes: 5 },
        { mend: 'longer', days: 21 },
      ],
    });
    const asking = fc.record({
      length: fc.constantFrom(14, 21, 30),
      from: fc.integer({ min: 1, max: 6 }),
      more: fc.integer({ min: 0, max: 9 }),
      gentleEvery: fc.constantFrom(0, 3, 7),
    });
    const then = fc.record({ stay: fc.integer({ min: 1, max: 13 }), to: fc.integer({ min: 1, max: 20 }), every: fc.constantFrom(0, 5, 7) });
    fc.assert(
      fc.property(asking, then, ({ length, from, more, gentleEvery }, { stay, to, every }) => {
        const there = dailyMinutes({ length, from, to: from + more, gentleEvery }).slice(0, stay);
        const minutes = dailyMinutes({ length, from, to, gentleEvery: every }, there);
        expect(minutes.slice(0, stay)).toEqual(there);
        expect(dailyJumps(minutes)).toEqual([]);
        expect(minutes.at(-1)).toBe(Math.min(to, mostReached({ length, from, gentleEvery: every }, there)));
        expect(minutesShort({ length, from, to, gentleEvery: every }, there) === null).toBe(minutes.at(-1) === to);
      }),
    );
  });

  test('the guard holds on both sides: day 4 may grow, day 3 may not; a minute may, more may not', () => {
    expect(dailyJumps([1, 1, 1, 2])).toEqual([]);
    expect(dailyJumps([1, 1, 2])).toEqual([{ day: 3, from: 1, to: 2, most: 2, may: 4 }]);
    expect(dailyJumps([1, 1, 1, 2.5])).toEqual([{ day: 4, from: 1, to: 2.5, most: 2, may: 4 }]);
    // After a gentle day it goes on from where it was.
    expect(dailyJumps([4, 4, 4, 3, 4, 4, 5])).toEqual([]);
  });
});
