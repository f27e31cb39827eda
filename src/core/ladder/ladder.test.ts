import { findCircle, heightOf, needsOf, sessionsBefore, shortfalls, wayDown, wayUp } from '.';
import { isoDate } from '../units';
import { SHIPPED_LIBRARY } from '../library';

const { edges: LADDER, find: findTechnique, techniques: TECHNIQUES } = SHIPPED_LIBRARY;

test('every edge joins techniques that exist, none twice, and nothing goes in a circle or floats', () => {
  for (const { to, needs } of LADDER) expect([findTechnique(to)?.id, findTechnique(needs)?.id]).toEqual([to, needs]);
  expect(new Set(LADDER.map(({ to, needs }) => `${needs} ${to}`)).size).toBe(LADDER.length);
  expect(findCircle(LADDER)).toBeNull();
  expect(TECHNIQUES.filter(({ id }) => !LADDER.some(({ to, needs }) => to === id || needs === id))).toEqual([]);
});

test('a circle is found and named', () => {
  const circle = findCircle([...LADDER, { to: 'natural', needs: '4-7-8', sessions: 2, days: 4 }]);
  expect(circle).toContain('4-7-8');
});

test('into holds takes four sessions and ten days, otherwise two and four', () => {
  expect(needsOf(LADDER, '4-7-8').map(({ needs, sessions, days }) => [needs, sessions, days])).toEqual([
    ['equal-4-4-4', 4, 10],
    ['longer-4-6', 4, 10],
  ]);
  expect(needsOf(LADDER, 'longer-4-5')).toEqual([{ to: 'longer-4-5', needs: 'longer-3-4', sessions: 2, days: 4 }]);
  expect(needsOf(LADDER, 'pumps-27')).toHaveLength(2);
});

test('the way down ends on the ground, the way up is its mirror', () => {
  expect(wayDown(LADDER, '4-7-8')).toContain('natural');
  expect(wayUp(LADDER, 'equal-4-4-4')).toContain('4-7-8');
  expect(heightOf(LADDER, 'natural')).toBe(0);
  expect(heightOf(LADDER, '4-7-8')).toBeGreaterThan(heightOf(LADDER, 'longer-4-6'));
});

test('what is missing on a date is counted in sessions and days', () => {
  const [one, two, three] = ['2026-11-02', '2026-11-03', '2026-11-06'].map(isoDate);
  const missing = (date: string, dates: ReturnType<typeof isoDate>[], already: string[] = []) =>
    shortfalls(LADDER, 'longer-4-5', isoDate(date), new Map([['longer-3-4', dates]]), new Set(already)).map(({ kind, had, openFrom }) => [
      kind,
      had,
      openFrom,
    ]);
  expect(missing('2026-11-05', [one])).toEqual([['too few sessions', 1, three]]);
  expect(missing('2026-11-05', [one, two])).toEqual([['too soon', 2, three]]);
  expect(missing('2026-11-06', [one, two])).toEqual([]);
  expect(missing('2026-11-06', [], ['longer-3-4'])).toEqual([]);
});

test('the sessions a goal needs before it', () => {
  expect(sessionsBefore(LADDER, 'longer-4-5', new Set(['equal-4-4']))).toBe(2);
  expect(sessionsBefore(LADDER, '4-7-8', new Set())).toBeGreaterThan(10);
});
