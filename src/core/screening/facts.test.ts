import fc from 'fast-check';
import {
  advise,
  bearings,
  decide,
  decideBlock,
  featuresOf,
  keepInStep,
  NOT_SCREENED,
  permits,
  waysSeen,
  type ConditionAnswer,
  type ScreenedPerson,
} from '.';
import {
  mustParseDose,
  mustParsePattern,
  NATURAL_BREATH,
  ONE_ROUND,
  parsePattern,
  formatPattern,
  roomPattern,
  type Phase,
  type WholePattern,
} from '../pattern';
import { anyPattern } from '../pattern/arbitrary';
import { readSession, type Block } from '../plan';
import { SHIPPED_LIBRARY } from '../library';
import { EYES, MOVES, SEATS, tagsOf, USUAL_SETUP } from '../techniques';
import { breathsOf, derive, holdsOf, segmentsOf } from '../timing';
import { addDays, isoDate, millis } from '../units';
import { ASKED } from './conditions';
import { SAID } from './types';

/** Every fact of a block reaches screening, wherever in the block it stands. */

const today = isoDate('2026-11-25');
const pace = { tempo: millis(1000), naturalBreath: millis(4000) };
const dose = mustParseDose('4 rounds');
const room = (line: string) => roomPattern(mustParsePattern(line));
const seen = (line: string, tags: Parameters<typeof featuresOf>[3] = []) => featuresOf(room(line), dose, pace, tags);
const screened = (...answers: ConditionAnswer[]): ScreenedPerson => ({
  ...NOT_SCREENED,
  screenedOn: addDays(today, -30),
  birthDate: isoDate('1990-01-01'),
  answers,
});
const yes = (condition: string, parts: ConditionAnswer['parts'] = {}, date = null as ConditionAnswer['date']): ConditionAnswer => ({
  condition,
  answer: 'yes',
  date,
  parts,
});
const pregnant = (weeks: number) => screened(yes('pregnancy', { 'high-risk': 'no' }, addDays(today, 280 - weeks * 7)));

const anyone = fc
  .uniqueArray(
    fc.record({
      condition: fc.constantFrom(...ASKED.map(({ id }) => id)),
      answer: fc.constantFrom('yes' as const, "don't know" as const),
      date: fc.constant(null),
      parts: fc.dictionary(fc.constantFrom('controlled', 'high-risk', 'surgical'), fc.constantFrom(...SAID)),
    }),
    { maxLength: 3, selector: ({ condition }) => condition },
  )
  .map((answers) => screened(...answers));

test('each option is screened for itself: the first that may be done, adapt where it is not the room’s, the others named', () => {
  const line = '"watch" natural | "right side" in 4 right, out 4 left | "empty" 4:4:4:4';
  const of = (line: string, who: ScreenedPerson) => advise(bearings(who, today), { pattern: mustParsePattern(line), dose, pace, tags: [] }).advice;
  expect(of(line, pregnant(20))).toMatchObject({ answer: 'clear', doing: { kind: 'as taught' }, notThese: ['right side', 'empty'] });
  const swapped = '"right side" in 4 right, out 4 left | "empty" 4:4:4:4 | "watch" natural';
  expect(of(swapped, pregnant(20))).toMatchObject({ answer: 'adapt', doing: { kind: 'option', name: 'watch' }, notThese: ['right side', 'empty'] });
  const none = '"right side" in 4 right, out 4 left | "empty" 4:4:4:4';
  expect(of(none, pregnant(20))).toMatchObject({ answer: 'leave out', notThese: [] });
  fc.assert(
    fc.property(anyone, anyPattern, (who, pattern) => {
      const bearing = bearings(who, today);
      const ways = waysSeen(pattern, dose, pace);
      const each = ways.map(({ features }) => decide(bearing, features).answer);
      const first = each.findIndex(permits);
      const decided = decideBlock(bearing, ways);
      expect(decided.answer).toBe(first > 0 ? 'adapt' : each[0]);
      expect(decided.way).toBe(first < 0 ? null : first);
      if (first >= 0) expect(decided.notThese).toEqual(ways.filter((_, index) => !permits(each[index])).map(({ name }) => name));
      // What bars an option is told with its reason, and which option it is about.
      for (const finding of first < 0 ? [] : decided.findings)
        expect(finding.option === null || decided.notThese.includes(finding.option)).toBe(true);
    }),
    { numRuns: 300 },
  );
});

const PLACES = ['leadIn', 'entry', 'everyRound', 'leadOut'] as const;

test('what stands around the rounds is screened like the cycle', () => {
  expect(seen('each set in 4 right, out 4 left; 4:4')).toMatchObject({ rightSide: true, sideWork: true, pace: 7.5 });
  expect(decide(bearings(pregnant(8), today), seen('each set in 4 right, out 4 left; 4:4')).answer).toBe('leave out');
  expect(seen('first in 4, out 6 left; 27 pumps at 60').tags).toContain('hand at the nose');
  const phase = fc.record({
    side: fc.constantFrom('both' as const, 'left' as const, 'right' as const),
    manner: fc.constantFrom(null, 'hiss' as const, 'hum' as const, 'sigh' as const, 'strong throat' as const, 'narrowed' as const),
    hold: fc.integer({ min: 0, max: 9 }),
  });
  fc.assert(
    fc.property(phase, fc.constantFrom(...PLACES), ({ side, manner, hold }, place) => {
      const sided = side === 'both' ? '' : ` ${side}`;
      const breath = `in 4${sided}${hold > 0 ? `, hold ${hold} s` : ''}, out 5${sided}${manner ? ` ${manner}` : ''}`;
      const inside = seen(breath);
      const { phases } = room(breath) as { phases: readonly Phase[] };
      const around = featuresOf({ ...(room('4:4') as Extract<WholePattern, { kind: 'cycle' }>), [place]: phases }, dose, pace);
      for (const fact of ['rightSide', 'leftSide', 'sideWork', 'mouth', 'resistedExhale', 'holdInSeconds', 'holdOutSeconds', 'tags'] as const)
        expect([fact, around[fact]]).toEqual([fact, inside[fact]]);
    }),
  );
});

test('one merged hold: the same as walking through the block second by second', () => {
  const longest = (line: string) => holdsOf(room(line), 'hold', pace.tempo).longest.high / 1000;
  expect(longest('hold 6, out 8, in 8, hold 6')).toBe(12);
  expect(longest('in 4, hold 4, pause 1 s, hold 4, out 4')).toBe(9);
  expect(longest('in 25 s, 2 x hold 25 s gap 5 s, out 25 s')).toBe(55);
  expect(longest('in 25 s, 2 x hold 25 s gap 5 s free, out 25 s')).toBe(25);
  expect(longest('hold 6, out 8, in 8, hold 6, recover 1')).toBe(6);
  expect(longest('first in 3, hold 5 s; hold 6, out 8, in 8')).toBe(11);
  expect(derive(mustParsePattern('hold 6, out 8, in 8, hold 6'), pace)?.holdShare).toBeCloseTo(12 / 28);
  expect(derive(mustParsePattern('in 25 s, 2 x hold 25 s gap 5 s, out 25 s'), pace)?.holdShare).toBeCloseTo(55 / 110);
  fc.assert(
    fc.property(anyPattern, fc.constantFrom('hold' as const, 'empty' as const), (pattern, kind) => {
      const way = roomPattern(pattern);
      let [run, joint, most] = [0, 0, 0];
      for (const { kind: is, part, start, end } of segmentsOf(way, { ...ONE_ROUND, sets: 2, rounds: 3 }, pace)) {
        if (is === kind) {
          run += (run > 0 ? joint : 0) + end - start;
          joint = 0;
          most = Math.max(most, run);
        } else if (run > 0 && (part === 'changeover' || is === 'pause')) joint += end - start;
        else [run, joint] = [0, 0];
      }
      expect(holdsOf(way, kind, pace.tempo).anywhere.high).toBeGreaterThanOrEqual(most);
      if (way.kind === 'cycle') expect(holdsOf(way, kind, pace.tempo).anywhere.high).toBe(most);
    }),
    { numRuns: 400 },
  );
});

test('exhale ÷ inhale reads phases alone', () => {
  expect(seen('in 4 gap 2 s free, out 8').exhaleToInhale).toBe(2);
  expect(seen('in 4 gap 2 s, out 4 gap 4 s').exhaleToInhale).toBe(1);
});

test('held locks can be written on every breath, and make it counted', () => {
  for (const line of ['natural', 'deepened', '27 pumps at 60', 'connected 3 s, long 6 s nose', '4:4']) {
    const locked = `${line}, lock chin, lock abdominal`;
    expect(formatPattern(mustParsePattern(locked))).toBe(locked);
    expect(seen(locked)).toMatchObject({ counted: true, locks: ['chin', 'abdominal'] });
  }
  expect(decide(bearings(screened(yes('neck')), today), seen('natural, lock chin')).answer).toBe('leave out');
  expect(decide(bearings(screened(yes('chest surgery')), today), seen('natural, lock chin')).answer).toBe('leave out');
  expect(seen('natural').counted).toBe(false);
});

test('seat, eyes, hands and movements are facts', () => {
  const answer = (who: ScreenedPerson, setup: Parameters<typeof tagsOf>[0], line = 'natural') =>
    decide(bearings(who, today), seen(line, tagsOf(setup))).answer;
  const lying = { ...USUAL_SETUP, seat: 'lying' } as const;
  expect([answer(pregnant(15), lying, '4:6'), answer(pregnant(16), lying, '4:6')]).toEqual(['clear', 'adapt']);
  expect(answer(screened(yes('nose')), { ...USUAL_SETUP, moves: ['hand at the nose'] })).toBe('adapt');
  expect(answer(screened(yes('eye surgery')), { ...USUAL_SETUP, moves: ['blowing the nose'] })).toBe('ask first');
  expect(answer(screened(yes('panic')), { ...USUAL_SETUP, eyes: 'closed', moves: ['palming'] })).toBe('leave out');
  const unknown = { ...NOT_SCREENED, birthDate: isoDate('1990-01-01') };
  for (const seat of SEATS) expect(answer(unknown, { ...USUAL_SETUP, seat })).toBe('clear');
  for (const move of MOVES.filter((one) => one !== 'rubbing hands'))
    expect([move, answer(unknown, { ...USUAL_SETUP, moves: [move] })]).toEqual([move, move === 'palming' ? 'leave out' : 'watch']);
  expect(EYES.map((eyes) => answer(unknown, { ...USUAL_SETUP, eyes }))).toEqual(['clear', 'clear', 'watch']);
  expect(seen('in 5 narrowed, out 5').tags).toContain('hand at the nose');
  const narrowed = advise(bearings(screened(yes('nose')), today), {
    pattern: mustParsePattern('in 5 narrowed throat, out 5 throat'),
    dose,
    pace,
    tags: [],
  });
  expect(narrowed.advice.doing).toEqual({ kind: 'adapted', pattern: 'in 5 throat, out 5 throat' });
});

test('every part of a question counts unless it was denied, in its row alone', () => {
  const counted = seen('4:4');
  for (const said of [...SAID, undefined]) {
    const parts = (id: string): ConditionAnswer['parts'] => (said ? { [id]: said } : {});
    const answer = (id: string, part: string) => decide(bearings(screened(yes(id, parts(part))), today), counted).answer;
    expect([said, answer('pregnancy', 'high-risk')]).toEqual([said, said === 'no' ? 'clear' : 'ask first']);
    expect([said, answer('high blood pressure', 'controlled')]).toEqual([said, said === 'yes' ? 'clear' : 'watch']);
    const surgical = bearings(screened(yes('birth', parts('surgical'))), today).some(({ rule }) => rule.condition === 'abdominal surgery');
    expect([said, surgical]).toEqual([said, said !== 'no']);
    expect(bearings(screened(yes('pregnancy', parts('high-risk'))), today).some(({ rule }) => rule.condition === 'unscreened')).toBe(false);
  }
});

test('stillness adds up over natural breath, settling and rest in a row', () => {
  const basis = { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) };
  const part = (id: string, kind: 'settle' | 'rest' | 'prepare' | 'close', of: string, minutes: number): Block => ({ id, kind, part: of, minutes });
  const natural: Block = { id: 'n', kind: 'technique', technique: 'natural', pattern: 'natural', dose: '4 min', tempo: 1000 };
  const still = (...blocks: Block[]) => readSession(blocks, basis).map(({ tags }) => tags.includes('still 15 min'));
  expect(still(natural, part('s', 'settle', 'settle', 3), part('r', 'rest', 'lying-rest', 8))).toEqual([true, true, true]);
  expect(still(natural, part('s', 'settle', 'settle', 2.9), part('r', 'rest', 'lying-rest', 8))).toEqual([false, false, false]);
  expect(still(natural, part('m', 'prepare', 'movement', 5), part('r', 'rest', 'lying-rest', 11))).toEqual([false, false, false]);
  expect(still(part('r', 'rest', 'lying-rest', 15), part('c', 'close', 'close', 3))).toEqual([true, false]);
});

test('in step goes breath by breath', () => {
  const step = (line: string) => keepInStep(mustParsePattern(line), 1000, () => true, { inhale: 30, exhale: 30 });
  const [two] = step('in 4, out 6, in 5, out 7');
  expect(two.map(({ inhale, exhale, free, cycles }) => cycles * (inhale + exhale) + free)).toEqual([10, 12]);
  expect(step('in 4, out 6, in 1, out 2')).toEqual([]);
  expect(step('out 6, in 4, out 7, in 5')).toEqual([]);
  fc.assert(
    fc.property(anyPattern, (pattern) => {
      const way = roomPattern(pattern);
      const [best] = keepInStep(pattern, 1000, () => true);
      if (!best || way.kind !== 'cycle') return;
      const breaths = breathsOf(way.phases);
      expect(best).toHaveLength(breaths.length);
      best.forEach(({ cycles, inhale, exhale, free }, index) => {
        const counts = breaths[index].reduce(
          (sum, { length, repeat, gap }) => sum + repeat * ((length.unit === 'ease' ? 0 : length.n) + (gap?.seconds ?? 0)),
          0,
        );
        expect(cycles * (inhale + exhale) + free).toBe(Math.floor(counts + 1e-9));
      });
    }),
    { numRuns: 300 },
  );
});

test('a narrowed breath and a throat sound go together; two other manners are refused in words', () => {
  expect(formatPattern(mustParsePattern('in 5 throat narrowed, out 5 narrowed throat'))).toBe('in 5 narrowed throat, out 5 narrowed throat');
  const refused = parsePattern('in 4 hiss hum, out 4');
  expect(refused.ok ? '' : refused.problems[0].expected).toMatch(/only “narrowed” and “throat” go together/);
  expect(NATURAL_BREATH.locks).toEqual([]);
});
