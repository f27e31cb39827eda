import { arrives, climbSteps, isLighterThan, levelAfter, type ClimbStep } from '../climb';
import { wayDown } from '../ladder';
import { blockTime, techniquesIn, type TechniqueBlock } from '../plan';
import { isSideWork } from '../techniques';
import { isoDate, millis, type IsoDate } from '../units';
import { inTimeOrder } from './checks';
import { byQualified, forSettled, forSomebody, NOTHING_BEFORE, type Day } from './constraints';
import type { Case, CaseFile } from './drafting';
import { settleShare } from './frame';
import { meets } from './goals';
import { ARC_FRAME } from './hour';
import { COURSE_LIMITS } from './limits';
import { hourOf, type CourseSession, type Goal, type Planning } from './types';

/** A course as what the search works on. */

/** A step of a climb; one that is beyond what the guards allow is asked for, and done by nobody. */
export type StepOfDraft = ClimbStep & { readonly beyond?: true };

const HOUR = { morning: 'm', day: 'd', evening: 'e' } as const;

/** How each technique that a draft may put anywhere would be done there: its climb, or the one way there is. */
export function climbsOf(sessions: readonly CourseSession[], goals: readonly Goal[], planning: Omit<Planning, 'tally'>) {
  const { basis, ladder, already, taught, tempo } = planning;
  const { library } = basis;
  const pace = { tempo: millis(tempo), naturalBreath: basis.naturalBreath };
  const taughtSo = sessions.filter(({ fixed }) => fixed);
  // A climb goes on from what was reached: a class that fell short counts only where nothing else was practised.
  const standing = [...taughtSo.filter(({ short }) => short), ...taughtSo.filter(({ short }) => !short)].flatMap(({ blocks }) =>
    techniquesIn(blocks),
  );
  const pins = sessions.flatMap(({ fixed, blocks }, at) =>
    fixed ? [] : techniquesIn(blocks).flatMap(({ pinned, technique }) => (pinned && library.find(technique) ? [[at, technique] as const] : [])),
  );
  const wanted = new Set([
    ...goals.map(({ technique }) => technique),
    ...pins.map(([, technique]) => technique),
    ...already,
    ...standing.map(({ technique }) => technique),
  ]);
  for (const id of [...wanted]) for (const below of wayDown(ladder, id)) wanted.add(below);
  const ids = [...wanted].filter((id) => library.find(id) !== null);
  const first = (id: string): TechniqueBlock => {
    // A lighter class is one class: what comes next goes on from the level before it.
    const level = standing.filter(({ technique }) => technique === id).reduce<TechniqueBlock | undefined>(levelAfter, undefined);
    const way = level ?? taught(id);
    return { id, kind: 'technique', technique: id, pattern: way.pattern, dose: way.dose, tempo };
  };
  const differs = (a: TechniqueBlock, b: TechniqueBlock) => (a.pattern !== b.pattern || a.dose !== b.dose) && !isLighterThan(a, b);
  const isBelow = (id: string, from: TechniqueBlock) => standing.some((block) => block.technique === id && differs(block, from));
  const climbs = new Map<string, readonly StepOfDraft[]>(
    ids.map((id) => {
      const goal = goals.find(({ technique }) => technique === id);
      const from = first(id);
      if (!goal) return [id, [{ ...from, isNew: true, classes: 0, days: 0, lighter: false }]];
      // Who practises more of it already climbs no further down.
      const to = meets(from, goal) ? from : goal;
      const steps = climbSteps(from, to, pace, goal, planning.guards);
      // Classes that did it otherwise than it stands now were below this climb: they count, but not on its steps.
      const beyond = { pattern: goal.pattern, dose: goal.dose, isNew: false, classes: 0, days: 0, lighter: false, beyond: true } as const;
      const whole = arrives(steps, to) ? steps : [...steps, beyond];
      return [id, isBelow(id, from) ? [{ ...steps[0], isNew: false }, { ...steps[0], isNew: false }, ...whole.slice(1)] : whole];
    }),
  );
  return { ids, wanted, pins, climbs, first, differs, isBelow };
}

/** The days that classes could fall on after those there are. */
function addedDays(sessions: readonly CourseSession[], { further }: Pick<Planning, 'further'>) {
  const last = sessions.at(-1);
  return (further?.dates ?? []).filter((date) => !last || date > last.date).map((date) => ({ date, start: last?.start ?? '00:00', fixed: false }));
}

/**
 * Every way that a draft may put anywhere, and every date it may put one on, those of classes that may be added as well: who may do it is
 * asked of each way on each. The way a technique is first taught is not its last.
 */
export function waysOfDraft(
  sessions: readonly CourseSession[],
  goals: readonly Goal[],
  planning: Omit<Planning, 'tally'>,
): { readonly ways: readonly TechniqueBlock[]; readonly dates: readonly IsoDate[] } {
  const ordered = inTimeOrder(sessions);
  const { climbs, first } = climbsOf(ordered, goals, planning);
  return {
    ways: [...climbs].flatMap(([id, steps]) => steps.map(({ pattern, dose }) => ({ ...first(id), pattern, dose }))),
    dates: [...ordered.filter(({ fixed }) => !fixed), ...addedDays(ordered, planning)].map(({ date }) => date),
  };
}

/** A course as the drafting problem: tables of techniques and edges, and the request. */
export function problemOf(sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning) {
  const { basis, ladder, already, taught, tempo } = planning;
  const { library } = basis;
  const { ids, wanted, pins, climbs, first, differs, isBelow } = climbsOf(sessions, goals, planning);
  // A climb that is to grow more slowly does so across the techniques of its own family too.
  const between = (needs: string, to: string) =>
    Math.max(
      0,
      ...goals.map(({ technique, everyDays }) => {
        const family = (id: string) => library.find(id)?.family === library.find(technique)?.family;
        const onItsWay = to === technique || wayDown(ladder, technique).includes(to);
        return everyDays && onItsWay && family(needs) && family(to) ? everyDays : 0;
      }),
    );
  // For the connected breath that waits for a settled group, and for who is qualified, it is the technique that is asked about.
  const asTaught = (id: string): TechniqueBlock => ({ id, kind: 'technique', technique: id, ...taught(id), tempo });
  // Who may do it is asked of each step, on each day: also on those of classes that may be added at the end.
  const days = [...sessions, ...addedDays(sessions, planning)];
  const openAt = (id: string, { pattern, dose, beyond }: StepOfDraft): boolean[] => {
    const may = (day: Day) =>
      !beyond &&
      forSomebody({ ...first(id), pattern, dose }, day, NOTHING_BEFORE, planning).length === 0 &&
      isTaughtBySomebody(asTaught(id), day, planning);
    return days.map((day) => day.fixed || may(day));
  };
  const time = (id: string, { pattern, dose }: Pick<ClimbStep, 'pattern' | 'dose'>) => blockTime({ ...first(id), pattern, dose }, basis);
  const file: Omit<CaseFile, 'instances'> = {
    frame: {
      arrive: ARC_FRAME.arrive[0],
      movement: ARC_FRAME.movement[0],
      movementFrom: ARC_FRAME.movementFrom,
      clearNose: ARC_FRAME.clearNose,
      settle: ARC_FRAME.settle[0],
      rest: ARC_FRAME.rest[0],
      close: ARC_FRAME.close[0],
    },
    techniques: Object.fromEntries(
      ids.map((id) => {
        const technique = library.technique(id);
        const hours = technique.taughtAt.map((hour) => HOUR[hour]).join('');
        const { nature, rung, family } = technique;
        return [
          id,
          { ms: time(id, climbs.get(id)![0]), settle: settleShare(technique), hours, nature, rung, family, side: isSideWork(technique) ? 1 : 0 },
        ];
      }),
    ),
    edges: ladder
      .filter(({ needs, to }) => wanted.has(needs) && wanted.has(to))
      .map(({ needs, to, sessions: times, days }) => [needs, to, times, Math.max(days, between(needs, to))] as const),
  };
  const one: Case = {
    id: 'course',
    dates: sessions.map(({ date }) => date),
    hours: sessions.map(({ start }) => HOUR[hourOf(start)]).join(''),
    minutes: sessions.map(({ minutes }) => minutes),
    already: [...already].filter((id) => library.find(id) !== null),
    banned: [],
    unqualified: [],
    unsettled: ids.filter((id) => forSettled(asTaught(id), NO_DAY, NOTHING_BEFORE, planning).length > 0),
    goals: goals.map(({ technique, practise, by }) => {
      const steps = climbs.get(technique)!;
      return {
        v: technique,
        r: practise,
        by: by ?? undefined,
        steps: steps.map((step) => ({
          ms: time(technique, step),
          fresh: step.isNew ? 1 : 0,
          n: step.classes,
          d: step.days,
          once: step.lighter ? 1 : 0,
          way: { pattern: step.pattern, dose: step.dose },
          open: openAt(technique, step),
        })),
      };
    }),
    fixed: sessions.map(({ fixed, blocks }) =>
      fixed
        ? techniquesIn(blocks).map((block) => {
            const from = first(block.technique);
            const goal = goals.some(({ technique }) => technique === block.technique);
            return [block.technique, goal && isBelow(block.technique, from) && !differs(block, from) ? 1 : 0] as const;
          })
        : null,
    ),
    open: Object.fromEntries(ids.map((id) => [id, openAt(id, climbs.get(id)![0])])),
    pins,
    most: COURSE_LIMITS.mostTechniques,
    further: planning.further,
  };
  return { file: { ...file, instances: [one] }, one, climbs, first };
}

/** Whether anybody of the staff is qualified for a technique on the day of a class. */
export function isTaughtBySomebody(block: TechniqueBlock, day: Day, planning: Planning): boolean {
  return byQualified(block, day, NOTHING_BEFORE, planning).every(({ code }) => code !== 'nobody qualified');
}

/** For rules that ask of no day. */
const NO_DAY: Day = { date: isoDate('2000-01-01'), start: '00:00' };
