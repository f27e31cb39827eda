import fc from 'fast-check';
import { DEFAULT_SHEET, layOut, spacedTempo, type ClassLine, type SheetOptions } from '.';
import { mustParsePattern } from '../pattern';
import type { Block } from '../plan';
import { millis } from '../units';
import { SHIPPED_LIBRARY } from '../library';

/** Cues belong to their moment. */

const { techniques: TECHNIQUES, technique } = SHIPPED_LIBRARY;
const basis = { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) };
const block = (id: string, pattern: string, dose: string, more: Partial<Block> = {}): Block =>
  ({ id, kind: 'technique', technique: id, pattern, dose, tempo: 1000, ...more }) as Block;
const part = (id: string, kind: 'arrive' | 'settle' | 'close', minutes = 2): Block => ({ id, kind, part: id, minutes });
const lay = (middle: Block | readonly Block[], options: Partial<SheetOptions> = {}) =>
  layOut([part('arrive', 'arrive'), ...[middle].flat(), part('close', 'close')], basis, { ...DEFAULT_SHEET, ...options });
const said = (line: ClassLine) => line.cues.map(({ say }) => say);
/** What is done while a line is said. */
const during = (line: ClassLine, text: RegExp) =>
  line.cues
    .filter(({ say }) => text.test(say))
    .map(({ at, until }) =>
      line.segments.filter(({ start, end }) => start < until && at < end).map(({ kind, part: of, side }) => ({ kind, of, side })),
    );

test('a technique’s own line is said in the phase it is about, and in no other', () => {
  fc.assert(
    fc.property(fc.constantFrom(...TECHNIQUES), fc.integer({ min: 600, max: 1600 }), fc.integer({ min: 2, max: 5 }), (one, tempo, wordsPerSecond) => {
      const line = lay(block(one.id, one.pattern, one.dose, { tempo } as Partial<Block>), { wordsPerSecond });
      for (const { say, when } of line.blocks[1].own) {
        for (const cue of line.cues.filter((each) => each.say === say && each.block === 1 && each.kind === 'cue')) {
          const here = line.segments.filter(({ start, end }) => start < cue.until && cue.at < end);
          const fits =
            when === 'any' || here.every(({ kind, part: of }) => kind === when || kind === null || (when === 'recover' && of === 'recover'));
          expect([one.id, say, fits]).toEqual([one.id, say, true]);
        }
      }
    }),
    { numRuns: 150 },
  );
});

test('how to begin is said before it begins, whatever else is said', () => {
  const line = lay(block('4-7-8', 'first in 2, out 3 mouth sigh; 4:7:8', '8 rounds'));
  const first = line.blocks[1].start;
  for (const say of ['One sigh first', 'Nine tenths full before the hold'])
    expect(line.cues.find((cue) => cue.say === say)!.until).toBeLessThanOrEqual(first);
  const sided = lay(block('alternate-4-4', 'in 4 left, out 4 right, alternating', '9 rounds of 2'));
  expect(sided.cues.find(({ say }) => say.startsWith('Right hand'))!.until).toBeLessThanOrEqual(sided.blocks[1].start);
  // Where one technique follows another at once there is no silence for it, and the sheet says so.
  const squeezed = lay([block('equal-4-4', '4:4', '4 rounds'), block('alternate-4-4', 'in 4 left, out 4 right, alternating', '9 rounds of 2')]);
  expect(squeezed.crowded.some(({ wanted }) => wanted.startsWith('Right hand'))).toBe(true);
});

test('sides are called in their own phases alone', () => {
  const line = lay(block('right-in', 'in 4 right, hold 8 s, out 4 left', '12 rounds'));
  for (const [text, kind, side] of [
    [/^In, right/, 'in', 'right'],
    [/^Out, left/, 'out', 'left'],
  ] as const)
    for (const here of during(line, text)) expect(here).toEqual([{ kind, of: 'round', side }]);
  for (const here of during(line, /^(Hold softly|Let go of a hold)/)) expect(here.every(({ kind }) => kind === 'hold')).toBe(true);
});

test('stages, the closing breath and the last rounds begin with words; a stage without holds hears nothing of holding', () => {
  const line = lay(
    block('square-layers', 'natural for 30 s > 4:4 for 6 rounds guided 2 and last > 4:4:4 for 6 rounds > natural for 30 s', '1 round'),
  );
  const texts = said(line);
  expect(texts).toEqual(expect.arrayContaining(['Now counted. In', 'Now with a hold. In', 'Natural breath now', 'Once more like this. In']));
  for (const here of during(line, /hold softly|Throat and face/i)) expect(here.every(({ kind }) => kind === 'hold')).toBe(true);
  const hiss = lay(block('hissing', 'in 4, out 5 hiss; last in 4 nine tenths, hold 2, out 4', '2 min'));
  expect(said(hiss).some((text) => text.startsWith('To close. In'))).toBe(true);
});

test('the fifth long breath, the route, the hand that rises and drops, and the choices are said', () => {
  const connected = lay(block('connected', 'connected 3 s, long 6 s mouth', '4 rounds'));
  expect(said(connected)).toEqual(expect.arrayContaining(['In and out through the mouth', 'Long one, in']));
  const grid = lay(block('throat-grid', 'in 5 throat/narrowed throat, out 5 throat, empty 4, recover 1', '4 rounds of 3, guided 4'), {
    wordsPerSecond: 5,
  });
  expect(said(grid)).toEqual(expect.arrayContaining(['In, narrowed throat, hand up', 'Out, throat, hand down, 5']));
  const held = lay(block('throat-grid', 'in 5 narrowed, out 5 narrowed, empty 4, recover 1', '4 rounds of 3, guided 4'), { wordsPerSecond: 5 });
  expect(said(held)).toContain('Empty, stay, hand down, 4');
  const options = lay(block('equal-4-4', '"the full one" 4:4:4 | "watch" natural', '5 min'));
  expect(said(options)).toContain('Two ways. One: the full one. Two: watch. Letting go is always there');
});

test('what goes until it is settled hears no time left', () => {
  const left = (dose: string) => said(lay(block('natural', 'natural', dose))).filter((text) => /^\d minutes left$/.test(text)).length;
  expect([left('6 min') > 0, left('until settled, about 6 min')]).toEqual([true, 0]);
});

test('a chin that is held in is not contradicted', () => {
  const line = lay(block('throat-empty', 'in 5 throat, out 5 throat, empty 4, recover 1, lock chin', '4 rounds of 3'));
  expect(said(line).filter((text) => /chin|shoulder/i.test(text))).toEqual([
    'Chin in, and it stays in',
    'Chin up, slowly. Let it go, breathe as you like',
  ]);
  const free = lay(block('throat-empty', 'in 5 throat, out 5 throat, empty 9, recover 1', '12 rounds of 3'), { wordsPerSecond: 5 });
  expect(said(free)).toContain('Chin in as you stay empty');
});

test('a set is called before its entry breath, a long rest ends with a word, and a short one does not', () => {
  const line = lay(block('equal-4-4', 'each set in 4, out 6; 4:4', '2 x 3 rounds, rest 30 s after each set'));
  expect(said(line).filter((text) => text.startsWith('Set 2'))).toEqual(['Set 2. In']);
  const [entry] = line.segments.filter(({ part: of, set }) => of === 'entry' && set === 2);
  expect(line.cues.find(({ say }) => say.startsWith('Set 2'))!.at).toBe(entry.start);
  const rest = line.segments.find(({ part: of }) => of === 'rest')!;
  expect(line.cues.find(({ say }) => say === 'Ready')!.at).toBe(rest.end - 4000);
  for (const [seconds, ready] of [
    [10, true],
    [9, false],
  ] as const)
    expect(said(lay(block('equal-4-4', '4:4', `3 rounds, rest ${seconds} s`))).includes('Ready')).toBe(ready);
});

test('nobody is told the time in a rest or on their own count; how to come out of a rest is said as it ends', () => {
  const rest: Block = { id: 'r', kind: 'rest', part: 'lying-rest', minutes: 30 };
  const line = lay([block('equal-4-4', '4:4', '6 min'), rest]);
  expect(line.cues.filter(({ kind, block: of }) => kind === 'time' && of > 0)).toEqual([]);
  const last = line.cues.find(({ say }) => say.startsWith('Roll to one side'))!;
  expect(line.blocks[2].end - last.until).toBeLessThanOrEqual(20_000);
  const natural = lay(block('natural', 'natural', '5 min'));
  expect(natural.cues.filter(({ kind, block: of }) => kind === 'time' && of === 1).map(({ say }) => say)).toContain('2 minutes left');
});

test('seat and eyes are said where they change; a line of one’s own always', () => {
  const setup = { ...technique('4-7-8').setup, seat: 'lying', eyes: 'closed' } as const;
  const line = lay(block('4-7-8', '4:7:8', '8 rounds', { setup, lines: ['hand on the belly'] }), { loudness: 'spare' });
  expect(said(line)).toEqual(expect.arrayContaining(['Come to lie down', 'Let the eyes close, if that suits you', 'hand on the belly']));
});

test('a word between counts is said where it fits, and gives the tempo', () => {
  expect([spacedTempo('boathouse', 2.5), spacedTempo('one boat', 2.5), spacedTempo('', 2.5)]).toEqual([800, 1200, 400]);
  const line = lay(block('equal-4-4', '4:4', '2 rounds'), { spacer: 'boathouse' });
  expect(said(line)).toContain('2 boathouse');
  const quick = lay(block('equal-4-4', '4:4', '2 rounds', { tempo: 700 } as Partial<Block>), { spacer: 'boathouse' });
  expect(said(quick).filter((text) => text.includes('boathouse'))).toEqual([]);
});

test('a breath before every round is counted, said and timed', () => {
  const line = lay(block('pumps-27', 'each round in 4, out 4; 27 pumps at 60', '3 rounds, rest 30 s between rounds'));
  expect(line.blocks[1].end - line.blocks[1].start).toBe(3 * (8000 + 27_000) + 60_000);
  expect(line.segments.filter(({ part: of }) => of === 'each round')).toHaveLength(6);
  expect(mustParsePattern('each round in 4, out 4; 27 pumps at 60')).toMatchObject({ kind: 'pumps', everyRound: [{ kind: 'in' }, { kind: 'out' }] });
});
