import type { Course } from './readiness';

/** A goal: a technique, practised so often in classes in which it is done as it is asked for. */
export interface AskedGoal {
  readonly technique: string;
  readonly practise: number;
  /** By class: whether it stands there as it is asked for, and in time. */
  readonly meets: (at: number) => boolean;
}

/**
 * A course in which a goal is a thing of its own, that somebody is ready for once they practised its technique so often as it is asked for,
 * each time with everything below it.
 * @returns the course, and what to ask of it at its end
 * @example const { course, goal } = asGoal(all, { technique: 'b', practise: 2, meets: () => true }); readiness(course, goal, course.classes.length, 0.8)
 */
export function asGoal(
  { classes, edges, already }: Course,
  { technique, practise, meets }: AskedGoal,
): { readonly course: Course; readonly goal: string } {
  const [asked, goal] = [`${technique} as asked`, `goal ${technique}`];
  return {
    goal,
    course: {
      already,
      classes: classes.map((one, at) => (one.techniques.includes(technique) && meets(at) ? { ...one, techniques: [...one.techniques, asked] } : one)),
      edges: [
        ...edges,
        ...edges.filter(({ to }) => to === technique).map((edge) => ({ ...edge, to: asked })),
        { needs: asked, to: goal, sessions: practise, days: 0 },
      ],
    },
  };
}
