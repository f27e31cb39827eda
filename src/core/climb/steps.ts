import { formatDose, mustParseDose, mustParsePattern, type Dose } from '../pattern';
import { timeBlock, type Pace } from '../timing';
import { GUARDS, type Guards } from './limits';

/** The longest a dose may grow to in a week: a fifth more, or a minute, whichever is larger. In milliseconds. */
export function mostAfterAWeek(time: number, { weekShare, weekMinutes }: Guards = GUARDS): number {
  return Math.max(time * (1 + weekShare), time + weekMinutes * 60_000);
}

/** Minutes come whole where they can, else in halves, else in quarters. */
const PARTS = [1, 2, 4] as const;

/**
 * One week's step of a volume climb towards a target dose, in rounds or minutes, or from the one to the other, inside the guard.
 * @param stepMinutes the most it grows by at once, where that is to be less than the guard allows
 * @returns the next dose in canonical text, or null when it is reached or no step fits the guard
 * @example nextVolume('4:4', '4 min', '6 min', pace) // "5 min"
 */
export function nextVolume(pattern: string, from: string, target: string, pace: Pace, stepMinutes = Infinity, guards = GUARDS): string | null {
  const [now, goal] = [mustParseDose(from), mustParseDose(target)];
  const read = mustParsePattern(pattern);
  const time = (dose: Dose) => timeBlock(read, dose, pace).planned;
  const most = Math.min(mostAfterAWeek(time(now), guards), time(now) + stepMinutes * 60_000);
  const may = (dose: Dose) => time(dose) <= most && timeBlock(read, dose, pace).fits;
  if (from === target) return null;
  if (may(goal)) return formatDose(goal);
  // In another measure it comes to about what it was; in its own it grows.
  const grows = (dose: Dose) => may(dose) && (dose.kind !== now.kind || time(dose) > time(now));
  const next = (goal.kind === 'rounds' ? fewerRounds(goal) : fewerMinutes(goal, most)).find(grows);
  return next ? formatDose(next) : null;
}

const fewerRounds = (goal: Extract<Dose, { kind: 'rounds' }>): Dose[] =>
  Array.from({ length: goal.rounds }, (_, less) => ({ ...goal, rounds: goal.rounds - less }));

/** Fewer minutes than a goal's, the most first: whole ones, then halves, then quarters. */
function fewerMinutes(goal: Extract<Dose, { kind: 'minutes' }>, most: number): Dose[] {
  return PARTS.flatMap((parts) => {
    const first = Math.floor(Math.min(goal.minutes, most / 60_000 / goal.sets) * parts + 1e-9);
    return Array.from({ length: first }, (_, less): Dose => ({ ...goal, minutes: (first - less) / parts }));
  });
}
