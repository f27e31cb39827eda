import fc from 'fast-check';
import { doneIn, withPlayed, type Played } from '.';

const MINUTE = 60_000;
const blocks = [10, 5, 20, 5].map((minutes, index, all) => {
  const start = all.slice(0, index).reduce((sum, one) => sum + one, 0) * MINUTE;
  return { id: `b${index}`, start, end: start + minutes * MINUTE };
});
const whole: Played = [[0, 40 * MINUTE]];

test('a class that ran whole was done whole; one that never ran was not', () => {
  expect(doneIn(blocks, blocks, whole)).toEqual([]);
  expect(doneIn(blocks, blocks, [])).toEqual(blocks.map(({ id }) => ({ block: id, done: 'left out' })));
});

test('ended early: what had begun is in part, what had not is left out', () => {
  expect(doneIn(blocks, blocks, [[0, 25 * MINUTE]])).toEqual([
    { block: 'b2', done: 'part' },
    { block: 'b3', done: 'left out' },
  ]);
});

test.each([
  [0.9, []],
  [0.899, ['part']],
  [0.1, ['part']],
  [0.099, ['left out']],
  [0, ['left out']],
])('%f of a block', (share, done) => {
  const [first] = blocks;
  expect(doneIn([first], [first], [[0, share * first.end]]).map((one) => one.done)).toEqual(done);
});

test('a block that was skipped and come back to is done; one that was shortened is in part', () => {
  expect(
    doneIn(blocks, blocks, [
      [0, 10 * MINUTE],
      [15 * MINUTE, 40 * MINUTE],
    ]),
  ).toEqual([{ block: 'b1', done: 'left out' }]);
  const shorter = blocks.map((one) => (one.id === 'b3' ? { ...one, end: one.start + 2 * MINUTE } : one));
  expect(doneIn(blocks, shorter, whole)).toEqual([{ block: 'b3', done: 'part' }]);
  expect(doneIn(blocks, shorter.slice(0, 3), whole)).toEqual([{ block: 'b3', done: 'left out' }]);
});

test('stretches are what was played, whatever the order of the moves', () => {
  const stretch = fc.tuple(fc.nat(40), fc.nat(40));
  fc.assert(
    fc.property(fc.array(stretch, { maxLength: 12 }), (moves) => {
      const played = moves.reduce<Played>((all, [from, to]) => withPlayed(all, from, to), []);
      for (let index = 1; index < played.length; index += 1) expect(played[index][0]).toBeGreaterThan(played[index - 1][1]);
      for (let at = 0.5; at < 40; at += 1)
        expect(played.some(([from, to]) => from <= at && at <= to)).toBe(moves.some(([from, to]) => from <= at && at <= to));
    }),
  );
});
