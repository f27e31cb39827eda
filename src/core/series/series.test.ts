import fc from 'fast-check';
import {
  checkSeries,
  dailyJumps,
  dailyMinutes,
  datesOf,
  dayOn,
  draftSeries,
  driftOf,
  driftText,
  easierOf,
  edited,
  minutesByDay,
  minutesShort,
  mostReached,
  ownDay,
  SERIES_LIMITS,
  seriesCheckText,
  shortened,
  stepBack,
  type CheckIn,
  type MissedRule,
  type Series,
  type SeriesAsked,
  type SeriesDay,
  type StayingDays,
} from '.';
import { planning } from '../course/example';
import { SHIPPED_LIBRARY } from '../library';
import { isForHome } from '../techniques';
import { addDays, isoDate, weekday, type IsoDate } from '../units';

const first = isoDate('2027-01-04');
const dates = (count: number) => Array.from({ length: count }, (_, at) => addDays(first, at));
let made = 0;
const newId = () => `b${(made += 1)}`;
const beginners = planning({ already: new Set(['natural', 'belly']), settled: false });
const asked = (over: Partial<SeriesAsked> = {}): SeriesAsked => ({
  length: 21,
  from: 1,
  to: 7,
  gentleEvery: 7,
  start: '06:30',
  live: [],
  closed: [],
  themes: [['equal-4-4'], ['longer-4-5'], ['alternate-4-4']],
  pairings: [],
  ...over,
});
/** Enough of a search that could go on for long. */
const often = (times: number) => {
  let count = 0;
  return () => (count += 1) > times;
};
const draft = (over: Partial<SeriesAsked> = {}, of = beginners, stay: StayingDays = []) =>
  draftSeries(asked(over), dates(asked(over).length), of, newId, often(100), stay);
const practised = (days: readonly SeriesDay[]) => days.map(({ blocks }) => blocks.map(({ technique }) => technique).join('+'));
const wrong = (days: readonly SeriesDay[], of = beginners) =>
  checkSeries(days, dates(days.length), '06:30', of)
    .filter(({ severity }) => severity !== 'know')
    .map((check) => `${check.day} ${seriesCheckText(check, SHIPPED_LIBRARY)}`);

describe('the daily dose', () => {
  test('a week grows by two, and 21 days by six', () => {
    expect([7, 14, 21, 30, 40].map((length) => mostReached({ length, from: 1, gentleEvery: 0 }))).toEqual([3, 5, 7, 10, 14]);
    expect([7, 14, 21, 30, 40].map((length) => mostReached({ length, from: 1, gentleEvery: 7 }))).toEqual([3, 5, 7, 9, 12]);
    expect(dailyMinutes({ length: 7, from: 1, to: 3, gentleEvery: 7 })).toEqual([1, 1, 1, 2, 2, 2, 3]);
  });

  test('gentle days have three quarters, and the last day is not one', () => {
    const minutes = dailyMinutes({ length: 14, from: 4, to: 4, gentleEvery: 7 });
    expect([minutes[5], minutes[6], minutes[13]]).toEqual([4, 3, 4]);
  });

  test('what cannot be reached says where it gets to, and each mend works', () => {
    const of = { length: 21, from: 1, to: 10, gentleEvery: 7 };
    expect(minutesShort(of)).toEqual({
      reached: 7,
      mends: [
        { mend: 'arrive', minutes: 7 },
        { mend: 'start', minutes: 4 },
        { mend: 'longer', days: 40 },
      ],
    });
    expect(minutesShort({ ...of, to: 7 })).toBeNull();
    expect(minutesShort({ ...of, from: 4 })).toBeNull();
    expect(minutesShort({ ...of, length: 30 })).not.toBeNull();
    expect(minutesShort({ ...of, length: 40 })).toBeNull();
  });

  test('no plan of minutes trips its own guard, whatever is asked', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SERIES_LIMITS.lengths),
        fc.integer({ min: 1, max: 10 }),
        fc.integer({ min: 0, max: 15 }),
        fc.constantFrom(0, 3, 7),
        (length, from, more, gentleEvery) => {
          const minutes = dailyMinutes({ length, from, to: from + more, gentleEvery });
          expect(dailyJumps(minutes)).toEqual([]);
          expect(minutes[length - 1]).toBe(Math.min(from + more, mostReached({ length, from, gentleEvery })));
        },
      ),
    );
  });

  test('days that stay are as they were, and what follows grows from them, never too soon', () => {
    const of = { length: 14, from: 1, to: 6, gentleEvery: 7 };
    expect(dailyMinutes(of, [1, 1, 1, 3, 3])).toEqual([1, 1, 1, 3, 3, 3, 2, 4, 4, 4, 5, 5, 5, 6]);
    // Asked for less, it has less at once; a day that stays further on stands where it stands.
    expect(dailyMinutes({ ...of, to: 2 }, [1, 1, 1, 3, 3])).toEqual([1, 1, 1, 3, 3, 2, 1.5, 2, 2, 2, 2, 2, 2, 2]);
    expect(dailyMinutes({ ...of, to: 3 }, [1, null, null, null, null, null, null, null, 2.5])[8]).toBe(2.5);
    expect(minutesShort({ ...of, to: 7 }, [1, 1, 1])).toEqual({
      reached: 5,
      mends: [
        { mend: 'arrive', minutes: 5 },
        { mend: 'longer', days: 21 },
      ],
    });
    const asking = fc.record({
      length: fc.constantFrom(14, 21, 30),
      from: fc.integer({ min: 1, max: 6 }),
      more: fc.integer({ min: 0, max: 9 }),
      gentleEvery: fc.constantFrom(0, 3, 7),
    });
    const then = fc.record({ stay: fc.integer({ min: 1, max: 13 }), to: fc.integer({ min: 1, max: 20 }), every: fc.constantFrom(0, 5, 7) });
    fc.assert(
      fc.property(asking, then, ({ length, from, more, gentleEvery }, { stay, to, every }) => {
        const there = dailyMinutes({ length, from, to: from + more, gentleEvery }).slice(0, stay);
        const minutes = dailyMinutes({ length, from, to, gentleEvery: every }, there);
        expect(minutes.slice(0, stay)).toEqual(there);
        expect(dailyJumps(minutes)).toEqual([]);
        expect(minutes.at(-1)).toBe(Math.min(to, mostReached({ length, from, gentleEvery: every }, there)));
        expect(minutesShort({ length, from, to, gentleEvery: every }, there) === null).toBe(minutes.at(-1) === to);
      }),
    );
  });

  test('the guard holds on both sides: day 4 may grow, day 3 may not; a minute may, more may not', () => {
    expect(dailyJumps([1, 1, 1, 2])).toEqual([]);
    expect(dailyJumps([1, 1, 2])).toEqual([{ day: 3, from: 1, to: 2, most: 2, may: 4 }]);
    expect(dailyJumps([1, 1, 1, 2.5])).toEqual([{ day: 4, from: 1, to: 2.5, most: 2, may: 4 }]);
    // After a gentle day it goes on from where it was.
    expect(dailyJumps([4, 4, 4, 3, 4, 4, 5])).toEqual([]);
  });
});

describe('the draft', () => {
  test('keeps every rule, and each week is about its theme', () => {
    const { days, left, proved } = draft();
    expect([left, proved]).toEqual([[], true]);
    expect(wrong(days)).toEqual([]);
    const themes = practised(days);
    expect(themes.slice(14, 20).filter((one) => one === 'alternate-4-4').length).toBeGreaterThanOrEqual(2);
    expect(days[6].kind).toBe('gentle');
    expect(practised(days)[6]).toBe('belly');
    expect(days[20].blocks.length).toBeGreaterThan(1);
    expect(minutesByDay(days)).toEqual(dailyMinutes(asked()));
  });

  test('drafted on from any of its days, what was practised stays and counts, and all that was reached still is', () => {
    const { days } = draft({ live: [3] });
    for (let there = 1; there <= days.length; there += 1) {
      const again = draft({ live: [3] }, beginners, days.slice(0, there));
      expect([there, again.days.slice(0, there)]).toEqual([there, days.slice(0, there)]);
      expect([there, again.left, wrong(again.days)]).toEqual([there, [], []]);
      expect(minutesByDay(again.days).at(-1)).toBe(7);
    }
    // Asked for something else from the second week on: more minutes, other techniques, no gentle days.
    const other = draft({ themes: [[], ['longer-4-5'], ['longer-4-6']], gentleEvery: 0 }, beginners, days.slice(0, 8));
    expect([other.days.slice(0, 8), other.left, wrong(other.days)]).toEqual([days.slice(0, 8), [], []]);
    expect(practised(other.days).slice(8).join(' ')).toContain('longer-4-6');
    // Made longer, all it has stays.
    const longer = draft({ length: 40, to: 12 }, beginners, days);
    expect([longer.days.slice(0, 21), longer.left, wrong(longer.days), longer.days.length]).toEqual([days, [], [], 40]);
  });

  test('a day further on that stays is where it was, and the rest is drafted around it', () => {
    const { days } = draft();
    const stay = days.map((day, index) => (index === 4 || index === 15 ? { ...day, kind: 'live' as const } : null));
    const again = draft({}, beginners, stay);
    expect([again.days[4], again.days[15], again.left, wrong(again.days)]).toEqual([stay[4], stay[15], [], []]);
    // What is no longer in the library stays too, and nothing is built on it.
    const own = { ...days[2], blocks: [{ ...days[2].blocks[0], technique: 'gone' }] };
    const after = draft({}, beginners, [days[0], days[1], own]);
    expect([after.days[2], after.left]).toEqual([own, []]);
    expect(practised(after.days).slice(3).join()).not.toContain('gone');
  });

  test('what waits for its week does not come before it', () => {
    const { days } = draft({ themes: [[], ['equal-4-4']] });
    expect(practised(days).findIndex((one) => one === 'equal-4-4')).toBeGreaterThanOrEqual(7);
  });

  test('what is for company is not drafted alone, and says so; on live days it may come', () => {
    const able = planning({ already: new Set(['natural', 'belly', 'deepened', 'equal-4-4', 'equal-4-4-4']) });
    expect(isForHome(SHIPPED_LIBRARY.find('square-4'))).toBe(false);
    const alone = draft({ themes: [['square-4']] }, able);
    expect(alone.left).toEqual(['square-4']);
    expect(practised(alone.days)).not.toContain('square-4');
    const live = draft({ themes: [['square-4']], live: [1, 3, 5] }, able);
    expect(live.left).toEqual([]);
    live.days.forEach(({ kind, blocks }) =>
      blocks.forEach(({ technique }) => expect(kind === 'live' || isForHome(SHIPPED_LIBRARY.find(technique))).toBe(true)),
    );
  });

  test('nothing stands there that everybody leaves out', () => {
    const none = planning({
      already: new Set(['natural', 'belly']),
      tally: ({ technique }) => ({ people: 3, leaveOut: technique === 'alternate-4-4' ? 3 : 0, askFirst: 0, adapt: 0, watch: 0, near: 0 }),
    });
    const { days, left } = draft({}, none);
    expect(left).toEqual(['alternate-4-4']);
    expect(wrong(days, none)).toEqual([]);
  });

  test('a week of pairings pairs what is known', () => {
    const { days } = draft({ from: 2, to: 8, pairings: [3] });
    expect(days.slice(14, 20).some(({ blocks }) => blocks.length === 2)).toBe(true);
  });

  test('a week of pairings ends with the grid, on its last live day', () => {
    const ids = SHIPPED_LIBRARY.techniques.map(({ id }) => id);
    const able = planning({ already: new Set(ids.filter((id) => id !== 'throat-grid')) });
    const { days, left } = draft({ from: 6, to: 10, live: [2, 5], pairings: [2], themes: [['equal-4-4'], ['longer-4-5']] }, able);
    // What they practise already is not said to be missing: it stands in its week.
    expect(left).toEqual([]);
    expect(practised(days).slice(0, 7).join()).toContain('equal-4-4');
    const grid = days.flatMap(({ blocks, kind }, index) => (blocks.some(({ technique }) => technique === 'throat-grid') ? [[index + 1, kind]] : []));
    // The series begins on a Monday: the Friday of its second week is day 12.
    expect(grid[0]).toEqual([12, 'live']);
    expect(draft({ pairings: [2] }).left).toEqual(['throat-grid']);
  });

  test('whatever is asked, no draft breaks a rule', () => {
    const able = SHIPPED_LIBRARY.techniques.filter(({ rung, taughtAt }) => rung <= 3 && taughtAt.includes('morning')).map(({ id }) => id);
    fc.assert(
      fc.property(
        fc.constantFrom(7, 14, 21, 30),
        fc.array(fc.uniqueArray(fc.constantFrom(...able), { maxLength: 2 }), { maxLength: 4 }),
        fc.subarray([1, 2, 3, 4, 5, 6, 7], { maxLength: 2 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 0, max: 6 }),
        fc.constantFrom(['natural', 'belly'], ['natural', 'belly', 'deepened', 'equal-4-4']),
        (length, themes, live, from, more, already) => {
          const of = planning({ already: new Set(already), settled: true });
          const { days, left } = draft({ length, themes, live, from, to: from + more }, of);
          expect(days).toHaveLength(length);
          expect(wrong(days, of)).toEqual([]);
          const there = new Set(practised(days).flatMap((one) => one.split('+')));
          for (const id of themes.flat()) expect(there.has(id) || left.includes(id)).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('by hand', () => {
  const { days } = draft();
  test('two days change places, and the guard answers', () => {
    const swapped = edited(days, { do: 'swap', day: 2, with: 20 }, beginners, newId)!;
    expect(practised(swapped)[1]).toBe(practised(days)[19]);
    expect(wrong(swapped).length).toBeGreaterThan(0);
    expect(edited(swapped, { do: 'swap', day: 2, with: 20 }, beginners, newId)).toEqual(days);
    expect(edited(days, { do: 'swap', day: 2, with: 22 }, beginners, newId)).toBeNull();
  });

  test('a day moves, those between make room, and moved back all is as it was', () => {
    const moved = edited(days, { do: 'move', day: 3, to: 9 }, beginners, newId)!;
    const was = practised(days);
    expect(practised(moved)).toEqual([...was.slice(0, 2), ...was.slice(3, 9), was[2], ...was.slice(9)]);
    // The gentle seventh day came a day earlier, and is gentle there.
    expect(moved.map(({ kind }) => kind).slice(4, 8)).toEqual(['own', 'gentle', 'own', 'own']);
    expect(edited(moved, { do: 'move', day: 9, to: 3 }, beginners, newId)).toEqual(days);
    expect(edited(days, { do: 'move', day: 3, to: 21 }, beginners, newId)).not.toBeNull();
    expect(edited(days, { do: 'move', day: 3, to: 22 }, beginners, newId)).toBeNull();
  });

  test('whatever moves or changes places, nothing is lost, and what is live stays on its date', () => {
    const { days: some } = draft({ live: [2, 5] });
    const liveOn = (of: readonly SeriesDay[]) => of.flatMap(({ kind }, index) => (kind === 'live' ? [index] : []));
    const day = fc.integer({ min: 1, max: 21 });
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom('swap' as const, 'move' as const), day, day), { maxLength: 8 }), (edits) => {
        const after = edits.reduce(
          (of, [what, one, other]) =>
            edited(of, what === 'swap' ? { do: 'swap', day: one, with: other } : { do: 'move', day: one, to: other }, beginners, newId)!,
          some,
        );
        expect(liveOn(after)).toEqual(liveOn(some));
        expect(practised(after).sort()).toEqual(practised(some).sort());
      }),
      { numRuns: 50 },
    );
  });

  test('a day becomes gentle with what is gentlest of what came before', () => {
    const gentle = edited(days, { do: 'kind', day: 20, kind: 'gentle' }, beginners, newId)!;
    expect(gentle[19]).toMatchObject({ kind: 'gentle', blocks: [{ technique: 'belly' }] });
    expect(wrong(gentle)).toEqual([]);
  });

  test('a day becomes live, or one alone, with what it has; there is no other', () => {
    const live = edited(days, { do: 'kind', day: 5, kind: 'live' }, beginners, newId)!;
    expect(live[4]).toEqual({ ...days[4], kind: 'live' });
    expect(edited(live, { do: 'kind', day: 5, kind: 'own' }, beginners, newId)).toEqual(days);
    expect(edited(days, { do: 'kind', day: 22, kind: 'own' }, beginners, newId)).toBeNull();
    // A gentle day that is made so again stays as it is.
    expect(edited(days, { do: 'kind', day: 7, kind: 'gentle' }, beginners, newId)).toEqual(days);
  });

  test('a day has other practices: what stood there keeps its place, what is new is new', () => {
    const two = [
      { technique: 'belly', pattern: 'natural', minutes: 1.5 },
      { technique: 'equal-4-4', pattern: '4:4', minutes: 2 },
    ];
    const after = edited(days, { do: 'practice', day: 20, practices: two }, beginners, newId)!;
    expect(after[19].blocks.map(({ technique, dose }) => [technique, dose])).toEqual([
      ['belly', '1.5 min'],
      ['equal-4-4', '2 min'],
    ]);
    expect(after[19].blocks[0].id).toBe(days[19].blocks[0].id);
    expect(new Set(after.flatMap(({ blocks }) => blocks.map(({ id }) => id))).size).toBe(after.flatMap(({ blocks }) => blocks).length);
    expect([...after.slice(0, 19), after[20]]).toEqual([...days.slice(0, 19), days[20]]);
  });

  test('the easier version is what it grew out of, and the natural breath below everything', () => {
    const block = days[days.length - 1].blocks.find(({ technique }) => technique === 'longer-4-5')!;
    expect(easierOf(block, beginners).technique).toBe('longer-3-4');
    expect(easierOf({ ...block, technique: 'natural' }, beginners).technique).toBe('natural');
    expect(easierOf(block, beginners).dose).toBe(block.dose);
  });
});

const say = (day: number, over: Partial<CheckIn> = {}): CheckIn => ({
  date: addDays(first, day - 1),
  day,
  did: 'done',
  felt: 'easy',
  easier: false,
  techniques: practised(draft21)[day - 1].split('+'),
  signs: false,
  undone: false,
  ...over,
});
const { days: draft21 } = draft();
/** Forty days of the same minutes. */
const { days: draft40 } = draft({ length: 40, from: 3, to: 3 });
const series = (missed: MissedRule, over: Partial<Series> = {}): Series => ({ firstDate: first, days: draft21, missed, pauses: [], ...over });
const on = (rule: MissedRule, checkIns: readonly CheckIn[], day: number, joined = first) =>
  ownDay({ series: series(rule), ladder: SHIPPED_LIBRARY.edges, already: new Set(['natural', 'belly']), joined, checkIns }, addDays(first, day - 1));

describe("a person's own day", () => {
  const upTo = (day: number, without: readonly number[] = []) =>
    Array.from({ length: day }, (_, at) => at + 1).flatMap((one) => (without.includes(one) ? [] : [say(one)]));

  test('whoever did every day is with the series, by every rule', () => {
    for (const rule of ['go on', 'repeat', 'step back'] as const)
      expect(on(rule, upTo(9), 10)).toMatchObject({ day: 10, why: null, easierFirst: false });
  });

  test('one missed day: gone on from, or repeated', () => {
    expect(on('go on', upTo(9, [9]), 10)?.day).toBe(10);
    expect(on('repeat', upTo(9, [9]), 10)).toMatchObject({ day: 9, why: 'missed' });
    expect(on('step back', upTo(9, [9]), 10)?.day).toBe(10);
  });

  test('two missed in a row step back one, and no further; the easier version stands first', () => {
    const two = on('step back', upTo(8, [7, 8]), 9)!;
    expect(two.day).toBe(stepBack(draft21, 8));
    expect(two.day).toBeLessThan(8);
    expect(two).toMatchObject({ why: 'missed', easierFirst: true });
    expect(on('step back', upTo(9, [7, 8, 9]), 10)?.day).toBe(two.day);
  });

  test('strained, or something felt wrong, steps back one; taken back it does not', () => {
    const hard = (over: Partial<CheckIn>) => on('go on', [...upTo(8), say(9, over)], 10)!;
    expect(hard({ felt: 'strained' })).toMatchObject({ day: stepBack(draft21, 9), why: 'strained', easierFirst: true });
    expect(hard({ signs: true })).toMatchObject({ day: stepBack(draft21, 9), why: 'strained' });
    expect(hard({ signs: true, undone: true })).toMatchObject({ day: 10, why: null, easierFirst: false });
    expect(hard({ did: 'not today', felt: null, signs: true })).toMatchObject({ why: 'strained' });
  });

  test('nothing comes that stands on what somebody did not practise', () => {
    const late = on('go on', [], 21)!;
    expect(late).toMatchObject({ why: 'not ready yet' });
    expect(draft21[late.day - 1].blocks.every(({ technique }) => ['natural', 'belly', 'deepened'].includes(technique))).toBe(true);
  });

  test('behind by more than a minute, the daily guard lets somebody catch up: a minute more in three days', () => {
    const all = series('go on', { days: draft21.map((day) => ({ ...day, blocks: day.blocks.map((block) => ({ ...block, technique: 'belly' })) })) });
    const own = (checkIns: readonly CheckIn[], day: number) =>
      ownDay(
        { series: all, ladder: SHIPPED_LIBRARY.edges, already: new Set(['natural', 'belly']), joined: first, checkIns },
        addDays(first, day - 1),
      );
    // Whoever did nothing begins with the minutes of the first day; day 17 has five.
    expect(own([], 17)).toMatchObject({ day: 17, minutes: 1, why: 'catching up' });
    // Days 5 and 6 have two minutes and day 8 has three: whoever did two on day 5 is with it, whoever did on day 6 a day later.
    expect(own(upTo(7), 8)).toMatchObject({ day: 8, minutes: 3, why: null });
    expect(own(upTo(7, [5]), 8)).toMatchObject({ day: 8, minutes: 2, why: 'catching up' });
    expect(own(upTo(8, [5]), 9)).toMatchObject({ day: 9, minutes: 3, why: null });
    const early = upTo(3);
    expect(own(early, 13)?.minutes).toBe(2);
    const back = [...early, say(13)];
    expect([14, 15, 16].map((day) => own(back, day)?.minutes)).toEqual([2, 2, 3]);
  });

  test('shortened, every part is, and what has no whole round in its minutes gives way to what it grew out of', () => {
    const [deep] = draft21[0].blocks;
    const of = (minutes: number, ...blocks: (typeof deep)[]) =>
      shortened(blocks, minutes, beginners).map(({ technique, dose }) => `${technique} ${dose}`);
    expect(of(2, { ...deep, dose: '3 min' })).toEqual(['deepened 2 min']);
    expect(of(3, { ...deep, dose: '2 min' }, { ...deep, technique: 'belly', dose: '4 min' })).toEqual(['deepened 1 min', 'belly 2 min']);
    expect(of(5, { ...deep, dose: '3 min' })).toEqual(['deepened 3 min']);
    // What the halves leave over is the first's.
    expect(of(4, { ...deep, dose: '5 min' }, { ...deep, technique: 'belly', dose: '1 min' })).toEqual(['deepened 3.5 min', 'belly 0.5 min']);
    const climbing = { ...deep, technique: 'longer-ascending', pattern: SHIPPED_LIBRARY.technique('longer-ascending').pattern, dose: '5 min' };
    expect(of(4, climbing)).toEqual(['longer-ascending 4 min']);
    expect(of(3, climbing)).toEqual([`${easierOf(climbing, beginners).technique} 3 min`]);
  });

  test('after more than 14 days without practice one step back, whatever the rule', () => {
    const some = series('go on', { days: draft40 });
    const have = (day: number, checkIns: readonly CheckIn[]) =>
      ownDay(
        { series: some, ladder: SHIPPED_LIBRARY.edges, already: new Set(SHIPPED_LIBRARY.techniques.map(({ id }) => id)), joined: first, checkIns },
        addDays(first, day - 1),
      );
    const did = Array.from({ length: 10 }, (_, at) => say(at + 1, { techniques: [] }));
    expect(have(24, did)).toMatchObject({ day: 24, why: null });
    expect(have(25, did)).toMatchObject({ day: stepBack(draft40, 25), why: 'missed' });
    // Over a pause of the studio too, where nobody missed a day: of 14 days none, of 15 one step.
    const paused = (rule: MissedRule, days: number) =>
      ownDay(
        {
          series: series(rule, { days: draft40, pauses: [{ from: addDays(first, 10), until: addDays(first, 9 + days) }] }),
          ladder: SHIPPED_LIBRARY.edges,
          already: new Set(SHIPPED_LIBRARY.techniques.map(({ id }) => id)),
          joined: first,
          checkIns: did,
        },
        addDays(first, 10 + days),
      );
    for (const rule of ['go on', 'repeat', 'step back'] as const) {
      expect([rule, paused(rule, 13)]).toMatchObject([rule, { day: 11, why: null }]);
      expect([rule, paused(rule, 14)]).toMatchObject([rule, { day: stepBack(draft40, 11), why: 'missed' }]);
    }
  });

  test('never two days at once, never beyond the series, whatever is missed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<MissedRule>('go on', 'repeat', 'step back'),
        fc.array(fc.constantFrom('done', 'strained', 'signs', 'something else', 'not today', 'missed'), { minLength: 20, maxLength: 20 }),
        (rule, said) => {
          const checkIns: CheckIn[] = [];
          let before = 0;
          said.forEach((what, index) => {
            const own = on(rule, checkIns, index + 1)!;
            expect(own.day).toBeGreaterThanOrEqual(1);
            expect(own.day).toBeLessThanOrEqual(Math.min(21, Math.max(before + 1, index + 1)));
            if (rule === 'repeat') expect(own.day).toBeLessThanOrEqual(before + 1);
            if (what === 'missed') return;
            const techniques = draft21[own.day - 1].blocks.map(({ technique }) => technique);
            const did = what === 'something else' || what === 'not today' ? what : 'done';
            checkIns.push(
              say(index + 1, { day: own.day, did, felt: what === 'strained' ? 'strained' : 'easy', signs: what === 'signs', techniques }),
            );
            before = own.day;
          });
        },
      ),
      { numRuns: 60 },
    );
  });

  test('late joiners and pauses', () => {
    expect(on('repeat', [], 5, addDays(first, 4))?.day).toBe(1);
    expect(on('repeat', [], 4, addDays(first, 4))).toBeNull();
    const paused = series('go on', { pauses: [{ from: addDays(first, 3), until: addDays(first, 5) }] });
    expect(dayOn(paused, addDays(first, 3))).toBeNull();
    expect(dayOn(paused, addDays(first, 6))).toBe(4);
    expect(datesOf(paused).at(-1)).toBe(addDays(first, 23));
    expect(weekday(datesOf(paused)[0])).toBe(1);
  });
});

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

describe('live days and their classes', () => {
  const { days } = draft({ live: [2, 5] });
  const on = dates(21);
  const liveOn = on.filter((_, index) => days[index].kind === 'live');
  const practisedOn = (date: IsoDate) => days[on.indexOf(date)].blocks.map(({ technique }) => technique);
  const held = new Map(liveOn.map((date) => [date, practisedOn(date)] as const));
  const said = (over: Partial<Parameters<typeof checkSeries>[4] & object> = {}, of = days) =>
    checkSeries(of, on, '06:30', beginners, { classes: held, closed: [], weekdays: [2, 5], today: first, ...over })
      .filter(({ finding }) => finding.code !== 'course')
      .map(({ severity, day, finding }) => `${severity} ${day} ${finding.code}`);
  const dayOf = (date: IsoDate) => on.indexOf(date) + 1;
  const [one, two] = liveOn;

  test('as they were made there is nothing to say', () => {
    expect(said()).toEqual([]);
  });

  test('a class that is not held, or another than the day, is said while it is ahead', () => {
    const without = new Map([...held].filter(([date]) => date !== one));
    expect(said({ classes: without })).toEqual([`mend ${dayOf(one)} no class`]);
    expect(said({ classes: without, today: addDays(one, 1) })).toEqual([]);
    expect(said({ classes: new Map([...held, [two, ['belly', 'natural']]]) })).toEqual([`mend ${dayOf(two)} other class`]);
    // In another order it is the same class.
    expect(said({ classes: new Map([...held].map(([date, ids]) => [date, [...ids].reverse()])) })).toEqual([]);
  });

  test('closed days: a live one is mended, one that would be is known', () => {
    expect(said({ closed: [one] })).toEqual([`mend ${dayOf(one)} closed`]);
    const alone = days.map((day, index) => (on[index] === one ? { ...day, kind: 'own' as const } : day));
    expect(said({ closed: [one] }, alone)).toEqual([`know ${dayOf(one)} alone while closed`]);
    expect(said({}, alone)).toEqual([]);
  });

  test('each finding has its words', () => {
    const words = (finding: Parameters<typeof seriesCheckText>[0]['finding']) =>
      seriesCheckText({ severity: 'mend', day: 3, date: first, technique: null, finding }, SHIPPED_LIBRARY);
    expect(words({ code: 'other class', techniques: ['belly', 'gone'] })).toBe(
      'and its class differ: the plan of the class has Belly breath and something that is no longer in the library',
    );
    expect(words({ code: 'other class', techniques: [] })).toContain('has nothing to practise');
    expect(words({ code: 'no class' })).toContain('no class is held');
    expect(words({ code: 'closed' })).toBe('is live, and the studio is closed');
    expect(words({ code: 'alone while closed' })).toContain('practised alone');
    expect(words({ code: 'another weekday' })).toContain('another weekday');
    expect(words({ code: 'not alone' })).toContain('not for practising alone at home');
    expect(words({ code: 'two new things' })).toContain('one a day is enough');
    expect(words({ code: 'nothing' })).toBe('has nothing to practise');
    const jump = { day: 3, from: 1, to: 2, most: 2, may: 4 };
    expect(words({ code: 'daily growth', jump })).toBe('grows from 1 to 2 min too soon: a minute in three days, so from day 4 on');
    expect(words({ code: 'daily growth', jump: { ...jump, to: 3 } })).toBe('grows from 1 to 3 min: at most a minute more at once, so 2');
  });

  test('a day with nothing in it, two new things, or what is for company, is said', () => {
    const with_ = (day: Partial<SeriesDay>) => [{ ...days[0], ...day }, ...days.slice(1)];
    const codes = (of: readonly SeriesDay[]) => said({}, of).filter((text) => text.includes(' 1 '));
    const block = (technique: string) => ({ ...days[0].blocks[0], id: technique, technique, pattern: SHIPPED_LIBRARY.technique(technique).pattern });
    expect(codes(with_({ blocks: [] }))).toEqual(['mend 1 nothing']);
    expect(codes(with_({ blocks: [block('deepened'), block('hissing')] }))).toEqual(['mend 1 two new things']);
    expect(codes(with_({ blocks: [block('square-4')] }))).toEqual(['stop 1 not alone']);
  });

  test('on another weekday than the others it is known; where none was asked, nothing is', () => {
    expect(said({ weekdays: [2] })).toEqual(liveOn.filter((date) => weekday(date) === 5).map((date) => `know ${dayOf(date)} another weekday`));
    expect(said({ weekdays: [] })).toEqual([]);
  });
});
