import { readFileSync } from 'node:fs';
import loadSolver from 'highs';
import { modelOf } from '../src/core/course/drafting/cases';
import { LEFT_OUT, milpOf } from './milp';
import { GUARDS } from '../src/core/climb';
import { checkCourse, draftCourse, type CourseSession, type Planning } from '../src/core/course';
import { clashOf, mendsFor, solve, type Case, type CaseFile } from '../src/core/course/drafting';
import { readinessOf } from '../src/core/forecast';
import { SHIPPED_LIBRARY } from '../src/core/library';
import { blockTime } from '../src/core/plan';
import { isSideWork } from '../src/core/techniques';
import { addDays, isoDate, millis } from '../src/core/units';

const HOUR = { morning: 'm', day: 'd', evening: 'e' } as const;
const basis = { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) };

const file: CaseFile = {
  frame: { arrive: 4, movement: 5, movementFrom: 45, clearNose: 1, settle: 2, rest: 5, close: 3 },
  techniques: Object.fromEntries(
    SHIPPED_LIBRARY.techniques.map((technique) => [
      technique.id,
      {
        ms: blockTime({ id: 'b', kind: 'technique', technique: technique.id, pattern: technique.pattern, dose: technique.dose, tempo: 1000 }, basis),
        settle: technique.read.pattern.kind === 'natural' ? 0 : technique.read.pattern.kind === 'connected' ? 2.5 : 1,
        hours: technique.taughtAt.map((hour) => HOUR[hour]).join(''),
        nature: technique.nature,
        side: isSideWork(technique) ? 1 : 0,
        rung: technique.rung,
        family: technique.family,
      },
    ]),
  ),
  edges: SHIPPED_LIBRARY.edges.map(({ needs, to, sessions, days }) => [needs, to, sessions, days] as const),
  instances: [],
};

/** Numbers that look thrown and are the same in every run. */
function thrower(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (state * 1_103_515_245 + 12_345) & 0x7fffffff;
    return Math.floor((state / 0x80000000) * below);
  };
}

/** A request of so many goals over so many weeks, two or three classes a week. */
function request(seed: number, goals: number, weeks: number): Case {
  const pick = thrower(seed * 7919 + 1);
  const days = pick(2) === 0 ? [0, 3] : [0, 2, 4];
  const dates = Array.from({ length: weeks }, (_, week) =>
    days.map((day) => new Date(Date.UTC(2027, 0, 4 + week * 7 + day)).toISOString().slice(0, 10)),
  ).flat();
  const hour = 'mde'[pick(3)];
  const minutes = [45, 60, 75, 90][pick(4)];
  const able = SHIPPED_LIBRARY.techniques.filter(({ id, rung }) => file.techniques[id].hours.includes(hour) && rung > 1).map(({ id }) => id);
  const chosen = new Set<string>();
  while (chosen.size < goals) chosen.add(able[pick(able.length)]);
  return {
    id: `r${seed}`,
    dates,
    hours: hour.repeat(dates.length),
    minutes: dates.map(() => minutes),
    already: ['natural', 'belly', 'deepened', ...(pick(2) === 0 ? ['equal-4-4'] : [])],
    banned: [],
    unqualified: [],
    goals: [...chosen].map((v) => ({ v, r: 1 + pick(3) })),
    fixed: [],
    pins: [],
    most: 5,
  };
}

const quantile = (of: readonly number[], share: number) => [...of].sort((a, b) => a - b)[Math.min(of.length - 1, Math.floor(of.length * share))];

function measure(name: string, cases: readonly Case[]): void {
  const [times, firsts, mends]: [number[], number[], number[]] = [[], [], []];
  let [proved, soon, apart] = [0, 0, 0];
  for (const one of cases) {
    const begun = performance.now();
    let first: number | null = null;
    let [at200, dropped200] = [0, 0];
    const solved = solve(file, one, {
      enough: () => performance.now() - begun > 2000,
      onBetter: (better) => {
        first ??= performance.now() - begun;
        if (performance.now() - begun <= 200) [at200, dropped200] = [better.sum, better.dropped];
      },
    });
    const ms = performance.now() - begun;
    times.push(ms);
    firsts.push(first ?? ms);
    if (solved.status === 'proved') proved += 1;
    if (solved.status === 'proved' && ms <= 200) soon += 1;
    if (dropped200 === solved.dropped && at200 > 0) apart = Math.max(apart, at200 / solved.sum - 1);
    if (solved.dropped === 0) continue;
    const from = performance.now();
    clashOf(file, one, () => performance.now() - from > 2000);
    mendsFor(file, one, () => performance.now() - from > 2000);
    mends.push(performance.now() - from);
  }
  const share = (count: number) => `${Math.round((100 * count) / cases.length)} %`;
  console.log(
    `${name}, ${cases.length}: proved in 2 s ${share(proved)}, in 200 ms ${share(soon)}; median ${quantile(times, 0.5).toFixed(1)} ms, p90 ${quantile(times, 0.9).toFixed(0)} ms, worst ${Math.max(...times).toFixed(0)} ms; first draft at worst ${Math.max(...firsts).toFixed(0)} ms; at 200 ms at most ${Math.round(apart * 100)} % off; clash and mends p95 ${mends.length > 0 ? quantile(mends, 0.95).toFixed(0) : 0} ms`,
  );
}

/** The checks of a course of 40 classes, as after every move. */
function measureChecks(): void {
  const day = isoDate('2027-01-04');
  const planning: Planning = {
    basis,
    ladder: SHIPPED_LIBRARY.edges,
    already: new Set(['natural', 'belly', 'deepened']),
    tempo: 1000,
    guards: GUARDS,
    settled: true,
    comers: [],
    missedBetween: () => 0,
    taught: SHIPPED_LIBRARY.technique,
    tally: () => ({ people: 10, leaveOut: 0, askFirst: 0, adapt: 1, watch: 0, near: 0 }),
    qualified: () => 'own',
  };
  const sessions = Array.from({ length: 40 }, (_, at): CourseSession => {
    const date = addDays(day, Math.floor(at / 2) * 7 + (at % 2) * 3);
    return { id: `s${at}`, date, start: '18:30', minutes: 75, blocks: [], fixed: false };
  });
  const goals = ['longer-5-6', '4-7-8', 'alternate-4-4', 'hissing'].map((technique) => {
    const { pattern, dose } = SHIPPED_LIBRARY.technique(technique);
    return { technique, pattern, dose, practise: 2 };
  });
  let made = 0;
  const draft = draftCourse(sessions, goals, planning, () => `b${(made += 1)}`);
  const times = Array.from({ length: 20 }, () => {
    const begun = performance.now();
    checkCourse(draft.sessions, planning);
    return performance.now() - begun;
  });
  console.log(`Checks of 40 classes: ${quantile(times.slice(5), 0.5).toFixed(1)} ms (aim 10)`);
}

/** How long the solver beside ours may take for one request, in seconds. */
const SOLVER_LIMIT = 60;

/** The same requests by a general mixed-integer solver: the same best values, and how much processor time each takes altogether. */
async function besideSolver(name: string, of: CaseFile, cases: readonly Case[]): Promise<void> {
  const highs = await loadSolver();
  let [ours, theirs, same, apart, late] = [0, 0, 0, 0, 0];
  for (const one of cases) {
    let from = process.cpuUsage();
    const { dropped, sum } = solve(of, one, { enough: () => false });
    ours += cpuSince(from);
    from = process.cpuUsage();
    const { Status, ObjectiveValue } = highs.solve(milpOf(modelOf(of, one)), {
      time_limit: SOLVER_LIMIT,
      threads: 1,
      output_flag: false,
      mip_rel_gap: 0,
    });
    theirs += cpuSince(from);
    if (Status !== 'Optimal') late += 1;
    else if (Math.round(ObjectiveValue) === dropped * LEFT_OUT + sum) same += 1;
    else apart += 1;
  }
  console.log(
    `${name}, ${cases.length}, beside a mixed-integer solver: the same best value ${same}, another ${apart}, not proved by it in ${SOLVER_LIMIT} s ${late}; processor time ${(ours / 1000).toFixed(1)} s and ${(theirs / 1000).toFixed(0)} s, at least ${Math.round(theirs / ours)} × (aim 50)`,
  );
}

function cpuSince(from: NodeJS.CpuUsage): number {
  const { user, system } = process.cpuUsage(from);
  return (user + system) / 1000;
}

/** Drafting: how often the best is proved in time, and how soon there is something; readiness of a large group. */
export async function measureDrafting(): Promise<void> {
  const cases = (count: number, goals: (seed: number) => number, weeks: (seed: number) => number) =>
    Array.from({ length: count }, (_, seed) => request(seed + 1, goals(seed), weeks(seed)));
  measure(
    'Drafts of 1–5 goals in 4–12 weeks',
    cases(
      120,
      (seed) => 1 + (seed % 5),
      (seed) => 4 + (seed % 9),
    ),
  );
  measure(
    'Hard drafts of 6–8 goals in 12–16 weeks',
    cases(
      40,
      (seed) => 6 + (seed % 3),
      (seed) => 12 + (seed % 5),
    ),
  );
  await besideSolver(
    'Drafts of 1–4 goals in 4–10 weeks',
    file,
    cases(
      24,
      (seed) => 1 + (seed % 4),
      (seed) => 4 + (seed % 7),
    ),
  );
  // A file of problems with known values can be named: OAKEN_CASES=problems.json npm run bench
  const named = process.env.OAKEN_CASES;
  if (named) {
    const given = JSON.parse(readFileSync(named, 'utf8')) as CaseFile;
    await besideSolver('The problems of the file', given, given.instances);
  }
  measureChecks();
  const held = Array.from({ length: 32 }, (_, at) => ({
    date: isoDate(new Date(Date.UTC(2027, 0, 4 + at * 3)).toISOString().slice(0, 10)),
    techniques: SHIPPED_LIBRARY.techniques.slice((at * 3) % 20, ((at * 3) % 20) + 5).map(({ id }) => id),
  }));
  const course = { classes: held, edges: SHIPPED_LIBRARY.edges, already: new Set(['natural']) };
  const asked = SHIPPED_LIBRARY.techniques.slice(0, 20).map(({ id }) => id);
  const begun = performance.now();
  const rates = Array.from({ length: 40 }, (_, person) => 0.5 + person / 100);
  for (const technique of asked) readinessOf(course, technique, 31, rates);
  console.log(`Readiness of 40 people for 20 techniques over 32 classes: ${(performance.now() - begun).toFixed(0)} ms (aim 50)`);
}
