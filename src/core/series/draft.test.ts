import fc from 'fast-check';
import { dailyMinutes, minutesByDay } from '.';
import { planning } from '../course/example';
import { SHIPPED_LIBRARY } from '../library';
import { isForHome } from '../techniques';
import { beginners, asked, draft, practised, wrong } from './example';

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

  test('what is named for two weeks comes in the first, the last day has the one theme there is, and everything is in its hour', () => {
    const twice = draft({ themes: [['equal-4-4'], ['longer-4-5'], ['equal-4-4']] });
    expect(practised(twice.days).slice(0, 7)).toContain('equal-4-4');
    for (const gentleEvery of [0, 7]) expect(practised(draft({ length: 14, themes: [['equal-4-4']], gentleEvery }).days).at(-1)).toBe('equal-4-4');
    // Pumps are for the morning: not in the evening, on the last day or as a partner either.
    const all = planning({ already: new Set(SHIPPED_LIBRARY.techniques.map(({ id }) => id)), settled: false });
    const of = { themes: [['pumps-27', 'longer-4-6']], live: [1, 2, 3, 4, 5, 6, 7], pairings: [1, 2, 3], length: 21, gentleEvery: 0 };
    const at = (start: string) => practised(draft({ ...of, start }, all).days).filter((day) => day.includes('pumps-27')).length;
    expect([at('06:30') > 1, at('19:00')]).toEqual([true, 0]);
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
    // By its breath, not by its label.
    const mild = { rung: 1, pattern: '8:8:8:8' };
    expect([isForHome(mild), isForHome({ rung: 2, pattern: '4:4' }, mild), isForHome({ rung: 2, pattern: '4:4' })]).toEqual([false, false, true]);
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
