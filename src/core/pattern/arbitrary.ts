import fc from 'fast-check';
import type { Dose, Pattern, Phase, Rest } from './types';

/** Generators of valid notation for the property tests of the whole core. */

const length = fc.oneof(
  fc.record({ unit: fc.constant('counts' as const), n: fc.integer({ min: 1, max: 12 }) }),
  fc.record({ unit: fc.constant('seconds' as const), n: fc.integer({ min: 1, max: 50 }).map((n) => n / 2) }).filter(({ n }) => n >= 0.5),
  fc.tuple(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 0, max: 6 })).map(([low, more]) => ({ unit: 'ease' as const, low, high: low + more })),
);

const gap = fc.option(fc.record({ seconds: fc.integer({ min: 1, max: 6 }), free: fc.boolean() }));

const breathing = (kind: 'in' | 'out'): fc.Arbitrary<Phase> =>
  fc.record({
    kind: fc.constant(kind),
    length,
    repeat: fc.integer({ min: 1, max: 3 }),
    side: fc.constantFrom('both', 'left', 'right'),
    route: fc.constantFrom(null, 'nose', 'mouth', 'either'),
    manner: fc.constantFrom(null, 'throat', 'strong throat', 'narrowed', 'hiss', 'hum', 'sigh'),
    nineTenths: fc.boolean(),
    gap,
  });

const still = (kind: 'hold' | 'empty'): fc.Arbitrary<Phase> =>
  fc.record({
    kind: fc.constant(kind),
    length,
    repeat: fc.integer({ min: 1, max: 2 }),
    side: fc.constant('both'),
    route: fc.constant(null),
    manner: fc.constant(null),
    nineTenths: fc.constant(false),
    gap,
  });

const plainPhases = fc.tuple(breathing('in'), breathing('out')).map((phases): Phase[] => phases.map((phase) => ({ ...phase, repeat: 1 })));
const around = fc.oneof(fc.constant<Phase[]>([]), plainPhases);

const cycle: fc.Arbitrary<Pattern> = fc
  .record({
    phases: fc
      .tuple(breathing('in'), fc.array(still('hold'), { maxLength: 2 }), breathing('out'), fc.array(still('empty'), { maxLength: 2 }))
      .map(([inhale, holds, exhale, empties]): Phase[] => [inhale, ...holds, exhale, ...empties]),
    alternating: fc.boolean(),
    recovery: fc.option(fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 0, max: 3 })).map(([low, more]) => ({ low, high: low + more }))),
    locks: fc.uniqueArray(fc.constantFrom('chin' as const, 'throat' as const, 'pelvic' as const, 'abdominal' as const), { maxLength: 2 }),
    leadIn: around,
    entry: around,
    leadOut: around,
  })
  .map((made): Pattern => ({ kind: 'cycle', ...made, alternating: made.alternating && made.phases.some((phase) => phase.side !== 'both') }));

export const anyPattern: fc.Arbitrary<Pattern> = fc.oneof(
  { weight: 6, arbitrary: cycle },
  fc.record({
    kind: fc.constant('pumps' as const),
    pumps: fc.integer({ min: 1, max: 108 }),
    perMinute: fc.integer({ min: 30, max: 120 }),
    leadIn: around,
    entry: around,
    leadOut: around,
  }),
  fc.record({
    kind: fc.constant('connected' as const),
    shortSeconds: fc.integer({ min: 2, max: 5 }),
    longSeconds: fc.integer({ min: 5, max: 9 }),
    route: fc.constantFrom('nose' as const, 'mouth' as const, 'either' as const),
    leadIn: around,
    entry: around,
    leadOut: around,
  }),
  fc.record({ kind: fc.constant('natural' as const), depth: fc.constantFrom('natural' as const, 'deepened' as const) }),
);

const rest: fc.Arbitrary<Rest> = fc.record({
  n: fc.integer({ min: 1, max: 20 }),
  unit: fc.constantFrom('seconds', 'breaths'),
  every: fc.constantFrom('round', 'set'),
  afterLast: fc.boolean(),
});

export const anyDose: fc.Arbitrary<Dose> = fc.oneof(
  fc.record({
    kind: fc.constant('rounds' as const),
    sets: fc.integer({ min: 1, max: 4 }),
    rounds: fc.integer({ min: 1, max: 20 }),
    cyclesPerRound: fc.option(fc.integer({ min: 1, max: 5 })),
    rest: fc.option(rest),
  }),
  fc.record({
    kind: fc.constant('minutes' as const),
    minutes: fc.integer({ min: 1, max: 40 }).map((n) => n / 2),
    cyclesPerRound: fc.option(fc.integer({ min: 1, max: 5 })),
    rest: fc.option(rest),
  }),
);
