import { courseDates, draftCourse, planningOf, readyMends, type Comer, type CourseProblem, type CourseSession, type Goal, type MendCode } from '.';
import { SHIPPED_LIBRARY } from '../library';
import { isoDate, millis } from '../units';

const { technique } = SHIPPED_LIBRARY;
const first = isoDate('2027-01-04');
const goal = (id: string, over: Partial<Goal> = {}): Goal => ({
  technique: id,
  pattern: technique(id).pattern,
  dose: technique(id).dose,
  practise: 2,
  ready: 80,
  ...over,
});
const dated = (weeks: number): CourseSession[] =>
  courseDates(first, weeks, [1, 4], []).map((date) => ({ id: date, date, start: '18:30', minutes: 60, blocks: [], fixed: false }));
const twelve: readonly Comer[] = Array.from({ length: 12 }, () => ({ rate: 0.75, came: {} }));
const nobody = { people: 12, leaveOut: 0, askFirst: 0, adapt: 0, watch: 0, near: 0 };

/** A problem of which everybody may do everything. */
const problem = (weeks: number, goals: readonly Goal[], over: Partial<CourseProblem> = {}): CourseProblem => ({
  sessions: dated(weeks),
  goals,
  arc: { pace: 'spread', breath: 'usual' },
  own: [],
  already: ['natural', 'belly', 'deepened'],
  tempo: 1000,
  naturalBreath: millis(4000),
  seat: 'floor',
  further: { firstDate: first, weeks, dates: courseDates(first, 26, [1, 4], []).filter((date) => date > dated(weeks).at(-1)!.date) },
  taught: Object.fromEntries(SHIPPED_LIBRARY.techniques.map(({ id, pattern, dose }) => [id, { pattern, dose }])),
  tallies: new Proxy({}, { get: () => nobody }),
  staff: [{ name: 'Corin V.', qualifications: SHIPPED_LIBRARY.techniques.map(({ family }) => ({ family, since: '2020-01-01' })) }],
  settled: true,
  comers: twelve,
  ...over,
});

const with_ = (of: CourseProblem, mends: readonly MendCode[]): CourseProblem =>
  mends.reduce((now, { code, technique: about, number }): CourseProblem => {
    const change = (to: Partial<Goal>) => ({ ...now, goals: now.goals.map((one) => (one.technique === about ? { ...one, ...to } : one)) });
    if (code === 'weeks') return { ...now, sessions: dated(number!) };
    if (code === 'times') return change({ practise: number! });
    if (code === 'ready') return change({ ready: number });
    if (code === 'without') return { ...now, goals: now.goals.filter((one) => one.technique !== about) };
    throw new Error(`no way known to take ${code}`);
  }, of);

const readyIn = (of: CourseProblem) => {
  let made = 0;
  const { proof } = draftCourse(of.sessions, of.goals, planningOf(of), () => `id${(made += 1)}`, { enough: () => false, looks: 60_000 }, of.arc);
  if (proof.aim !== 'spread') throw new Error('not spread');
  return { ready: proof.ready, enough: proof.broken.every(({ requirement }) => requirement !== 'ready') };
};

test('each change that is offered makes enough ready once it is taken, and as many as was said', () => {
  const asked = problem(5, [goal('longer-5-6'), goal('equal-4-4-4')]);
  expect(readyIn(asked).enough).toBe(false);
  const offered = [...readyMends(asked)];
  expect(offered.map(({ mends }) => mends.map(({ code }) => code).join())).toEqual(expect.arrayContaining(['weeks', 'ready']));
  for (const { mends, ready } of offered) {
    const taken = with_(asked, mends);
    const now = readyIn(taken);
    // To ask for less is to have what there is: what else could be had for it may be better still.
    if (mends.every(({ code }) => code !== 'ready')) expect(ready.map(({ expected }) => expected)).toEqual(now.ready);
    expect([mends, now.enough]).toEqual([mends, true]);
  }
  const weeks = offered.flatMap(({ mends }) => mends.flatMap(({ code, number }) => (code === 'weeks' ? [number!] : [])));
  expect(weeks[0]).toBeGreaterThan(5);
});

test('nothing is offered where enough are ready, nothing is asked, nobody is known, or something has no place at all', () => {
  const none = (over: Partial<CourseProblem>, goals = [goal('longer-5-6')], weeks = 5) => [...readyMends(problem(weeks, goals, over))];
  expect(none({}, [goal('equal-4-4', { ready: 50 })], 8)).toEqual([]);
  expect(none({}, [goal('longer-5-6', { ready: null })])).toEqual([]);
  expect(none({ comers: [] })).toEqual([]);
  expect(none({ arc: { pace: 'soon', breath: 'usual' } })).toEqual([]);
  expect(none({}, [goal('longer-5-6'), goal('pumps-27')])).toEqual([]);
});
