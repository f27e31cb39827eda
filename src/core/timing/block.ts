import { roomPattern, type Dose, type Pattern, type Rest, type Side } from '../pattern';
import { addSpans, exactly, millis, timesSpan, NO_TIME, type Millis, type Span } from '../units';
import { cycleSpan, phasesSpan, stageSpan, type Pace, type TimedPattern } from './spans';

/** A dose made definite: so many sets of so many rounds, each of so many cycles. */
export interface Rounds {
  readonly sets: number;
  readonly rounds: number;
  readonly cyclesPerRound: number;
}

export interface BlockTiming extends Rounds {
  /** One round, without rests. Zero for the natural breath. */
  readonly round: Span;
  /** From the first lead-in to the end of the last lead-out or rest. */
  readonly total: Span;
  /** What the block takes in the session: its minutes when timed, else the longest total. */
  readonly planned: Millis;
  /** What a timed dose leaves after the last complete round; zero otherwise. */
  readonly leftOver: Millis;
  /** False when not one round fits the minutes asked for, or the time of one of its stages. */
  readonly fits: boolean;
}

/**
 * Times a block by what the room does. Rests count as said; a timed dose takes the most complete rounds that fit at their longest.
 * @example timeBlock(mustParsePattern('6:6'), mustParseDose('11 min'), { tempo: millis(1100), naturalBreath: millis(4000) }).rounds // 50
 */
export function timeBlock(pattern: Pattern, dose: Dose, pace: Pace): BlockTiming {
  const room = roomPattern(pattern);
  if (room.kind === 'natural') return timeNatural(dose, pace);
  const whole = room.kind !== 'stages' || room.stages.every((stage) => stage.pattern.kind === 'natural' || stageSpan(stage, pace).rounds > 0);
  const cyclesPerRound = dose.cyclesPerRound ?? 1;
  const round = addSpans(phasesSpan(room.everyRound, pace.tempo), timesSpan(cycleSpan(room, pace), cyclesPerRound));
  const totalOf = (sets: number, rounds: number) => blockSpan(room, dose, pace, round, sets, rounds);
  const { sets } = dose;
  if (dose.kind === 'rounds') {
    const total = totalOf(sets, dose.rounds);
    return { sets, rounds: dose.rounds, cyclesPerRound, round, total, planned: total.high, leftOver: millis(0), fits: whole };
  }
  // Every set fits its own minutes, with the rest after it where each set has one; rests between sets come on top of them.
  const each = millis(dose.minutes * 60_000);
  const rounds = mostRounds(each, (count) => totalOf(1, count).high);
  const total = rounds > 0 ? totalOf(sets, rounds) : NO_TIME;
  const planned = millis(each * sets + (restAfter(dose, 1, 1, 1, 1) ? 0 : restsOf(dose, pace, sets, 1).high));
  return { sets, rounds, cyclesPerRound, round, total, planned, leftOver: millis(planned - total.high), fits: whole && rounds > 0 };
}

function timeNatural(dose: Dose, pace: Pace): BlockTiming {
  const once = dose.kind === 'minutes' ? exactly(dose.minutes * 60_000) : exactly(dose.rounds * pace.naturalBreath);
  const total = addSpans(timesSpan(once, dose.sets), restsOf(dose, pace, dose.sets, 1));
  return { sets: 1, rounds: 0, cyclesPerRound: 1, round: NO_TIME, total, planned: total.high, leftOver: millis(0), fits: true };
}

/** Totals are linear in rounds, so two of them say how many fit. */
function mostRounds(asked: Millis, total: (rounds: number) => Millis): number {
  const one = total(1);
  if (one > asked) return 0;
  const each = total(2) - one;
  return each <= 0 ? 1 : 1 + Math.floor((asked - one) / each);
}

function blockSpan(pattern: TimedPattern, dose: Dose, pace: Pace, round: Span, sets: number, rounds: number): Span {
  return addSpans(
    phasesSpan(pattern.leadIn, pace.tempo),
    timesSpan(phasesSpan(pattern.entry, pace.tempo), sets),
    timesSpan(round, sets * rounds),
    restsOf(dose, pace, sets, rounds),
    phasesSpan(pattern.leadOut, pace.tempo),
  );
}

/** The rest that follows a round, if any: between rounds, or where a set ends the one between sets. */
export function restAfter(dose: Dose, set: number, sets: number, round: number, rounds: number): Rest | null {
  const of = (every: Rest['every']) => dose.rests.find((rest) => rest.every === every) ?? null;
  const [between, betweenSets] = [of('round'), of('set')];
  if (round < rounds) return between;
  const last = set === sets;
  if (betweenSets) return !last || betweenSets.afterLast ? betweenSets : null;
  return between && (!last || between.afterLast) ? between : null;
}

export function restSpan({ low, high, unit }: Rest, pace: Pace): Span {
  const each = unit === 'seconds' ? 1000 : pace.naturalBreath;
  return { low: millis(low * each), high: millis(high * each) };
}

/** All rests of a block: those between the rounds of a set, and those where sets end. */
function restsOf(dose: Dose, pace: Pace, sets: number, rounds: number): Span {
  const times = (rest: Rest | null, count: number) => (rest && count > 0 ? timesSpan(restSpan(rest, pace), count) : NO_TIME);
  return addSpans(
    times(restAfter(dose, 1, 2, 1, 2), sets * (rounds - 1)),
    times(restAfter(dose, 1, 2, 1, 1), sets - 1),
    times(restAfter(dose, 1, 1, 1, 1), 1),
  );
}

/** The side a phase is on in a given cycle of its set. */
export function sideInCycle(side: Side, alternating: boolean, cycle: number): Side {
  if (!alternating || side === 'both' || cycle % 2 === 0) return side;
  return side === 'left' ? 'right' : 'left';
}
