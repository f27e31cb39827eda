import { mustParsePattern } from '../pattern';
import { millis } from '../units';
import { stripOf } from './strip';

const pace = { tempo: millis(1000), naturalBreath: millis(4000) };
const strip = (pattern: string) => stripOf(mustParsePattern(pattern), pace);

test('every count is a rung: an inhale climbs to full, a hold stays, an exhale comes down to one rung above the ground', () => {
  const { pieces, length, sided } = strip('4:2:4');
  expect([length, sided]).toEqual([10_000, false]);
  expect(pieces.map(({ kind, label, rungs }) => [kind, label, rungs.map(({ level }) => level)])).toEqual([
    ['in', '4', [0.25, 0.5, 0.75, 1]],
    ['hold', '2', [1, 1]],
    ['out', '4', [1, 0.75, 0.5, 0.25]],
  ]);
});

test('alternating sides show two cycles, so that the change of sides is seen', () => {
  const { pieces, sided } = strip('in 4 left, out 6 right, alternating');
  expect(sided).toBe(true);
  expect(pieces.map(({ kind, side }) => `${kind} ${side}`)).toEqual(['in left', 'out right', 'in right', 'out left']);
});

test('stages show one round of each, two inhales in a row share the way up, pumps are teeth', () => {
  expect(strip('natural for 30 s > 4:4 for 9 rounds > 4:4:4 for 9 rounds').pieces.map(({ kind }) => kind)).toEqual([
    'gap',
    'in',
    'out',
    'in',
    'hold',
    'out',
  ]);
  const [first, gap, second] = strip('2 x in 2 s gap 1 s, out 4 s').pieces;
  expect([first.rungs.at(-1)?.level, gap.kind, second.rungs.at(-1)?.level]).toEqual([0.5, 'gap', 1]);
  expect(strip('108 pumps at 60').pieces[0].rungs).toHaveLength(40);
});

test('no strip has a hole', () => {
  for (const pattern of [
    '4:7:8',
    'natural',
    'connected 3 s, long 6 s',
    'in 4, hold 3-8 s, out 6, recover 1-3',
    'in 5 open/narrowed, out 5, empty 4',
  ]) {
    const { pieces, length } = strip(pattern);
    expect(pieces.filter(({ from }, index) => from !== (pieces[index - 1]?.to ?? 0))).toEqual([]);
    expect(pieces.at(-1)?.to).toBe(length);
  }
});
