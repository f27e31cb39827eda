import { draftArc, type ArcCase, type Held } from '../src/core/course/arc';
import { measureOf } from '../src/core/course/arc/cases';
import { EXAMPLE_FILE, exampleCase } from '../src/core/course/arc/example';
import { STANDS_COST } from '../src/core/course/arc/limits';

/** Courses that are spread over the weeks: how long a draft takes as they grow, and what a class that falls out changes. */

const GOALS = [
  { v: 'longer-4-5', r: 2 },
  { v: 'fingers', r: 2, dose: 12 },
  { v: 'holds', r: 2 },
  { v: 'sides', r: 2, dose: 20 },
];
/** Classes, and days between two. */
const SIZES = [
  [10, 7],
  [20, 3],
  [40, 2],
] as const;

function timed<T>(work: () => T): readonly [T, number] {
  const begun = performance.now();
  return [work(), performance.now() - begun];
}

/** A course without one of its classes, the others as they were drafted. */
function without(one: ArcCase, lost: number): ArcCase {
  const { sessions } = draftArc(EXAMPLE_FILE, one);
  const held = sessions.map((placed) =>
    placed.map(([id, step, ms]): Held => {
      const { unit, lead } = measureOf(
        EXAMPLE_FILE,
        one.goals.find(({ v }) => v === id),
        id,
        step,
      );
      return [id, step, Math.round((ms - lead) / unit)];
    }),
  );
  const rest = <T>(all: readonly T[]) => all.filter((_, at) => at !== lost);
  return {
    ...one,
    dates: rest(one.dates),
    minutes: rest(one.minutes),
    fixed: [],
    hours: one.hours.slice(1),
    stands: rest(held).map((stood) => ({ held: stood, costs: STANDS_COST.open })),
  };
}

export function measureArcs(): void {
  console.log('\nCourses spread over the weeks, four goals (drafted again from what stands beside drafted from nothing, with a class taken out)');
  for (const [classes, every] of SIZES) {
    const one = exampleCase(classes, every, { goals: GOALS });
    const [draft, ms] = timed(() => draftArc(EXAMPLE_FILE, one));
    const rest = without(one, Math.floor(classes / 3));
    const [on, onMs] = timed(() => draftArc(EXAMPLE_FILE, rest));
    const [anew, anewMs] = timed(() => draftArc(EXAMPLE_FILE, { ...rest, stands: undefined }));
    const stood = draftArc(EXAMPLE_FILE, one).sessions.filter((_, at) => at !== Math.floor(classes / 3));
    const changed = ({ sessions }: typeof on) =>
      sessions.filter((placed, at) => JSON.stringify([...placed].sort()) !== JSON.stringify([...stood[at]].sort())).length;
    console.log(
      `  ${classes} classes: ${ms.toFixed(0)} ms, requirements ${draft.judged.Q}, aim ${draft.judged.J}; a class out: ${changed(on)} change, aim ${on.judged.J}, ${onMs.toFixed(0)} ms; from nothing: ${changed(anew)} change, aim ${anew.judged.J}, ${anewMs.toFixed(0)} ms; ratio ${(onMs / anewMs).toFixed(2)} (aim: at most 2)`,
    );
  }
}
