import { formatDose, minutesDose, roomPattern, type Dose, type Pattern } from '../pattern';
import { millis, type Millis } from '../units';
import { timeBlock } from './block';
import { cycleSpan, type Pace } from './spans';

/** Tempos that can be counted at all, in milliseconds a count. */
export const TEMPO_LIMITS = { low: 400, high: 3000 } as const;

/**
 * Seconds a count from taps along a spoken count: the slope of the best straight line through them, so that one hasty tap
 * does not decide.
 * @param instants milliseconds of a clock, in order
 * @returns milliseconds a count, or null with fewer than four taps or outside what can be counted
 * @example tempoFromTaps([0, 1100, 2200, 3300]) // 1100
 */
export function tempoFromTaps(instants: readonly number[]): Millis | null {
  const n = instants.length;
  if (n < 4) return null;
  const middle = (n - 1) / 2;
  const mean = instants.reduce((sum, at) => sum + at, 0) / n;
  const over = instants.reduce((sum, at, index) => sum + (index - middle) * (at - mean), 0);
  const under = instants.reduce((sum, _, index) => sum + (index - middle) ** 2, 0);
  return inLimits(over / under);
}

/**
 * Seconds a count from how long one real cycle took: what is written in seconds stays, the rest is shared by the counts.
 * @returns milliseconds a count, or null when nothing is counted or the result can't be counted
 * @example tempoFromCycle(mustParsePattern('4:7:8'), 22.8, millis(4000)) // 1200
 */
export function tempoFromCycle(pattern: Pattern, seconds: number, naturalBreath: Millis): Millis | null {
  const room = roomPattern(pattern);
  if (room.kind === 'natural') return null;
  // A cycle is linear in its tempo, so two of them give its fixed part and its counts.
  const at = (tempo: number) => cycleSpan(room, { tempo: millis(tempo), naturalBreath }).high;
  const counts = (at(2000) - at(1000)) / 1000;
  return counts > 0 ? inLimits((seconds * 1000 - (at(1000) - counts * 1000)) / counts) : null;
}

function inLimits(tempo: number): Millis | null {
  const rounded = millis(tempo);
  return rounded >= TEMPO_LIMITS.low && rounded <= TEMPO_LIMITS.high ? rounded : null;
}

/**
 * A dose in minutes written as the rounds that fit, and one in rounds as its minutes, rounded up to a quarter.
 * @returns canonical text, or null for what has no rounds or when not one fits
 * @example otherWay(mustParsePattern('4:4:4:4'), mustParseDose('5 min'), pace) // "18 rounds"
 */
export function otherWay(pattern: Pattern, dose: Dose, pace: Pace): string | null {
  const { cyclesPerRound, rests, guided } = dose;
  const timing = timeBlock(pattern, dose, pace);
  if (timing.rounds === 0) return null;
  const tail = { cyclesPerRound, rests, guided };
  if (dose.kind === 'minutes') return formatDose({ kind: 'rounds', sets: dose.sets, rounds: timing.rounds, ...tail });
  if (dose.sets > 1) return null;
  return formatDose({ ...minutesDose(Math.ceil(timing.total.high / 15_000) / 4), ...tail });
}
