import { asGoal, howMany, readiness, type HowMany } from '@/core/forecast';
import type { Library } from '@/core/library';
import type { CourseView, ReadyLine } from '@/views/course';

/**
 * How many would be ready for something if everybody came so often: the same sum as from their own records, with one rate for all.
 * @param rate from 0 to 1
 * @example readyAt(view, library, line, 1) // { expected: 11, low: 11, high: 11 } where all that is needed stands before it
 */
export function readyAt({ sessions, already }: Pick<CourseView, 'sessions' | 'already'>, library: Library, line: ReadyLine, rate: number): HowMany {
  const classes = sessions.map(({ date, techniques }) => ({ date, techniques: [...new Set(techniques.map(({ technique }) => technique))] }));
  const course = { classes, edges: library.edges, already: new Set(already) };
  const { technique, practise, asAsked } = line;
  const asked = asGoal(course, { technique, practise, meets: (at) => asAsked.includes(at) });
  const chance = line.goal
    ? readiness(asked.course, asked.goal, classes.length, rate)
    : readiness(
        course,
        technique,
        classes.findIndex(({ date }) => date === line.date),
        rate,
      );
  return howMany(Array.from({ length: line.people }, () => chance));
}
