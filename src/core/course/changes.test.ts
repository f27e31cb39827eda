import { classChanges, newSince, type ClassFacts } from '.';
import { isoDate } from '../units';

const did = (technique: string, pattern = '4:4', dose = '4 min') => ({ technique, name: technique.toUpperCase(), pattern, dose });
const held = (id: string, date: string, techniques: ClassFacts['techniques'] = [did('a')], over: Partial<ClassFacts> = {}): ClassFacts => ({
  id,
  date: isoDate(date),
  start: '18:30',
  minutes: 60,
  techniques,
  ...over,
});
const [first, second] = [held('1', '2026-12-01'), held('2', '2026-12-08', [did('a'), did('b')])];

test('classes that stay as they are say nothing', () => {
  expect(classChanges([first, second], [first, second])).toEqual([]);
});

test('a class moves, begins otherwise, and is another length', () => {
  const moved = { ...first, date: isoDate('2026-12-03'), start: '19:00', minutes: 75 };
  expect(classChanges([first], [moved])).toEqual([
    { session: '1', date: '2026-12-03', lines: ['moves here from Tue 1 Dec', 'at 19:00 instead of 18:30', '75 minutes instead of 60'] },
  ]);
});

test('what a class practises: comes in, leaves, is done otherwise', () => {
  const other = { ...second, techniques: [did('a', '4:6', '5 min'), did('c')] };
  expect(classChanges([second], [other])[0].lines).toEqual(['A: 4:4 → 4:6, 4 min → 5 min', 'C comes in', 'B leaves']);
  expect(classChanges([second], [{ ...second, techniques: [did('a', '4:4', '5 min'), did('b')] }])[0].lines).toEqual(['A: 4 min → 5 min']);
});

test('classes that come in and fall out stand in the order of their days', () => {
  const [more, empty] = [held('3', '2026-12-04', [did('a'), did('b')]), held('4', '2026-11-30', [])];
  expect(classChanges([first, second], [empty, first, more]).map(({ session, lines }) => [session, lines])).toEqual([
    ['4', ['a class more: still empty']],
    ['3', ['a class more: A, B']],
    ['2', ['falls out']],
  ]);
});

test('what a class brings that the one before did not have; what it leaves out is not new', () => {
  expect(newSince(second, { techniques: [did('a', '4:4', '5 min'), did('c')] })).toEqual(['C', 'A: 4 min → 5 min']);
  expect(newSince(second, first)).toEqual([]);
  expect(newSince({ techniques: [] }, second)).toEqual(['A', 'B']);
});
