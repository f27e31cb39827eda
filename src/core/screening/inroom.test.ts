import fc from 'fast-check';
import { advise, ASKED, bearings, inStepText, keepInStep, NOT_SCREENED, type ConditionAnswer, type ScreenedPerson } from '.';
import { formatPattern, mustParseDose, mustParsePattern, roomPattern, waysOf, type Dose, type Pattern } from '../pattern';
import { anyDose, anyPattern } from '../pattern/arbitrary';
import { segmentsOf } from '../timing';
import { isoDate, millis } from '../units';

/** Whoever does something else ends each breath with the room, and breathes no longer than is practised there. */

const today = isoDate('2026-11-25');
const pace = { tempo: millis(1000), naturalBreath: millis(4000) };

const withSome = (conditions: readonly string[]): ScreenedPerson => ({
  ...NOT_SCREENED,
  screenedOn: today,
  birthDate: isoDate('1985-05-05'),
  answers: conditions.map((condition): ConditionAnswer => ({ condition, answer: 'yes', date: null, parts: {} })),
});

/** When each cycle begins as it is played, up to a minute of rounds and stages. */
function cyclesOf(pattern: Pattern, dose: Dose): readonly string[] {
  const begun = new Map<string, number>();
  for (const { set, stage, round, cycle, start } of segmentsOf(pattern, dose, pace)) {
    const place = `${set} ${stage} ${round} ${cycle}`;
    if (!begun.has(place)) begun.set(place, start);
  }
  return [...begun].map(([place, start]) => `${place} at ${start}`);
}

const someCounts = fc.tuple(
  fc.integer({ min: 2, max: 8 }),
  fc.integer({ min: 0, max: 8 }),
  fc.integer({ min: 2, max: 8 }),
  fc.integer({ min: 0, max: 4 }),
);
/** Stages by the clock and by rounds, with holds that somebody may not have. */
const anyStages = fc
  .array(fc.tuple(someCounts, fc.constantFrom('for 2 min', 'for 90 s', 'for 3 rounds')), { minLength: 1, maxLength: 3 })
  .map((stages) =>
    mustParsePattern(
      [
        ...stages.map(([[i, h, o, e], amount]) => `${e > 0 && h > 0 ? `${i}:${h}:${o}:${e}` : h > 0 ? `${i}:${h}:${o}` : `${i}:${o}`} ${amount}`),
        'natural for 1 min',
      ].join(' > '),
    ),
  );

test('an adapted pattern begins each cycle when the room does, inside stages by the clock too', () => {
  fc.assert(
    fc.property(
      fc.oneof(anyStages, anyPattern),
      anyDose.filter((dose) => dose.kind === 'rounds' && dose.rounds <= 4),
      fc.subarray(
        ASKED.map(({ id }) => id),
        { minLength: 1, maxLength: 2 },
      ),
      (pattern, dose, conditions) => {
        const { advice } = advise(bearings(withSome(conditions), today), { pattern, dose, pace, tags: [] });
        if (advice.doing.kind !== 'adapted') return;
        expect(cyclesOf(mustParsePattern(advice.doing.pattern), dose)).toEqual(cyclesOf(roomPattern(pattern), dose));
      },
    ),
    { numRuns: 600 },
  );
  const { doing } = advise(bearings(withSome(['pregnancy']), today), {
    pattern: mustParsePattern('4:4:4 for 2 min > natural for 1 min'),
    dose: mustParseDose('1 round'),
    pace,
    tags: [],
  }).advice;
  expect(doing.kind).not.toBe('adapted');
});

test('nobody in step breathes in longer than the room’s longest inhale and one count, or than they are comfortable with', () => {
  const likes = fc.option(fc.integer({ min: 2, max: 40 }), { nil: null });
  fc.assert(
    fc.property(anyPattern, fc.constantFrom(800, 1000, 1200), likes, likes, (pattern, tempo, inhale, exhale) => {
      const room = roomPattern(pattern);
      if (room.kind !== 'cycle') return;
      const counts = room.phases.map(({ kind, length }) =>
        kind !== 'in' || length.unit === 'ease' ? 0 : length.unit === 'seconds' ? (length.n * 1000) / tempo : length.n,
      );
      for (const step of keepInStep(pattern, tempo, () => true, { inhale, exhale }))
        for (const breath of step) {
          expect(breath.inhale).toBeLessThanOrEqual(Math.max(...counts) + 1 + 1e-9);
          expect(breath.inhale).toBeLessThanOrEqual(inhale ?? Infinity);
          expect(breath.exhale).toBeLessThanOrEqual(exhale ?? Infinity);
        }
    }),
    { numRuns: 500 },
  );
  const best = (line: string, inhale: number | null = null) =>
    inStepText(keepInStep(mustParsePattern(line), 1000, () => true, { inhale, exhale: inhale })[0]);
  expect(best('in 4 gap 2 s, out 4 gap 2 s')).toBe('5:7');
  expect(best('4:4:4', 30)).toBe('5:7');
  expect(best('2 x in 25 s gap 5 s free, 2 x hold 25 s gap 5 s free, 2 x out 25 s gap 5 s free, 2 x empty 25 s gap 5 s free', 30)).toMatch(
    /\(2[0-6]:/,
  );
});

test('what is told is one way alone, which can be read back', () => {
  fc.assert(
    fc.property(anyPattern, (pattern) => {
      const { doing } = advise(bearings(withSome(['hernia']), today), { pattern, dose: mustParseDose('3 rounds'), pace, tags: [] }).advice;
      if (doing.kind !== 'adapted' && doing.kind !== 'option') return;
      expect(waysOf(mustParsePattern(doing.pattern))).toHaveLength(1);
      expect(formatPattern(mustParsePattern(doing.pattern))).toBe(doing.pattern);
    }),
    { numRuns: 200 },
  );
});
