import { formatDose, formatPattern, mustParseDose, mustParsePattern, type CyclePattern, type Dose, type Pattern } from '../pattern';
import { timeBlock, type Pace } from '../timing';
import { GUARDS, type Guards } from './limits';

/**
 * One step of a counts climb: every phase moves at most one count towards the target.
 * @returns the next pattern in canonical text, or null when there is nothing to climb or the two are not alike
 * @example nextCounts('4:4:4', '6:6:6') // "5:5:5"
 */
export function nextCounts(from: string, target: string): string | null {
  const [now, goal] = [mustParsePattern(from), mustParsePattern(target)];
  if (goal.kind !== 'cycle' || !alike(now, goal) || from === target) return null;
  const phases = now.phases.map((phase, index) => {
    const wanted = goal.phases[index].length;
    if (phase.length.unit !== 'counts' || wanted.unit !== 'counts') return phase;
    return { ...phase, length: { unit: 'counts' as const, n: phase.length.n + Math.sign(wanted.n - phase.length.n) } };
  });
  return formatPattern({ ...now, phases });
}

/** Whether two patterns are the same phases in counts, so that one can grow into the other. */
export function alike(now: Pattern, goal: Pattern): now is CyclePattern {
  if (now.kind !== 'cycle' || goal.kind !== 'cycle') return false;
  const shape = (pattern: CyclePattern) => pattern.phases.map(({ kind, side, length }) => `${kind} ${side} ${length.unit}`).join();
  return shape(now) === shape(goal);
}

/** The longest a dose may grow to in a week: a fifth more, or a minute, whichever is larger. In milliseconds. */
export function mostAfterAWeek(time: number, { weekShare, weekMinutes }: Guards = GUARDS): number {
  return Math.max(time * (1 + weekShare), time + weekMinutes * 60_000);
}

/**
 * One week's step of a volume climb towards a target dose, in rounds or minutes, inside the guard.
 * @param stepMinutes the most it grows by at once, where that is to be less than the guard allows
 * @returns the next dose in canonical text, or null when it is reached or no step fits the guard
 * @example nextVolume('4:4', '4 min', '6 min', pace) // "5 min"
 */
export function nextVolume(pattern: string, from: string, target: string, pace: Pace, stepMinutes = Infinity, guards = GUARDS): string | null {
  const [now, goal] = [mustParseDose(from), mustParseDose(target)];
  const read = mustParsePattern(pattern);
  const time = (dose: Dose) => timeBlock(read, dose, pace).planned;
  const most = Math.min(mostAfterAWeek(time(now), guards), time(now) + stepMinutes * 60_000);
  if (now.kind === 'minutes' && goal.kind === 'minutes') {
    // Whole minutes, but where it is asked to grow by less.
    const parts = stepMinutes % 1 > 0 ? 4 : 1;
    const minutes = Math.min(goal.minutes, Math.floor((most / 60_000) * parts) / parts);
    return minutes > now.minutes ? formatDose({ ...goal, minutes }) : null;
  }
  if (now.kind !== 'rounds' || goal.kind !== 'rounds') return null;
  for (let rounds = goal.rounds; rounds > now.rounds; rounds -= 1) {
    const dose = { ...goal, rounds };
    if (time(dose) <= most) return formatDose(dose);
  }
  return null;
}
