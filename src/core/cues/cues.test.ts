import fc from 'fast-check';
import { AT_THE_START, layOut, momentAt, phaseText, positionAt, secondAt, step } from '.';
import { sessionTime, type Block } from '../plan';
import { TECHNIQUES } from '../techniques';
import { millis } from '../units';

const natural = millis(4000);
const block = (id: string, pattern: string, dose: string, technique = 'alternate-4-6'): Block => ({
  id,
  kind: 'technique',
  technique,
  pattern,
  dose,
  tempo: 1000,
});
const blocks: Block[] = [
  { id: 'arrive', kind: 'arrive', part: 'arrive', minutes: 1 },
  block('alternate', 'in 4 left, out 6 right, alternating', '9 rounds of 2'),
  block('square', '4:4:4:4', '1 min', 'square-4'),
  { id: 'close', kind: 'close', part: 'close', minutes: 1 },
];
const line = layOut(blocks, natural);

test('a class has no hole and lasts as long as its blocks', () => {
  const choice = fc.uniqueArray(fc.constantFrom(...TECHNIQUES), { minLength: 1, maxLength: 6 });
  fc.assert(
    fc.property(choice, (techniques) => {
      const made = techniques.map(({ id, pattern, dose }) => block(id, pattern, dose, id));
      const laid = layOut(made, natural);
      expect(laid.total).toBe(sessionTime(made));
      expect(laid.segments.filter(({ start }, index) => start !== (laid.segments[index - 1]?.end ?? 0))).toEqual([]);
      expect(laid.cues.every(({ at, block: index }) => at >= laid.blocks[index].start && at <= laid.blocks[index].end)).toBe(true);
    }),
    { numRuns: 50 },
  );
});

test('the right side, count and round at every moment', () => {
  const at = (seconds: number) => momentAt(line, 60_000 + seconds * 1000)!;
  expect(at(0)).toMatchObject({ count: 1, round: 1, rounds: 9, segment: { kind: 'in', side: 'left' } });
  expect(at(3.999)).toMatchObject({ count: 4 });
  expect(at(4)).toMatchObject({ count: 6, segment: { kind: 'out', side: 'right' } });
  expect(phaseText(at(10).segment)).toBe('In, right');
  expect(at(14)).toMatchObject({ segment: { kind: 'out', side: 'left' }, next: { kind: 'in', side: 'left' } });
  expect(at(20).round).toBe(2);
  expect(at(179.9)).toMatchObject({ round: 9, count: 1, segment: { kind: 'out', side: 'left' } });
});

test('what a timed block leaves over is natural breath, and the end is an end', () => {
  expect(momentAt(line, 60_000 + 180_000 + 48_500)).toMatchObject({ count: null, segment: { kind: null, part: 'natural' }, block: { id: 'square' } });
  expect(momentAt(line, line.total)).toMatchObject({ over: true, left: 0 });
});

test('the sheet calls sides, rounds, the change to own count and the end once each', () => {
  const sheet = line.cues.filter(({ block: index }) => index === 1).map(({ at, say }) => `${(at - 60_000) / 1000} ${say}`);
  expect(sheet.slice(0, 3)).toEqual(['0 Right hand: thumb closes right, ring finger left', '0 In, left, 4', '4 Out, right, 6']);
  expect(sheet).toEqual(expect.arrayContaining(['20 Round 2', '60 On your own count now', '160 Last round', '180 Let it go, breathe as you like']));
  expect(sheet.filter((said) => said.includes('Last round'))).toHaveLength(1);
});

test('pausing, repeating and skipping follow the clock and nothing else', () => {
  const playing = step(AT_THE_START, 'play', 1000, line);
  expect(positionAt(playing, 91_000, line)).toBe(90_000);
  const paused = step(playing, 'pause', 91_000, line);
  expect(positionAt(paused, 500_000, line)).toBe(90_000);
  const again = step(paused, 'again', 500_000, line);
  expect(again).toMatchObject({ position: 80_000, playing: false });
  const skipped = step(again, 'next block', 500_000, line);
  expect(momentAt(line, skipped.position)?.block.id).toBe('square');
  expect(step(skipped, 'previous block', 500_000, line).position).toBe(60_000);
  expect(positionAt(step(skipped, 'play', 0, line), 1e9, line)).toBe(line.total);
});

test('no drift: many small readings end where one long reading does', () => {
  const start = step(AT_THE_START, 'play', 0, line);
  let state = start;
  for (let clock = 0; clock <= 100_000; clock += 333) state = step(step(state, 'pause', clock, line), 'play', clock, line);
  expect(positionAt(state, 100_233, line)).toBe(positionAt(start, 100_233, line));
});

test('a second pattern runs in step and ends each cycle with the room', () => {
  const square = line.blocks[2].start;
  const at = (seconds: number) => secondAt(line, square + seconds * 1000, { cycles: 2, inhale: 4, exhale: 4, free: 0 });
  expect([at(0), at(4), at(8), at(15.9), at(16)]).toEqual([
    { phase: 'in', count: 1, of: 4 },
    { phase: 'out', count: 4, of: 4 },
    { phase: 'in', count: 1, of: 4 },
    { phase: 'out', count: 1, of: 4 },
    { phase: 'in', count: 1, of: 4 },
  ]);
  expect(secondAt(line, square + 15_500, { cycles: 1, inhale: 5, exhale: 7, free: 4 })).toEqual({ phase: 'free' });
  expect(secondAt(line, 1000, { cycles: 1, inhale: 5, exhale: 7, free: 0 })).toBeNull();
});
