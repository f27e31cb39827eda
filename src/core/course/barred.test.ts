import fc from 'fast-check';
import {
  aheadTexts,
  blockedAhead,
  checkCourse,
  draftCourse,
  planningOf,
  reachedIn,
  tallyKey,
  unplacedTexts,
  waysOut,
  waysOfDraft,
  type CourseProblem,
  type CourseSession,
  type Goal,
} from '.';
import { DEFAULT_SCHOOLS } from '../conventions';
import { tallier } from '../instructions';
import { SHIPPED_LIBRARY } from '../library';
import { ASKED, changedRulebook, NOT_SCREENED, RULEBOOK, type ConditionAnswer } from '../screening';
import { addDays, isoDate, millis } from '../units';

/** What a whole cohort must leave out is in no draft, on whatever step and in whatever class. */

const { techniques, technique } = SHIPPED_LIBRARY;
const first = isoDate('2026-11-24');
const house = {
  library: SHIPPED_LIBRARY,
  naturalBreath: millis(4000),
  schools: { studio: DEFAULT_SCHOOLS, own: {} },
  rulebook: changedRulebook([]),
  seat: 'floor' as const,
};

/** A course for people who all have the same, as it goes to a worker: with who may do what on which day, and nothing else. */
function courseFor(conditions: readonly string[], goals: readonly Goal[], until: string | null = null): CourseProblem {
  const sessions = Array.from({ length: 20 }, (_, index): CourseSession => ({
    id: `s${index}`,
    date: addDays(first, index * 4),
    start: '18:30',
    minutes: 75,
    blocks: [],
    fixed: false,
  }));
  const answers = conditions.map((condition): ConditionAnswer => ({ condition, answer: 'yes', date: null, parts: {} }));
  const screened = { ...NOT_SCREENED, screenedOn: first, birthDate: isoDate('1985-05-05'), answers };
  // A clinician said yes until some day: what everybody may do today nobody may do afterwards.
  const clearances = until ? [{ rules: RULEBOOK.map(({ id }) => id), on: first, until: isoDate(until) }] : [];
  const people = ['a', 'b'].map((id) => ({ id, name: id, comfort: { inhale: null, exhale: null }, screened: { ...screened, clearances } }));
  const tally = tallier(people, house);
  const taught = Object.fromEntries(techniques.map(({ id, pattern, dose }) => [id, { pattern, dose }]));
  const dates = Array.from({ length: 10 }, (_, index) => addDays(first, 80 + index * 4));
  const problem: CourseProblem = {
    sessions,
    goals,
    own: [],
    already: ['natural', 'belly', 'deepened'],
    tempo: 1000,
    naturalBreath: millis(4000),
    seat: 'floor',
    further: { firstDate: first, weeks: 12, dates },
    taught,
    tallies: {},
    staff: [{ name: 'Own', qualifications: techniques.map(({ family }) => ({ family, since: isoDate('2020-01-01') })) }],
  };
  const asked = waysOfDraft(sessions, goals, planningOf(problem));
  const everything = [...asked.ways, ...techniques.map(({ id }) => ({ technique: id, ...taught[id], tempo: 1000 }))];
  return {
    ...problem,
    tallies: Object.fromEntries(asked.dates.flatMap((date) => everything.map((way) => [tallyKey(way, date), tally(way, date)]))),
  };
}

const drafted = (problem: CourseProblem) => {
  let next = 0;
  const planning = planningOf(problem);
  return { planning, draft: draftCourse(problem.sessions, problem.goals, planning, () => `id${(next += 1)}`) };
};
const goal = (id: string, pattern: string, dose: string = technique(id).dose): Goal => ({ technique: id, pattern, dose, practise: 2 });
const GOALS: readonly Goal[] = [
  goal('equal-4-4-4', '6:6:6'),
  goal('square-4', '6:6:6:6'),
  goal('equal-4-4', '6:6'),
  goal('longer-4-6', '5:8'),
  goal('pumps-27', technique('pumps-27').pattern, '3 rounds'),
  goal('right-in', technique('right-in').pattern),
];

test('no draft puts anything where everybody must leave it out, whatever all of them have and however long they may', () => {
  fc.assert(
    fc.property(
      fc.subarray(
        ASKED.map(({ id }) => id),
        { minLength: 1, maxLength: 2 },
      ),
      fc.subarray([...GOALS], { minLength: 1, maxLength: 2 }),
      fc.option(fc.constantFrom('2026-12-20', '2027-01-10')),
      (conditions, goals, until) => {
        const { planning, draft } = drafted(courseFor(conditions, goals, until));
        expect(checkCourse(draft.sessions, planning).filter(({ finding }) => finding.code === 'left out by all')).toEqual([]);
        for (const one of goals) {
          const left = draft.unplaced.some((unplaced) => unplaced.goal.technique === one.technique);
          expect([one.technique, reachedIn(draft.sessions, one) === null]).toEqual([one.technique, left]);
        }
      },
    ),
    { numRuns: 15 },
  );
}, 60_000);

test('a goal whose last step nobody may do says so before anything is drafted, and others say nothing', () => {
  const problem = courseFor(['hernia'], [goal('equal-4-4-4', '6:6:6'), goal('equal-4-4', '6:6')]);
  const planning = planningOf(problem);
  expect(aheadTexts(blockedAhead(problem.sessions, problem.goals, planning), SHIPPED_LIBRARY)).toEqual([
    'Equal 4:4:4 cannot be placed: everyone in the cohort must leave its last step out; 2 of 2 may go up to 4:4:4 for 3 min.',
  ]);
});

test('a goal whose last step nobody may do is not placed, and it is said how far somebody may go', () => {
  const { draft } = drafted(courseFor(['hernia'], [goal('equal-4-4-4', '6:6:6')]));
  expect(draft.unplaced).toMatchObject([{ goal: { technique: 'equal-4-4-4' }, blocked: { why: 'left out by all' } }]);
  expect(unplacedTexts(draft.unplaced, SHIPPED_LIBRARY)).toEqual([
    'Equal 4:4:4 could not be placed: everyone in the cohort must leave its last step out; 2 of 2 may go up to 4:4:4 for 3 min.',
  ]);
  expect(waysOut(draft.unplaced, SHIPPED_LIBRARY).map(({ text }) => text)).toEqual(['Equal 4:4:4 up to 4:4:4 for 3 min']);
  // Whoever does not see reasons reads no counts of people.
  expect(unplacedTexts(draft.unplaced, SHIPPED_LIBRARY, false)).toEqual([
    'Equal 4:4:4 could not be placed: everyone in the cohort must leave its last step out; it goes no further than 4:4:4 for 3 min.',
  ]);
});
