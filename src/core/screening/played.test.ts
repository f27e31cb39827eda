import fc from 'fast-check';
import { featuresOf } from '.';
import { mustParseDose, mustParsePattern, roomPattern, type Dose, type Pattern, type Phase, type PlainPattern, type WholePattern } from '../pattern';
import { anyDose, anyPattern } from '../pattern/arbitrary';
import { segmentsOf, type Segment } from '../timing';
import { millis } from '../units';

const pace = { tempo: millis(1100), naturalBreath: millis(4000) };

/** The longest hold of one kind as it is played, in seconds: changeovers and pauses in a row of holds belong to it, all else ends it. */
function longestPlayed(segments: readonly Segment[], kind: 'hold' | 'empty'): number {
  let [longest, held, joint] = [0, 0, 0];
  for (const { start, end, kind: is, part } of segments) {
    if (is === kind) {
      held += (held > 0 ? joint : 0) + end - start;
      joint = 0;
    } else if (part === 'changeover' || is === 'pause') joint += end - start;
    else [held, joint] = [0, 0];
    longest = Math.max(longest, held);
  }
  return longest / 1000;
}

/** Whether a set, a stage or what stands around them has inhales through the right, and none through the left. */
function playsRightAlone(segments: readonly Segment[]): boolean {
  const places = new Map<string, Set<string>>();
  let pass = 0;
  for (const [index, { set, stage, part, kind, side }] of segments.entries()) {
    if (stage > 0 && stage < (segments[index - 1]?.stage ?? 0)) pass += 1;
    const inside = part === 'round';
    if (kind !== 'in' || side === 'both') continue;
    const place = `${inside} ${set} ${stage} ${pass}`;
    places.set(place, (places.get(place) ?? new Set()).add(side));
  }
  return [...places.values()].some((sides) => sides.has('right') && !sides.has('left'));
}

const aHold = (kind: 'hold' | 'empty', n: number): Phase => ({
  kind,
  length: { unit: 'counts', n },
  repeat: 1,
  side: 'both',
  route: null,
  manner: null,
  manners: null,
  nineTenths: false,
  gap: null,
  say: [],
});

/** Ways whose cycles begin anywhere, with holds in what stands around them too. */
const anyWay: fc.Arbitrary<WholePattern> = fc
  .tuple(
    anyPattern,
    fc.nat(3),
    fc.array(fc.constantFrom('hold' as const, 'empty' as const, null), { minLength: 4, maxLength: 4 }),
    fc.integer({ min: 1, max: 9 }),
  )
  .map(([pattern, turn, kinds, n]) => {
    const room = roomPattern(pattern);
    if (room.kind === 'natural') return room;
    const turned = (plain: PlainPattern): PlainPattern =>
      plain.kind === 'cycle'
        ? { ...plain, phases: [...plain.phases.slice(turn % plain.phases.length), ...plain.phases.slice(0, turn % plain.phases.length)] }
        : plain;
    const held = (phases: readonly Phase[], kind: 'hold' | 'empty' | null) => (kind ? [...phases, aHold(kind, n)] : phases);
    const around = {
      leadIn: held(room.leadIn, kinds[0]),
      entry: held(room.entry, kinds[1]),
      everyRound: held(room.everyRound, kinds[2]),
      leadOut: held(room.leadOut, kinds[3]),
    };
    return room.kind === 'stages'
      ? { ...room, ...around, stages: room.stages.map((stage) => ({ ...stage, pattern: turned(stage.pattern) })) }
      : ({ ...turned(room), ...around } as WholePattern);
  });

/** Short enough to be played a thousand times. */
const short = (dose: Dose): Dose =>
  dose.kind === 'rounds' ? { ...dose, rounds: Math.min(dose.rounds, 4) } : { ...dose, minutes: Math.min(dose.minutes, 3) };

const looked = (pattern: string, dose: string) => featuresOf(roomPattern(mustParsePattern(pattern)), mustParseDose(dose), pace);

test('no hold that is played is longer than the one that is screened', () => {
  fc.assert(
    fc.property(anyWay, anyDose.map(short), (way, dose) => {
      const [seen, played] = [featuresOf(way, dose, pace), segmentsOf(way as Pattern, dose, pace)];
      expect(longestPlayed(played, 'hold')).toBeLessThanOrEqual(seen.holdInSeconds + 0.01);
      expect(longestPlayed(played, 'empty')).toBeLessThanOrEqual(seen.holdOutSeconds + 0.01);
    }),
    { numRuns: 500 },
  );
  // A hold before each round of pumps, two cycles in one round, and the last stage into the first.
  expect(looked('each round in 4, hold 6, out 4; 27 pumps at 60', '3 rounds').holdInSeconds).toBeCloseTo(6.6);
  expect(looked('each round in 4, hold 6, out 4; connected 3 s, long 6 s', '3 rounds').holdInSeconds).toBeCloseTo(6.6);
  expect(looked('each round in 4, out 4; hold 2, out 4, in 4, hold 2', '3 rounds of 2 breaths').holdInSeconds).toBeCloseTo(4.4);
  expect(looked('hold 2, out 4, in 4 for 1 round > out 4, in 4, hold 2 for 1 round', '3 rounds').holdInSeconds).toBeCloseTo(4.4);
});

test('what is played on the right alone is right-side breath, whatever word stands in the pattern', () => {
  fc.assert(
    fc.property(anyWay, anyDose.map(short), (way, dose) => {
      if (playsRightAlone(segmentsOf(way as Pattern, dose, pace))) expect(featuresOf(way, dose, pace).rightSide).toBe(true);
    }),
    { numRuns: 500 },
  );
  const right = 'in 4 right, out 4 left, alternating';
  for (const [pattern, dose, is] of [
    [right, '5 sets of 1 round', true],
    [right, '5 sets of 2 rounds', false],
    [right, '5 sets of 1 round of 2 breaths', false],
    [`${right} for 1 round > natural for 1 min`, '5 rounds', true],
    [`${right} for 2 rounds > natural for 1 min`, '5 rounds', false],
    ['in 4 left, out 4 right, alternating', '5 sets of 1 round', false],
  ] as const) {
    expect([pattern, dose, looked(pattern, dose).rightSide]).toEqual([pattern, dose, is]);
  }
});
