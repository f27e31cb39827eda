import { driftOf, driftText, type CheckIn } from '.';
import { type IsoDate } from '../units';
import { dates, say } from './example';

describe('drifting off', () => {
  const past = (count: number): IsoDate[] => dates(count);
  const span = (from: number, until: number) => Array.from({ length: until - from + 1 }, (_, at) => say(from + at));
  test.each<[string, CheckIn[], number, string | null]>([
    ['nothing for two days', [say(1), say(2)], 4, null],
    ['nothing for three', [say(1), say(2)], 5, 'nothing for 3 days'],
    ['strained once', [say(1), say(2), say(3, { felt: 'strained' })], 3, null],
    ['strained twice', [say(1), say(2, { felt: 'strained' }), say(3, { felt: 'strained' })], 3, 'strained twice'],
    ['easier twice', [say(1, { easier: true }), say(2, { easier: true }), say(3)], 3, null],
    ['easier three times', [1, 2, 3].map((day) => say(day, { easier: true })), 3, 'took the easier version 3 times'],
    ['never said anything', [], 3, 'nothing for 3 days'],
    ['back today', [say(1), say(5)], 4, null],
    ['not today either', [say(1), say(5, { did: 'not today' })], 4, 'nothing for 3 days'],
    ['strained long ago and lately', [say(2, { felt: 'strained' }), ...span(3, 15), say(16, { felt: 'strained' })], 16, null],
    ['strained twice in fourteen days', [say(3, { felt: 'strained' }), ...span(4, 15), say(16, { felt: 'strained' })], 16, 'strained twice'],
    ['strained today as well', [say(1), say(2, { felt: 'strained' }), say(3, { felt: 'strained' })], 2, 'strained twice'],
    [
      '"not today" is no practice',
      [say(1), say(2, { did: 'not today' }), say(3, { did: 'not today' }), say(4, { did: 'not today' })],
      4,
      'nothing for 3 days',
    ],
  ])('%s', (_, checkIns, days, text) => {
    const drift = driftOf(past(days), checkIns);
    expect(drift && driftText(drift)).toBe(text);
  });
});
