import fc from 'fast-check';
import { checkCourse, draftCourse, planningOf, tallyKey, type CourseProblem, type CourseSession, type Tally } from '.';
import { wayDown } from '../ladder';
import { SHIPPED_LIBRARY } from '../library';
import { tideBreath } from '../library/example';
import { addDays, isoDate, millis } from '../units';
import { sumOf } from './example';

const { technique, techniques } = SHIPPED_LIBRARY;
const day = isoDate('2026-11-24');
const own = tideBreath('0193a1f0-0000-7000-8000-000000000001');
const nobody: Tally = { people: 10, leaveOut: 0, askFirst: 0, adapt: 0, watch: 0, near: 0 };

const sessions: CourseSession[] = Array.from({ length: 18 }, (_, index) => ({
  id: `s${index}`,
  date: addDays(day, index * 4),
  start: '18:30',
  minutes: 60,
  blocks: [],
  fixed: false,
}));

function problem(goals: readonly string[], over: Partial<CourseProblem> = {}): CourseProblem {
  const taught = Object.fromEntries(techniques.map(({ id, pattern, dose }) => [id, { pattern, dose }]));
  taught[own.technique.id] = { pattern: own.technique.pattern, dose: own.technique.dose };
  const ways = Object.entries(taught).map(([id, way]) => ({ technique: id, ...way, tempo: 1000 }));
  return {
    sessions,
    goals: goals.map((id) => ({ technique: id, ...taught[id], practise: 2 })),
    own: [own],
    already: ['natural', 'belly', 'deepened'],
    tempo: 1000,
    naturalBreath: millis(4000),
    seat: 'floor',
    taught,
    tallies: Object.fromEntries(sessions.flatMap(({ date }) => ways.map((way) => [tallyKey(way, date), nobody]))),
    staff: [{ name: 'Own', qualifications: techniques.map(({ family }) => ({ family, since: isoDate('2020-01-01') })) }],
    ...over,
  };
}
const counted = () => {
  let next = 0;
  return () => `id${(next += 1)}`;
};
const drafted = (of: CourseProblem) => draftCourse(of.sessions, of.goals, planningOf(of), counted());

test('a problem is plain data: sent to a worker and back it drafts the same course', () => {
  fc.assert(
    fc.property(fc.subarray(['longer-5-6', 'alternate-4-4', 'equal-4-4-4', 'hissing', 'five-finger'], { minLength: 1 }), (goals) => {
      const here = problem(goals);
      expect(drafted(JSON.parse(JSON.stringify(here)) as CourseProblem)).toEqual(drafted(here));
      expect(drafted(structuredClone(here))).toEqual(drafted(here));
    }),
    { numRuns: 12 },
  );
});

test('a technique of the studio’s own is climbed to over its own edges', () => {
  const { sessions: done, unplaced } = drafted(
    problem([own.technique.id], {
      staff: [{ name: 'Own', qualifications: [...problem([]).staff[0].qualifications, { family: own.technique.id, since: day }] }],
    }),
  );
  expect(unplaced).toEqual([]);
  const first = (id: string) => done.findIndex(({ blocks }) => blocks.some((one) => one.kind === 'technique' && one.technique === id));
  expect(first('longer-4-6')).toBeGreaterThanOrEqual(0);
  expect(first('longer-4-6')).toBeLessThan(first(own.technique.id));
  expect(wayDown(SHIPPED_LIBRARY.edges, own.technique.id)).toEqual([]);
});

test('what a problem does not bring along is a bug that says so', () => {
  expect(() => planningOf(problem([], { taught: {} })).taught('belly')).toThrow('does not bring along how belly is taught');
  expect(() => drafted(problem(['longer-5-6'], { tallies: {} }))).toThrow('does not bring along who may do');
});

test('a teacher is qualified from the day of their qualification on, by the family', () => {
  const from = addDays(day, 4);
  const staff = [
    { name: 'Own', qualifications: [{ family: 'equal', since: from }] },
    { name: 'Other', qualifications: [{ family: 'equal', since: day }] },
  ];
  const { qualified } = planningOf(problem([], { staff }));
  expect([addDays(day, -1), addDays(from, -1), from].map((date) => qualified('equal', date))).toEqual([[], ['Other'], 'own']);
  expect(qualified('longer-exhale', from)).toEqual([]);
});

test.each([
  ['leaves it out', { leaveOut: 10 }, ['left out by all']],
  ['waits for a clinician', { askFirst: 10 }, ['left out by all']],
  ['leaves it out or waits, together', { leaveOut: 4, askFirst: 6 }, ['left out by all']],
  ['but one leaves it out', { leaveOut: 9 }, ['adapted']],
  ['stands near a limit', { near: 1 }, ['near a limit']],
  ['does it as taught', {}, []],
] as const)('where everybody %s', (_, counts, codes) => {
  const { pattern, dose } = technique('equal-4-4');
  const block = { id: 'b', kind: 'technique', technique: 'equal-4-4', pattern, dose, tempo: 1000 } as const;
  const of = problem([], { already: ['natural', 'belly', 'deepened', 'equal-4-4'], tallies: { [tallyKey(block, day)]: { ...nobody, ...counts } } });
  const found = checkCourse([{ ...sessions[0], blocks: [block] }], planningOf(of)).map(({ finding }) => finding.code);
  expect(found).toEqual(codes);
});

test.each([
  [['longer-5-6', 'hissing'], '6 min'],
  [['alternate-4-4'], '9 rounds of 2'],
  [['equal-4-4-4', 'longer-4-6'], '5 min'],
] as const)('what was taught of %j stays where the draft had it: drafting again from any class on changes nothing', (goals, dose) => {
  const of = problem(goals);
  const wanted = of.goals.map((goal, index) => (index === 0 ? { ...goal, dose } : goal));
  const first = draftCourse(of.sessions, wanted, planningWithAll(of), counted());
  expect(first.unplaced).toEqual([]);
  for (const taught of [0, 1, 3, 6, 9]) {
    const from = first.sessions.map((session, index) => ({ ...session, fixed: index < taught }));
    const again = draftCourse(from, wanted, planningWithAll(of), counted());
    expect([taught, again.sessions, sumOf(again.proof)]).toEqual([taught, from, sumOf(first.proof)]);
  }
});

test('a goal that was taught at a lower dose only is not reached yet', () => {
  const of = problem(['longer-5-6']);
  const [goal] = of.goals;
  const low = { id: 'low', kind: 'technique', technique: 'longer-5-6', pattern: goal.pattern, dose: '2 min', tempo: 1000 } as const;
  const already = [...of.already, ...wayDown(SHIPPED_LIBRARY.edges, 'longer-5-6')];
  const from = of.sessions.map((session, index) => (index < 3 ? { ...session, fixed: true, blocks: [low] } : session));
  const { proof, sessions: drafted_ } = draftCourse(from, [{ ...goal, dose: '4 min' }], planningWithAll({ ...of, already }), counted());
  const at = proof.reached[0]!;
  const doses = drafted_
    .slice(3, at)
    .flatMap(({ blocks }) => blocks.flatMap((block) => (block.kind === 'technique' && block.technique === 'longer-5-6' ? [block.dose] : [])));
  expect([at > 3, doses.slice(-2)]).toEqual([true, ['4 min', '4 min']]);
});

/** A planning that knows who may do anything. */
function planningWithAll(of: CourseProblem) {
  return { ...planningOf(of), tally: () => nobody };
}

test('what was outgrown before the course does not come back to fill a class', () => {
  const of = problem(['hissing'], { already: ['natural', 'belly', 'deepened', 'equal-4-4', 'longer-3-4', 'longer-4-5'] });
  const { sessions: held } = draftCourse(of.sessions, of.goals, planningWithAll(of), counted());
  const taught = held.flatMap(({ blocks }) => blocks.flatMap((block) => (block.kind === 'technique' ? [block.technique] : [])));
  expect([taught.includes('longer-4-5'), taught.includes('longer-3-4')]).toEqual([true, false]);
});

test('a dose that screening sees the same in as in the taught one has its answer, another is asked for', () => {
  const few: Tally = { ...nobody, adapt: 3 };
  const way = (id: string, dose: string) => ({ technique: id, pattern: technique(id).pattern, dose, tempo: 1000 });
  const tallies = { [tallyKey(way('belly', '3 min'), day)]: few, [tallyKey(way('natural', '2 min'), day)]: few };
  const { tally } = planningOf(problem([], { tallies }));
  expect([tally(way('belly', '7 min'), day), tally(way('natural', '14.5 min'), day)]).toEqual([few, few]);
  // From a quarter of an hour on it is stillness; and another day is another question.
  expect(() => tally(way('natural', '15 min'), day)).toThrow('does not bring along');
  expect(() => tally(way('belly', '7 min'), addDays(day, 4))).toThrow('does not bring along');
});
