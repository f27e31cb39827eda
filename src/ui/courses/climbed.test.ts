import type { Sentence } from '@/core/climb';
import type { Goal } from '@/core/course';
import { isoDate } from '@/core/units';
import { goalAs } from './climbed';

const rhythm = { classesAWeek: 2 };
const start = isoDate('2026-12-01');
const goal: Goal = { technique: 'longer-4-6', pattern: '4:6', dose: '9 rounds, rest 30 s between rounds', practise: 2 };
const was: Sentence = { kind: 'minutes', from: '5 min', to: '7 min', step: '1 min', every: 'week', over: '' };
const taken = (of: Goal, over: Partial<Sentence>, before: Sentence = was) => {
  const said = { ...before, ...over };
  return goalAs(of, said, said, before, rhythm, start);
};

test('what was not typed asks for nothing', () => {
  const of = { ...goal, dose: '7 min' };
  expect(taken(of, {})).toEqual({ ...of, everyDays: null, stepMinutes: null, by: null });
  expect(taken({ ...of, everyDays: 10, stepMinutes: 2, by: start }, {})).toMatchObject({ everyDays: 10, stepMinutes: 2, by: start });
});

test('where it arrives, how often, by how much and by when become the goal’s', () => {
  const of = { ...goal, dose: '7 min' };
  expect(taken(of, { to: '10', every: '2 weeks', step: '1 min 30 s', over: '4 weeks' })).toMatchObject({
    dose: '10 min',
    everyDays: 14,
    stepMinutes: 1.5,
    by: '2026-12-29',
  });
});

test('rounds keep what stands around them, a pattern becomes its own text', () => {
  expect(taken(goal, { to: '12 rounds' }, { ...was, kind: 'rounds' }).dose).toBe('12 rounds, rest 30 s between rounds');
  expect(taken(goal, { to: 'in 5, out 7' }, { ...was, kind: 'pattern', from: '4:6', to: '4:6' }).pattern).toBe('5:7');
});
