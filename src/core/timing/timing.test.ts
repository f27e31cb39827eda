import fc from 'fast-check';
import { derive, endsAside, exhalationsBySide, figuresOf, otherWay, segmentsOf, tempoFromCycle, tempoFromTaps, timeBlock } from '.';
import { mustParseDose, mustParsePattern } from '../pattern';
import { anyDose, anyPattern } from '../pattern/arbitrary';
import { millis } from '../units';

const pace = (seconds = 1) => ({ tempo: millis(seconds * 1000), naturalBreath: millis(4000) });
const total = (pattern: string, dose: string, seconds = 1) => timeBlock(mustParsePattern(pattern), mustParseDose(dose), pace(seconds));
const facts = (pattern: string, seconds = 1) => derive(mustParsePattern(pattern), pace(seconds))!;

test('4:7:8', () => {
  expect(facts('4:7:8').cycle.high).toBe(19_000);
  expect(facts('4:7:8').breathsPerMinute?.slow).toBeCloseTo(3.16, 2);
  expect(facts('4:7:8').holdShare).toBeCloseTo(0.368, 3);
  expect(total('4:7:8', '4 rounds').total.high).toBe(76_000);
  expect(facts('4:7:8', 1.2).cycle.high).toBe(22_800);
});

test('square breath for five minutes leaves twelve seconds', () => {
  expect(total('4:4:4:4', '5 min')).toMatchObject({ rounds: 18, total: { high: 288_000 }, leftOver: 12_000 });
});

test('6:6 at 1.1 s for eleven minutes is exactly fifty rounds', () => {
  expect(total('6:6', '11 min', 1.1)).toMatchObject({ rounds: 50, leftOver: 0 });
});

test('alternate nostril in two-breath rounds', () => {
  const pattern = mustParsePattern('in 4 left, out 6 right, alternating');
  const timing = timeBlock(pattern, mustParseDose('9 rounds of 2'), pace());
  expect(timing).toMatchObject({ round: { high: 20_000 }, total: { high: 180_000 } });
  expect(facts('4:6 alternating').breathsPerMinute?.slow).toBe(6);
  expect(exhalationsBySide(pattern, mustParseDose('9 rounds of 2'), pace())).toEqual({ left: 9, right: 9, last: 'left' });
});

test.each([
  ['4:4 alternating', '2 x 6 rounds, rest 3 breaths after each set', 120],
  ['4:4 alternating', '2 x 6 rounds of 2, rest 3 breaths after each set', 216],
  ['each set in 4, out 4; 4:4 alternating', '2 x 6 rounds, rest 3 breaths after each set', 136],
  ['connected 3 s, long 6 s', '4 rounds', 72],
  ['connected 3 s, long 6 s', '4 rounds, rest 2 s between rounds', 78],
  ['27 pumps at 60', '3 rounds, rest 30 s', 141],
  ['54 pumps at 60', '3 rounds, rest 30 s', 222],
  ['108 pumps at 60', '3 rounds, rest 30 s', 384],
  ['in 5 throat, out 5 throat, empty 4, recover 1', '4 rounds of 3', 216],
  ['2 x in 25 s gap 5 s free, 2 x hold 25 s gap 5 s free, 2 x out 25 s gap 5 s free, 2 x empty 25 s gap 5 s free', '1 round', 240],
])('%s, %s takes %i s', (pattern, dose, seconds) => {
  expect(total(pattern, dose).total.high).toBe(seconds * 1000);
});

test.each([
  ['4:5', 6.67],
  ['5:6', 5.45],
  ['6:7', 4.62],
  ['in 5 throat, out 5 throat, empty 4, recover 1', 4.29],
])('pace of %s is %f', (pattern, expected) => {
  expect(facts(pattern).breathsPerMinute?.slow).toBeCloseTo(expected, 2);
});

test('two holds and their changeover are one hold unless the breath is free between', () => {
  expect(facts('in 25 s, 2 x hold 25 s gap 5 s, out 25 s').holdIn.high).toBe(55_000);
  expect(facts('in 25 s, 2 x hold 25 s gap 5 s free, out 25 s').holdIn.high).toBe(25_000);
});

test('the long end of a range must fit the minutes, and not one round fitting is said', () => {
  expect(total('in 4, hold 2-10 s, out 6', '1 min')).toMatchObject({ rounds: 3, total: { low: 36_000, high: 60_000 } });
  expect(total('in 30, out 60', '1 min')).toMatchObject({ fits: false, rounds: 0 });
});

test('figures carry their working', () => {
  const [cycle, all, breaths, held] = figuresOf(mustParsePattern('4:7:8'), mustParseDose('4 rounds'), pace());
  expect(cycle).toMatchObject({ value: '19 s', working: '19 counts × 1 s' });
  expect(all.working).toBe('4 × 19 s = 76 s');
  expect(breaths.working).toBe('60 × 1 ÷ 19 s');
  expect(held).toMatchObject({ value: '37 %', working: '7 s of 19 s, longest 7 s' });
});

test('written out, a block has no hole and lasts as long as it was timed', () => {
  fc.assert(
    fc.property(anyPattern, anyDose, fc.integer({ min: 500, max: 1500 }), (pattern, dose, tempo) => {
      const at = { tempo: millis(tempo), naturalBreath: millis(4000) };
      const timing = timeBlock(pattern, dose, at);
      const segments = segmentsOf(pattern, dose, at);
      expect(segments.filter((segment, index) => segment.start !== (index === 0 ? 0 : segments[index - 1].end))).toEqual([]);
      expect(segments.at(-1)?.end ?? 0).toBe(timing.total.high);
      if (timing.fits && dose.kind === 'minutes') expect(timing.total.high).toBeLessThanOrEqual(timing.planned);
    }),
    { numRuns: 200 },
  );
});

test('stages follow one another, count their own rounds, and are judged by the strongest', () => {
  const layers = 'natural for 30 s > 4:4 for 3 rounds > 4:4:4 for 3 rounds > 4:4:4:4 for 1 min';
  expect(total(layers, '1 round').total.high).toBe((30 + 24 + 36 + 60) * 1000);
  expect(facts(layers)).toMatchObject({ holdShare: 0.5, breathsPerMinute: { slow: 3.75, quick: 7.5 } });
  const segments = segmentsOf(mustParsePattern(layers), mustParseDose('1 round'), pace());
  expect(segments.filter(({ stage }) => stage === 4).at(-1)).toMatchObject({ kind: null, part: 'natural', end: 150_000, start: 138_000 });
  expect(segments.filter(({ stage, kind }) => stage === 3 && kind === 'hold').map(({ round, of }) => [round, of])).toEqual([
    [1, 3],
    [2, 3],
    [3, 3],
  ]);
  expect(['4:5', '5:6', '6:7'].map((part) => facts(part).breathsPerMinute!.slow.toFixed(2))).toEqual(['6.67', '5.45', '4.62']);
  expect(facts('4:5 for 4 rounds > 5:6 for 4 rounds > 6:7 for 4 rounds').breathsPerMinute?.slow).toBeCloseTo(4.62, 2);
});

test('a grid is written out as rounds of three cycles', () => {
  const grid = mustParsePattern('in 5 open/narrowed, out 5 open/narrowed, empty 4, recover 1');
  const segments = segmentsOf(grid, mustParseDose('4 rounds of 3'), pace());
  const round = (n: number) =>
    segments.filter(({ round: at, cycle, kind }) => at === n && cycle === 1 && kind).map(({ kind, manner }) => `${kind} ${manner}`);
  expect([1, 2, 3, 4].map(round)).toEqual([
    ['in null', 'out null', 'empty null'],
    ['in narrowed', 'out null', 'empty null'],
    ['in null', 'out narrowed', 'empty null'],
    ['in narrowed', 'out narrowed', 'empty null'],
  ]);
  expect(segments.at(-1)?.end).toBe(216_000);
});

test('options are timed by the first, and side work says when it would not end where it began', () => {
  expect(total('4:4 | natural', '5 rounds').total.high).toBe(40_000);
  const ends = (dose: string) => endsAside(mustParsePattern('4:4 alternating'), mustParseDose(dose), pace());
  expect([ends('3 rounds'), ends('4 rounds'), ends('3 rounds of 2')]).toEqual(['right', null, null]);
  // Both in, alternate out ends on the other side than it began.
  const both = (dose: string) => endsAside(mustParsePattern('in 4, out 4 left, alternating'), mustParseDose(dose), pace());
  expect([both('3 rounds'), both('4 rounds'), both('9 rounds of 2')]).toEqual(['left', null, null]);
});

test.each([
  ['4:4 for 30 s > 20:40 for 60 s', true],
  ['4:4 for 30 s > 20:41 for 60 s', false],
  ['4:4 for 30 s > natural for 10 s', true],
])('a stage by the clock fits when a round of it does: %s', (pattern, fits) => {
  const [read, dose] = [mustParsePattern(pattern), mustParseDose('2 rounds')];
  expect(timeBlock(read, dose, pace()).fits).toBe(fits);
  // It takes its time all the same.
  expect(segmentsOf(read, dose, pace()).at(-1)!.end).toBe(timeBlock(read, dose, pace()).planned);
});

test('the tempo is measured from taps or from a real cycle', () => {
  expect(tempoFromTaps([0, 1100, 2200, 3300])).toBe(1100);
  expect(tempoFromTaps([5000, 6080, 7230, 8300])).toBe(1105);
  expect([tempoFromTaps([0, 1000]), tempoFromTaps([0, 100, 200, 300])]).toEqual([null, null]);
  const measured = (pattern: string, seconds: number) => tempoFromCycle(mustParsePattern(pattern), seconds, millis(4000));
  expect(measured('4:7:8', 22.8)).toBe(1200);
  expect(measured('in 4, hold 3 s, out 6', 14)).toBe(1100);
  expect([measured('natural', 10), measured('connected 3 s, long 6 s', 18), measured('4:7:8', 2)]).toEqual([null, null, null]);
});

test('minutes become the rounds that fit, rounds their minutes', () => {
  const way = (pattern: string, dose: string) => otherWay(mustParsePattern(pattern), mustParseDose(dose), pace());
  expect(way('4:4:4:4', '5 min')).toBe('18 rounds');
  expect(way('4:6 alternating', '9 rounds of 2')).toBe('3 min in rounds of 2');
  expect([way('natural', '5 min'), way('in 30, out 60', '1 min')]).toEqual([null, null]);
});

/** What a working comes to: "2 × (6 × 8) + 30" as a number; units and words beside it are dropped. */
function worth(working: string): number {
  const sum = working
    .replace(/recovery|at the longest|around them|counts|s\b/g, '')
    .replace(/×/g, '*')
    .replace(/÷/g, '/');
  if (!/^[\d.+*/() ]+$/.test(sum)) throw new Error(`No sum: ${working}`);
  return Number(new Function(`return ${sum}`)());
}

function outsideBrackets(text: string): string {
  let depth = 0;
  return [...text]
    .filter((sign) => {
      depth += sign === '(' ? 1 : 0;
      const out = depth === 0;
      depth -= sign === ')' ? 1 : 0;
      return out;
    })
    .join('');
}

test('every working of a cycle and of a whole comes to its figure', () => {
  fc.assert(
    fc.property(anyPattern, anyDose, fc.integer({ min: 500, max: 1500 }), (pattern, dose, tempo) => {
      const at = { tempo: millis(tempo), naturalBreath: millis(4000) };
      const timing = timeBlock(pattern, dose, at);
      const [cycle, whole] = figuresOf(pattern, dose, at);
      if (cycle.id !== 'cycle') return;
      const [sum, total] = whole.working.split(',')[0].split(' = ');
      if (timing.rounds > 0)
        expect([worth(sum), worth(total)].map((seconds) => Math.round(seconds * 1000))).toEqual([timing.total.high, timing.total.high]);
      else expect(whole).toMatchObject({ value: 'no round fits' });
      const worked = pattern.kind === 'options' ? pattern.options[0].pattern : pattern;
      // Stages stand with their names in brackets: their lengths alone are summed.
      const lengths = worked.kind === 'stages' ? outsideBrackets(cycle.working) : cycle.working;
      const once = derive(pattern, at)!.cycle.high / 1000;
      // Each phase is rounded to a millisecond.
      expect(Math.abs(worth(lengths) - once)).toBeLessThanOrEqual(0.001 * lengths.split(/[+×]/).length);
    }),
    { numRuns: 300 },
  );
});

test.each([
  ['27 pumps at 60', '3 rounds, rest 30 s', ['27 s: 27 × 60 ÷ 60', '60: as written']],
  ['connected 3 s, long 6 s', '4 rounds', ['18 s: 4 × 3 + 6 s', '16.67: 60 × 5 ÷ 18 s']],
  ['in 25 s gap 5 s, hold 20 s, out 25 s, recover 2', '1 round', ['83 s: (25 + 5) + 20 + 25 + 2 × 4 recovery s', '27 %: 20 s of 75 s, longest 20 s']],
  ['natural', '5 min', ['5 min: everyone’s own breath, nothing counted']],
  ['4:4 alternating', '3 rounds', ['1 and 2: 3 exhales, the last one right; one more cycle would make it even']],
  ['4:4 for 30 s > 20:40 for 60 s', '1 round', ['90 s: 30 (4:4 for 30 s) + 60 (20:40 for 60 s) s']],
  ['4:4 for 30 s > 20:41 for 60 s', '1 round', ['90 s: 30 (4:4 for 30 s) + 60 (20:41 for 60 s, in which no round fits) s']],
  ['in 30, out 60', '1 min', ['no round fits: a round takes 90 s']],
])('the figures of %s, %s', (pattern, dose, expected) => {
  const shown = figuresOf(mustParsePattern(pattern), mustParseDose(dose), pace()).map(({ value, working }) => `${value}: ${working}`);
  expect(shown).toEqual(expect.arrayContaining(expected));
});

test.each([
  ['1 min, rest 30 s after each set', 60, 3],
  ['2 x 1 min, rest 30 s after each set', 120, 3],
  ['2 x 1 min, rest 30 s', 150, 7],
  ['1 min', 60, 7],
  ['3 rounds, rest 30 s after each set', 54, 3],
])('the rest after a set lies inside its minutes, and one between sets beside them: %s', (dose, seconds, rounds) => {
  const timed = timeBlock(mustParsePattern('4:4'), mustParseDose(dose), { tempo: millis(1000), naturalBreath: millis(4000) });
  expect([timed.planned / 1000, timed.rounds, timed.total.high <= timed.planned]).toEqual([seconds, rounds, true]);
});
