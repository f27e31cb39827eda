import {
  roomPattern,
  writtenRounds,
  type ConnectedPattern,
  type CyclePattern,
  type Dose,
  type Guided,
  type Manner,
  type Pattern,
  type Phase,
  type PhaseKind,
  type Route,
  type Said,
  type Side,
} from '../pattern';
import { millis, plus, type Millis } from '../units';
import { restAfter, restSpan, sideInCycle, timeBlock, type BlockTiming } from './block';
import { lengthSpan, stageSpan, type CountedPattern, type Pace, type TimedPattern } from './spans';

/** What a stretch of a block is for. */
export type Part = 'lead-in' | 'entry' | 'each round' | 'round' | 'changeover' | 'recover' | 'rest' | 'lead-out' | 'natural';

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
  /** The fifth breath of a connected round. */
  readonly long: boolean;
  /** Ends when it is easy; the end shown is the latest. */
  readonly open: boolean;
  /** Lines to say in it. */
  readonly say: readonly Said[];
  /** Numbered from 1; 0 outside the rounds. A cycle is numbered in its round. */
  readonly set: number;
  readonly round: number;
  readonly cycle: number;
  /** How many rounds its set or stage has. */
  readonly of: number;
  /** Which stage of the block, from 1; 0 where there are none. */
  readonly stage: number;
  /** Counted aloud; the others run on people's own count. */
  readonly guided: boolean;
  /** Index of its block in a class; 0 when it stands alone. */
  readonly block: number;
}

type Stretch = Omit<Segment, 'start' | 'end' | 'block' | keyof Place> & { readonly ms: Millis };
type Place = Pick<Segment, 'set' | 'round' | 'cycle' | 'of' | 'stage' | 'guided'>;

const OUTSIDE: Place = { set: 0, round: 0, cycle: 0, of: 0, stage: 0, guided: false };

/** Rounds counted aloud before people go on by their own count, where nothing else is said. */
const GUIDED_ROUNDS = 3;

function isGuided(guided: Guided | null, set: number, round: number, of: number): boolean {
  if (guided === null) return set === 1 && round <= GUIDED_ROUNDS;
  return round <= guided.first || (guided.last && round === of);
}

interface From {
  readonly start: number;
  readonly block: number;
  /** The block's timing, where it is known already. */
  readonly timing?: BlockTiming;
  /** A line to write on, where this block comes after others. */
  readonly onto?: Segment[];
}

const AT_ONCE: From = { start: 0, block: 0 };

/**
 * Writes a block out as the stretches of time it is made of, open lengths at their longest.
 * The last segment ends where {@link timeBlock} says the block does.
 * @param from where the block starts, and its place in a class
 * @example segmentsOf(mustParsePattern('4:7:8'), mustParseDose('4 rounds'), pace).length // 12
 */
export function segmentsOf(pattern: Pattern, dose: Dose, pace: Pace, from: From = AT_ONCE): Segment[] {
  const timing = from.timing ?? timeBlock(pattern, dose, pace);
  const room = roomPattern(pattern);
  const line = new Line(pace, millis(from.start), from.block, from.onto ?? []);
  if (room.kind === 'natural') {
    line.add(stretch('natural', timing.planned), OUTSIDE);
    return line.segments;
  }
  if (timing.rounds === 0) return line.segments;
  line.phases('lead-in', room.leadIn, OUTSIDE);
  for (let set = 1; set <= timing.sets; set += 1) {
    line.phases('entry', room.entry, { ...OUTSIDE, set });
    for (let round = 1; round <= timing.rounds; round += 1) {
      const place = { set, round, cycle: 0, of: timing.rounds, stage: 0, guided: isGuided(dose.guided, set, round, timing.rounds) };
      line.phases('each round', room.everyRound, place);
      addRound(line, room, timing.cyclesPerRound, place);
      const rest = restAfter(dose, set, timing.sets, round, timing.rounds);
      if (rest) line.add({ ...stretch('rest', restSpan(rest, pace).high), open: rest.low !== rest.high }, place);
    }
  }
  line.phases('lead-out', room.leadOut, { ...OUTSIDE, set: timing.sets, round: timing.rounds, of: timing.rounds });
  return line.segments;
}

class Line {
  private readonly straight = new Map<readonly Phase[], readonly Stretch[]>();
  private readonly crossed = new Map<readonly Phase[], readonly Stretch[]>();
  private writtenFor: CyclePattern | null = null;
  private written: readonly (readonly Phase[])[] = [];

  constructor(
    readonly pace: Pace,
    private at: Millis,
    private readonly block: number,
    readonly segments: Segment[],
  ) {}

  /** Milliseconds up to here. */
  get now(): Millis {
    return this.at;
  }

  add(stretched: Stretch, place: Place, cycle = place.cycle): void {
    const { ms } = stretched;
    if (ms <= 0) return;
    const start = this.at;
    this.at = plus(start, ms);
    // Written out field by field: a class has thousands of these, and spreading them is twenty times slower.
    this.segments.push({
      start,
      end: this.at,
      part: stretched.part,
      kind: stretched.kind,
      counts: stretched.counts,
      side: stretched.side,
      manner: stretched.manner,
      route: stretched.route,
      long: stretched.long,
      open: stretched.open,
      say: stretched.say,
      set: place.set,
      round: place.round,
      cycle,
      of: place.of,
      stage: place.stage,
      guided: place.guided,
      block: this.block,
    });
  }

  /** @param passed how many cycles came before in the set, for sides that alternate */
  phases(part: Part, phases: readonly Phase[], place: Place, passed = 0, alternating = false, cycle = place.cycle): void {
    if (phases.length === 0) return;
    for (const stretched of this.stretches(part, phases, alternating && passed % 2 === 1)) this.add(stretched, place, cycle);
  }

  /** A cycle's rounds, worked out once. */
  roundsOf(pattern: CyclePattern): readonly (readonly Phase[])[] {
    if (pattern !== this.writtenFor) {
      this.writtenFor = pattern;
      this.written = writtenRounds(pattern);
    }
    return this.written;
  }

  /** What a list of phases is made of, worked out once for each of its two sides: cycles repeat. */
  private stretches(part: Part, phases: readonly Phase[], crossed: boolean): readonly Stretch[] {
    const kept = crossed ? this.crossed : this.straight;
    const known = kept.get(phases);
    if (known) return known;
    const made: Stretch[] = [];
    for (const phase of phases) {
      const itself = phaseStretch(part, phase, this.pace, sideInCycle(phase.side, crossed, 1));
      const gap = phase.gap && stretch(phase.gap.free ? 'recover' : 'changeover', phase.gap.seconds * 1000);
      for (let time = 0; time < phase.repeat; time += 1) {
        made.push(itself);
        if (gap) made.push(gap);
      }
    }
    kept.set(phases, made);
    return made;
  }
}

function addRound(line: Line, pattern: TimedPattern, cycles: number, place: Place): void {
  for (let cycle = 1; cycle <= cycles; cycle += 1) {
    if (pattern.kind === 'stages') addStages(line, pattern.stages, place);
    else addCycle(line, pattern, place, cycle, (place.round - 1) * cycles + cycle - 1);
  }
}

/** The stages of one pass. Inside a stage its own rounds are counted, and sides begin again. */
function addStages(line: Line, stages: Extract<TimedPattern, { kind: 'stages' }>['stages'], place: Place): void {
  stages.forEach((stage, index) => {
    const { rounds, cycles, total } = stageSpan(stage, line.pace);
    const began = line.now;
    const at = { ...place, stage: index + 1, of: rounds, guided: false };
    const guided = stage.amount.unit === 'rounds' ? stage.amount.guided : null;
    if (stage.pattern.kind === 'natural') return line.add(stretch('natural', total.high), { ...at, round: 0 });
    for (let round = 1; round <= rounds; round += 1) {
      const aloud = { ...at, round, guided: isGuided(guided, 1, round, rounds) };
      for (let cycle = 1; cycle <= cycles; cycle += 1) addCycle(line, stage.pattern, aloud, cycle, (round - 1) * cycles + cycle - 1);
    }
    const left = began + total.high - line.now;
    line.add(stretch('natural', left), { ...at, round: 0 });
  });
}

function addCycle(line: Line, pattern: CountedPattern, place: Place, cycle: number, passed: number): void {
  if (pattern.kind === 'pumps') {
    const ms = millis((pattern.pumps * 60_000) / pattern.perMinute);
    line.add({ ...stretch('round', ms), kind: 'pumps', counts: pattern.pumps }, place, cycle);
  } else if (pattern.kind === 'connected') {
    for (let breath = 1; breath <= 5; breath += 1) addConnected(line, pattern, breath === 5, place, cycle);
  } else {
    const rounds = line.roundsOf(pattern);
    line.phases('round', rounds[(place.round - 1) % rounds.length], place, passed, pattern.alternating, cycle);
    if (!pattern.recovery) return;
    const open = pattern.recovery.low !== pattern.recovery.high;
    line.add({ ...stretch('recover', pattern.recovery.high * line.pace.naturalBreath), open }, place, cycle);
  }
}

/** A connected breath is half inhale and half exhale, with nothing between. */
function addConnected(line: Line, { shortSeconds, longSeconds, route }: ConnectedPattern, long: boolean, place: Place, cycle: number): void {
  const whole = millis((long ? longSeconds : shortSeconds) * 1000);
  const half = millis(whole / 2);
  line.add({ ...stretch('round', half), kind: 'in', route, long }, place, cycle);
  line.add({ ...stretch('round', whole - half), kind: 'out', route, long }, place, cycle);
}

function phaseStretch(part: Part, phase: Phase, pace: Pace, side: Side): Stretch {
  const { kind, length, manner, route, say } = phase;
  const counts = length.unit === 'counts' ? length.n : null;
  return { ms: lengthSpan(length, pace.tempo).high, part, kind, counts, side, manner, route, long: false, open: length.unit === 'ease', say };
}

/** A stretch with nothing of its own; its length is rounded once, so that positions are whole by adding. */
function stretch(part: Part, ms: number): Stretch {
  return { ms: millis(ms), part, kind: null, counts: null, side: 'both', manner: null, route: null, long: false, open: false, say: [] };
}

/** Index of the stretch a moment falls in; the last one after the end, 0 where there is none. */
export function segmentIndexAt(segments: readonly Segment[], at: number): number {
  let [low, high] = [0, segments.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (segments[middle].start <= at) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** The first stretch of the round, or of the cycle, that a stretch belongs to. Stages number their rounds anew, and so does each pass. */
export function beginningOf(segments: readonly Segment[], index: number, of: 'round' | 'cycle'): Segment {
  const { block, set, stage, round, cycle } = segments[index];
  let first = index;
  for (let before = index - 1; before >= 0; before -= 1) {
    const one = segments[before];
    if (one.block !== block || one.set !== set || one.stage !== stage || one.round !== round || (of === 'cycle' && one.cycle !== cycle)) break;
    first = before;
  }
  return segments[first];
}
