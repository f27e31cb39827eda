import { draftCourse as propose, unplacedText } from '@/core/course';
import { draftForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { Refusal } from '../../errors';
import { course, keepDraft, seenAt, sessionsOf } from '../../repositories/courses';
import { settingOf } from '../setting';

/** Drafts a course's open sessions, as they were seen; past and published ones stay as they are. */
export async function draftCourse(desk: Desk, input: unknown): Promise<{ readonly unplaced: readonly string[] }> {
  authorise(desk.who, 'edit courses');
  const { course: id, version, seen } = await checked(draftForm, input);
  return inOne(desk, async (at) => {
    const found = await course(at, id);
    const sessions = await sessionsOf(at, [id]);
    if (sessions.every(({ fixed }) => fixed)) throw new Refusal('late', 'Every session is past or published, so there is nothing left to draft.');
    // A draft weighs the whole course: whatever changed since it was looked at, published sessions too, is looked at first.
    if (sessions.some((one) => one.date >= at.today && seenAt(seen, one.id) !== one.version)) throw new Refusal('clash');
    const { planning } = await settingOf(at, found, sessions);
    const draft = propose(sessions, found.goals, planning, at.newId);
    const open = draft.sessions.filter(({ fixed }) => !fixed);
    await keepDraft(
      at,
      id,
      version,
      draft.unplaced,
      open.map(({ id: session, blocks }) => ({ session, version: seenAt(seen, session), blocks })),
    );
    return { unplaced: draft.unplaced.map((one) => unplacedText(one, planning.basis.library)) };
  });
}
