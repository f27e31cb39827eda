import type { Course } from './readiness';

/** What somebody does to be with the room again: before a class at home, or in a class in place of what they are not ready for. */
export interface CatchUpStep {
  /** Index of the class. */
  readonly at: number;
  /** Practices at home before it. */
  readonly home: readonly { readonly technique: string; readonly times: number }[];
  /** What they do not do in it yet. */
  readonly instead: readonly string[];
}

export interface CatchUp {
  readonly steps: readonly CatchUpStep[];
  /** The first class from which on they do all that the room does; null where the course ends before. */
  readonly withRoom: number | null;
}

/**
 * The way back to the room for somebody who came to some classes and comes to all from now on. What may be practised at home is made
 * up for before the class that needs it, once a day; everything else waits for the classes that practise it. Days are the cohort's.
 * @param came indices of the classes they came to
 * @param now index of the next class
 * @param atHome whether a technique may be practised at home
 * @param daysBefore days until a class, for how many practices fit
 * @example catchUp(course, new Set(), 4, () => true, () => 3).steps[0].home // what the next class stands on, as often as it needs it
 */
export function catchUp(
  { classes, edges, already }: Course,
  came: ReadonlySet<number>,
  now: number,
  atHome: (technique: string) => boolean,
  daysBefore: (at: number) => number,
): CatchUp {
  const had = new Map<string, number>();
  const lacks = (technique: string) =>
    already.has(technique)
      ? []
      : edges.filter(({ to, needs, sessions }) => to === technique && !already.has(needs) && (had.get(needs) ?? 0) < sessions);
  const practise = (technique: string) => had.set(technique, (had.get(technique) ?? 0) + 1);
  const take = (techniques: readonly string[]) => {
    // Within a class what stands below comes first, but a need is met only by classes before.
    const ready = techniques.filter((technique) => lacks(technique).length === 0);
    ready.forEach(practise);
    return techniques.filter((technique) => !ready.includes(technique));
  };
  for (let at = 0; at < now; at += 1) if (came.has(at)) take(classes[at].techniques);
  const steps: CatchUpStep[] = [];
  let withRoom: number | null = null;
  for (let at = now; at < classes.length; at += 1) {
    const home = madeUp(classes[at].techniques, at);
    const instead = take(classes[at].techniques);
    if (home.length > 0 || instead.length > 0) {
      steps.push({ at, home, instead });
      withRoom = null;
    } else withRoom ??= at;
  }
  return { steps, withRoom };

  /** What is missing for a class and may be practised at home, from the ground up, as far as the days reach. */
  function madeUp(techniques: readonly string[], at: number): CatchUpStep['home'] {
    let days = Math.max(0, daysBefore(at));
    const done = new Map<string, number>();
    const make = (technique: string, depth: number): void => {
      if (depth > edges.length) return;
      for (const { needs, sessions } of lacks(technique)) {
        make(needs, depth + 1);
        while ((had.get(needs) ?? 0) < sessions && days > 0 && atHome(needs) && lacks(needs).length === 0) {
          practise(needs);
          done.set(needs, (done.get(needs) ?? 0) + 1);
          days -= 1;
        }
      }
    };
    for (const technique of techniques) make(technique, 0);
    return [...done].map(([technique, times]) => ({ technique, times }));
  }
}
