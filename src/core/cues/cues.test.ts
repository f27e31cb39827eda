import fc from 'fast-check';
import { AT_THE_START, DEFAULT_SHEET, layOut, LOUDNESS, momentAt, phaseText, positionAt, secondAt, step, wordingProblem, type Loudness } from '.';
import { DEFAULT_SCHOOLS, type Schools } from '../conventions';
import { formatDose, formatPattern } from '../pattern';
import { anyDose, anyPattern } from '../pattern/arbitrary';
import { sessionTime, type Block } from '../plan';
import { millis } from '../units';
import { SHIPPED_LIBRARY } from '../library';

const { techniques: TECHNIQUES } = SHIPPED_LIBRARY;

const basis = { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) };
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
const line = layOut(blocks, basis);

test('a class has no hole and lasts as long as its blocks', () => {
  const choice = fc.uniqueArray(fc.constantFrom(...TECHNIQUES), { minLength: 1, maxLength: 6 });
  fc.assert(
    fc.property(choice, (techniques) => {
      const made = techniques.map(({ id, pattern, dose }) => block(id, pattern, dose, id));
      const laid = layOut(made, basis);
      expect(laid.total).toBe(sessionTime(made, basis));
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

const said = (block: number, sheet = line) =>
  sheet.cues.filter((cue) => cue.block === block).map(({ at, say }) => `${(at - sheet.blocks[block].start) / 1000} ${say}`);

test('the sheet calls sides with their counts, the change to own count, the last round and the end', () => {
  expect(said(1).slice(0, 10)).toEqual(['0 In, left', '1 2', '2 3', '3 4', '4 Out, right', '5 5', '6 4', '7 3', '8 2', '9 1']);
  expect(said(1)).toEqual(expect.arrayContaining(['10 In, right', '14 Out, left', '60 On your own count now', '160 Last round']));
  expect(said(1).filter((text) => text.includes('Last round'))).toHaveLength(1);
  // The square begins at once, so there is no room for an end before it; behind it there is.
  expect(said(1).filter((text) => text.includes('Let it go'))).toEqual([]);
  expect(said(2)).toContain('48 Let it go, breathe as you like');
  expect(line.cues.filter(({ kind }) => kind === 'stop sign')).toHaveLength(1);
  expect(said(0).at(-1)).toBe('55.6 Right hand: thumb closes right, ring finger left');
});

test('stages, grids, lines in a phase and guided rounds are said where they belong', () => {
  const path = 'in 25 s say (hand, forearm at 4 s, crown), out 10 s';
  const stages = 'natural for 20 s > 4:4 for 4 rounds guided 1 > 4:4:4 for 2 rounds';
  const sheet = layOut(
    [block('path', path, '1 round'), block('stages', stages, '1 round'), block('last', '4:4', '5 rounds, guided 1 and last')],
    basis,
  );
  expect(said(0, sheet)).toEqual(expect.arrayContaining(['0 In', '0.4 hand', '4 forearm', '16.667 crown', '25 Out']));
  expect(said(1, sheet)).toEqual(
    expect.arrayContaining([
      '20 Now counted. In',
      '28 On your own count now',
      '44 Once more like this',
      '52 Now with a hold. In',
      '56 Hold, 4',
      '60 Out, 4',
    ]),
  );
  expect(said(2, sheet).filter((text) => / In\b/.test(text))).toEqual(['0 In, 1', '32 Last round. In']);
});

test('quieter sheets say less, and a studio says it in its own words', () => {
  const at = (loudness: Loudness, wording = {}) => layOut(blocks, basis, { ...DEFAULT_SHEET, loudness, wording });
  expect(said(1, at('spare')).slice(0, 2)).toEqual(['0 In, left, 4', '4 Out, right, 6']);
  expect(
    at('silent')
      .cues.map(({ kind }) => kind)
      .filter((kind) => !['round', 'rest', 'end'].includes(kind)),
  ).toEqual([]);
  expect(said(1, at('full', { 'alternate/out': 'Release {side}' }))[4]).toBe('4 Release right');
  expect(['Out {side}', 'Out {nostril}', '', 'Out {'].map((text) => wordingProblem(text) === null)).toEqual([true, false, false, false]);
});

test('what cannot be said in its time is named, with the spare line', () => {
  const at = (pattern: string, tempo: number) => layOut([{ ...block('quick', pattern, '4 rounds'), tempo } as Block], basis);
  const sided = at('in 4 left, out 6 right, alternating', 500);
  expect(sided.crowded).toContainEqual({ block: 0, wanted: 'In, left, with its counts', spare: 'In, left, 4' });
  expect(said(0, sided).slice(0, 2)).toEqual(['0 In, left, 4', '2 Out, right, 6']);
  const throat = at('in 4 throat, out 4 throat', 500);
  expect(throat.crowded).toContainEqual({ block: 0, wanted: 'In, throat', spare: 'In' });
  expect(said(0, throat).slice(0, 2)).toEqual(['0 In', '0.5 2']);
});

test('no two cues overlap, whatever the pattern, tempo and speed of speech', () => {
  const choices = fc.record({
    pattern: anyPattern,
    dose: anyDose,
    tempo: fc.integer({ min: 400, max: 2000 }),
    wordsPerSecond: fc.integer({ min: 1, max: 4 }),
    loudness: fc.constantFrom(...LOUDNESS),
  });
  fc.assert(
    fc.property(choices, ({ pattern, dose, tempo, ...options }) => {
      const made = { ...block('any', formatPattern(pattern), formatDose(dose)), tempo } as Block;
      const { cues, segments } = layOut([blocks[0], made, blocks[3]], basis, { ...DEFAULT_SHEET, ...options });
      expect(cues.filter(({ at }, index) => index > 0 && at < cues[index - 1].until - 1)).toEqual([]);
      // Every call names the phase and the side that its segment has. Some patterns have a hundred thousand of them.
      const beginning = new Map<number, (typeof segments)[number]>();
      for (const segment of segments)
        if (segment.kind && !beginning.has(Math.round(segment.start))) beginning.set(Math.round(segment.start), segment);
      const wrong = cues.filter(({ at, say, kind }) => {
        if (kind !== 'call') return false;
        const segment = beginning.get(at);
        if (!segment?.kind) return true;
        const named = say.toLowerCase().replace('long one, ', '').startsWith(phaseText(segment).toLowerCase().split(',')[0]);
        return !named || (segment.side !== 'both' && !say.includes(segment.side));
      });
      expect(wrong).toEqual([]);
    }),
    { numRuns: 30 },
  );
});

test('a rehearsal runs four times as fast, from where it stands, and back', () => {
  const playing = step(AT_THE_START, 'play', 1000, line);
  const faster = step(playing, 'faster', 11_000, line);
  expect([positionAt(faster, 11_000, line), positionAt(faster, 21_000, line)]).toEqual([10_000, 50_000]);
  const paused = step(faster, 'pause', 21_000, line);
  expect(positionAt(step(paused, 'play', 30_000, line), 31_000, line)).toBe(54_000);
  expect(positionAt(step(faster, 'faster', 21_000, line), 22_000, line)).toBe(51_000);
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

test('a round is repeated from its own beginning, in its own stage and pass', () => {
  const stages = layOut([block('s', '4:4 for 3 rounds > 4:4:4 for 2 rounds', '2 rounds')], basis);
  const again = (seconds: number) => positionAt(step({ ...AT_THE_START, position: millis(seconds * 1000) }, 'again', 0, stages), 0, stages) / 1000;
  // A pass is 3 × 8 + 2 × 12 = 48 s: its second stage begins at 24, the second pass at 48.
  expect([0, 7.9, 8, 23.9, 25, 35.9, 36, 49, 73, 90].map(again)).toEqual([0, 0, 8, 16, 24, 24, 36, 48, 72, 84]);
  const second = (seconds: number) => secondAt(stages, seconds * 1000, [{ cycles: 1, inhale: 5, exhale: 7, free: 0 }]);
  expect([second(24), second(37), second(72.5)]).toEqual([
    { phase: 'in', count: 1, of: 5 },
    { phase: 'in', count: 2, of: 5 },
    { phase: 'in', count: 1, of: 5 },
  ]);
  fc.assert(
    fc.property(anyPattern, anyDose, fc.double({ min: 0, max: 0.999, noNaN: true }), (pattern, dose, share) => {
      const laid = layOut([block('any', formatPattern(pattern), formatDose(dose))], basis);
      const position = millis(Math.floor(laid.total * share));
      const began = positionAt(step({ ...AT_THE_START, position }, 'again', 0, laid), 0, laid);
      const [here, there, before] = [position, began, began - 1].map((at) => laid.segments.findLast(({ start }) => start <= at));
      expect(began).toBeLessThanOrEqual(position);
      const label = (one: typeof here) => [one?.block, one?.set, one?.stage, one?.round];
      expect(label(there)).toEqual(here?.round === 0 ? [0, laid.segments[0].set, laid.segments[0].stage, laid.segments[0].round] : label(here));
      if (before && here?.round !== 0) expect(label(before)).not.toEqual(label(there));
    }),
    { numRuns: 100 },
  );
});

test('moves between blocks stay inside the class', () => {
  const from = (position: number, move: 'next block' | 'previous block') =>
    positionAt(step({ ...AT_THE_START, position: millis(position) }, move, 0, line), 0, line);
  const [first, second] = line.blocks;
  expect(from(1000, 'next block')).toBe(second.start);
  expect(from(line.total - 1, 'next block')).toBe(line.total);
  expect(from(line.total, 'next block')).toBe(line.total);
  expect(from(second.start + 5000, 'previous block')).toBe(second.start);
  expect(from(second.start + 2000, 'previous block')).toBe(first.start);
  expect(from(500, 'previous block')).toBe(0);
  expect(step({ ...AT_THE_START, position: line.total }, 'play', 0, line).playing).toBe(false);
});

test('a second pattern runs in step and ends each cycle with the room', () => {
  const square = line.blocks[2].start;
  const at = (seconds: number) => secondAt(line, square + seconds * 1000, [{ cycles: 2, inhale: 4, exhale: 4, free: 0 }]);
  expect([at(0), at(4), at(8), at(15.9), at(16)]).toEqual([
    { phase: 'in', count: 1, of: 4 },
    { phase: 'out', count: 4, of: 4 },
    { phase: 'in', count: 1, of: 4 },
    { phase: 'out', count: 1, of: 4 },
    { phase: 'in', count: 1, of: 4 },
  ]);
  expect(secondAt(line, square + 15_500, [{ cycles: 1, inhale: 5, exhale: 7, free: 4 }])).toEqual({ phase: 'free' });
  expect(secondAt(line, 1000, [{ cycles: 1, inhale: 5, exhale: 7, free: 0 }])).toBeNull();
});

test('a studio’s schools are heard: the hand, how full, and which way counts go', () => {
  const studio = (ways: Partial<Schools>) => ({ ...DEFAULT_SHEET, schools: { studio: { ...DEFAULT_SCHOOLS, ...ways }, own: {} } });
  const opening = (ways: Partial<Schools>) => layOut(blocks, basis, studio(ways)).blocks[1].own[0].say;
  expect(opening({})).toBe('Right hand: thumb closes right, ring finger left');
  expect(opening({ hand: 'left', 'hand position': 'open-hand' })).toBe('Left hand, open hand: thumb closes left, ring finger right');
  const own = (sheet = DEFAULT_SHEET) => layOut(blocks, basis, sheet).blocks[2].own.map(({ say }) => say);
  expect(own()).toContain('Nine tenths full before the hold');
  expect(own(studio({ fullness: 'full' }))).not.toContain('Nine tenths full before the hold');
  const counts = (ways: Partial<Schools>) => said(1, layOut(blocks, basis, studio(ways))).slice(1, 8);
  expect(counts({ counting: 'down' })).toEqual(['1 3', '2 2', '3 1', '4 Out, right', '5 5', '6 4', '7 3']);
  expect(counts({ counting: 'up' })).toEqual(['1 2', '2 3', '3 4', '4 Out, right', '5 2', '6 3', '7 4']);
  const shown = (counting: Schools['counting']) => momentAt(layOut(blocks, basis, studio({ counting })), 60_000 + 4500)!.count;
  expect([shown(DEFAULT_SCHOOLS.counting), shown('up')]).toEqual([6, 1]);
  expect(counts({ counting: 'up-with-holds' })[3]).toBe('4 Out, right');
  const squared = layOut(blocks, basis, studio({ counting: 'up-with-holds' }));
  expect(said(2, squared).slice(4, 8)).toEqual(['4 Hold, 1', '5 2', '6 3', '7 4']);
  const alone = { ...DEFAULT_SHEET, schools: { studio: DEFAULT_SCHOOLS, own: { 'alternate-4-6': { counting: 'down' as const } } } };
  expect(said(1, layOut(blocks, basis, alone))[1]).toBe('1 3');
  expect(opening({ 'hand position': 'index-finger' })).toBe('Right hand, the index finger alone: it closes right, then crosses to left');
  expect(opening({ 'hand position': 'index-finger', hand: 'left' })).toMatch(/^Left hand, .* closes left, then crosses to right$/);
});

test('the stop signs are said once, in the first thing that is practised, also where it is the only one', () => {
  const one = block('one', '4:4', '3 min', 'equal-4-4');
  for (const some of [[one], [one, { ...one, id: 'two' }]]) {
    const alone = layOut(some, basis);
    expect(alone.cues.filter(({ kind }) => kind === 'stop sign').map(({ block }) => block)).toEqual([0]);
  }
});
