import { draftCourse as propose, unplacedText } from '@/core/course';
import { draftForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { CourseRow, SessionRow } from '../../db/rows';
import { Refusal } from '../../errors';
import { claimCourse, course, sessionsOf } from '../../repositories/courses';
import { settingOf } from '../setting';

/** Drafts a course's open sessions; past and published ones stay as they are. */
export async function draftCourse(desk: Desk, input: unknown): Promise<{ readonly unplaced: readonly string[] }> {
  authorise(desk.who, 'edit courses');
  const form = await checked(draftForm, input);
  return inOne(desk, async (at) => {
    const found = await course(at, form.course);
    const [sessions, setting] = await Promise.all([sessionsOf(at, [found.id]), settingOf(at, found)]);
    if (sessions.every(({ fixed }) => fixed)) throw new Refusal('late', 'Every session is past or published, so there is nothing left to draft.');
    await claimCourse(at, found.id, form.version);
    const draft = propose(sessions, found.goals, setting, at.newId);
    const unplaced = draft.unplaced.map(unplacedText);
    for (const { id, fixed, blocks } of draft.sessions) {
      if (!fixed) await at.em.nativeUpdate(SessionRow, { id }, { blocks, version: sessions.find((session) => session.id === id)!.version + 1 });
    }
    await at.em.nativeUpdate(CourseRow, { id: found.id }, { unplaced });
    return { unplaced };
  });
}
