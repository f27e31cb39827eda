import fc from 'fast-check';
import type { Dose, Pattern, Phase, PlainPattern, Rest, Stage, WholePattern } from './types';

/** Generators of valid notation for the property tests of the whole core. */

const length = fc.oneof(
  fc.record({ unit: fc.constant('counts' as const), n: fc.integer({ min: 1, max: 12 }) }),
  fc.record({ unit: fc.constant('seconds' as const), n: fc.integer({ min: 1, max: 50 }).map((n) => n / 2) }).filter(({ n }) => n >= 0.5),
  fc.tuple(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 0, max: 6 })).map(([low, more]) => ({ unit: 'ease' as const, low, high: low + more })),
);

const gap = fc.option(fc.record({ seconds: fc.integer({ min: 1, max: 6 }), free: fc.boolean() }));

const said = fc.array(
  fc.record({
    text: fc.constantFrom('hand', 'shoulders stay low', 'Chin in', 'at 3', 'low spine'),
    atSeconds: fc.option(fc.integer({ min: 1, max: 9 })),
  }),
  { maxLength: 3 },
);

const manner = fc.constantFrom(
  null,
  'throat' as const,
  'strong throat' as const,
  'narrowed' as const,
  'narrowed throat' as const,
  'hiss' as const,
  'hum' as const,
  'sigh' as const,
  'released' as const,
);

/** A manner, or a grid of several that begins with it. */
const withManners = (phase: Phase): fc.Arbitrary<Phase> =>
  fc
    .option(fc.uniqueArray(manner, { minLength: 2, maxLength: 3 }), { freq: 4 })
    .map((manners) => (manners ? { ...phase, manner: manners[0], manners } : phase));

const breathing = (kind: 'in' | 'out'): fc.Arbitrary<Phase> =>
  fc
    .record({
      kind: fc.constant(kind),
      length,
      repeat: fc.integer({ min: 1, max: 3 }),
      side: fc.constantFrom('both', 'left', 'right'),
      route: fc.constantFrom(null, 'nose', 'mouth', 'either'),
      manner,
      manners: fc.constant(null),
      nineTenths: fc.boolean(),
      gap,
      say: said,
    })
    .chain(withManners);

const still = (kind: 'hold' | 'empty'): fc.Arbitrary<Phase> =>
  fc.record({
    kind: fc.constant(kind),
    length,
    repeat: fc.integer({ min: 1, max: 2 }),
    side: fc.constant('both'),
    route: fc.constant(null),
    manner: fc.constant(null),
    manners: fc.constant(null),
    nineTenths: fc.constant(false),
    gap,
    say: said,
  });

const plainPhases = fc
  .tuple(breathing('in'), breathing('out'))
  .map((phases): Phase[] => phases.map((phase) => ({ ...phase, repeat: 1, manners: null })));
const around = fc.oneof(fc.constant<Phase[]>([]), plainPhases);

const locks = fc.uniqueArray(fc.constantFrom('chin' as const, 'throat' as const, 'pelvic' as const, 'abdominal' as const), { maxLength: 2 });

const cycle: fc.Arbitrary<PlainPattern> = fc
  .record({
    phases: fc
      .tuple(breathing('in'), fc.array(still('hold'), { maxLength: 2 }), breathing('out'), fc.array(still('empty'), { maxLength: 2 }))
      .map(([inhale, holds, exhale, empties]): Phase[] => [inhale, ...holds, exhale, ...empties]),
    alternating: fc.boolean(),
    recovery: fc.option(fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 0, max: 3 })).map(([low, more]) => ({ low, high: low + more }))),
    locks,
    leadIn: around,
    entry: around,
    everyRound: around,
    leadOut: around,
  })
  .map((made): PlainPattern => ({ kind: 'cycle', ...made, alternating: made.alternating && made.phases.some((phase) => phase.side !== 'both') }));

const plain: fc.Arbitrary<PlainPattern> = fc.oneof(
  { weight: 6, arbitrary: cycle },
  fc.record({
    kind: fc.constant('pumps' as const),
    locks,
    pumps: fc.integer({ min: 1, max: 108 }),
    perMinute: fc.integer({ min: 30, max: 120 }),
    leadIn: around,
    entry: around,
    everyRound: around,
    leadOut: around,
  }),
  fc.record({
    kind: fc.constant('connected' as const),
    locks,
    shortSeconds: fc.integer({ min: 2, max: 5 }),
    longSeconds: fc.integer({ min: 5, max: 9 }),
    route: fc.constantFrom('nose' as const, 'mouth' as const, 'either' as const),
    leadIn: around,
    entry: around,
    everyRound: around,
    leadOut: around,
  }),
  fc.record({ kind: fc.constant('natural' as const), depth: fc.constantFrom('natural' as const, 'deepened' as const), locks }),
);

const guided = fc.option(fc.record({ first: fc.integer({ min: 0, max: 1 }), last: fc.boolean() }));
const cyclesPerRound = fc.option(fc.integer({ min: 1, max: 5 }));

/** A stage has nothing before and after its rounds. */
const bare = (pattern: PlainPattern): PlainPattern =>
  pattern.kind === 'natural' ? pattern : { ...pattern, leadIn: [], entry: [], everyRound: [], leadOut: [] };

const stage: fc.Arbitrary<Stage> = fc.record({
  pattern: plain.map(bare),
  amount: fc.oneof(
    fc.integer({ min: 1, max: 8 }).chain((n) => fc.record({ unit: fc.constant('rounds' as const), n: fc.constant(n), cyclesPerRound, guided })),
    fc.record({ unit: fc.constant('seconds' as const), n: fc.integer({ min: 5, max: 90 }) }),
    fc.record({ unit: fc.constant('minutes' as const), n: fc.integer({ min: 1, max: 5 }) }),
  ),
});

const whole: fc.Arbitrary<WholePattern> = fc.oneof(
  { weight: 5, arbitrary: plain },
  fc.record({
    kind: fc.constant('stages' as const),
    stages: fc.array(stage, { minLength: 2, maxLength: 4 }),
    leadIn: around,
    entry: around,
    everyRound: around,
    leadOut: around,
  }),
);

export const anyPattern: fc.Arbitrary<Pattern> = fc.oneof(
  { weight: 6, arbitrary: whole },
  fc.record({
    kind: fc.constant('options' as const),
    options: fc.array(fc.record({ name: fc.option(fc.constantFrom('full', 'one side only', 'Watching')), pattern: whole }), {
      minLength: 2,
      maxLength: 4,
    }),
  }),
);

const rest = (every: Rest['every']): fc.Arbitrary<Rest[]> =>
  fc
    .option(
      fc.record({
        low: fc.integer({ min: 1, max: 10 }),
        more: fc.integer({ min: 0, max: 4 }),
        unit: fc.constantFrom('seconds' as const, 'breaths' as const),
        afterLast: fc.boolean(),
      }),
    )
    .map((made) => (made ? [{ low: made.low, high: made.low + made.more, unit: made.unit, every, afterLast: made.afterLast }] : []));

const tail = { cyclesPerRound, rests: fc.tuple(rest('round'), rest('set')).map((rests) => rests.flat()), guided };

export const anyDose: fc.Arbitrary<Dose> = fc.oneof(
  fc.record({ kind: fc.constant('rounds' as const), sets: fc.integer({ min: 1, max: 4 }), rounds: fc.integer({ min: 1, max: 20 }), ...tail }),
  fc
    .record({
      kind: fc.constant('minutes' as const),
      sets: fc.integer({ min: 1, max: 3 }),
      minutes: fc.integer({ min: 1, max: 40 }).map((n) => n / 2),
      settled: fc.boolean(),
      ...tail,
    })
    .map((dose) => (dose.settled ? { ...dose, sets: 1 } : dose)),
);
