import { knownOf } from './known';
import { amountText, roomPattern, shortPattern, type Dose, type Pattern, type Phase } from '../pattern';
import { addSpans, clockText, secondsText, spanText, trimNumber, type Span } from '../units';
import { sideInCycle, timeBlock, type BlockTiming } from './block';
import { heldInCycle, holdsOf, lengthsOf, type HoldKind } from './holds';
import { segmentsOf } from './segments';
import {
  breathsInCycle,
  countedCycle,
  countedPatterns,
  cycleSpan,
  lengthSpan,
  stageSpan,
  type CountedPattern,
  type Pace,
  type TimedPattern,
} from './spans';

/** A computed number, what it is of, and how it came about. */
export interface Figure {
  readonly id: 'cycle' | 'total' | 'pace' | 'held' | 'sides' | 'pumps';
  readonly value: string;
  readonly label: string;
  readonly working: string;
}

/** Derived facts of a pattern at a pace; null where the notion does not apply. */
export interface Derived {
  readonly cycle: Span;
  readonly counted: Span;
  /** Breaths a minute of the slowest and the quickest reading. */
  readonly breathsPerMinute: { readonly slow: number; readonly quick: number } | null;
  readonly holdShare: number;
  readonly holdIn: Span;
  readonly holdOut: Span;
  /** Exhale ÷ inhale at its longest reading; null without both. */
  readonly exhaleToInhale: number | null;
}

/**
 * What follows from a pattern and a pace alone.
 * @returns null for the natural breath, which has no counted cycle
 * @example derive(mustParsePattern('4:7:8'), pace)?.holdShare // 0.368…
 */
export const derive: (pattern: Pattern, pace: Pace) => Derived | null = knownOf(worked, ({ tempo, naturalBreath }) => `${tempo} ${naturalBreath}`);

function worked(pattern: Pattern, pace: Pace): Derived | null {
  const room = roomPattern(pattern);
  const parts = countedPatterns(pattern).map((part) => deriveCounted(part, pace));
  if (parts.length === 0 || room.kind === 'natural') return null;
  const holds = (kind: HoldKind) => holdsOf(room, kind, pace.tempo).longest;
  const held = { holdIn: holds('hold'), holdOut: holds('empty') };
  if (room.kind !== 'stages') return { ...parts[0], ...held };
  const paces = parts.flatMap(({ breathsPerMinute }) => breathsPerMinute ?? []);
  const ratios = parts.flatMap(({ exhaleToInhale }) => exhaleToInhale ?? []);
  return {
    cycle: cycleSpan(room, pace),
    counted: addSpans(...parts.map(({ counted }) => counted)),
    breathsPerMinute:
      paces.length > 0 ? { slow: Math.min(...paces.map(({ slow }) => slow)), quick: Math.max(...paces.map(({ quick }) => quick)) } : null,
    holdShare: Math.max(...parts.map(({ holdShare }) => holdShare)),
    ...held,
    exhaleToInhale: ratios.length > 0 ? Math.max(...ratios) : null,
  };
}

function deriveCounted(pattern: CountedPattern, pace: Pace): Omit<Derived, 'holdIn' | 'holdOut'> {
  const counted = countedCycle(pattern, pace);
  const cycle = cycleSpan(pattern, pace);
  const breaths = breathsInCycle(pattern);
  const breathsPerMinute = breaths > 0 ? { slow: (60_000 * breaths) / counted.high, quick: (60_000 * breaths) / counted.low } : null;
  if (pattern.kind !== 'cycle') return { cycle, counted, breathsPerMinute, holdShare: 0, exhaleToInhale: null };
  const [inhale, exhale] = (['in', 'out'] as const).map((kind) => lengthsOf(pattern.phases, kind, pace.tempo));
  return {
    cycle,
    counted,
    breathsPerMinute,
    holdShare: heldInCycle(pattern.phases, pace.tempo, pattern.recovery !== null).high / counted.high,
    exhaleToInhale: inhale.low > 0 ? exhale.high / inhale.low : null,
  };
}

/** Exhalations through each side over a whole block, and the side of the last; null without side work. */
export function exhalationsBySide(pattern: Pattern, dose: Dose, pace: Pace) {
  const sided = segmentsOf(pattern, dose, pace).filter(({ kind, part, side }) => kind === 'out' && part === 'round' && side !== 'both');
  const last = sided.at(-1)?.side;
  if (!last || last === 'both') return null;
  const left = sided.filter(({ side }) => side === 'left').length;
  return { left, right: sided.length - left, last };
}

/**
 * Alternating side work should end as its second cycle does: on an exhale through the side it began on (left, by the commonest school),
 * and where the inhale is through both, on the other side than the first exhale.
 * @returns the side it ends on when that is another one, so that one more cycle is needed; null when it ends well
 * @example endsAside(mustParsePattern('4:4 alternating'), mustParseDose('3 rounds'), pace) // "right"
 */
export function endsAside(pattern: Pattern, dose: Dose, pace: Pace): 'left' | 'right' | null {
  const room = roomPattern(pattern);
  if (room.kind !== 'cycle' || !room.alternating) return null;
  // Both of its cycles belong together: it ends well on the last exhale of the second.
  const out = room.phases.findLast(({ kind, side }) => kind === 'out' && side !== 'both');
  const last = exhalationsBySide(pattern, dose, pace)?.last;
  return out && last && last !== sideInCycle(out.side, true, 1) ? last : null;
}

/**
 * The figures that stand under a strip, each with its working.
 * @example figuresOf(mustParsePattern('4:7:8'), mustParseDose('4 rounds'), pace)[0].value // "19 s"
 */
export function figuresOf(pattern: Pattern, dose: Dose, pace: Pace): Figure[] {
  const timing = timeBlock(pattern, dose, pace);
  const facts = derive(pattern, pace);
  const room = roomPattern(pattern);
  if (!facts || room.kind === 'natural') {
    return [{ id: 'total', value: clockText(timing.total.high), label: 'in all', working: 'everyone’s own breath, nothing counted' }];
  }
  return [
    cycleFigure(room, facts, pace),
    totalFigure(timing),
    ...paceFigure(room, facts),
    ...heldFigure(room, facts),
    ...sideFigure(room, dose, pace),
  ];
}

/** Seconds to the millisecond: what is multiplied in a working must come to what stands behind it. */
const exact = (ms: number) => String(ms / 1000);

function cycleFigure(pattern: TimedPattern, facts: Derived, pace: Pace): Figure {
  if (pattern.kind === 'stages') {
    const parts = pattern.stages.map((stage) => {
      const { rounds, total } = stageSpan(stage, pace);
      const empty = rounds === 0 && stage.pattern.kind !== 'natural' ? ', in which no round fits' : '';
      return `${exact(total.high)} (${shortPattern(stage.pattern)} for ${amountText(stage.amount)}${empty})`;
    });
    return { id: 'cycle', value: spanText(facts.cycle), label: `${pattern.stages.length} stages`, working: `${parts.join(' + ')} s` };
  }
  if (pattern.kind === 'pumps') {
    return { id: 'cycle', value: spanText(facts.cycle), label: 'a run of pumps', working: `${pattern.pumps} × 60 ÷ ${pattern.perMinute}` };
  }
  if (pattern.kind === 'connected') {
    return {
      id: 'cycle',
      value: spanText(facts.cycle),
      label: 'a round of five breaths',
      working: `4 × ${pattern.shortSeconds} + ${pattern.longSeconds} s`,
    };
  }
  const counts = pattern.phases.every((phase) => phase.length.unit === 'counts' && !phase.gap) && !pattern.recovery;
  const sum = pattern.phases.reduce((all, phase) => all + (phase.length.unit === 'counts' ? phase.length.n * phase.repeat : 0), 0);
  const working = counts ? `${sum} counts × ${exact(pace.tempo)} s` : workingOfPhases(pattern.phases, pace, pattern.recovery?.high ?? 0);
  return { id: 'cycle', value: spanText(facts.cycle), label: 'a cycle', working };
}

function workingOfPhases(phases: readonly Phase[], pace: Pace, recovery: number): string {
  const parts = phases.map((phase) => {
    const length = exact(lengthSpan(phase.length, pace.tempo).high);
    const once = phase.gap ? `(${length} + ${phase.gap.seconds})` : length;
    return phase.repeat > 1 ? `${phase.repeat} × ${once}` : once;
  });
  if (recovery > 0) parts.push(`${recovery} × ${exact(pace.naturalBreath)} recovery`);
  return `${parts.join(' + ')} s${phases.some((phase) => phase.length.unit === 'ease') ? ' at the longest' : ''}`;
}

function totalFigure(timing: BlockTiming): Figure {
  const rounds = timing.sets > 1 ? `${timing.sets} sets of ${timing.rounds} rounds` : timing.rounds === 1 ? 'one round' : `${timing.rounds} rounds`;
  if (timing.rounds === 0)
    return { id: 'total', value: 'no round fits', label: `in ${clockText(timing.planned)}`, working: `a round takes ${spanText(timing.round)}` };
  const plain = timing.sets * timing.rounds * timing.round.high;
  const extra = timing.total.high - plain;
  const multiplied = `${timing.sets * timing.rounds} × ${exact(timing.round.high)} s`;
  const sum =
    extra > 0 ? `${multiplied} + ${exact(extra)} s around them = ${exact(timing.total.high)} s` : `${multiplied} = ${exact(timing.total.high)} s`;
  const left = timing.leftOver > 0 ? `, ${secondsText(timing.leftOver)} left over` : '';
  return { id: 'total', value: clockText(timing.total.high), label: rounds, working: `${sum}${left}` };
}

function paceFigure(pattern: TimedPattern, facts: Derived): Figure[] {
  if (pattern.kind === 'pumps') return [{ id: 'pumps', value: String(pattern.perMinute), label: 'pumps a minute', working: 'as written' }];
  if (!facts.breathsPerMinute) return [];
  const { slow, quick } = facts.breathsPerMinute;
  const value = slow === quick ? trimNumber(slow) : `${trimNumber(slow)}–${trimNumber(quick)}`;
  if (pattern.kind === 'stages') return [{ id: 'pace', value, label: 'breaths a minute', working: 'the slowest and the quickest stage' }];
  return [{ id: 'pace', value, label: 'breaths a minute', working: `60 × ${breathsInCycle(pattern)} ÷ ${spanText(facts.counted)}` }];
}

function heldFigure(pattern: TimedPattern, facts: Derived): Figure[] {
  if (facts.holdShare === 0) return [];
  const longest = Math.max(facts.holdIn.high, facts.holdOut.high);
  const held = facts.holdShare * facts.counted.high;
  return [
    {
      id: 'held',
      value: `${Math.round(facts.holdShare * 100)} %`,
      label: 'held',
      working:
        pattern.kind === 'stages'
          ? `in the stage that holds most, longest ${secondsText(longest)}`
          : `${secondsText(held)} of ${secondsText(facts.counted.high)}, longest ${secondsText(longest)}`,
    },
  ];
}

function sideFigure(pattern: TimedPattern, dose: Dose, pace: Pace): Figure[] {
  const sides = exhalationsBySide(pattern, dose, pace);
  if (!sides) return [];
  const aside = endsAside(pattern, dose, pace) ? '; one more cycle would make it even' : '';
  const working = `${sides.left + sides.right} exhales, the last one ${sides.last}${aside}`;
  return [{ id: 'sides', value: `${sides.left} and ${sides.right}`, label: 'exhales left and right', working }];
}
