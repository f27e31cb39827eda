import fc from 'fast-check';
import { formatDose, formatPattern, mustParseDose, mustParsePattern, parseDose, parsePattern, problemText, type Pattern } from '.';
import { anyDose, anyPattern } from './arbitrary';
import { timeBlock } from '../timing';
import { millis } from '../units';

const canonical: readonly (readonly [string, string])[] = [
  ['4:7:8', '4:7:8'],
  ['in 4, hold 7, out 8', '4:7:8'],
  ['inhale 4, hold 4, exhale 4, hold empty 4', '4:4:4:4'],
  ['in 4 left, hold 2, out 6 right, alternating', 'in 4 left, hold 2, out 6 right, alternating'],
  ['4:6 alternating', 'in 4 left, out 6 right, alternating'],
  ['in 4, out 4 left, alternating', 'in 4, out 4 left, alternating'],
  ['27 pumps at 60', '27 pumps at 60'],
  ['connected 3 s, long 6 s', 'connected 3 s, long 6 s nose'],
  ['in 5 throat, out 5 throat, empty 4, recover 1, lock chin', 'in 5 throat, out 5 throat, empty 4, recover 1, lock chin'],
  ['in 4 nine tenths, hold 3–8 s, out 6, empty to ease 2-6 s', 'in 4 nine tenths, hold 3-8 s, out 6, empty 2-6 s'],
  ['each set: in 4, out 4; 4:4 alternating', 'each set in 4, out 4; in 4 left, out 4 right, alternating'],
  ['2 × in 25 s gap 5 s free, 2 x out 25 s gap 5 s free', '2 x in 25 s gap 5 s free, 2 x out 25 s gap 5 s free'],
  ['natural breath', 'natural'],
  ['in 4, out 4 released', 'in 4, out 4 released'],
  ['natural for 30 s → 4:4 for 3 rounds guided 3 > 4:4:4 for 3 rounds', 'natural for 30 s > 4:4 for 3 rounds guided 3 > 4:4:4 for 3 rounds'],
  ['4:5 for 1 min > 5:6 for 1 min', '4:5 for 1 min > 5:6 for 1 min'],
  ['in 5 open/narrowed, out 5 open/narrowed, empty 4, recover 1', 'in 5 open/narrowed, out 5 open/narrowed, empty 4, recover 1'],
  ['in 25 s say (hand,  forearm at 3 s, Crown), out 25 s', 'in 25 s say (hand, forearm at 3 s, Crown), out 25 s'],
  [
    '“full” 4:4 alternating | "one side only" in 4 left, out 4 left | natural',
    '"full" in 4 left, out 4 right, alternating | "one side only" in 4 left, out 4 left | natural',
  ],
];

test.each(canonical)('%s reads back as %s', (line, expected) => {
  expect(formatPattern(mustParsePattern(line))).toBe(expected);
});

const mistakes: readonly (readonly [string, number, string])[] = [
  ['', 0, 'a pattern such as'],
  ['in 4, hodl 2, out 6', 6, 'Did you mean “hold”'],
  ['in 0, out 4', 3, 'at least 1'],
  ['in 10000, out 4', 3, 'at most 60'],
  ['4:4:4:4:4', 8, 'at most four counts'],
  ['in 4, hold 2', 12, 'an exhale somewhere'],
  ['4.5:6', 0, 'whole number'],
  ['27 pumps', 8, 'pumps a minute'],
  ['in 4, hold 8-3 s, out 4', 13, 'at least 8'],
  ['in 4, hold 2 left, out 4', 17, 'only on an inhale or an exhale'],
  ['in 4 <b>, out', 5, 'a comma before'],
  ['4:5 for 3 rounds', 16, 'the next stage'],
  ['4:5 for 3 rounds > 5:6 for', 26, 'rounds of the stage'],
  ['in 5 open/open, out 5', 14, 'another manner'],
  ['in 5 say (), out 5', 10, 'something to say'],
  ['"only one" 4:4', 14, 'another option'],
  ['first in 4, out 4; natural', 26, 'nothing before or after'],
];

test.each(mistakes)('%s stumbles at %i', (line, at, words) => {
  const parsed = parsePattern(line);
  expect(parsed.ok).toBe(false);
  if (parsed.ok) return;
  expect(parsed.problems[0].at).toBe(at);
  expect(problemText(parsed.problems[0])).toContain(words);
});

test.each([
  ['9 rounds of 2', '9 rounds of 2'],
  ['2 x 6 rounds, rest 3 breaths after each set', '2 x 6 rounds, rest 3 breaths after each set'],
  ['3 rounds, rest 30 s', '3 rounds, rest 30 s between rounds'],
  ['5 minutes', '5 min'],
  ['1 round', '1 round'],
  ['9 rounds, guided 3 and last', '9 rounds, guided 3 and last'],
  ['3 rounds, rest 30 s, guided 1', '3 rounds, rest 30 s between rounds, guided 1'],
])('dose %s reads back as %s', (line, expected) => {
  expect(formatDose(mustParseDose(line))).toBe(expected);
});

test.each(['', '0 rounds', '5', '5 min, nap 3', '500 rounds', '61 min'])('dose “%s” is refused', (line) => {
  expect(parseDose(line).ok).toBe(false);
});

test('what is written reads back the same', () => {
  fc.assert(
    fc.property(anyPattern, (pattern: Pattern) => expect(mustParsePattern(formatPattern(pattern))).toEqual(pattern)),
    { numRuns: 500 },
  );
  fc.assert(
    fc.property(anyDose, (dose) => expect(mustParseDose(formatDose(dose))).toEqual(dose)),
    { numRuns: 300 },
  );
});

test('ten thousand mangled lines: none throws, none gives a number that is none, and what reads is timed', () => {
  const slips = fc.array(
    fc.record({
      at: fc.nat(200),
      put: fc.constantFrom('', ' ', ':', ',', ';', '>', '|', '0', '9', 'x', 's', '/', '(', ')', '"', 'in ', '1e9', '-', '\u202e', '<i>'),
    }),
    { minLength: 1, maxLength: 4 },
  );
  const pace = { tempo: millis(1000), naturalBreath: millis(4000) };
  fc.assert(
    fc.property(anyPattern, anyDose, slips, (pattern, dose, changes) => {
      const mangled = (line: string) =>
        changes.reduce((text, { at, put }) => text.slice(0, at % (text.length + 1)) + put + text.slice((at % (text.length + 1)) + 1), line);
      const [read, amount] = [parsePattern(mangled(formatPattern(pattern))), parseDose(mangled(formatDose(dose)))];
      if (!read.ok || !amount.ok) return;
      const { total, planned } = timeBlock(read.value, amount.value, pace);
      expect([total.low, total.high, planned].every((time) => Number.isSafeInteger(time) && time >= 0)).toBe(true);
      expect(parsePattern(formatPattern(read.value))).toEqual(read);
    }),
    { numRuns: 10_000 },
  );
});

test('no line throws or hangs, and every problem lies inside it', () => {
  const words = fc.constantFrom(
    'in',
    'out',
    'hold',
    '4',
    '0',
    ':',
    ',',
    ';',
    'x',
    '-',
    's',
    'left',
    'pumps',
    'at',
    'é',
    '<',
    '\u202e',
    'first',
    'rest',
    '1e9',
  );
  const line = fc.oneof(
    fc.string({ maxLength: 60 }),
    fc.array(words, { maxLength: 14 }).map((all) => all.join(' ')),
  );
  fc.assert(
    fc.property(line, (text) => {
      for (const parsed of [parsePattern(text), parseDose(text)]) {
        if (!parsed.ok) for (const problem of parsed.problems) expect(problem.at).toBeLessThanOrEqual(text.length);
      }
    }),
    { numRuns: 2000 },
  );
  expect(parsePattern('4:'.repeat(50_000)).ok).toBe(false);
});

test.each(['5.5', '4,5', ' 5.5 '])('“%s” is no two counts, and it says what to write', (line) => {
  const parsed = parsePattern(line);
  expect(parsed.ok ? formatPattern(parsed.value) : parsed.problems.map(problemText).join(' ')).toMatch(
    /write a colon between two counts, or seconds such as “in \d.5 s.* Did you mean “\d:5”/,
  );
  expect(parsed.ok).toBe(false);
});

test('points part more than two counts, and commas with a space part two', () => {
  const read = (line: string) => formatPattern(mustParsePattern(line));
  expect([read('4.7.8'), read('4, 5'), read('4 5')]).toEqual(['4:7:8', '4:5', '4:5']);
});
