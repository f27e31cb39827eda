import fc from 'fast-check';
import { courseDates, draftCourse, givenText, whatWeeksGive, type CourseSession, type Goal, type Planning } from '.';
import { SHIPPED_LIBRARY } from '../library';
import { isoDate } from '../units';
import { planning } from './example';

/** What the weeks of a course give is what a draft of them reaches. */

const { technique } = SHIPPED_LIBRARY;
const first = isoDate('2027-01-04');
const never = () => () => false;
const dated = (weeks: number, weekdays: readonly number[] = [1, 4], start = '18:30'): CourseSession[] =>
  courseDates(first, weeks, weekdays, []).map((date) => ({ id: date, date, start, minutes: 60, blocks: [], fixed: false }));
const rules = (weeks: number, weekdays: readonly number[] = [1, 4], over: Partial<Planning> = {}): Planning =>
  planning({
    already: new Set(['natural', 'belly']),
    further: { firstDate: first, weeks, dates: courseDates(first, 26, weekdays, []).filter((date) => date > dated(weeks, weekdays).at(-1)!.date) },
    ...over,
  });
const goal = (id: string, over: Partial<Goal> = {}): Goal => ({
  technique: id,
  pattern: technique(id).pattern,
  dose: technique(id).dose,
  practise: 2,
  ...over,
});
const reachedIn = (sessions: readonly CourseSession[], goals: readonly Goal[], of: Planning) => {
  let next = 0;
  const { proof } = draftCourse(sessions, goals, of, () => `id${(next += 1)}`, { enough: never(), begin: () => () => true });
  return proof.reached.map((at) => (at === null ? null : sessions[at - 1].date));
};

const anyGoal = fc.record({
  technique: fc.constantFrom('longer-4-6', 'longer-5-6', 'equal-4-4-4', 'alternate-4-4', 'square-4', '4-7-8', 'hissing', 'pumps-27', 'five-finger'),
  practise: fc.integer({ min: 1, max: 3 }),
  grows: fc.boolean(),
});

test('what is said of each wish is what a draft of these weeks, and of as many as it takes, comes to', () => {
  const seen = { whole: 0, short: 0, weeks: 0, blocked: 0 };
  fc.assert(
    fc.property(
      fc.uniqueArray(anyGoal, { minLength: 1, maxLength: 3, selector: (one) => one.technique }),
      fc.integer({ min: 1, max: 8 }),
      fc.subarray([1, 3, 4], { minLength: 1, maxLength: 2 }),
      fc.constantFrom('07:00', '18:30'),
      (wishes, weeks, weekdays, start) => {
        const goals = wishes.map(({ technique: id, practise, grows }) =>
          goal(id, { practise, ...(grows && id === 'longer-4-6' ? { pattern: '5:8', dose: '6 min' } : {}) }),
        );
        const [sessions, of] = [dated(weeks, weekdays, start), rules(weeks, weekdays)];
        const given = whatWeeksGive(sessions, goals, of, never);
        expect(given.map(({ date }) => date)).toEqual(reachedIn(sessions, goals, of));
        for (const { goal: wish, date, alone, upTo, weeks: more, blocked, settled } of given) {
          expect(settled).toBe(true);
          const by = (asked: Goal, many: number) => reachedIn(dated(many, weekdays, start), [asked], rules(many, weekdays))[0];
          if (date !== null) {
            seen.whole += 1;
            continue;
          }
          expect(by(wish, weeks)).toBe(alone);
          if (upTo) {
            seen.short += 1;
            const { date: day, ...way } = upTo;
            expect(by({ practise: wish.practise, ...way }, weeks)).toBe(day);
          }
          if (more !== null) {
            seen.weeks += 1;
            expect([by(wish, more) !== null, by(wish, more - 1)]).toEqual([true, null]);
          }
          if (blocked) {
            seen.blocked += 1;
            expect([more, by(wish, 20)]).toEqual([null, null]);
          }
        }
      },
    ),
    { numRuns: 16, seed: 4 },
  );
  expect(Math.min(seen.whole, seen.short, seen.weeks, seen.blocked)).toBeGreaterThan(1);
});

const said = (goals: readonly Goal[], weeks: number, over: Partial<Planning> = {}, counts = true) =>
  whatWeeksGive(dated(weeks), goals, rules(weeks, [1, 4], over), never).map((given) => givenText(given, SHIPPED_LIBRARY, first, weeks, counts));

test('it is said in words: by when, or how far, how many weeks all of it takes, and what no week changes', () => {
  expect(said([goal('longer-4-6')], 6)).toMatchObject([{ name: 'Longer exhale 4:6', whole: true, says: 'by Thu 4 Feb, week 5, at the earliest' }]);
  const [{ whole, says }] = said([goal('longer-5-6')], 4);
  expect([whole, says]).toEqual([false, 'not in 4 weeks: they give Longer exhale 4:5 for 4 min, by Thu 28 Jan, week 4; all of it takes 5']);
  expect(said([goal('pumps-27')], 8)[0].says).toMatch(/^cannot be placed: it is for the morning/);
});

test('for whom: who does it otherwise, who is qualified, and how many can be ready at most; only for whoever sees reasons', () => {
  const tally = () => ({ people: 10, leaveOut: 1, askFirst: 0, adapt: 2, watch: 0, near: 0 });
  const comers = Array.from({ length: 10 }, () => ({ rate: 0.5, came: {} }));
  const over = { tally, comers, qualified: () => ['Corin V.'] };
  const wish = goal('longer-4-6', { ready: 80 });
  const [{ beside }] = said([wish], 5, over);
  expect(beside.slice(0, 1)).toEqual(['of 10, one leaves it out and 2 do it adapted']);
  expect(beside[1]).toBe('8 of 10 are to be ready, and none can be expected to; 12 weeks are the fewest in which enough could be');
  expect(beside[2]).toBe('its teacher is not qualified for it; Corin V. could take it');
  expect(said([wish], 5, over, false)[0].beside).toEqual([beside[2]]);
  expect(said([wish], 26, { ...over, comers: comers.map(() => ({ rate: 1, came: {} })) })[0].beside).toEqual([beside[0], beside[2]]);
});

test('nothing asked for, and no class', () => {
  expect([whatWeeksGive([], [goal('belly')], rules(1), never), whatWeeksGive(dated(2), [], rules(2), never)]).toEqual([[], []]);
});
