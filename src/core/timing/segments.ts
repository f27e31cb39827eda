import type { Dose, Manner, Pattern, Phase, PhaseKind, Route, Side } from '../pattern';
import { millis, type Millis } from '../units';
import { restMillis, sideInCycle, timeBlock } from './block';
import { lengthSpan, type Pace } from './spans';

/** What a stretch of a block is for. */
export type Part = 'lead-in' | 'entry' | 'round' | 'changeover' | 'recover' | 'rest' | 'lead-out' | 'natural';

/** A stretch of time in which one thing is done. Starts are milliseconds from the start of the block. */
export interface Segment {
  readonly start: Millis;
  readonly end: Millis;
  readonly part: Part;
  /** The phase, or null where people breathe in their own way. */
  readonly kind: PhaseKind | 'pumps' | null;
  /** How many counts are spoken in it; null when it is not counted. */
  readonly counts: number | null;
  readonly side: Side;
  readonly manner: Manner | null;
  readonly route: Route | null;
  /** Ends when it is easy; the end shown is the latest. */
  readonly open: boolean;
  /** Numbered from 1; 0 outside the rounds. A cycle is numbered in its round. */
  readonly set: number;
  readonly round: number;
  readonly cycle: number;
}

type Stretch = Omit<Segment, 'start' | 'end' | 'set' | 'round' | 'cycle'> & { readonly ms: number };

/**
 * Writes a block out as the stretches of time it is made of, open lengths at their longest.
 * The last segment ends where {@link timeBlock} says the block does.
 * @example segmentsOf(mustParsePattern('4:7:8'), mustParseDose('4 rounds'), pace).length // 12
 */
export function segmentsOf(pattern: Pattern, dose: Dose, pace: Pace): Segment[] {
  const timing = timeBlock(pattern, dose, pace);
  const line = new Line();
  if (pattern.kind === 'natural') {
    line.add(stretch('natural', timing.planned), 0, 0);
    return line.segments;
  }
  if (!timing.fits) return [];
  line.phases('lead-in', pattern.leadIn, pace, 0, 0);
  for (let set = 1; set <= timing.sets; set += 1) {
    line.phases('entry', pattern.entry, pace, set, 0);
    for (let round = 1; round <= timing.rounds; round += 1) {
      addRound(line, pattern, pace, set, round, timing.cyclesPerRound);
      const lastRound = round === timing.rounds;
      const lastOfAll = lastRound && set === timing.sets;
      const rests = dose.rest?.every === 'round' || lastRound;
      if (dose.rest && rests && (!lastOfAll || dose.rest.afterLast)) line.add(stretch('rest', restMillis(dose, pace)), set, round);
    }
  }
  line.phases('lead-out', pattern.leadOut, pace, timing.sets, timing.rounds);
  return line.segments;
}

class Line {
  readonly segments: Segment[] = [];
  private at = 0;

  add({ ms, ...rest }: Stretch, set: number, round: number, cycle = 0): void {
    if (ms <= 0) return;
    this.segments.push({ ...rest, start: millis(this.at), end: millis(this.at + ms), set, round, cycle });
    this.at += ms;
  }

  /** @param cycle numbered from 1 in its round, and `passed`, how many came before it in its set */
  phases(part: Part, phases: readonly Phase[], pace: Pace, set: number, round: number, cycle = 0, passed = 0, alternating = false): void {
    for (const phase of phases) {
      for (let turn = 0; turn < phase.repeat; turn += 1) {
        this.add(phaseStretch(part, phase, pace, sideInCycle(phase.side, alternating, passed)), set, round, cycle);
        if (phase.gap) this.add(stretch('changeover', phase.gap.seconds * 1000), set, round, cycle);
      }
    }
  }
}

function addRound(line: Line, pattern: Exclude<Pattern, { kind: 'natural' }>, pace: Pace, set: number, round: number, cycles: number): void {
  for (let cycle = 1; cycle <= cycles; cycle += 1) {
    if (pattern.kind === 'pumps') {
      const ms = millis((pattern.pumps * 60_000) / pattern.perMinute);
      line.add({ ...stretch('round', ms), kind: 'pumps', counts: pattern.pumps }, set, round, cycle);
    } else if (pattern.kind === 'connected') {
      for (const seconds of [...Array<number>(4).fill(pattern.shortSeconds), pattern.longSeconds])
        addConnected(line, seconds, pattern.route, set, round, cycle);
    } else {
      line.phases('round', pattern.phases, pace, set, round, cycle, (round - 1) * cycles + cycle - 1, pattern.alternating);
      if (pattern.recovery) {
        const open = pattern.recovery.low !== pattern.recovery.high;
        line.add({ ...stretch('recover', pattern.recovery.high * pace.naturalBreath), open }, set, round, cycle);
      }
    }
  }
}

/** A connected breath is half inhale and half exhale, with nothing between. */
function addConnected(line: Line, seconds: number, route: Route, set: number, round: number, cycle: number): void {
  const whole = millis(seconds * 1000);
  const half = millis(whole / 2);
  line.add({ ...stretch('round', half), kind: 'in', route }, set, round, cycle);
  line.add({ ...stretch('round', whole - half), kind: 'out', route }, set, round, cycle);
}

function phaseStretch(part: Part, phase: Phase, pace: Pace, side: Side): Stretch {
  const open = phase.length.unit === 'ease';
  return {
    ms: lengthSpan(phase.length, pace.tempo).high,
    part,
    kind: phase.kind,
    counts: phase.length.unit === 'counts' ? phase.length.n : null,
    side,
    manner: phase.manner,
    route: phase.route,
    open,
  };
}

function stretch(part: Part, ms: number): Stretch {
  return { ms, part, kind: null, counts: null, side: 'both', manner: null, route: null, open: false };
}
