import { fewReadyText } from '@/core/course';
import type { CourseView } from '@/views/course';

/**
 * What is to be said of a course first: the worst thing that is true of it, and only then what is reached by when.
 * @example headline(view) // "Every goal is reached, the last in week 7. At most 9 of 14 will be ready for 4:7:8."
 */
export function headline({ week, sessions, course, checks, ready }: CourseView): string {
  const begun = week === null ? 'It has not started yet. ' : week > course.weeks ? 'It is finished. ' : `Week ${week} of ${course.weeks}. `;
  return begun + stateOf({ sessions, course, checks, ready });
}

function stateOf({ sessions, course, checks, ready }: Pick<CourseView, 'sessions' | 'course' | 'checks' | 'ready'>): string {
  if (sessions.length === 0) return 'No class of it is held.';
  if (sessions.every(({ techniques }) => techniques.length === 0))
    return 'Its dates stand. Press Draft, and the goals are laid out from the ground up.';
  const wrong = checks.filter(({ severity }) => severity !== 'know').length;
  const mending = wrong === 1 ? 'One thing wants mending.' : `${wrong} things want mending.`;
  if (wrong > 0) return mending;
  const few = fewReadyText(ready);
  if (course.unplaced.length > 0)
    return [
      `${course.unplaced.length === 1 ? 'One goal has' : `${course.unplaced.length} goals have`} no place yet${few ? '' : '; nothing else is out of order'}.`,
      few,
    ]
      .filter(Boolean)
      .join(' ');
  const weeks = course.reached.flatMap((at) => at ?? []);
  const reached =
    weeks.length > 0 && weeks.length === course.goals.length
      ? `${course.goals.length === 1 ? `${course.goals[0]} is reached` : 'Every goal is reached'}${course.goals.length === 1 ? '' : ', the last'} in week ${Math.max(...weeks)}.`
      : few
        ? null
        : 'Nothing is out of order.';
  return [few, reached].filter(Boolean).join(' ');
}
