import { howMany, readiness, type HowMany } from '@/core/forecast';
import type { Library } from '@/core/library';
import type { CourseView, ReadyLine } from '@/views/course';

/**
 * How many would be ready for something if everybody came so often: the same sum as from their own records, with one rate for all.
 * @param rate from 0 to 1
 * @example readyAt(view, library, line, 1) // { expected: 11, low: 11, high: 11 } where all that is needed stands before it
 */
export function readyAt({ sessions, already }: Pick<CourseView, 'sessions' | 'already'>, library: Library, line: ReadyLine, rate: number): HowMany {
  const classes = sessions.map(({ date, techniques }) => ({ date, techniques: [...new Set(techniques.map(({ technique }) => technique))] }));
  const goal = `goal ${line.technique}`;
  const edges = line.goal ? [...library.edges, { needs: line.technique, to: goal, sessions: line.practise, days: 0 }] : library.edges;
  const course = { classes, edges, already: new Set(already) };
  const at = line.goal ? classes.length : classes.findIndex(({ date }) => date === line.date);
  const chance = readiness(course, line.goal ? goal : line.technique, at, rate);
  return howMany(Array.from({ length: line.people }, () => chance));
}
