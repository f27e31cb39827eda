import { isDeepStrictEqual } from 'node:util';
import { checkCourse, classChanges, inTimeOrder, reachedIn, unplacedTexts, type ClassFacts } from '@/core/course';
import { blockName, techniquesIn } from '@/core/plan';
import type { Outcome } from '@/views/course';
import type { Staff } from '../../auth/actors';
import { afresh, inOne, type Desk, type Writing } from '../../desk';
import { course, progressOf, sessionsOf } from '../../repositories/courses';
import { staffNames } from '../../repositories/staff';
import { settingOf } from '../setting';

/** Thrown to undo everything that was tried. */
class Tried extends Error {
  constructor(readonly outcome: Outcome) {
    super('tried');
  }
}

/**
 * What something would do to a course, without doing it: it is done, looked at, and rolled back. What is shown before is so what
 * happens after, whatever it is.
 */
export async function tried(desk: Desk, id: string, work: (at: Writing<Staff>) => Promise<unknown>): Promise<Outcome> {
  try {
    await inOne(desk, async (at) => {
      const before = await standing(at, id);
      await work(at);
      throw new Tried(outcomeOf(before, await standing(afresh(at), id)));
    });
  } catch (error) {
    if (error instanceof Tried) return error.outcome;
    throw error;
  }
  throw new Error('what was tried was not rolled back');
}

type Standing = Awaited<ReturnType<typeof standing>>;

async function standing(desk: Desk, id: string) {
  const [found, sessions] = [await course(desk, id), await sessionsOf(desk, [id])];
  const { planning, reached } = await settingOf(desk, found, sessions);
  const { library } = planning.basis;
  const [nameOf, progress] = [
    await staffNames(desk),
    await progressOf(
      desk,
      sessions.map((session) => session.id),
    ),
  ];
  const ordered = inTimeOrder(sessions);
  const facts = ordered.map(({ blocks, ...session }): ClassFacts => ({
    ...session,
    techniques: techniquesIn(blocks).map((block) => ({ ...block, name: blockName(block, library) })),
  }));
  return {
    facts,
    published: ordered
      .filter(({ published, date }) => published > 0 && date >= desk.today)
      .map(({ id: session, date, blocks }) => {
        const { plan, acknowledgedAt } = progress.get(session)!;
        return { session, date, blocks, number: plan?.number ?? 0, teacher: nameOf(plan?.teacher ?? ''), read: acknowledgedAt !== null };
      }),
    goals: found.goals.map((goal) => ({
      name: library.find(goal.technique)?.name ?? goal.technique,
      technique: goal.technique,
      at: ordered[(reachedIn(ordered, goal) ?? 0) - 1]?.date ?? null,
    })),
    unplaced: unplacedTexts(found.unplaced, library),
    wrong: checkCourse(reached, planning).filter(({ severity, date }) => severity !== 'know' && date >= desk.today).length,
  };
}

function outcomeOf(before: Standing, after: Standing): Outcome {
  return {
    classes: classChanges(before.facts, after.facts),
    goals: [
      ...after.goals.map(({ name, technique, at }) => ({
        name,
        was: before.goals.find((one) => one.technique === technique)?.at ?? null,
        now: at,
        asked: true,
      })),
      ...before.goals
        .filter(({ technique }) => !after.goals.some((one) => one.technique === technique))
        .map(({ name, at }) => ({ name, was: at, now: null, asked: false })),
    ],
    unplaced: after.unplaced,
    wrong: { was: before.wrong, now: after.wrong },
    published: before.published.map(({ date }) => date),
    again: after.published.flatMap((now) => {
      const was = before.published.find(({ session }) => session === now.session);
      if (!was || (was.number === now.number && isDeepStrictEqual(was.blocks, now.blocks))) return [];
      return [{ date: now.date, teacher: now.teacher, read: was.read, held: was.number === now.number }];
    }),
  };
}
