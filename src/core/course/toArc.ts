import { CLIMB_LIMITS } from '../climb';
import { formatDose, mustParseDose, type Dose } from '../pattern';
import { blockTime, techniquesIn, type TechniqueBlock } from '../plan';
import { topOf } from '../techniques';
import { lengthOf, type ArcCase, type ArcDose, type ArcFile, type ArcGoal, type Held, type Measure, type Practice } from './arc';
import { ARC_FRAME, BREATH_SHARES } from './limits';
import { seenIn } from './seen';
import { problemOf } from './toDraft';
import type { Arc, CourseSession, Goal, Planning } from './types';

/** A course as the problem of a course worth teaching, and how what comes of it is written on a plan. */

interface Measured {
  readonly dose: ArcDose;
  /** Units on a plan. */
  readonly text: (units: number) => string;
  /** Units of a dose on a plan; null where it is another measure. */
  readonly units: (dose: string) => number | null;
  readonly measure: (pattern: string) => Measure;
}

/** Minutes come in halves, so that a lighter class is the one that a climb knows; they grow by whole ones. */
const PER_MINUTE = 2;

/** Whether two doses differ in nothing but how much it is. */
const isSameMeasure = (one: Dose, other: Dose): boolean =>
  one.kind === 'minutes'
    ? other.kind === 'minutes' && formatDose({ ...one, minutes: other.minutes }) === formatDose(other)
    : other.kind === 'rounds' && formatDose({ ...one, rounds: other.rounds }) === formatDose(other);

/** How a technique's doses grow: from how it is taught to its top, as long as screening sees the same in them. */
function measured(first: TechniqueBlock, patterns: readonly string[], goal: Goal | undefined, planning: Planning): Measured {
  const { basis } = planning;
  const technique = basis.library.technique(first.technique);
  const own = mustParseDose(first.dose);
  const asked = goal && mustParseDose(goal.dose);
  // A goal in another measure, or with other rests, is gone to in its own.
  const shape = asked && !isSameMeasure(own, asked) ? asked : own;
  const as = (n: number): Dose => (shape.kind === 'minutes' ? { ...shape, minutes: n / PER_MINUTE } : { ...shape, rounds: n });
  const text = (n: number) => formatDose(as(n));
  const amount = (dose: Dose) => (dose.kind === 'minutes' ? dose.minutes * PER_MINUTE : dose.rounds);
  const units = (dose: string): number | null => {
    const read = mustParseDose(dose);
    const n = amount(read);
    return read.kind === shape.kind && Number.isInteger(n) && n >= 1 && text(n) === formatDose(read) ? n : null;
  };
  const time = (pattern: string, dose: string) => blockTime({ ...first, pattern, dose }, basis);
  const measure = (pattern: string): Measure => {
    const unit = time(pattern, text(2)) - time(pattern, text(1));
    return { unit, lead: time(pattern, text(1)) - unit };
  };
  const now = time(first.pattern, first.dose);
  const upTo = (most: number, pattern = first.pattern) => {
    const { unit, lead } = measure(pattern);
    return Math.max(1, Math.floor((most - lead) / unit + 1e-9));
  };
  // What does not grow by its units is done as it is.
  if (patterns.some((pattern) => !(measure(pattern).unit > 0)))
    return {
      dose: { unit: Math.max(1, now), lead: 0, low: 1, top: 1 },
      text: () => first.dose,
      units: (dose) => (dose === first.dose ? 1 : null),
      measure: (pattern) => ({ unit: Math.max(1, time(pattern, first.dose)), lead: 0 }),
    };
  const low = units(first.dose) ?? upTo(now);
  const wanted = goal ? (units(goal.dose) ?? 0) : 0;
  const usual = upTo(blockTime({ ...first, pattern: technique.pattern, dose: topOf(technique) }, basis));
  const see = seenIn(basis);
  const seen = (n: number) => patterns.map((pattern) => see({ ...first, pattern, dose: text(n) })).join();
  const atLow = seen(low);
  let top = low;
  // Who may do it is asked of the lowest dose: it grows as long as that is the same question.
  while (top < Math.max(usual, wanted) && seen(top + 1) === atLow) top += 1;
  const { unit, lead } = measure(first.pattern);
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
  };
}

const MINUTE_MS = 60_000;

/** A course as an arc: the same rules, ladder, screening and pins as the search for the soonest one, with doses that grow. */
export function arcProblemOf(sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning, { pace, breath }: Arc) {
  const { file, one, climbs, first } = problemOf(sessions, goals, planning);
  const { guards } = planning;
  const goalOf = (id: string) => goals.find(({ technique }) => technique === id);
  // The steps of counts alone: volume grows by itself.
  const stepsOf = (id: string) => climbs.get(id)!.filter(({ isNew, beyond }, index) => index === 0 || isNew || beyond);
  // What was taught of a goal on steps below the one it goes on from has a step of its own: it counts, but reaches nothing.
  const taught = sessions.filter(({ fixed }) => fixed).flatMap(({ blocks }) => techniquesIn(blocks));
  const below = new Map(
    goals.map(({ technique: id }) => [id, taught.some((block) => block.technique === id && block.pattern !== stepsOf(id)[0].pattern) ? 1 : 0]),
  );
  const stepOf = (id: string, pattern: string): number => {
    const on = stepsOf(id).findIndex((step) => step.pattern === pattern);
    return on < 0 ? -1 : on + (below.get(id) ?? 0);
  };
  const doses = new Map(
    [...climbs.keys()].map((id) => {
      const patterns = [...new Set(stepsOf(id).map(({ pattern }) => pattern))];
      return [id, measured(first(id), patterns, goalOf(id), planning)] as const;
    }),
  );
  const arcFile: ArcFile = {
    frame: ARC_FRAME,
    breath: BREATH_SHARES[breath],
    pace,
    growth: { ms: guards.weekMinutes * MINUTE_MS, share: guards.weekShare, inARow: guards.growingSteps, pause: CLIMB_LIMITS.pauseDays },
    techniques: Object.fromEntries(Object.entries(file.techniques).map(([id, { ms: _, ...rest }]) => [id, { ...rest, dose: doses.get(id)!.dose }])),
    edges: file.edges,
    instances: [],
  };
  const asked = one.goals.map((goal): ArcGoal => {
    const of = goalOf(goal.v)!;
    const { dose, units, measure } = doses.get(goal.v)!;
    const steps = stepsOf(goal.v);
    const wanted = units(of.dose);
    return {
      v: goal.v,
      r: goal.r,
      by: goal.by,
      // A lighter class is less than what is asked for.
      dose: wanted ?? dose.low,
      steps: steps.slice(1 - below.get(goal.v)!).map((step) => {
        const at = climbs.get(goal.v)!.indexOf(step);
        return { n: step.classes, d: step.days, open: goal.steps?.[at].open, measure: measure(step.pattern) };
      }),
    };
  });
  const fixed = sessions.map(({ fixed: stays, blocks }): Held[] | null =>
    stays
      ? techniquesIn(blocks)
          .filter(({ technique }) => doses.has(technique))
          .map((block): Held => {
            const { units, dose } = doses.get(block.technique)!;
            const step = goalOf(block.technique) ? Math.max(0, stepOf(block.technique, block.pattern)) : 0;
            return [block.technique, step, units(block.dose) ?? dose.low];
          })
      : null,
  );
  const practiceOf = ({ technique, pattern, dose }: TechniqueBlock): Practice | null => {
    const step = doses.has(technique) ? stepOf(technique, pattern) : -1;
    const units = step < 0 ? null : doses.get(technique)!.units(dose);
    return units === null ? null : [technique, step, lengthOf(doses.get(technique)!.measure(pattern), units)];
  };
  const arcCase: ArcCase = { ...one, best: undefined, goals: asked, fixed };
  return {
    file: arcFile,
    one: arcCase,
    first,
    /** What stands in a course, as a draft has it; null where something of it is no draft's. */
    practicesOf: (of: readonly CourseSession[]): Practice[][] | null => {
      const all = of.map(({ blocks, fixed: stays }) => (stays ? [] : techniquesIn(blocks).map(practiceOf)));
      return all.every((held) => held.every((each) => each !== null)) ? (all as Practice[][]) : null;
    },
    practiceOf,
    /** A dose of a technique as it stands on a plan. */
    textOf: (id: string, units: number): string => doses.get(id)!.text(units),
    /** A practice as it stands on a plan. */
    wayOf: (id: string, step: number, ms: number): { readonly pattern: string; readonly dose: string } => {
      const { pattern } = stepsOf(id)[Math.max(0, step - (below.get(id) ?? 0))];
      const { text, measure } = doses.get(id)!;
      const { unit, lead } = measure(pattern);
      return { pattern, dose: text(Math.round((ms - lead) / unit)) };
    },
  };
}
