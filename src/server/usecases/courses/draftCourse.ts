import {
  checkCourse,
  checkText,
  draftCourse as propose,
  framed,
  unplacedIn,
  unplacedText,
  type CourseProblem,
  type CourseSession,
  type Unplaced,
} from '@/core/course';
import type { TechniqueBlock } from '@/core/plan';
import { draftForm, keepDraftForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk, type Writing } from '../../desk';
import type { Staff } from '../../auth/actors';
import { Refusal } from '../../errors';
import { course, keepDraft, seenAt, sessionsOf, type Course, type Seen, type Session } from '../../repositories/courses';
import { settingOf, type Setting } from '../setting';

/** How long the server looks for a draft, or for what clashes, in milliseconds. */
const LOOKED_FOR = 2000;

/** Says when it has been looked for long enough, from now. */
export function lookedFor(): () => boolean {
  const until = performance.now() + LOOKED_FOR;
  return () => performance.now() > until;
}

/** A course, as it was seen, as plain data that a page drafts in a worker: nobody's answers, numbers alone. */
export async function draftingProblem(desk: Desk, input: unknown): Promise<CourseProblem> {
  authorise(desk.who, 'edit courses');
  const { course: id, seen } = await checked(draftForm, input);
  return (await open(desk, id, seen)).setting.problem;
}

/** Drafts a course's open sessions here and keeps the draft; past and published ones stay as they are. */
export async function draftCourse(desk: Desk, input: unknown): Promise<{ readonly unplaced: readonly string[] }> {
  authorise(desk.who, 'edit courses');
  const { course: id, version, seen } = await checked(draftForm, input);
  return inOne(desk, async (at) => {
    const { found, sessions, setting } = await open(at, id, seen);
    return draftAndKeep(at, found, version, seen, sessions, setting);
  });
}

/** Keeps a draft that was worked out on a page. It is asked every rule again here: nobody can save one that breaks a rule. */
export async function keepDrafted(desk: Desk, input: unknown): Promise<{ readonly unplaced: readonly string[] }> {
  authorise(desk.who, 'edit courses');
  const { course: id, version, seen, classes } = await checked(keepDraftForm, input);
  return inOne(desk, async (at) => {
    const { found, sessions, setting } = await open(at, id, seen);
    const before = setting.planning;
    const next = sessions.map((session): Session => {
      const taken = classes.find((one) => one.session === session.id);
      if (!taken) return session;
      if (session.fixed) throw new Refusal('late', 'A past or published class is left as it is.');
      const unknown = taken.techniques.find(({ technique }) => before.basis.library.find(technique) === null);
      if (unknown) throw new Refusal('invalid', 'A technique of this draft is not in the library.');
      const techniques = taken.techniques.map((way): TechniqueBlock => ({ id: at.newId(), kind: 'technique', ...way, tempo: before.tempo }));
      return { ...session, ...framed(session, techniques, sessions[0].date, before, at.newId) };
    });
    // Who may do what is asked for the blocks as they would stand.
    const { planning } = await settingOf(at, found, next);
    const changed = new Set(classes.map(({ session }) => session));
    if ([...changed].some((session) => !sessions.some((one) => one.id === session)))
      throw new Refusal('not-found', 'A class of this draft is not part of the course.');
    const broken = checkCourse(next, planning).find(
      ({ session, severity, finding }) => changed.has(session) && severity !== 'know' && finding.code !== 'nobody qualified',
    );
    if (broken) {
      const name = broken.technique ? planning.basis.library.technique(broken.technique).name : 'A class';
      throw new Refusal('invalid', `This draft cannot be kept: ${name} ${checkText(broken, planning.basis.library)}.`);
    }
    const unplaced = unplacedIn(next, found.goals, planning, lookedFor());
    await keep(
      at,
      found,
      version,
      seen,
      next.filter((session) => changed.has(session.id)),
      unplaced,
    );
    return { unplaced: unplaced.map((one) => unplacedText(one, planning.basis.library)) };
  });
}

/** What a course is drafted from, as it was seen. */
async function open(at: Desk, id: string, seen: readonly Seen[]) {
  const found = await course(at, id);
  const sessions = await sessionsOf(at, [id]);
  if (sessions.every(({ fixed }) => fixed)) throw new Refusal('late', 'Every session is past or published, so there is nothing left to draft.');
  // A draft weighs the whole course: whatever changed since it was looked at, published sessions too, is looked at first.
  if (sessions.some((one) => one.date >= at.today && seenAt(seen, one.id) !== one.version)) throw new Refusal('clash');
  return { found, sessions, setting: await settingOf(at, found, sessions) };
}

/** Drafts and keeps. Sessions that were made since the page was opened have the version they have now. */
export async function draftAndKeep(
  at: Writing<Staff>,
  found: Course,
  version: number,
  seen: readonly Seen[],
  sessions: readonly Session[],
  { planning }: Pick<Setting, 'planning'>,
): Promise<{ readonly unplaced: readonly string[] }> {
  const draft = propose(sessions, found.goals, planning, at.newId, { enough: lookedFor() });
  await keep(
    at,
    found,
    version,
    seen,
    draft.sessions.filter(({ fixed }) => !fixed),
    draft.unplaced,
  );
  return { unplaced: draft.unplaced.map((one) => unplacedText(one, planning.basis.library)) };
}

function keep(
  at: Writing<Staff>,
  { id }: Course,
  version: number,
  seen: readonly Seen[],
  sessions: readonly CourseSession[],
  unplaced: readonly Unplaced[],
): Promise<void> {
  return keepDraft(
    at,
    id,
    version,
    unplaced,
    sessions.map(({ id: session, blocks }) => ({ session, version: seenAt(seen, session), blocks })),
  );
}
