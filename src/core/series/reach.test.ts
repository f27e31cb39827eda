import fc from 'fast-check';
import {
  draftSeries,
  notReached,
  overDays,
  SERIES_LIMITS,
  seriesMendText,
  withMend,
  withTimes,
  type NotReached,
  type SeriesAsked,
  type SeriesMend,
  type StayingDays,
} from '.';
import { planning } from '../course/example';
import { wayDown } from '../ladder';
import { SHIPPED_LIBRARY } from '../library';
import { asked as threeWeeks, dates, newId, often } from './example';

const KNOWN = ['natural', 'belly'];
const group = (already: readonly string[] = KNOWN, over: Parameters<typeof planning>[0] = {}) =>
  planning({ already: new Set(already), settled: false, ...over });
const asked = (over: Partial<SeriesAsked> = {}) => threeWeeks({ length: 14, to: 4, themes: [['equal-4-4']], ...over });
const draft = (of: SeriesAsked, by = group()) => {
  const { left } = draftSeries(of, dates(of.length), by, newId, often(200));
  return { left: notReached(left, of, dates(of.length), by, often(200)) };
};
const words = ({ mends }: NotReached) => mends.map((together) => together.map((mend) => seriesMendText(mend, SHIPPED_LIBRARY)).join(' and '));

/** The draft after changes, for a group that practises what they say it does. */
function after(of: SeriesAsked, mends: readonly SeriesMend[], already: readonly string[], stay: StayingDays = []) {
  const then = mends.reduce(withMend, of);
  const more = mends.flatMap((one) => (one.mend === 'practised' ? [one.technique, ...wayDown(SHIPPED_LIBRARY.edges, one.technique)] : []));
  return draftSeries(then, overDays(dates(of.length), then.length), group([...already, ...more]), newId, often(200), stay);
}

test('what needs more days names how many do, or what they would have to practise already', () => {
  const { left } = draft(asked({ length: 7, to: 3, themes: [['longer-4-6', 'equal-4-4']] }));
  expect(left).toMatchObject([{ technique: 'longer-4-6', why: 'days' }]);
  expect(words(left[0])).toEqual(expect.arrayContaining(['21 days', 'leave Longer exhale 4:6 out']));
  // Fourteen were tried, and do not.
  expect(words(left[0])).not.toContain('14 days');
});

test('of one that goes on, each mend lets it come after the days that stay', () => {
  const begun = draftSeries(asked(), dates(14), group(), newId, often(200)).days.slice(0, 6);
  const of = asked({ themes: [['equal-4-4'], ['longer-4-6', 'square-4']] });
  const { left } = draftSeries(of, dates(14), group(), newId, often(200), begun);
  expect(left.length).toBeGreaterThan(0);
  const found = notReached(left, of, dates(14), group(), often(2000), begun);
  const tried = found.flatMap(({ technique, mends }) => mends.map((together) => ({ technique, together })));
  expect(tried.some(({ together }) => together.some(({ mend }) => mend === 'longer'))).toBe(true);
  for (const { technique, together } of tried) {
    // It has begun with what it began with.
    expect(together.some((one) => one.mend === 'minutes' && one.from !== of.from)).toBe(false);
    const again = after(of, together, KNOWN, begun);
    expect(again.days.slice(0, 6)).toEqual(begun);
    expect([technique, together, again.left.includes(technique)]).toEqual([technique, together, false]);
  }
});

test('what is for another hour says so, and at which', () => {
  const pumps = SHIPPED_LIBRARY.techniques.find(({ taughtAt, rung }) => !taughtAt.includes('evening') && rung <= 2)!.id;
  const way = wayDown(SHIPPED_LIBRARY.edges, pumps);
  const { left } = draft(asked({ start: '19:00', length: 21, to: 7, themes: [[pumps, 'equal-4-4']] }), group([...KNOWN, ...way]));
  expect(left).toMatchObject([{ technique: pumps, why: 'hour' }]);
  expect(words(left[0])).toContain('at 06:30');
});

test('what is for company names a live weekday', () => {
  const already = [...KNOWN, 'deepened', 'equal-4-4', 'equal-4-4-4'];
  const { left } = draft(asked({ length: 21, to: 7, themes: [['square-4', 'equal-4-4']] }), group(already));
  expect(left).toMatchObject([{ technique: 'square-4', why: 'not alone' }]);
  expect(words(left[0])).toContain('live on Wednesdays');
});

test('a round that is longer than the longest day names minutes, not days', () => {
  const known = SHIPPED_LIBRARY.techniques.map(({ id }) => id).filter((id) => id !== 'longer-ascending');
  const { left } = draft(asked({ from: 1, to: 1, length: 21, themes: [['longer-ascending', 'equal-4-4']] }), group(known));
  expect(left.map(({ why }) => why)).toEqual(['minutes']);
  expect(words(left[0])).toContain('from 1 to 5 minutes');
});

test('what waits for too late a week may come in an earlier one', () => {
  const { left } = draft(asked({ length: 14, themes: [['equal-4-4'], ['longer-4-6']], to: 4 }), group([...KNOWN, 'deepened', 'longer-3-4']));
  for (const one of left) expect(words(one).some((text) => text.endsWith('from week 1') || text.endsWith('days'))).toBe(true);
});

test('more days are said to be lacking only where more days are what would do; what comes once says so', () => {
  const able = SHIPPED_LIBRARY.techniques.filter(({ rung }) => rung <= 2).map(({ id }) => id);
  const seen = new Set<string>();
  fc.assert(
    fc.property(
      fc.array(fc.uniqueArray(fc.constantFrom(...able), { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 2 }),
      fc.constantFrom(7, 14),
      (themes, length) => {
        const of = asked({ length, themes });
        const { days, left } = draftSeries(of, dates(length), group(), newId, often(200));
        for (const { technique, why, mends, comes } of withTimes(notReached(left, of, dates(length), group(), often(600)), days)) {
          seen.add(why);
          expect(comes).toBeLessThan(SERIES_LIMITS.practise);
          const does = mends.filter(([one]) => one.mend !== 'without');
          const more = does.filter((together) => together.some(({ mend }) => mend === 'longer' || mend === 'practised'));
          if (why === 'days') expect([technique, does.length > 0, more]).toEqual([technique, true, does]);
          if (why === 'no place') expect([technique, does.length === 0 || more.length < does.length]).toEqual([technique, true]);
        }
      },
    ),
    { numRuns: 15, seed: 5 },
  );
  expect([...seen].sort()).toEqual(expect.arrayContaining(['days', 'no place']));
});

test('what everybody leaves out has nothing but leaving it out', () => {
  const none = group(KNOWN, {
    tally: ({ technique }) => ({ people: 3, leaveOut: technique === 'alternate-4-4' ? 3 : 0, askFirst: 0, adapt: 0, watch: 0, near: 0 }),
  });
  const { left } = draft(asked({ length: 21, to: 7, themes: [['alternate-4-4', 'equal-4-4']] }), none);
  expect(left).toMatchObject([{ technique: 'alternate-4-4', why: 'left out by all', mends: [[{ mend: 'without', technique: 'alternate-4-4' }]] }]);
});

test('every mend that is offered lets it come', () => {
  const able = SHIPPED_LIBRARY.techniques.filter(({ rung }) => rung <= 3).map(({ id }) => id);
  let tried = 0;
  fc.assert(
    fc.property(
      fc.constantFrom(...SERIES_LIMITS.lengths.slice(0, 3)),
      fc.array(fc.uniqueArray(fc.constantFrom(...able), { minLength: 1, maxLength: 2 }), { minLength: 1, maxLength: 2 }),
      fc.subarray([2, 5]),
      fc.constantFrom('06:30', '19:00'),
      fc.constantFrom(KNOWN, [...KNOWN, 'deepened', 'equal-4-4', 'longer-3-4']),
      (length, themes, live, start, already) => {
        const of = asked({ length, themes, live, start });
        for (const { technique, mends } of draft(of, group(already)).left) {
          for (const mend of mends) {
            tried += 1;
            const then = after(of, mend, already);
            if (mend.some((one) => one.mend === 'without')) expect(then.left).not.toContain(technique);
            else expect(then.days.some(({ blocks }) => blocks.some((block) => block.technique === technique))).toBe(true);
          }
        }
      },
    ),
    { numRuns: 8 },
  );
  expect(tried).toBeGreaterThan(2);
});
