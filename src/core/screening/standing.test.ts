import { standingOf } from '.';
import { addDays, isoDate } from '../units';

const today = isoDate('2026-11-24');
const from = isoDate('2026-05-25');

test('nobody screened stands nowhere', () => {
  expect(standingOf(null, today)).toEqual({ state: 'none' });
});

test.each<[string, number, string]>([
  ['the last day still counts', 0, 'ending'],
  ['the day after does not', 1, 'over'],
  ['four weeks before it ends', -28, 'ending'],
  ['a day more', -29, 'good'],
])('%s', (_, days, state) => {
  const { until } = standingOf(from, today) as { until: typeof today };
  expect(standingOf(from, addDays(until, days))).toEqual({ state, until });
});
