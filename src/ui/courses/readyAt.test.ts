import { SHIPPED_LIBRARY } from '@/core/library';
import { addDays, isoDate } from '@/core/units';
import type { CourseView, ReadyLine } from '@/views/course';
import { readyAt } from './readyAt';

const day = isoDate('2026-12-01');
const sessions = Array.from({ length: 6 }, (_, index) => ({
  date: addDays(day, index * 4),
  techniques: [index < 5 ? 'equal-4-4' : 'equal-4-4-4'].map((technique) => ({ technique })),
})) as unknown as CourseView['sessions'];
const view = { sessions, already: ['natural', 'belly', 'deepened'] };
const line = (over: Partial<ReadyLine>) =>
  ({ technique: 'equal-4-4-4', date: sessions[5].date, goal: false, practise: 0, asAsked: [], people: 10, ...over }) as ReadyLine;

test('four classes needed of five held: nobody at none, all at all, and at four in five seven of ten', () => {
  const at = (rate: number) => readyAt(view, SHIPPED_LIBRARY, line({}), rate);
  expect([at(0).expected, at(1)]).toEqual([0, { expected: 10, low: 10, high: 10 }]);
  expect(at(0.8).expected).toBeCloseTo(10 * (2304 / 3125), 9);
});

test('a goal is a thing that needs its technique as often as is asked', () => {
  const at = (practise: number, asAsked = [0, 1, 2, 3, 4]) =>
    readyAt(view, SHIPPED_LIBRARY, line({ technique: 'equal-4-4', goal: true, practise, asAsked }), 0.8).expected;
  expect(at(5)).toBeCloseTo(10 * 0.8 ** 5, 9);
  expect([at(1) > at(2), at(6)]).toEqual([true, 0]);
  // Only where it stands as it is asked for.
  expect(at(2, [3, 4])).toBeCloseTo(10 * 0.8 ** 2, 9);
});
