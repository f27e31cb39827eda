import { listed } from '@/core/wording';
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
  const few = fewReady(ready);
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
  return [reached, few].filter(Boolean).join(' ');
}

/** A share of the people under which it is said before anything good, where none is asked for. */
const MANY_READY = 0.8;

/** Who will not be ready for a goal, where that is many of them. */
function fewReady(ready: CourseView['ready']): string | null {
  const few = ready.filter(
    ({ goal, people, expected, share }) => goal && people > 0 && expected / people < (share === null ? MANY_READY : share / 100) - 1e-9,
  );
  if (few.length === 0) return null;
  const worst = few.reduce((least, one) => (one.expected / one.people < least.expected / least.people ? one : least));
  const others = few.filter((one) => one !== worst).map(({ name }) => name);
  return `About ${Math.round(worst.expected)} of ${worst.people} will be ready for ${worst.name}${others.length > 0 ? `, and not all for ${listed(others)}` : ''}.`;
}
