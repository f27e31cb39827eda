import fc from 'fast-check';
import { clashesWith, clashOf, mendOfText, mendsFor, requestText, solve, withoutOthers, type Case, type CaseFile } from '.';
import { needsMet } from './choices';
import { requestsOf, type Request } from './requests';
import { isPossible } from './solve';
import { modelOf } from './cases';
import { NOT_REACHED, type Model, type Placed } from './model';
import { search } from './search';
import { State } from './state';

const FRAME = { arrive: 4, movement: 5, movementFrom: 45, clearNose: 1, settle: 2, rest: 5, close: 3 } as const;
const never = () => false;

/** A small ladder of invented techniques; a chain with a branch, one with a hold, one with sides, one for the morning. */
const file = (ms: readonly number[]): CaseFile => ({
  frame: FRAME,
  techniques: Object.fromEntries(
    ['a', 'b', 'c', 'd', 'e'].map((id, index) => [
      id,
      {
        ms: ms[index % ms.length],
        settle: 1,
        hours: id === 'e' ? 'm' : 'mde',
        nature: 'even' as const,
        side: id === 'd' ? 1 : 0,
        rung: 2,
        family: id,
      },
    ]),
  ),
  edges: [
    ['a', 'b', 2, 4],
    ['b', 'c', 2, 4],
    ['a', 'd', 1, 4],
    ['b', 'e', 1, 10],
  ],
  instances: [],
});

const aCase = (over: Partial<Case> & Pick<Case, 'dates'>): Case => ({
  id: 'case',
  hours: 'm'.repeat(over.dates.length),
  minutes: over.dates.map(() => 60),
  already: [],
  banned: [],
  unqualified: [],
  goals: [],
  fixed: [],
  pins: [],
  most: 5,
  ...over,
});

const dates = (count: number, every = 3) =>
  Array.from({ length: count }, (_, at) => new Date(Date.UTC(2027, 0, 4 + at * every)).toISOString().slice(0, 10));

/** Classes in which nobody may do a step, now and then. */
const someBars = fc.option(fc.array(fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }), { minLength: 3, maxLength: 3 }));

const anyCase: fc.Arbitrary<Case> = fc
  .record({
    count: fc.integer({ min: 2, max: 5 }),
    every: fc.constantFrom(2, 3, 7),
    minutes: fc.constantFrom(24, 30, 45, 60),
    hour: fc.constantFrom('m', 'e'),
    already: fc.subarray(['a', 'b']),
    goals: fc.uniqueArray(
      fc.record({
        v: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
        r: fc.integer({ min: 1, max: 2 }),
        steps: fc.integer({ min: 1, max: 3 }),
        bars: someBars,
        grows: fc.boolean(),
        once: fc.boolean(),
      }),
      {
        minLength: 1,
        maxLength: 3,
        selector: ({ v }) => v,
      },
    ),
    pin: fc.option(fc.tuple(fc.integer({ min: 0, max: 4 }), fc.constantFrom('a', 'b', 'd')), { freq: 4 }),
    // A class that stands as it is, whatever it would need: the first, or one in the middle.
    held: fc.option(fc.record({ at: fc.integer({ min: 0, max: 3 }), of: fc.subarray(['a', 'b', 'c', 'd']) })),
  })
  .map(({ count, every, minutes, hour, already, goals, pin, held }) =>
    aCase({
      dates: dates(count, every),
      hours: hour.repeat(count),
      minutes: Array.from({ length: count }, () => minutes),
      already,
      goals: goals.map(({ v, r, steps, bars, grows, once }) => ({
        v,
        r,
        steps: Array.from({ length: steps }, (_, step) => ({
          ms: once && step === 1 && steps === 3 ? 60_000 : 120_000 + (grows ? step * 60_000 : 0),
          fresh: step === 0 ? 1 : 0,
          n: step,
          d: step * 7,
          open: bars?.[step],
          // A lighter one in the middle: for one class, and shorter than what comes before and after it.
          once: once && step === 1 && steps === 3 ? 1 : 0,
        })),
      })),
      fixed: held ? Array.from({ length: count }, (_, at) => (at === held.at ? held.of : null)) : [],
      pins: pin && pin[0] < count && held?.at !== pin[0] ? [pin] : [],
    }),
  );

const small = file([120_000, 240_000, 180_000]);

/** What may stand in a class, whether it helps or not: every set that keeps the rules, without bounds, dominance or usefulness. */
function everySet(model: Model, state: State, at: number): Placed[] {
  const { room, sideRoom, pins, fixed } = model.classes[at];
  if (fixed) return [fixed];
  const ways = model.tasks.map((task, index): (readonly [number, number, boolean])[] => {
    if (!(task.already || needsMet(model, state, index, at))) return [];
    const open = (all: (readonly [number, number, boolean])[]) => all.filter(([, step]) => task.steps[step].allowed[at]);
    if (state.stepBegun[index] < 0) return open([[index, 0, !state.knows(index)]]);
    const on = state.step[index];
    const next = task.steps[on + 1];
    const may = next && state.onStep[index] >= next.classes && model.classes[at].day - model.classes[state.stepBegun[index]].day >= next.days;
    return open([...(task.steps[on].once ? [] : [[index, on, false] as const]), ...(may ? [[index, on + 1, next.isNew] as const] : [])]);
  });
  let sets: (readonly (readonly [number, number, boolean])[])[] = [[]];
  for (const own of ways) sets = sets.flatMap((set) => [set, ...own.map((way) => [...set, way])]);
  return sets
    .filter((set) => set.filter(([, , fresh]) => fresh).length <= 1 && set.length <= model.most)
    .filter(
      (set) =>
        set.reduce((sum, [task, step]) => sum + model.tasks[task].steps[step].ms, 0) +
          (set.some(([task]) => model.tasks[task].side) ? sideRoom : 0) <=
        room,
    )
    .filter((set) => pins.every((pin) => set.some(([task]) => task === pin)))
    .map((set) => set.map(([task, step]) => [task, step] as const));
}

function bruteForce(model: Model): number {
  let best = Infinity;
  const visit = (state: State, at: number): void => {
    if (at === model.classes.length) {
      best = Math.min(best, state.cost + state.open * NOT_REACHED);
      return;
    }
    for (const placed of everySet(model, state, at)) visit(state.after(placed, at), at + 1);
  };
  visit(State.first(model), 0);
  return best;
}

test('what is proved best is as good as trying everything', () => {
  fc.assert(
    fc.property(anyCase, (one) => {
      const model = modelOf(small, { ...one, already: one.already });
      const { best, proved, bound } = search(model, { enough: never });
      expect(proved).toBe(true);
      expect(best?.cost ?? Infinity).toBe(bruteForce(model));
      if (best) expect(bound).toBe(best.cost);
      // Which goals fit is settled first; the whole is as good.
      const { status, dropped, sum } = solve(small, one, { enough: never });
      expect([status, best ? dropped * NOT_REACHED + sum : null]).toEqual([best ? 'proved' : 'impossible', best?.cost ?? null]);
    }),
    { numRuns: 600 },
  );
});

test('what is pinned to a later class may come before it, so that the class is free for something else that is new', () => {
  const goals = [
    {
      v: 'e',
      r: 1,
      steps: [
        { ms: 120_000, fresh: 1, n: 0, d: 0 },
        { ms: 120_000, fresh: 0, n: 1, d: 7 },
      ],
    },
    { v: 'c', r: 1, steps: [{ ms: 120_000, fresh: 1, n: 0, d: 0, open: [false, false, true] }] },
  ];
  const one = aCase({ dates: dates(3, 2), already: ['b'], goals, fixed: [[], null, null], pins: [[2, 'd']] });
  const model = modelOf(small, one);
  expect(search(model, { enough: never }).best?.cost).toBe(bruteForce(model));
  expect(solve(small, one, { enough: never }).reached).toEqual([null, 3]);
});

test('a lighter class is not taken early where its technique is needed again before it may go on', () => {
  const needs: CaseFile = { ...small, edges: [['a', 'b', 3, 0]] };
  const step = (ms: number, open?: boolean[], once = 0) => ({ ms, fresh: 0, n: 1, d: 0, open, once });
  const steps = [step(240_000), step(120_000, undefined, 1), step(240_000, [false, false, false, false, true])];
  const one = aCase({
    dates: dates(5),
    goals: [
      { v: 'a', r: 1, steps },
      { v: 'b', r: 1 },
    ],
  });
  const { dropped, reached } = solve(needs, one, { enough: never });
  expect([dropped, reached]).toEqual([0, [5, 4]]);
  expect(bruteForce(modelOf(needs, one))).toBe(9);
});

test('every draft keeps every rule, filled up or not', () => {
  fc.assert(
    fc.property(anyCase, (one) => {
      const model = modelOf(small, one);
      const solved = solve(small, one, { enough: never });
      if (solved.status === 'impossible') return;
      const index = new Map(model.tasks.map(({ id }, at) => [id, at]));
      let state = State.first(model);
      solved.sessions.forEach((session, at) => {
        const placed = session.map(([id, step]) => [index.get(id)!, step] as const);
        const allowed = everySet(model, state, at).map((set) => [...set].sort((a, b) => a[0] - b[0]).join());
        expect(allowed).toContain([...placed].sort((a, b) => a[0] - b[0]).join());
        state = state.after(placed, at);
      });
      // Filling changes nothing of what was proved.
      expect(one.goals.length - state.open).toBe(one.goals.length - solved.dropped);
      expect(state.cost).toBe(solved.sum);
    }),
    { numRuns: 150 },
  );
});

test('what is offered as a mend works, and what is called a clash cannot be kept', () => {
  let seen = 0;
  fc.assert(
    fc.property(anyCase, (one) => {
      if (solve(small, one, { enough: never }).dropped === 0) return;
      const clash = clashOf(small, one, never);
      expect(clash === null || clash.length > 0).toBe(true);
      for (const together of mendsFor(small, one, never)) {
        seen += 1;
        const mended = together.reduce((of, mend) => mend.with(of), one);
        expect([together.map((mend) => mendOfText(mend, (id) => id)), solve(small, mended, { enough: never }).dropped]).toEqual([
          expect.any(Array),
          0,
        ]);
      }
    }),
    { numRuns: 60 },
  );
  expect(seen).toBeGreaterThan(10);
});

test('a clash cannot be kept, and nothing smaller clashes', () => {
  let seen = 0;
  const keeps = (one: Case, kept: readonly Request[]) =>
    isPossible(
      small,
      requestsOf(one)
        .filter(({ code, technique }) => !kept.some((own) => own.code === code && own.technique === technique))
        .reduce((of, request) => request.without(of), one),
      never,
    );
  const sets = <T>(of: readonly T[], size: number): T[][] =>
    size === 0 ? [[]] : of.flatMap((first, at) => sets(of.slice(at + 1), size - 1).map((rest) => [first, ...rest]));
  fc.assert(
    fc.property(anyCase, (one) => {
      const clash = clashOf(small, one, never);
      if (!clash) return;
      seen += 1;
      expect(keeps(one, clash)).toBe(false);
      for (let size = 0; size < Math.min(clash.length, 4); size += 1)
        for (const fewer of sets(requestsOf(one), size)) expect(keeps(one, fewer)).toBe(true);
    }),
    { numRuns: 40 },
  );
  expect(seen).toBeGreaterThan(10);
});

test('what a goal is said to clash with is all that stands in its way, and nothing else', () => {
  let [alone, several] = [0, 0];
  fc.assert(
    fc.property(anyCase, (one) => {
      const { reached } = solve(small, one, { enough: never });
      const left = one.goals.filter((_, index) => reached[index] === null).map(({ v }) => v);
      for (const technique of left) {
        const beside = withoutOthers(one, left, technique);
        const clashes = clashesWith(small, beside, technique, never);
        if (typeof clashes === 'string') {
          // It has its place by itself: what is pinned of the others is in its way.
          expect([clashes, isPossible(small, beside, never)]).toEqual(['has a place', true]);
          continue;
        }
        const fits = (taken: readonly Request[]) =>
          isPossible(
            small,
            taken.reduce((of, request) => request.without(of), beside),
            never,
          );
        expect(fits([])).toBe(false);
        if (clashes.length === 1) {
          alone += 1;
          // Without any one that is named it has its place, and without nothing else.
          const said = requestsOf(beside).filter((request) => fits([request]) && !(request.code === 'goal' && request.technique === technique));
          if (said.length > 0)
            expect(clashes[0].map(({ code, technique: of }) => [code, of])).toEqual(said.map(({ code, technique: of }) => [code, of]));
        }
        if (clashes.length > 1) several += 1;
        if (clashes.length > 0) expect(fits(clashes.flat())).toBe(true);
      }
    }),
    { numRuns: 150 },
  );
  expect([alone > 20, several > 0]).toEqual([true, true]);
});

test('no goal comes earlier than is said, even alone', () => {
  fc.assert(
    fc.property(anyCase, (one) => {
      const { earliest, reached } = solve(small, one, { enough: never });
      one.goals.forEach((goal, index) => {
        // The others ask for more than there are classes, so that only this one counts.
        const goals = one.goals.map((other) => (other === goal ? goal : { ...other, r: 99 }));
        const alone = solve(small, { ...one, goals }, { enough: never }).reached[index];
        for (const at of [alone, reached[index]]) if (at !== null) expect(at).toBeGreaterThanOrEqual(earliest[index]);
      });
    }),
    { numRuns: 100 },
  );
});

test('the least clash is found, and mends say how much', () => {
  const one = aCase({ dates: dates(4, 7), goals: [{ v: 'c', r: 2 }] });
  expect(solve(small, one, { enough: never })).toMatchObject({ status: 'proved', dropped: 1 });
  expect(clashOf(small, one, never)!.map((request) => requestText(request, (id) => id))).toEqual(['c', 'the number of classes']);
  const texts = mendsFor(small, one, never).map((together) => together.map((mend) => mendOfText(mend, (id) => id)));
  expect(texts).toEqual([['6 weeks'], ['they already practise b'], ['they already practise a']]);
  expect(clashOf(small, aCase({ dates: dates(12, 7), goals: [{ v: 'c', r: 2 }] }), never)).toBeNull();
});

test('a climb is gone up step by step, and its last step is what counts', () => {
  const steps = [
    { ms: 120_000, fresh: 1, n: 0, d: 0 },
    { ms: 180_000, fresh: 1, n: 2, d: 0 },
    { ms: 240_000, fresh: 0, n: 1, d: 7 },
  ];
  const one = aCase({ dates: dates(8, 3), goals: [{ v: 'a', r: 2, steps }] });
  const solved = solve(small, one, { enough: never });
  const on = solved.sessions.map((session) => session.find(([id]) => id === 'a')?.[1]);
  // Two classes on a step of counts; a week, so three classes, before volume grows; then twice on the last.
  expect(on.slice(0, 7)).toEqual([0, 0, 1, 1, 1, 2, 2]);
  expect(solved).toMatchObject({ status: 'proved', sum: 7, bound: 7 });
});

test('pins stand where they were put; pins that clash make it impossible', () => {
  const pinned = solve(small, aCase({ dates: dates(5), goals: [{ v: 'a', r: 1 }], pins: [[4, 'b']] }), { enough: never });
  expect(pinned.sessions[4].map(([id]) => id)).toContain('b');
  expect(solve(small, aCase({ dates: dates(5), goals: [{ v: 'a', r: 1 }], pins: [[0, 'c']] }), { enough: never }).status).toBe('impossible');
});

test('when it is enough, the best so far is given with its bound', () => {
  const one = aCase({
    dates: dates(12, 3),
    minutes: Array.from({ length: 12 }, () => 30),
    goals: ['a', 'b', 'c', 'd', 'e'].map((v) => ({ v, r: 2 })),
  });
  let asked = 0;
  const solved = solve(small, one, { enough: () => (asked += 1) > 0, onBetter: () => undefined });
  expect(['proved', 'bound']).toContain(solved.status);
  expect(solved.bound).toBeLessThanOrEqual(solved.sum);
});

test('families nobody is qualified for are in no class, and what else belongs to them neither', () => {
  const one = aCase({ dates: dates(5), goals: [{ v: 'a', r: 1 }] });
  const { family } = small.techniques.a;
  const allowed = (of: Case) => modelOf(small, of).tasks.map((task) => [task.family === family, task.steps[0].allowed.some(Boolean)]);
  expect(allowed(one).every(([, may]) => may)).toBe(true);
  expect(allowed({ ...one, unqualified: [family] }).every(([of, may]) => may === !of)).toBe(true);
});
