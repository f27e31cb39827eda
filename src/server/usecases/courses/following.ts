import { isDeepStrictEqual } from 'node:util';
import type { IsoDate } from '@/core/units';
import type { Staff } from '../../auth/actors';
import { afresh, type Desk, type Writing } from '../../desk';
import { course, type Session } from '../../repositories/courses';
import { progressOf } from '../../repositories/plans';
import { issue, lookedAt } from '../plans/publishPlan';

/** Whether published classes stay as they are when their course changes, or change with it and go out again. */
export type Published = 'stay' | 'follow';

/** Whether a class is published and still to come: the day it is held it stays as its teacher read it. */
const mayFollow = ({ published, date, cancelled }: Session, today: IsoDate): boolean => published > 0 && date > today && !cancelled;

/** The classes of a course as a change may touch them: published ones as open ones that cost more to change, where they are to follow. */
export async function asTouched(desk: Desk, sessions: readonly Session[], published: Published): Promise<readonly Session[]> {
  if (published === 'stay') return sessions;
  const progress = await progressOf(
    desk,
    sessions.filter((one) => mayFollow(one, desk.today)).map(({ id }) => id),
  );
  return sessions.map((one) => {
    const at = progress.get(one.id);
    return at ? { ...one, fixed: false, inHand: at.acknowledgedAt ? 'read' : 'published' } : one;
  });
}

/**
 * Gives published classes whose blocks a change has changed out again, so that their teachers are asked to read what stands there now. What
 * a check stands against is not given out: it stays as it was read, and the course says so.
 * @param before the classes as they were before the change
 * @param which only these, where not all of them
 */
export async function followed(at: Writing<Staff>, id: string, before: readonly Session[], which?: ReadonlySet<string>): Promise<void> {
  const now = afresh(at);
  const looked = await lookedAt(now, await course(now, id));
  const was = new Map(before.map(({ id: session, blocks }) => [session, blocks]));
  const changed = looked.sessions.filter(
    (one) => mayFollow(one, now.today) && (which?.has(one.id) ?? true) && !isDeepStrictEqual(was.get(one.id), one.blocks),
  );
  if (changed.length > 0) await issue(now, looked, changed);
}
