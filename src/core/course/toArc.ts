import { CLIMB_LIMITS } from '../climb';
import { techniquesIn, type TechniqueBlock } from '../plan';
import { lengthOf, STANDS_COST, type ArcCase, type ArcFile, type ArcGoal, type Held, type Practice } from './arc';
import { asGrown, asStepped, isInAnotherMeasure } from './doses';
import { ARC_FRAME, BREATH_SHARES } from './hour';
import { alike } from './coming';
import { problemOf } from './toDraft';
import type { Arc, CourseSession, Goal, Planning } from './types';

/** A course as the problem of a course worth teaching, and how what comes of it is written on a plan. */

const MINUTE_MS = 60_000;

/** A course as an arc: the same rules, ladder, screening and pins as the search for the soonest one, with doses that grow. */
export function arcProblemOf(sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning, { pace, breath }: Arc) {
  const { file, one, climbs, first } = problemOf(sessions, goals, planning);
  const { guards } = planning;
  const goalOf = (id: string) => goals.find(({ technique }) => technique === id);
  // The steps of counts alone, volume grows by itself; or every step, where it does not.
  const stepped = (id: string) => isInAnotherMeasure(first(id), goalOf(id));
  const stepsOf = (id: string) =>
    stepped(id) ? climbs.get(id)! : climbs.get(id)!.filter(({ isNew, beyond }, index) => index === 0 || isNew || beyond);
  // What was taught of a goal on steps below the one it goes on from has a step of its own: it counts, but reaches nothing.
  const taught = sessions.filter(({ fixed }) => fixed).flatMap(({ blocks }) => techniquesIn(blocks));
  const below = new Map(
    goals.map(({ technique: id }) => [
      id,
      !stepped(id) && taught.some((block) => block.technique === id && block.pattern !== stepsOf(id)[0].pattern) ? 1 : 0,
    ]),
  );
  const doses = new Map(
    [...climbs.keys()].map(
      (id) => [id, stepped(id) ? asStepped(first(id), planning) : asGrown(first(id), stepsOf(id), goalOf(id), planning)] as const,
    ),
  );
  const stepOf = (id: string, way: TechniqueBlock): number => {
    const on = stepsOf(id).findLastIndex((step) => doses.get(id)!.isOn(way, step));
    return on < 0 ? -1 : on + (below.get(id) ?? 0);
  };
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
      ...(of.ready ? { ready: of.ready / 100 } : {}),
      // A lighter class is less than what is asked for.
      dose: wanted ?? dose.low,
      steps: steps.slice(1 - below.get(goal.v)!).map((step) => {
        const at = climbs.get(goal.v)!.indexOf(step);
        return { n: step.classes, d: step.days, open: goal.steps?.[at].open, measure: measure(step) };
      }),
    };
  });
  const fixed = sessions.map(({ fixed: stays, blocks }): Held[] | null =>
    stays
      ? techniquesIn(blocks)
          .filter(({ technique }) => doses.has(technique))
          .map((block): Held => {
            const { units, dose } = doses.get(block.technique)!;
            const step = goalOf(block.technique) ? Math.max(0, stepOf(block.technique, block)) : 0;
            return [block.technique, step, units(block.dose) ?? dose.low];
          })
      : null,
  );
  const practiceOf = (block: TechniqueBlock): Practice | null => {
    const { technique } = block;
    const step = doses.has(technique) ? stepOf(technique, block) : -1;
    const units = step < 0 ? null : doses.get(technique)!.units(block.dose);
    return units === null ? null : [technique, step, lengthOf(doses.get(technique)!.measure(block), units)];
  };
  // What is changed for a better course costs something: least where nobody has it in hand, most where its teacher has read it.
  const stands = sessions.map(({ fixed: stays, blocks, inHand }) => ({
    held: stays
      ? []
      : techniquesIn(blocks).flatMap((block): Held[] => {
          const step = doses.has(block.technique) ? stepOf(block.technique, block) : -1;
          const units = step < 0 ? null : doses.get(block.technique)!.units(block.dose);
          return units === null ? [] : [[block.technique, step, units]];
        }),
    costs: STANDS_COST[inHand ?? 'open'],
  }));
  const arcCase: ArcCase = {
    ...one,
    best: undefined,
    goals: asked,
    fixed,
    people: alike(sessions, planning.comers),
    ...(stands.some(({ held }) => held.length > 0) ? { stands } : {}),
  };
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
    textOf: (id: string, units: number): string => doses.get(id)!.text(units, stepsOf(id).at(-1)!),
    /** A practice as it stands on a plan. */
    wayOf: (id: string, step: number, ms: number): { readonly pattern: string; readonly dose: string } => {
      const on = stepsOf(id)[Math.max(0, step - (below.get(id) ?? 0))];
      const { text, measure } = doses.get(id)!;
      const { unit, lead } = measure(on);
      return { pattern: on.pattern, dose: text(Math.round((ms - lead) / unit), on) };
    },
  };
}
