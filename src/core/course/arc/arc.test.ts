import fc from 'fast-check';
import {
  draftArc,
  judge,
  partsOf,
  purposesOf,
  purposeText,
  plainWords,
  rangesOf,
  requestOf,
  themesOf,
  writtenOut,
  type ArcCase,
  type Practice,
} from '.';
import { leastOf } from './bound';
import { lighterOf, mostGrowth, unitsAbove } from './cases';
import { EXAMPLE_COURSE, EXAMPLE_FILE as FILE, exampleCase } from './example';
import { keptOf, look, skeleton } from './search';
import { shareOf } from './request';
import { evenly } from './limits';

const never = () => false;
const aCase = exampleCase(10, 7);
const judged = (sessions: readonly (readonly Practice[])[], one: ArcCase = aCase) => judge(FILE, one, sessions);

test('a course judged by hand comes out as it was judged', () => {
  const { rules, dropped, reached, broken, Q, J, parts } = judged(EXAMPLE_COURSE);
  expect({ rules, dropped, reached, broken, Q, J, parts }).toEqual({
    rules: [],
    dropped: 0,
    reached: [10, 7],
    broken: [{ requirement: 'full', at: 2, technique: null }],
    Q: 5,
    J: 27,
    parts: { pace: 0, load: 2, spacing: 6, breath: 3, unused: 14, repeat: 0 },
  });
});

/** The example with one class otherwise. */
const otherwise = (at: number, held: readonly Practice[]) => EXAMPLE_COURSE.map((placed, index) => (index === at - 1 ? held : placed));
const min = (id: string, minutes: number, step = 0): Practice => [id, step, minutes * 60_000];
const five = (units: number): Practice => ['fingers', 0, units * 9000];

test.each([
  ['a beginning above the lowest', otherwise(1, [min('natural', 6), min('belly', 4)]), 'belly begins at 4'],
  ['more than half of the way at first', otherwise(1, [min('natural', 7), min('belly', 3)]), 'natural is taken up at 7'],
  ['two minutes at once', otherwise(2, [min('natural', 8), min('belly', 4)]), 'natural grows by 2'],
  ['a fourth growth in a row', otherwise(5, [min('natural', 10), min('belly', 6), min('equal', 4)]), 'natural grows a fourth time'],
  ['lighter before three growths', otherwise(3, [min('natural', 5), min('belly', 5), min('deepened', 3)]), 'natural is lighter for no reason'],
  ['what its need is not met for', otherwise(2, [min('natural', 7), min('deepened', 3)]), 'deepened needs belly'],
  ['two new things', otherwise(7, [min('natural', 9), min('longer-3-4', 4), ['sides', 0, 144_000]]), 'two new things'],
  ['what nothing wanted stands on', otherwise(9, [min('natural', 10), ['sides', 0, 144_000]]), 'sides is neither known nor wanted'],
  ['nothing', otherwise(4, []), 'it is empty'],
])('a rule that is broken is named: %s', (_, sessions, said) => {
  expect(judged(sessions).rules.join('; ')).toContain(said);
});

test('a class takes no longer than it has, in its shortest frame', () => {
  // Class 7: 21.65 of breathing, 6 of settling, 12 around it.
  const rules = (minutes: number) => judged(EXAMPLE_COURSE, { ...aCase, minutes: aCase.dates.map((_, at) => (at === 6 ? minutes : 60)) }).rules;
  expect([rules(40), rules(39)]).toEqual([[], ['class 7: it takes longer than it has']]);
});

test.each([
  ['the class before again', otherwise(2, [min('natural', 7), min('belly', 3)]), 'same', null],
  ['no family of the class before', otherwise(10, [five(15)]), 'linked', 10],
  ['basic ones alone', otherwise(8, [min('natural', 10), min('belly', 6)]), 'main', 8],
  ['a goal that is not in the last class', otherwise(10, [min('natural', 10), min('longer-4-5', 5)]), 'gather', 10],
  [
    'what does not come back',
    otherwise(8, [min('natural', 10), min('equal', 6), five(11)]).map((held, at) =>
      at > 7 ? held.filter(([id]) => !id.startsWith('longer')) : held,
    ),
    'back',
    7,
  ],
])('a requirement that is broken is named: %s', (_, sessions, requirement, at) => {
  const found = judged(sessions).broken.filter((one) => one.requirement === requirement && (at === null || one.at === at));
  expect(found.length).toBe(requirement === 'same' ? 0 : 1);
});

test('a dose grows by a minute or a fifth, a lighter one has three quarters, a longer step no more time than a growth', () => {
  const grows = (unit: number, units: number) => mostGrowth({ unit }, units);
  expect([grows(60_000, 4), grows(60_000, 9), grows(60_000, 10), grows(16_000, 9), grows(16_000, 20), grows(9000, 5)]).toEqual([1, 1, 2, 3, 4, 6]);
  expect([mostGrowth({ unit: 30_000, by: 2 }, 8), mostGrowth({ unit: 30_000, by: 2 }, 15), mostGrowth({ unit: 30_000, most: 30_000 }, 8)]).toEqual([
    2, 2, 1,
  ]);
  expect([3, 4, 6, 9].map(lighterOf)).toEqual([2, 3, 4, 6]);
  const measure = (unit: number) => ({ unit, lead: 0 });
  expect([unitsAbove(measure(8000), measure(9000), 30), unitsAbove(measure(8000), measure(12_000), 30)]).toEqual([30, 25]);
});

test('breathing rises to its height and comes down in the last class; gaps are as even as whole classes allow', () => {
  expect([0, 4, 8, 9].map((at) => Number(shareOf([0.2, 0.45, 0.3], at, 10).toFixed(3)))).toEqual([0.2, 0.325, 0.45, 0.3]);
  expect([evenly(10, 7), evenly(20, 6), evenly(5, 5)]).toEqual([16, 68, 5]);
});

const NAMES = ['arrive', 'movement', 'clear', 'settle', 'rest', 'close'] as const;

test('the parts of an hour are filled within their bounds, and take no more than is left', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 20, max: 120 }),
      fc.nat(12),
      fc.boolean(),
      fc.boolean(),
      fc.constantFrom(0, 1, 2.5, 4),
      fc.integer({ min: 0, max: 100 }),
      (minutes, at, talk, side, factor, breathing) => {
        const ranges = rangesOf(FILE.frame, { minutes, at, classes: 13, talk, side, factor });
        const parts = partsOf(ranges, minutes - breathing);
        const time = (of: typeof parts) => of.arrive + of.movement + of.clear + of.settle * factor + of.rest + of.close;
        for (const name of NAMES) {
          expect(parts[name]).toBeGreaterThanOrEqual(ranges[name][0]);
          expect(parts[name]).toBeLessThanOrEqual(ranges[name][1]);
        }
        const whole = (which: 0 | 1) => time(Object.fromEntries(NAMES.map((name) => [name, ranges[name][which]])) as unknown as typeof parts);
        expect(time(parts)).toBeLessThanOrEqual(Math.max(whole(0), minutes - breathing) + 1e-9);
        // Nothing is left free that a part could take.
        expect(time(parts)).toBeGreaterThan(Math.max(whole(0), Math.min(whole(1), minutes - breathing)) - 1);
      },
    ),
  );
});

/** Requests nobody chose: past classes that were drafted, pins, steps, doses, hours, short classes. */
const anyCase: fc.Arbitrary<ArcCase> = fc
  .record({
    classes: fc.integer({ min: 1, max: 12 }),
    every: fc.constantFrom(2, 3, 7, 16),
    minutes: fc.array(fc.constantFrom(30, 45, 60, 60, 90), { minLength: 12, maxLength: 12 }),
    hours: fc.array(fc.constantFrom('e', 'e', 'e', 'm'), { minLength: 12, maxLength: 12 }),
    already: fc.constantFrom(['natural'], ['deepened'], ['equal'], ['longer-3-4', 'fingers'], []),
    goals: fc.uniqueArray(
      fc.record({
        v: fc.constantFrom('longer-4-5', 'fingers', 'sides', 'holds', 'equal'),
        r: fc.integer({ min: 1, max: 3 }),
        dose: fc.option(fc.integer({ min: 5, max: 8 }), { freq: 3, nil: undefined }),
        ready: fc.option(fc.constantFrom(0.5, 0.8, 1), { freq: 2, nil: undefined }),
        steps: fc.option(fc.array(fc.record({ n: fc.constant(2), d: fc.constantFrom(0, 7) }), { minLength: 1, maxLength: 2 }), {
          freq: 3,
          nil: undefined,
        }),
      }),
      { minLength: 1, maxLength: 3, selector: ({ v }) => v },
    ),
    pin: fc.option(fc.tuple(fc.nat(11), fc.constantFrom('equal', 'belly')), { freq: 4 }),
    past: fc.nat(4),
    banned: fc.subarray(['fingers', 'sides'], { maxLength: 1 }),
    people: fc.array(fc.record({ people: fc.integer({ min: 1, max: 9 }), rate: fc.constantFrom(0.5, 0.8, 1), missed: fc.nat(11) }), { maxLength: 3 }),
  })
  .map(({ classes, every, minutes, hours, already, goals, pin, past, banned, people }) => {
    const asked = goals.map(({ dose, ...goal }) => ({
      ...goal,
      ...(dose === undefined ? {} : { dose: Math.min(dose, FILE.techniques[goal.v].dose.top) }),
    }));
    const whole = exampleCase(classes, every, {
      minutes: minutes.slice(0, classes),
      hours: hours.slice(0, classes).join(''),
      already: [...already, 'natural'],
      goals: asked,
      banned,
      pins: pin && pin[0] < classes ? [pin] : [],
      people: people.map(({ rate, missed, people: many }) => ({
        people: many,
        comes: Array.from({ length: classes }, (_, at) => (at === missed ? 0 : rate)),
      })),
    });
    if (past === 0 || past >= classes) return whole;
    // What was taught is what a draft had there.
    const { sessions, status } = draftArc(FILE, whole, { looks: 200 });
    if (status === 'impossible') return whole;
    return writtenOut(FILE, {
      ...whole,
      fixed: sessions.map((held, at) =>
        at < past ? held.map(([id, step, ms]) => [id, step, (ms - FILE.techniques[id].dose.lead) / FILE.techniques[id].dose.unit] as const) : null,
      ),
    });
  });

test('every draft keeps every rule, and what the search thinks of it is what a walk through it finds; no draft is better than the bound', () => {
  let [valid, broken, fixed, fewer, unready] = [0, 0, 0, 0, 0];
  fc.assert(
    fc.property(anyCase, fc.constantFrom(0, 50, 1500), (one, looks) => {
      const request = requestOf(FILE, one);
      const from = skeleton(FILE, one, never);
      if (from.solved.status === 'impossible') return;
      const { kept, beginable } = keptOf(FILE, one, from.solved);
      const least = leastOf(FILE, one, request, kept, beginable);
      const found = look(FILE, one, request, from, { looks, least });
      expect(found).not.toBeNull();
      const { rules, Q, J, dropped, broken: lacks } = judge(FILE, one, found!.sessions, request);
      expect(rules).toEqual([]);
      expect({ Q, J }).toEqual({ Q: found!.Q, J: found!.J });
      // Without looks it is not asked whether a class has room for what somebody is taken up at.
      if (looks > 1000 && dropped > from.solved.dropped) fewer += 1;
      if (dropped === from.solved.dropped) expect(Q).toBeGreaterThanOrEqual(least.Q);
      if (Q === least.Q) expect(J).toBeGreaterThanOrEqual(least.J);
      valid += 1;
      broken += lacks.length > 0 ? 1 : 0;
      fixed += one.fixed.some(Boolean) ? 1 : 0;
      unready += lacks.some(({ requirement }) => requirement === 'ready') ? 1 : 0;
    }),
    { numRuns: 400, seed: 7 },
  );
  expect(Math.min(valid, broken, fixed, unready)).toBeGreaterThan(30);
  // Of those that were looked at for a moment, next to none reaches fewer goals than fit.
  expect(fewer).toBeLessThan(4);
});

test('on small requests no course that keeps the rules is better than the draft', () => {
  const file = {
    ...FILE,
    techniques: Object.fromEntries(['natural', 'belly'].map((id) => [id, { ...FILE.techniques[id], dose: { ...FILE.techniques[id].dose, top: 5 } }])),
    edges: FILE.edges.slice(0, 1),
  };
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 3 }),
      fc.constantFrom(3, 7),
      fc.constantFrom(30, 45),
      fc.integer({ min: 1, max: 2 }),
      (classes, every, minutes, r) => {
        const one = exampleCase(classes, every, { minutes: Array.from({ length: classes }, () => minutes), goals: [{ v: 'belly', r }] });
        const request = requestOf(file, one);
        let best = { dropped: Infinity, Q: Infinity, J: Infinity };
        const held: Practice[][] = [];
        const tryAll = (): void => {
          if (held.length === classes) {
            const { rules, dropped, Q, J } = judge(file, one, held, request);
            const better = rules.length === 0 && (dropped - best.dropped || Q - best.Q || J - best.J) < 0;
            if (better) best = { dropped, Q, J };
            return;
          }
          const doses = (id: string) => [0, 2, 3, 4, 5].filter((units) => units === 0 || units >= file.techniques[id].dose.low);
          for (const a of doses('natural'))
            for (const b of doses('belly')) {
              const placed = [...(a > 0 ? [min('natural', a)] : []), ...(b > 0 ? [min('belly', b)] : [])];
              if (placed.length === 0) continue;
              held.push(placed);
              tryAll();
              held.pop();
            }
        };
        tryAll();
        const { judged: drafted, least } = draftArc(file, one, { looks: 20_000 });
        expect([least.dropped <= best.dropped, least.Q <= best.Q, least.Q < best.Q || least.J <= best.J]).toEqual([true, true, true]);
        expect({ dropped: drafted.dropped, Q: drafted.Q, J: drafted.J }).toEqual(best);
      },
    ),
    { numRuns: 8 },
  );
});

test.each([
  [12, 7],
  [14, 4],
  [16, 3],
])('to ask how many are ready leaves less to be desired than not to ask: %d classes, one in %d days', (classes, every) => {
  for (const rate of [0.5, 0.8]) {
    const goals = ['longer-4-5', 'fingers', 'sides', 'holds'].map((v) => ({ v, r: 3, ready: 1 }));
    const people = [{ people: 10, comes: Array.from({ length: classes }, () => rate) }];
    const one = exampleCase(classes, every, { goals, people });
    const asked = draftArc(FILE, one, { looks: 8000 }).judged;
    const unasked = judge(FILE, one, draftArc(FILE, { ...one, people: [] }, { looks: 8000 }).sessions);
    expect(asked.dropped).toBe(unasked.dropped);
    expect(asked.Q).toBeLessThan(unasked.Q);
    expect(asked.ready.reduce<number>((sum, many) => sum + (many ?? 0), 0)).toBeGreaterThan(
      unasked.ready.reduce<number>((sum, many) => sum + (many ?? 0), 0),
    );
  }
});

test('the same request gives the same course, and more looks no worse one', () => {
  const drafts = [400, 400, 8000].map((looks) => draftArc(FILE, aCase, { looks }));
  expect(drafts[0]).toEqual(drafts[1]);
  const [short, , long] = drafts.map(({ judged: { Q, J } }) => Q * 1000 + J);
  expect(long).toBeLessThanOrEqual(short);
  // Better than the one that was made by hand.
  expect(long).toBeLessThan(5 * 1000 + 27);
});

test('what each class is for, and what each week is about', () => {
  const request = requestOf(FILE, aCase);
  const purposes = purposesOf(FILE, aCase, request, EXAMPLE_COURSE);
  const words = plainWords(FILE);
  expect(purposes.map((made) => (made ? purposeText(made, words) : ''))).toEqual([
    'belly begins, 3 minutes, on what natural gave.',
    'belly again, so that it stays; natural grows to 7 minutes.',
    'deepened begins, 3 minutes, on what belly gave; natural grows to 8 minutes.',
    'deepened again, so that it stays; natural grows to 9 minutes.',
    'equal begins, 4 minutes, on what deepened gave; belly grows to 6 minutes.',
    'fingers begins, 5 rounds, on what deepened gave; equal grows to 5 minutes.',
    'longer 3 4 begins, 4 minutes, on what equal gave; fingers grows to 11 rounds.',
    'longer 3 4 again, so that it stays; equal grows to 6 minutes.',
    'longer 4 5 begins, 4 minutes, on what longer 3 4 gave; deepened grows to 6 minutes.',
    'Everything comes together: longer 4 5, fingers; equal grows to 7 minutes.',
  ]);
  // Classes 8 and 9: what comes again, and what begins; and 4 and 5.
  expect([...themesOf(FILE, purposes, [1, 1, 1, 2, 2, 3, 4, 5, 5, 6])].slice(1, 2)).toEqual([[2, { technique: 'equal', continued: false }]]);
  expect([...themesOf(FILE, purposes, [1, 1, 2, 2, 3, 3, 4, 4, 5, 5])]).toEqual([
    [1, { technique: 'belly', continued: false }],
    [2, { technique: 'deepened', continued: false }],
    [3, { technique: 'equal', continued: false }],
    [4, { technique: 'longer-3-4', continued: false }],
    [5, { technique: 'longer-4-5', continued: true }],
  ]);
});

test('nothing to draft, one class, everything pinned that clashes, twenty minutes', () => {
  const one = (over: Partial<ArcCase>) => draftArc(FILE, exampleCase(1, 7, over), { looks: 300 });
  expect(one({}).judged.rules).toEqual([]);
  expect(one({ pins: [[0, 'equal']] }).status).toBe('impossible');
  expect(one({ minutes: [20] }).judged.rules).toEqual([]);
  const none = draftArc(FILE, exampleCase(3, 7, { goals: [] }), { looks: 300 });
  expect([none.judged.rules, none.judged.dropped]).toEqual([[], 0]);
});
