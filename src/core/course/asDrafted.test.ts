import fc from 'fast-check';
import { checkCourse, courseDates, draftCourse, reachedIn, type CourseSession, type Goal } from '.';
import { SHIPPED_LIBRARY } from '../library';
import { techniquesIn } from '../plan';
import { isoDate } from '../units';
import { planning } from './example';
import { sumOf } from './example';

/** What the drafter makes, the checks accept: a draft that is kept is asked every rule again. */

const { technique } = SHIPPED_LIBRARY;
const start = isoDate('2026-12-01');

/** Goals with far to go: counts, layers, pumps, rounds, minutes, also to where no guard lets anybody come. */
const TARGETS: readonly (readonly [id: string, pattern: string | null, doses: readonly string[]])[] = [
  ['equal-4-4', null, ['8 min', '12 min']],
  ['equal-4-4', '6:6', ['4 min', '9 min', '30 rounds']],
  ['longer-4-6', '5:8', ['6 min', '10 min']],
  ['equal-4-4-4', '6:6:6', ['3 min', '6 min']],
  ['square-4', '5:5:5:5', ['4 min', '8 min']],
  ['alternate-4-4', null, ['9 min']],
  ['pumps-27', null, ['3 rounds', '9 rounds']],
  ['hissing', null, ['12 min']],
];
const anyGoal: fc.Arbitrary<Goal> = fc
  .record({
    of: fc.constantFrom(...TARGETS),
    dose: fc.nat(),
    practise: fc.integer({ min: 1, max: 3 }),
    everyDays: fc.option(fc.constantFrom(3, 14), { freq: 4 }),
  })
  .map(({ of: [id, pattern, doses], dose, practise, everyDays }) => ({
    technique: id,
    pattern: pattern ?? technique(id).pattern,
    dose: doses[dose % doses.length],
    practise,
    everyDays,
  }));

test('what is drafted is what the checks accept, and a goal is reached or it is said why not', () => {
  let [lighter, left] = [0, 0];
  fc.assert(
    fc.property(
      fc.uniqueArray(anyGoal, { minLength: 1, maxLength: 3, selector: (goal) => goal.technique }),
      fc.subarray([1, 2, 3, 4, 5], { minLength: 1, maxLength: 3 }),
      fc.integer({ min: 6, max: 16 }),
      fc.constantFrom(45, 60, 90),
      fc.constantFrom('07:00', '18:30'),
      fc.constantFrom(2, 5),
      (goals, weekdays, weeks, minutes, hour, taughtSo) => {
        const sessions = courseDates(start, weeks, weekdays, []).map((date, index): CourseSession => ({
          id: `s${index}`,
          date,
          start: hour,
          minutes,
          blocks: [],
          fixed: false,
        }));
        const rules = planning({ already: new Set(['natural', 'belly', 'deepened']) });
        let next = 0;
        const draft = (of: readonly CourseSession[]) => draftCourse(of, goals, rules, () => `id${(next += 1)}`, { enough: enoughIn(400) });
        const first = draft(sessions);
        expect(checkCourse(first.sessions, rules).filter(({ severity }) => severity !== 'know')).toEqual([]);
        for (const goal of goals) {
          const unplaced = first.unplaced.some((one) => one.goal.technique === goal.technique);
          expect([goal.technique, reachedIn(first.sessions, goal) === null]).toEqual([goal.technique, unplaced]);
        }
        left += first.unplaced.length;
        lighter += first.sessions.filter(({ blocks }) => techniquesIn(blocks).some(({ dose }) => /^(3|4\.5|5|6) min$/.test(dose))).length;
        // Some of it was taught, and the rest is drafted again: from the level a climb was on, whether or not its last class was a lighter one.
        const on = first.sessions.map((session, index): CourseSession =>
          index < taughtSo ? { ...session, fixed: true } : { ...session, blocks: [] },
        );
        const again = draft(on);
        // What was drafted before goes on from there, so that nothing better than it is lost.
        if (again.proof.proved)
          expect(
            [again.proof.dropped, sumOf(again.proof)].map(
              (n, at) => n <= [first.proof.dropped, first.proof.dropped < again.proof.dropped ? 0 : sumOf(first.proof)][at],
            ),
          ).toEqual([true, true]);
        expect(checkCourse(again.sessions, rules).filter(({ severity }) => severity !== 'know')).toEqual([]);
      },
    ),
    { numRuns: 150 },
  );
  expect(Math.min(lighter, left)).toBeGreaterThan(20);
});

test('a climb is never asked to end below what was taught of it', () => {
  const goals = [
    { technique: 'equal-4-4', pattern: '4:4', dose: '8 min', practise: 3, everyDays: null },
    { technique: 'equal-4-4-4', pattern: '6:6:6', dose: '3 min', practise: 1, everyDays: null },
  ];
  const rules = planning({ already: new Set(['natural', 'belly', 'deepened']) });
  const sessions = courseDates(start, 8, [5], []).map((date, index): CourseSession => ({
    id: `s${index}`,
    date,
    start: '07:00',
    minutes: 45,
    blocks: [],
    fixed: false,
  }));
  let next = 0;
  const draft = (of: readonly CourseSession[]) => draftCourse(of, goals, rules, () => `id${(next += 1)}`);
  const taught = draft(sessions).sessions.map((session, index): CourseSession =>
    index < 5 ? { ...session, fixed: true } : { ...session, blocks: [] },
  );
  expect(draft(taught).unplaced.length).toBeGreaterThan(0);
});

function enoughIn(ms: number): () => boolean {
  const until = performance.now() + ms;
  return () => performance.now() > until;
}
