import fc from 'fast-check';
import { checkCourse, courseDates, draftCourse, reachedIn, type Arc, type CourseSession, type Goal } from '.';
import { SHIPPED_LIBRARY } from '../library';
import { techniquesIn } from '../plan';
import { isoDate } from '../units';
import { planning } from './example';

/** A course that is spread over the weeks, on plans: the checks accept it, and what is said of it is what stands there. */

const { technique } = SHIPPED_LIBRARY;
const start = isoDate('2026-12-01');
const LOOKS = 2500;

const TARGETS: readonly (readonly [id: string, pattern: string | null, doses: readonly string[]])[] = [
  ['longer-5-6', null, ['5 min', '8 min']],
  ['longer-4-6', '5:8', ['6 min', '10 min']],
  ['equal-4-4', '6:6', ['4 min', '9 min', '30 rounds']],
  ['equal-4-4-4', '6:6:6', ['3 min', '6 min']],
  ['square-4', '5:5:5:5', ['4 min', '8 min']],
  ['alternate-4-4', 'in 4 left, out 6 right, alternating', ['9 rounds of 2', '20 rounds of 2']],
  ['alternate-4-4', null, ['9 rounds of 2', '24 rounds of 2', '9 min']],
  ['five-finger', null, ['5 rounds', '12 rounds']],
  ['4-7-8', null, ['4 rounds', '6 rounds']],
  ['pumps-27', null, ['3 rounds, rest 30 s between rounds', '3 rounds', '5 rounds']],
  ['pumps-27', '27 pumps at 20', ['4 rounds', '2 min']],
  ['hissing', null, ['5 min', '12 min']],
];
const anyGoal: fc.Arbitrary<Goal> = fc
  .record({
    of: fc.constantFrom(...TARGETS),
    dose: fc.nat(),
    practise: fc.integer({ min: 1, max: 3 }),
    everyDays: fc.option(fc.constantFrom(3, 14), { freq: 4 }),
    stepMinutes: fc.option(fc.constantFrom(0.5, 1), { freq: 6 }),
  })
  .map(({ of: [id, pattern, doses], dose, ...rest }) => ({
    technique: id,
    pattern: pattern ?? technique(id).pattern,
    dose: doses[dose % doses.length],
    ...rest,
  }));
/** What a cohort practises, with all below it. */
const PRACTISED = [
  ['natural'],
  ['natural', 'belly', 'deepened'],
  ['natural', 'belly', 'deepened', 'equal-4-4', 'longer-3-4', 'longer-4-5'],
  ['natural', 'belly', 'deepened', 'equal-4-4', 'both-in-4-4', 'alternate-4-4', 'longer-3-4'],
];
const anyArc: fc.Arbitrary<Arc> = fc.record({ pace: fc.constant('spread' as const), breath: fc.constantFrom('calm', 'usual', 'full') });

const dated = (weekdays: readonly number[], weeks: number, minutes: number, hour: string) =>
  courseDates(start, weeks, weekdays, []).map((date, index): CourseSession => ({
    id: `s${index}`,
    date,
    start: hour,
    minutes,
    blocks: [],
    fixed: false,
  }));

test('what is spread over the weeks is what the checks accept; a goal is reached, or it is said why not; drafted on from any class as well', () => {
  let [grown, left, stepped] = [0, 0, 0];
  fc.assert(
    fc.property(
      fc.uniqueArray(anyGoal, { minLength: 1, maxLength: 3, selector: (goal) => goal.technique }),
      fc.subarray([1, 2, 3, 4, 5], { minLength: 1, maxLength: 3 }),
      fc.integer({ min: 5, max: 14 }),
      fc.constantFrom(30, 45, 60, 90),
      fc.constantFrom('07:00', '18:30'),
      fc.constantFrom(2, 5),
      anyArc,
      fc.constantFrom(...PRACTISED),
      (goals, weekdays, weeks, minutes, hour, taughtSo, arc, practised) => {
        const sessions = dated(weekdays, weeks, minutes, hour);
        const rules = planning({ already: new Set(practised) });
        let next = 0;
        const draft = (of: readonly CourseSession[]) =>
          draftCourse(of, goals, rules, () => `id${(next += 1)}`, { enough: enoughIn(300), looks: LOOKS, begin: () => enoughIn(100) }, arc);
        const holds = ({ sessions: made, unplaced, proof }: ReturnType<typeof draft>) => {
          expect(
            checkCourse(made, rules).filter(({ severity, session }) => severity !== 'know' && !made.find(({ id }) => id === session)!.fixed),
          ).toEqual([]);
          goals.forEach((goal, index) => {
            const reached = reachedIn(made, goal);
            expect([goal, reached]).toEqual([goal, proof.reached[index]]);
            expect(unplaced.some((one) => one.goal.technique === goal.technique)).toBe(reached === null);
          });
        };
        const first = draft(sessions);
        holds(first);
        left += first.unplaced.length;
        grown += first.sessions.filter(({ blocks }) => techniquesIn(blocks).some(({ technique: id, dose }) => dose !== technique(id).dose)).length;
        stepped += first.sessions.filter(({ blocks }) =>
          techniquesIn(blocks).some(({ technique: id, pattern }) => pattern !== technique(id).pattern),
        ).length;
        const taught = first.sessions.map((session, index): CourseSession =>
          index < taughtSo ? { ...session, fixed: true } : { ...session, blocks: [] },
        );
        holds(draft(taught));
      },
    ),
    { numRuns: Number(process.env.SPREAD_RUNS ?? 60), seed: Number(process.env.SPREAD_SEED ?? 11) },
  );
  expect(Math.min(grown, stepped, left)).toBeGreaterThan(10);
});

test('when a class falls out, what stands is gone on from: every rule is kept, no goal is lost by it, and less changes, least of what was read', () => {
  const changed = { anew: 0, on: 0, open: 0, read: 0 };
  fc.assert(
    fc.property(
      fc.uniqueArray(anyGoal, { minLength: 1, maxLength: 3, selector: (goal) => goal.technique }),
      fc.integer({ min: 8, max: 12 }),
      fc.nat(20),
      anyArc,
      fc.constantFrom(...PRACTISED),
      (goals, weeks, lost, arc, practised) => {
        const rules = planning({ already: new Set(practised) });
        let next = 0;
        const draft = (of: readonly CourseSession[]) =>
          draftCourse(of, goals, rules, () => `id${(next += 1)}`, { enough: enoughIn(300), looks: 4 * LOOKS, begin: () => enoughIn(50) }, arc);
        const first = draft(dated([1, 4], weeks, 60, '18:30')).sessions;
        const rest = first.filter((_, index) => index !== lost % first.length);
        const held = ({ blocks }: CourseSession) => JSON.stringify(techniquesIn(blocks).map((one) => [one.technique, one.pattern, one.dose]));
        const differs = (made: readonly CourseSession[]) => made.map((session, index) => held(session) !== held(rest[index]));
        const anew = draft(rest.map((session) => ({ ...session, blocks: [] })));
        // Every class is read in one of two, so that what is left alone is left for that.
        for (const half of [0, 1]) {
          const isRead = (index: number) => index % 2 === half;
          const on = draft(rest.map((session, index): CourseSession => (isRead(index) ? { ...session, inHand: 'read' } : session)));
          expect(checkCourse(on.sessions, rules).filter(({ severity }) => severity !== 'know')).toEqual([]);
          expect(on.proof.dropped).toBeLessThanOrEqual(anew.proof.dropped);
          changed.anew += differs(anew.sessions).filter(Boolean).length;
          differs(on.sessions).forEach((other, index) => {
            if (!other) return;
            changed.on += 1;
            changed[isRead(index) ? 'read' : 'open'] += 1;
          });
        }
      },
    ),
    { numRuns: 8, seed: 5 },
  );
  expect(changed.on).toBeLessThan(0.7 * changed.anew);
  expect(changed.read).toBeLessThan(0.8 * changed.open);
});

test('drafted again as it stands, nothing changes', () => {
  const goals: Goal[] = [
    { technique: 'longer-5-6', pattern: '5:6', dose: '7 min', practise: 2 },
    { technique: 'hissing', pattern: technique('hissing').pattern, dose: '5 min', practise: 2 },
  ];
  const rules = planning({ already: new Set(['natural', 'belly', 'deepened', 'equal-4-4']) });
  let next = 0;
  const draft = (of: readonly CourseSession[]) =>
    draftCourse(of, goals, rules, () => `id${(next += 1)}`, { enough: () => false, looks: 20_000 }, { pace: 'spread', breath: 'usual' });
  const first = draft(dated([1, 4], 8, 75, '18:30'));
  expect(first.unplaced).toEqual([]);
  expect(draft(first.sessions).sessions).toEqual(first.sessions);
});

function enoughIn(ms: number): () => boolean {
  const until = performance.now() + ms;
  return () => performance.now() > until;
}
