import { formatDose, mustParseDose, mustParsePattern, type Dose } from '../pattern';
import { timeBlock, type Pace } from '../timing';
import { CLIMB_LIMITS, GUARDS, type Guards } from './limits';
import { growthFindings } from './guards';
import { nextPattern } from './path';
import { mostAfterAWeek, nextVolume } from './steps';

/** One step of a climb: how it is done, whether it is a new thing, and what it asks of the step below. */
export interface ClimbStep {
  readonly pattern: string;
  readonly dose: string;
  readonly isNew: boolean;
  /** Classes on the step below, and days since that began. */
  readonly classes: number;
  readonly days: number;
  /** Three quarters of the volume after three growing steps, counts unchanged: for one class. */
  readonly lighter: boolean;
}

/** How much more slowly a climb grows than the rules allow. */
export interface Slower {
  readonly everyDays?: number | null;
  readonly stepMinutes?: number | null;
}

type Way = Pick<ClimbStep, 'pattern' | 'dose'>;

/**
 * A climb from one way of doing a technique to another, expanded: the breath first, a step at a time and two classes on each; then volume,
 * a week a step, with one lighter class after three that grew. Every step is inside the guards; where none is, the climb ends there.
 * @param slower days between two steps, and the most minutes a step, where it is to grow more slowly than the rules allow
 * @returns the last step is the target, or the furthest that the guards allow: {@link arrives}
 * @example climbSteps({ pattern: '4:5', dose: '4 min' }, { pattern: '5:6', dose: '5 min' }, pace).length // 3
 */
export function climbSteps(from: Way, to: Way, pace: Pace, { everyDays, stepMinutes }: Slower = {}, guards = GUARDS): ClimbStep[] {
  const counts = { isNew: true, classes: guards.classesOnAStep, days: everyDays ?? 0 } as const;
  const steps: ClimbStep[] = [{ ...from, isNew: true, classes: 0, days: 0, lighter: false }];
  const goTo = (at: Way, step: Omit<ClimbStep, 'pattern' | 'dose' | 'lighter'>): Way => {
    steps.push({ ...at, ...step, lighter: false });
    return at;
  };
  let at: Way = from;
  for (let next = nextBreath(at, to, pace, guards); next; next = nextBreath(at, to, pace, guards)) at = goTo(next, counts);
  if (at.pattern !== to.pattern) return steps;
  const week = Math.max(CLIMB_LIMITS.daysBetweenVolume, everyDays ?? 0);
  const volume = { isNew: false, classes: 1, days: week } as const;
  let growing = 0;
  for (let dose = nextStep(at, to); dose; dose = nextStep(at, to)) {
    const lighter = growing === guards.growingSteps && fits({ ...at, dose: lighterDose(at) }, pace) ? lighterDose(at) : at.dose;
    // One class and no more; the next one that practises it grows from the level before.
    if (lighter !== at.dose) steps.push({ ...at, dose: lighter, ...volume, lighter: true });
    growing = growing === guards.growingSteps ? 1 : growing + 1;
    at = goTo({ ...at, dose }, lighter === at.dose ? volume : { ...volume, days: 0 });
  }
  return steps;

  function nextStep({ pattern, dose }: Way, { dose: target }: Way): string | null {
    return nextVolume(pattern, dose, target, pace, stepMinutes ?? undefined, guards);
  }
}

/** Whether a climb comes to its target inside the guards. */
export function arrives(steps: readonly ClimbStep[], to: Way): boolean {
  const last = steps[steps.length - 1];
  return last.pattern === to.pattern && last.dose === to.dose;
}

/** The next step of the breath, in no more time than a week allows; null where it is there, or none is inside the guards. */
function nextBreath(at: Way, to: Way, pace: Pace, guards: Guards): Way | null {
  if (at.pattern === to.pattern) return null;
  // Another shape than it had is one step, where the guards allow it.
  const pattern = nextPattern(at.pattern, to.pattern, pace.tempo) ?? to.pattern;
  const next = { pattern, dose: sameTime(at, pattern, pace, guards) };
  const inside = pattern !== at.pattern && growthFindings({ ...at, pace }, { ...next, pace }, CLIMB_LIMITS.daysBetweenVolume, guards).length === 0;
  return inside ? next : null;
}

const fits = ({ pattern, dose }: Way, pace: Pace): boolean => timeBlock(mustParsePattern(pattern), mustParseDose(dose), pace).fits;

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

/** Whether a dose is another or more of the same measure. @example isAtLeast('7 min', '5 min') // true */
export function isAtLeast(dose: string, least: string): boolean {
  if (dose === least) return true;
  const [has, asks] = [mustParseDose(dose), mustParseDose(least)];
  const amount = (of: Dose) => (of.kind === 'minutes' ? of.minutes : of.rounds);
  const as = (of: Dose, n: number) => formatDose(of.kind === 'minutes' ? { ...of, minutes: n } : { ...of, rounds: n });
  return has.kind === asks.kind && amount(has) > amount(asks) && as(has, amount(asks)) === formatDose(asks);
}

/** Whether something is the lighter class of a level: the same breath, three quarters of the dose. @example isLighterThan({ pattern: '4:4', dose: '3 min' }, { pattern: '4:4', dose: '4 min' }) // true */
export function isLighterThan(one: Way, level: Way): boolean {
  return one.pattern === level.pattern && one.dose !== level.dose && one.dose === lighterDose(level);
}

/**
 * The level that something is on when it was just practised: itself, or where it was the lighter class of the level before, that one. What
 * comes next is measured from it.
 * @example levelAfter({ pattern: '4:4', dose: '4 min' }, { pattern: '4:4', dose: '3 min' }).dose // "4 min"
 */
export function levelAfter<T extends Way>(before: T | undefined, now: T): T {
  return before && isLighterThan(now, before) ? before : now;
}
