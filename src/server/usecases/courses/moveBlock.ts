import { checkCourse, edit, mended, pinned, stepped, withReview } from '@/core/course';
import { answerStepForm, mendForm, moveForm, pinForm, reviewForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { Refusal } from '../../errors';
import { course, keepEdit, sessionsOf } from '../../repositories/courses';
import { library } from '../../repositories/library';
import { settingOf } from '../setting';
import { recorded } from './steps';

/** Moves a technique to another session of its course, with the settling that follows it. What is past stays. */
export async function moveBlock(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const { course: id, block, to, seen } = await checked(moveForm, input);
  await inOne(desk, (at) =>
    recorded(at, id, 'the move', async (now) => {
      await course(now, id);
      const asked = { today: now.today, newId: now.newId, library: await library(now) };
      await keepEdit(now, edit(await sessionsOf(now, [id]), { kind: 'move', block, to }, asked), seen);
    }),
  );
}

/** Puts a review of something that is known into a class. */
export async function addReview(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const { course: id, session, technique, seen } = await checked(reviewForm, input);
  await inOne(desk, (at) =>
    recorded(at, id, 'the review', async (now) => {
      await course(now, id);
      const all = await library(now);
      if (!all.find(technique)) throw new Refusal('not-found', 'There is no technique of this name in the library.');
      await keepEdit(now, withReview(await sessionsOf(now, [id]), session, technique, now.today, all, now.newId), seen);
    }),
  );
}

/** Pins something where it stands, so that no draft moves it, or lets it go. */
export async function pinBlock(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const { course: id, block, pinned: pin, seen } = await checked(pinForm, input);
  await inOne(desk, (at) =>
    recorded(at, id, pin ? 'the pin' : 'the pin let go', async (now) => {
      await course(now, id);
      await keepEdit(now, pinned(await sessionsOf(now, [id]), block, pin, now.today), seen);
    }),
  );
}

const WHAT = {
  stay: 'staying on the step',
  back: 'the step back',
  hurry: 'going on sooner',
  lighter: 'the lighter class',
  shorter: 'the shorter hold',
} as const;

/** Changes a climb by hand: after what the last class said, or as the director sees it. */
export async function answerStep(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'answer a class');
  const { course: id, technique, answer, seen } = await checked(answerStepForm, input);
  await inOne(desk, (at) =>
    recorded(at, id, WHAT[answer], async (now) => {
      await course(now, id);
      await keepEdit(now, stepped(await sessionsOf(now, [id]), technique, answer), seen);
    }),
  );
}

/** Applies the one-step mend of a check, worked out again here so that nothing else can be asked for. */
export async function mendCheck(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const form = await checked(mendForm, input);
  await inOne(desk, (at) =>
    recorded(at, form.course, 'the mend', async (now) => {
      const found = await course(now, form.course);
      const sessions = await sessionsOf(now, [form.course]);
      const { planning, reached } = await settingOf(now, found, sessions);
      const check = checkCourse(reached, planning).find(
        ({ session, mend }) =>
          session === form.session &&
          mend?.kind === form.kind &&
          mended(mend) === form.block &&
          (mend.kind !== 'add preparation' || !form.part || mend.part === form.part),
      );
      if (!check?.mend) throw new Refusal('clash', 'This check is no longer there: something has changed since the page was opened.');
      await keepEdit(now, edit(sessions, check.mend, { today: now.today, newId: now.newId, library: planning.basis.library }), form.seen);
    }),
  );
}
