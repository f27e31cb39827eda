import { roomPattern, type Dose, type Pattern, type Side } from '../pattern';
import { addSpans, exactly, millis, timesSpan, NO_TIME, type Millis, type Span } from '../units';
import { cycleSpan, phasesSpan, type Pace, type TimedPattern } from './spans';

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
  /** False when not one round fits the minutes asked for. */
  readonly fits: boolean;
}

/**
 * Times a block by what the room does. Rests count as said; a timed dose takes the most complete rounds that fit at their longest.
 * @example timeBlock(mustParsePattern('6:6'), mustParseDose('11 min'), { tempo: millis(1100), naturalBreath: millis(4000) }).rounds // 50
 */
export function timeBlock(pattern: Pattern, dose: Dose, pace: Pace): BlockTiming {
  const room = roomPattern(pattern);
  if (room.kind === 'natural') return timeNatural(dose, pace);
  const cyclesPerRound = dose.cyclesPerRound ?? 1;
  const round = timesSpan(cycleSpan(room, pace), cyclesPerRound);
  const totalOf = (sets: number, rounds: number) => blockSpan(room, dose, pace, round, sets, rounds);
  if (dose.kind === 'rounds') {
    const total = totalOf(dose.sets, dose.rounds);
    return { sets: dose.sets, rounds: dose.rounds, cyclesPerRound, round, total, planned: total.high, leftOver: millis(0), fits: true };
  }
  const asked = millis(dose.minutes * 60_000);
  const rounds = mostRounds(asked, (count) => totalOf(1, count).high);
  const total = rounds > 0 ? totalOf(1, rounds) : NO_TIME;
  return { sets: 1, rounds, cyclesPerRound, round, total, planned: asked, leftOver: millis(asked - total.high), fits: rounds > 0 };
}

function timeNatural(dose: Dose, pace: Pace): BlockTiming {
  const total = dose.kind === 'minutes' ? exactly(dose.minutes * 60_000) : exactly(dose.sets * dose.rounds * pace.naturalBreath);
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
    exactly(restCount(dose, sets, rounds) * restMillis(dose, pace)),
    phasesSpan(pattern.leadOut, pace.tempo),
  );
}

export function restMillis(dose: Dose, pace: Pace): Millis {
  if (!dose.rest) return millis(0);
  return millis(dose.rest.n * (dose.rest.unit === 'seconds' ? 1000 : pace.naturalBreath));
}

function restCount(dose: Dose, sets: number, rounds: number): number {
  if (!dose.rest) return 0;
  const places = dose.rest.every === 'round' ? sets * rounds : sets;
  return dose.rest.afterLast ? places : places - 1;
}

/** The side a phase is on in a given cycle of its set. */
export function sideInCycle(side: Side, alternating: boolean, cycle: number): Side {
  if (!alternating || side === 'both' || cycle % 2 === 0) return side;
  return side === 'left' ? 'right' : 'left';
}
