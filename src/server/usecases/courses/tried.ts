import { isDeepStrictEqual } from 'node:util';
import { byHarm, checkCourse, checkText, classChanges, inTimeOrder, reachedIn, unplacedTexts, type ClassFacts } from '@/core/course';
import { blockName, techniquesIn } from '@/core/plan';
import { dayText } from '@/core/units';
import type { Outcome } from '@/views/course';
import type { Staff } from '../../auth/actors';
import { afresh, inOne, type Desk, type Writing } from '../../desk';
import { course, sessionsOf } from '../../repositories/courses';
import { progressOf } from '../../repositories/plans';
import { staffNames } from '../../repositories/staff';
import { settingOf } from '../setting';
import { aroundOf } from './around';

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

/** How many things that would want mending are told one by one. */
const TOLD = 4;

type Standing = Awaited<ReturnType<typeof standing>>;

async function standing(desk: Desk, id: string) {
  const [found, sessions] = [await course(desk, id), await sessionsOf(desk, [id])];
  const { planning, reached } = await settingOf(desk, found, sessions);
  const { library } = planning.basis;
  const around = await aroundOf(desk, found);
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
    // A teacher who may not teach it is no fault of the course, and yet what a change of teacher comes to.
    wrong: byHarm([...checkCourse(reached, planning), ...around])
      .filter(({ severity, finding, date }) => (severity !== 'know' || finding.code === 'other teacher') && date >= desk.today)
      .map(
        (check) =>
          `${check.technique ? (library.find(check.technique)?.name ?? check.technique) : 'The class'} on ${dayText(check.date)} ${checkText(check, library)}.`,
      ),
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
    unplaced: after.unplaced.map((text) => ({ text, fresh: !before.unplaced.includes(text) })),
    wrong: { was: before.wrong.length, now: after.wrong.length, fresh: after.wrong.filter((text) => !before.wrong.includes(text)).slice(0, TOLD) },
    published: before.published.map(({ date }) => date),
    again: after.published.flatMap((now) => {
      const was = before.published.find(({ session }) => session === now.session);
      if (!was || (was.number === now.number && isDeepStrictEqual(was.blocks, now.blocks))) return [];
      return [{ date: now.date, teacher: now.teacher, read: was.read, held: was.number === now.number }];
    }),
  };
}
