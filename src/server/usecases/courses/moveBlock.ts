import { checkCourse, edit, mended, withReview } from '@/core/course';
import { mendForm, moveForm, reviewForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { Refusal } from '../../errors';
import { course, keepEdit, sessionsOf } from '../../repositories/courses';
import { library } from '../../repositories/library';
import { settingOf } from '../setting';

/** Moves a technique to another session of its course, with the settling that follows it. What is past stays. */
export async function moveBlock(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const { course: id, block, to, seen } = await checked(moveForm, input);
  await inOne(desk, async (at) => {
    await course(at, id);
    const asked = { today: at.today, newId: at.newId, library: await library(at) };
    await keepEdit(at, edit(await sessionsOf(at, [id]), { kind: 'move', block, to }, asked), seen);
  });
}

/** Puts a review of something that is known into a class. */
export async function addReview(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const { course: id, session, technique, seen } = await checked(reviewForm, input);
  await inOne(desk, async (at) => {
    await course(at, id);
    const all = await library(at);
    if (!all.find(technique)) throw new Refusal('not-found', 'There is no technique of this name in the library.');
    await keepEdit(at, withReview(await sessionsOf(at, [id]), session, technique, at.today, all, at.newId), seen);
  });
}

/** Applies the one-step mend of a check, worked out again here so that nothing else can be asked for. */
export async function mendCheck(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const form = await checked(mendForm, input);
  await inOne(desk, async (at) => {
    const found = await course(at, form.course);
    const sessions = await sessionsOf(at, [form.course]);
    const { planning } = await settingOf(at, found, sessions);
    const check = checkCourse(sessions, planning).find(
      ({ session, mend }) => session === form.session && mend?.kind === form.kind && mended(mend) === form.block,
    );
    if (!check?.mend) throw new Refusal('clash', 'This check is no longer there: something has changed since the page was opened.');
    await keepEdit(at, edit(sessions, check.mend, { today: at.today, newId: at.newId, library: planning.basis.library }), form.seen);
  });
}
