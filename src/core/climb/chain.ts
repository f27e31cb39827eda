import { formatDose, mustParseDose, mustParsePattern, type Dose } from '../pattern';
import { timeBlock, type Pace } from '../timing';
import { CLIMB_LIMITS, GUARDS, type Guards } from './limits';
import { mostAfterAWeek, nextCounts, nextVolume } from './steps';

/** One step of a climb: how it is done, whether it is a new thing, and what it asks of the step below. */
export interface ClimbStep {
  readonly pattern: string;
  readonly dose: string;
  readonly isNew: boolean;
  /** Classes on the step below, and days since that began. */
  readonly classes: number;
  readonly days: number;
  /** Three quarters of the volume after three growing steps, counts unchanged. */
  readonly lighter: boolean;
}

/** How much more slowly a climb grows than the rules allow. */
export interface Slower {
  readonly everyDays?: number | null;
  readonly stepMinutes?: number | null;
}

type Way = Pick<ClimbStep, 'pattern' | 'dose'>;

/** No climb is longer than this; what is still missing then comes in one last step. */
const MOST_STEPS = 40;

/**
 * A climb from one way of doing a technique to another, expanded: counts first, a count a step and two classes on each; then volume,
 * a week a step, with a lighter class after three that grew. The last step is the target.
 * @param slower days between two steps, and the most minutes a step, where it is to grow more slowly than the rules allow
 * @example climbSteps({ pattern: '4:5', dose: '4 min' }, { pattern: '5:6', dose: '5 min' }, pace).length // 3
 */
export function climbSteps(from: Way, to: Way, pace: Pace, { everyDays, stepMinutes }: Slower = {}, guards = GUARDS): ClimbStep[] {
  const counts = { isNew: true, classes: guards.classesOnAStep, days: everyDays ?? 0 } as const;
  const steps: ClimbStep[] = [{ ...from, isNew: true, classes: 0, days: 0, lighter: false }];
  let at: Way = from;
  const go = (next: Way, step: Omit<ClimbStep, 'pattern' | 'dose' | 'lighter'>, lighter = false) => {
    steps.push({ ...next, ...step, lighter });
    if (!lighter) at = next;
  };
  for (let pattern = nextCounts(at.pattern, to.pattern); pattern && steps.length < MOST_STEPS; pattern = nextCounts(at.pattern, to.pattern))
    go({ pattern, dose: sameTime(at, pattern, pace, guards) }, counts);
  // Another shape than it had: one new thing by itself.
  if (at.pattern !== to.pattern) go({ pattern: to.pattern, dose: sameTime(at, to.pattern, pace, guards) }, counts);
  const volume = { isNew: false, classes: 1, days: Math.max(CLIMB_LIMITS.daysBetweenVolume, everyDays ?? 0) } as const;
  let growing = 0;
  for (
    let dose = nextVolume(at.pattern, at.dose, to.dose, pace, stepMinutes ?? undefined, guards);
    dose && steps.length < MOST_STEPS;
    dose = nextVolume(at.pattern, at.dose, to.dose, pace, stepMinutes ?? undefined, guards)
  ) {
    if (growing === guards.growingSteps) {
      go({ ...at, dose: lighterDose(at) }, volume, true);
      growing = 0;
    }
    go({ ...at, dose }, volume);
    growing += 1;
  }
  if (at.dose !== to.dose) go(to, volume);
  return steps;
}

/** The dose at which another pattern takes no longer than a week's growth allows. */
function sameTime({ pattern, dose }: Way, next: string, pace: Pace, guards: Guards): string {
  const read = mustParseDose(dose);
  if (read.kind !== 'rounds') return dose;
  const time = (of: string, with_: Dose) => timeBlock(mustParsePattern(of), with_, pace).planned;
  const most = mostAfterAWeek(time(pattern, read), guards);
  let { rounds } = read;
  while (rounds > 1 && time(next, { ...read, rounds }) > most) rounds -= 1;
  return formatDose({ ...read, rounds });
}

/** Three quarters of a dose, at least one round or half a minute. @example lighterDose({ dose: '4 min' }) // "3 min" */
export function lighterDose({ dose }: Pick<Way, 'dose'>): string {
  const read = mustParseDose(dose);
  if (read.kind === 'minutes') return formatDose({ ...read, minutes: Math.max(0.5, Math.floor(read.minutes * CLIMB_LIMITS.lighterShare * 2) / 2) });
  return formatDose({ ...read, rounds: Math.max(1, Math.floor(read.rounds * CLIMB_LIMITS.lighterShare)) });
}
