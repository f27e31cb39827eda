import { isDeepStrictEqual } from 'node:util';
import {
  checkCourse,
  checkText,
  draftCourse as propose,
  framed,
  inTimeOrder,
  placesOf,
  unplacedIn,
  unplacedTexts,
  type CourseProblem,
  type CourseSession,
  type Unplaced,
} from '@/core/course';
import { techniquesIn, type TechniqueBlock } from '@/core/plan';
import { draftForm, keepDraftForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk, type Writing } from '../../desk';
import type { Staff } from '../../auth/actors';
import { Refusal } from '../../errors';
import { course, keepDraft, sessionsOf, type Course, type Seen, type Session } from '../../repositories/courses';
import { settingOf, type Setting } from '../setting';
import { asTouched, followed, type Published } from './following';
import { asSeen, ofItself } from './request';
import { recorded } from './steps';

/** How long the server looks for a draft; and then for what clashes, and for what would do; in milliseconds. Nobody else is answered meanwhile. */
const [LOOKED_FOR, REASONED_FOR] = [2000, 1000] as const;

/** Says when it has been looked for long enough, from now. */
function within(ms: number): () => boolean {
  const until = performance.now() + ms;
  return () => performance.now() > until;
}

const reasoned = () => within(REASONED_FOR);

/** A course, as it was seen, as plain data that a page drafts in a worker: nobody's answers, numbers alone. */
export async function draftingProblem(desk: Desk, input: unknown): Promise<CourseProblem> {
  authorise(desk.who, 'edit courses');
  const { course: id, seen, published } = await checked(draftForm, input);
  return (await open(desk, id, seen, published)).setting.problem;
}

/** Drafts a course's open sessions here and keeps the draft; past and published ones stay as they are. */
export async function draftCourse(desk: Desk, input: unknown): Promise<{ readonly unplaced: readonly string[] }> {
  authorise(desk.who, 'edit courses');
  const { course: id, version, seen, published } = await checked(draftForm, input);
  return inOne(desk, (at) =>
    recorded(at, id, 'the draft', async (to) => {
      const { found, sessions, setting } = await open(to, id, seen, published);
      if (found.version !== version) throw new Refusal('clash');
      const drafted = await draftAndKeep(to, found, sessions, setting);
      if (published === 'follow') await followed(to, id, sessions);
      return drafted;
    }),
  );
}

/** Keeps a draft that was worked out on a page. It is asked every rule again here: nobody can save one that breaks a rule. */
export async function keepDrafted(desk: Desk, input: unknown): Promise<{ readonly unplaced: readonly string[] }> {
  authorise(desk.who, 'edit courses');
  const { course: id, version, seen, classes, published } = await checked(keepDraftForm, input);
  return inOne(desk, async (at) => {
    const { found, sessions, setting } = await open(at, id, seen, published);
    if (found.version !== version) throw new Refusal('clash');
    const before = setting.planning;
    const places = placesOf(inTimeOrder(sessions), found.goals, before);
    const next = inTimeOrder(sessions).map((session, index): Session => {
      const taken = classes.find((one) => one.session === session.id);
      if (!taken) return session;
      if (session.fixed) throw new Refusal('late', 'A past or published class is left as it is.');
      const unknown = taken.techniques.find(({ technique }) => before.basis.library.find(technique) === null);
      if (unknown) throw new Refusal('invalid', 'A technique of this draft is not in the library.');
      const stood = techniquesIn(session.blocks);
      const techniques = taken.techniques.map((way): TechniqueBlock => {
        // What stands there already stays the block it is, with its lines and what was set by hand.
        const had = stood.find(({ technique }) => technique === way.technique);
        return had ? { ...had, ...way } : { id: at.newId(), kind: 'technique', ...way, tempo: before.tempo };
      });
      return { ...session, ...framed(session, techniques, places[index], before, at.newId) };
    });
    // Who may do what is asked for the blocks as they would stand.
    const { planning } = await settingOf(at, found, next);
    const changed = new Set(classes.map(({ session }) => session));
    if ([...changed].some((session) => !sessions.some((one) => one.id === session)))
      throw new Refusal('not-found', 'A class of this draft is not part of the course.');
    const broken = checkCourse(next, planning).find(({ session, severity }) => changed.has(session) && severity !== 'know');
    if (broken) {
      const name = broken.technique ? planning.basis.library.technique(broken.technique).name : 'A class';
      throw new Refusal('invalid', `This draft cannot be kept: ${name} ${checkText(broken, planning.basis.library)}.`);
    }
    const unplaced = unplacedIn(next, found.goals, planning, reasoned);
    const taken = next.filter((session) => changed.has(session.id));
    await recorded(at, id, 'the draft', async (to) => {
      await keep(to, found, sessions, taken, unplaced);
      if (published === 'follow') await followed(to, id, sessions);
    });
    return { unplaced: unplacedTexts(unplaced, planning.basis.library) };
  });
}

/** What a course is drafted from, as it was seen. */
async function open(at: Desk, id: string, seen: readonly Seen[], published: Published) {
  const found = await course(at, id);
  await ofItself(at, id);
  const sessions = await asTouched(at, await sessionsOf(at, [id]), published);
  if (sessions.every(({ fixed }) => fixed)) throw new Refusal('late', 'Every session is past or published, so there is nothing left to draft.');
  // A draft weighs the whole course: whatever changed since it was looked at, published sessions too, is looked at first.
  asSeen(at, sessions, seen);
  return { found, sessions, setting: await settingOf(at, found, sessions) };
}

/** Drafts and keeps, over a course as it was just read; or leaves the blocks and only says what they do not reach. */
export async function draftAndKeep(
  at: Writing<Staff>,
  found: Course,
  sessions: readonly Session[],
  { planning, problem }: Pick<Setting, 'planning' | 'problem'>,
  anew = true,
): Promise<{ readonly unplaced: readonly string[] }> {
  const draft = anew
    ? propose(problem.sessions, found.goals, planning, at.newId, { enough: within(LOOKED_FOR), begin: reasoned }, problem.arc)
    : { sessions: problem.sessions, unplaced: unplacedIn(problem.sessions, found.goals, planning, reasoned) };
  const open = draft.sessions.filter(({ fixed }) => !fixed);
  await keep(at, found, sessions, open, draft.unplaced);
  return { unplaced: unplacedTexts(draft.unplaced, planning.basis.library) };
}

/** Keeps what is otherwise than it was read. */
function keep(
  at: Writing<Staff>,
  { id, version }: Course,
  was: readonly Session[],
  now: readonly CourseSession[],
  unplaced: readonly Unplaced[],
): Promise<void> {
  const changed = now.flatMap(({ id: session, blocks }) => {
    const before = was.find((one) => one.id === session)!;
    return isDeepStrictEqual(before.blocks, blocks) ? [] : [{ session, version: before.version, blocks }];
  });
  return keepDraft(at, id, version, unplaced, changed);
}
