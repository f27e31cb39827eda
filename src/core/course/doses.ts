import type { ClimbStep } from '../climb';
import { formatDose, mustParseDose, type Dose } from '../pattern';
import { blockTime, type TechniqueBlock } from '../plan';
import { topOf } from '../techniques';
import type { ArcDose, Measure } from './arc';
import { seenIn } from './seen';
import type { Goal, Planning } from './types';

/** How the doses of a technique grow in a course: as units on the steps of its climb, and as they stand on a plan. */

type Way = Pick<ClimbStep, 'pattern' | 'dose'>;

export interface Doses {
  readonly dose: ArcDose;
  /** Units on a step, as a plan has them. */
  readonly text: (units: number, step: Way) => string;
  /** The units of a dose on a plan; null where it is another measure. */
  readonly units: (dose: string) => number | null;
  /** How long units last on a step. */
  readonly measure: (step: Way) => Measure;
  /** Whether a practice is on a step. */
  readonly isOn: (way: Way, step: Way) => boolean;
}

/** Minutes come in halves, so that a lighter class is the one that a climb knows; they grow by whole ones. */
const PER_MINUTE = 2;
const MINUTE_MS = 60_000;

/** Whether two doses differ in nothing but how much it is. */
const isSameMeasure = (one: Dose, other: Dose): boolean =>
  one.kind === 'minutes'
    ? other.kind === 'minutes' && formatDose({ ...one, minutes: other.minutes }) === formatDose(other)
    : other.kind === 'rounds' && formatDose({ ...one, rounds: other.rounds }) === formatDose(other);

/** Whether a goal is asked for in another measure, or with other rests, than its technique is taught in: then its climb is gone step by step. */
export const isInAnotherMeasure = ({ dose }: Pick<TechniqueBlock, 'dose'>, goal: Goal | undefined): boolean =>
  goal !== undefined && !isSameMeasure(mustParseDose(dose), mustParseDose(goal.dose));

/** Doses that are those of the steps, and do not grow by themselves. */
export function asStepped(first: TechniqueBlock, { basis }: Planning): Doses {
  const measure = ({ pattern, dose }: Way): Measure => ({ unit: Math.max(1, blockTime({ ...first, pattern, dose }, basis)), lead: 0 });
  return {
    dose: { ...measure(first), low: 1, top: 1 },
    text: (_, { dose }) => dose,
    units: () => 1,
    measure,
    isOn: (way, step) => way.pattern === step.pattern && way.dose === step.dose,
  };
}

/** Doses that grow: from how it is taught to its top, as long as screening sees the same in them. */
export function asGrown(first: TechniqueBlock, steps: readonly Way[], goal: Goal | undefined, planning: Planning): Doses {
  const { basis } = planning;
  const technique = basis.library.technique(first.technique);
  const shape = mustParseDose(first.dose);
  const text = (n: number) => formatDose(shape.kind === 'minutes' ? { ...shape, minutes: n / PER_MINUTE } : { ...shape, rounds: n });
  const units = (dose: string): number | null => {
    const read = mustParseDose(dose);
    const n = read.kind === 'minutes' ? read.minutes * PER_MINUTE : read.rounds;
    return isSameMeasure(shape, read) && Number.isInteger(n) && n >= 1 ? n : null;
  };
  const time = (pattern: string, dose: string) => blockTime({ ...first, pattern, dose }, basis);
  const measure = ({ pattern }: Pick<Way, 'pattern'>): Measure => {
    const unit = time(pattern, text(2)) - time(pattern, text(1));
    return { unit, lead: time(pattern, text(1)) - unit };
  };
  const low = units(first.dose);
  // What does not grow by its units is done as it is.
  if (low === null || steps.some((step) => !(measure(step).unit > 0))) return asStepped(first, planning);
  const { unit, lead } = measure(first);
  const usual = Math.floor((blockTime({ ...first, pattern: technique.pattern, dose: topOf(technique) }, basis) - lead) / unit + 1e-9);
  const see = seenIn(basis);
  const seen = (n: number) => steps.map(({ pattern }) => see({ ...first, pattern, dose: text(n) })).join();
  const atLow = seen(low);
  let top = low;
  // Who may do it is asked of the lowest dose: it grows as long as that is the same question.
  while (top < Math.max(usual, goal ? (units(goal.dose) ?? 0) : 0) && seen(top + 1) === atLow) top += 1;
  const { everyDays, stepMinutes } = goal ?? {};
  // By whole minutes, unless it is to grow more slowly.
  const by = shape.kind === 'minutes' && (stepMinutes ?? 1) >= 1 ? PER_MINUTE : 1;
  return {
    dose: {
      unit,
      lead,
      low,
      top: low + Math.floor((top - low) / by) * by,
      by,
      ...(everyDays ? { every: everyDays } : {}),
      ...(stepMinutes ? { most: stepMinutes * MINUTE_MS } : {}),
    },
    text,
    units,
    measure,
    isOn: (way, step) => way.pattern === step.pattern,
  };
}
