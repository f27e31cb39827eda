import fc from 'fast-check';
import { dailyJumps, datesOf, dayOn, easierOf, minutesOf, ownDay, shortened, stepBack, type CheckIn, type MissedRule, type Series } from '.';
import { SHIPPED_LIBRARY } from '../library';
import { addDays, daysBetween, weekday, type IsoDate } from '../units';
import { first, beginners, draft, say, draft21 } from './example';

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

  test('whatever somebody does, and whatever is asked anew on the way: in order, never longer too soon, easier after what was too much', () => {
    const rules = fc.constantFrom<MissedRule>('go on', 'repeat', 'step back');
    const said = fc.constantFrom('done', 'done', 'done', 'strained', 'signs', 'something else', 'not today', 'missed');
    const anew = fc.record({
      begun: fc.integer({ min: 1, max: 20 }),
      to: fc.integer({ min: 1, max: 9 }),
      gentleEvery: fc.constantFrom(0, 3, 7),
      themes: fc.constantFrom<readonly (readonly string[])[]>(
        [['longer-4-5'], ['longer-4-6'], ['longer-4-6']],
        [['equal-4-4'], [], ['alternate-4-4']],
        [[], [], ['longer-3-4']],
      ),
    });
    const already = new Set(['natural', 'belly']);
    fc.assert(
      fc.property(rules, fc.array(said, { minLength: 24, maxLength: 24 }), anew, (rule, history, { begun, ...over }) => {
        const then = draft(over, beginners, draft21.slice(0, begun));
        const checkIns: CheckIn[] = [];
        const minutes: number[] = [];
        const practisedOn = new Map<string, IsoDate[]>();
        history.forEach((what, index) => {
          const date = addDays(first, index);
          const days = index < begun ? draft21 : then.days;
          const own = ownDay({ series: series(rule, { days }), ladder: SHIPPED_LIBRARY.edges, already, joined: first, checkIns }, date);
          if (!own) return;
          const { blocks } = days[own.day - 1];
          for (const { technique } of blocks)
            for (const { needs, sessions, days: wait } of practisedOn.has(technique)
              ? []
              : SHIPPED_LIBRARY.edges.filter(({ to }) => to === technique)) {
              if (already.has(needs)) continue;
              const times = practisedOn.get(needs) ?? [];
              expect([technique, needs, times.length >= sessions, times.length > 0 && daysBetween(times[0], date) >= wait]).toEqual([
                technique,
                needs,
                true,
                true,
              ]);
            }
          expect(own.minutes).toBeLessThanOrEqual(minutesOf(days[own.day - 1]));
          const last = checkIns.at(-1);
          if (last && (last.felt === 'strained' || last.signs) && last.date === addDays(date, -1)) {
            expect(own.easierFirst).toBe(true);
            expect(own.day).toBeLessThanOrEqual(last.day);
          }
          minutes[index] = 0;
          if (what === 'missed') return;
          const did = what === 'something else' || what === 'not today' ? what : 'done';
          const techniques = blocks.map(({ technique }) => technique);
          checkIns.push(say(1, { date, day: own.day, did, felt: what === 'strained' ? 'strained' : 'easy', signs: what === 'signs', techniques }));
          if (did !== 'done') return;
          minutes[index] = own.minutes;
          for (const id of techniques) practisedOn.set(id, [...(practisedOn.get(id) ?? []), date]);
        });
        expect(dailyJumps(minutes.slice(minutes.findIndex((one) => one > 0)))).toEqual([]);
      }),
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

test('a step back asks for no more than the day it leaves, and is no gentle day; the first day is the last', () => {
  fc.assert(
    fc.property(fc.integer({ min: 7, max: 40 }), fc.integer({ min: 1, max: 3 }), fc.integer({ min: 3, max: 10 }), (length, from, to) => {
      const { days } = draft({ length, from, to });
      days.forEach((left, at) => {
        const back = stepBack(days, at + 1);
        expect(back).toBeLessThanOrEqual(Math.max(1, at));
        if (back > 1) expect([minutesOf(days[back - 1]) <= minutesOf(left), days[back - 1].kind === 'gentle']).toEqual([true, false]);
      });
    }),
    { numRuns: 20 },
  );
  // Days that were changed by hand need not grow: what asks for more is passed over.
  const longer = draft21.map((day, at) => (at === 6 ? { ...day, blocks: day.blocks.map((block) => ({ ...block, dose: '30 min' })) } : day));
  expect(stepBack(longer, 8)).toBeLessThan(7);
});
