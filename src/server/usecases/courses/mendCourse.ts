import { type Goal, type MendCode } from '@/core/course';
import { wayDown } from '@/core/ladder';
import { FORM_LIMITS, mendCourseForm } from '@/forms';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { afresh, inOne, type Desk, type Writing } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { changePractice } from '../../repositories/cohorts';
import { changeBlocks, course, sessionsOf, type Course, type Requested, type Session } from '../../repositories/courses';
import { library } from '../../repositories/library';
import { settingOf } from '../setting';
import { draftAndKeep } from './draftCourse';
import { asSeen, askedAnew, ofItself } from './request';
import { recorded } from './steps';

/** When a class of each part of the day usually starts. */
const STARTS = { m: '07:00', d: '12:30', e: '18:30' } as const;

/** Changes what a course was asked for by a mend that was offered, and drafts what is open again. */
export async function mendCourse(desk: Desk, input: unknown): Promise<{ readonly unplaced: readonly string[] }> {
  authorise(desk.who, 'edit courses');
  const { course: id, version, seen, mends } = await checked(mendCourseForm, input);
  return inOne(desk, (at) =>
    recorded(at, id, 'the mend', async (to) => {
      const before = await course(to, id);
      if (before.version !== version) throw new Refusal('clash');
      await ofItself(to, id);
      const was = await sessionsOf(to, [id]);
      asSeen(to, was, seen);
      const all = await library(to);
      const codes = mends.map(({ code, technique, number, hour, way }): MendCode => ({ code, technique, number, hour: hour ?? null, way }));
      await askedAnew(to, before, requestWith(before, codes), was);
      for (const { code, technique, number } of codes) {
        if (code === 'practise' && technique && all.find(technique))
          await changePractice(to, before.cohort, (already) => [...already, technique, ...wayDown(all.edges, technique)]);
        if (code === 'unpin' && number) await unpin(to, was[number - 1], technique);
      }
      const after = afresh(to);
      const [found, sessions] = [await course(after, id), await sessionsOf(after, [id])];
      return draftAndKeep(after, found, sessions, await settingOf(after, found, sessions));
    }),
  );
}

/** Lets go of what was pinned to a class. */
async function unpin(at: Writing<Staff>, session: Session | undefined, technique: string | null): Promise<void> {
  const pinned = session?.blocks.some((block) => block.kind === 'technique' && block.technique === technique && block.pinned);
  if (!session || !pinned) throw invalid({ field: 'mends', message: 'This is no longer pinned there.' });
  const blocks = session.blocks.map((block) => (block.kind === 'technique' && block.technique === technique ? { ...block, pinned: false } : block));
  await changeBlocks(at, session.id, session.version, blocks);
}

/** What a course is asked for when mends are taken. */
function requestWith(found: Course, mends: readonly MendCode[]): Partial<Requested> {
  let { goals }: { goals: readonly Goal[] } = found;
  let to: Partial<Requested> = {};
  for (const { code, technique, number, hour, way } of mends) {
    const about = goals.find((goal) => goal.technique === technique);
    if (code === 'weeks' && number && number > found.weeks && number <= FORM_LIMITS.weeks) to = { ...to, weeks: number };
    else if (code === 'minutes' && number && number > found.minutes && number <= 180) to = { ...to, minutes: number };
    else if (code === 'hour' && hour) to = { ...to, start: STARTS[hour] };
    else if (code === 'times' && about && number && number >= 1) goals = goals.map((goal) => (goal === about ? { ...goal, practise: number } : goal));
    else if (code === 'without' && about && goals.length > 1) goals = goals.filter((goal) => goal !== about);
    else if (code === 'later' && about) goals = goals.map((goal) => (goal === about ? { ...goal, by: null } : goal));
    else if (code === 'arrive' && about && way) goals = goals.map((goal) => (goal === about ? { ...goal, ...way } : goal));
    else if (code === 'ready' && about && number && number < (about.ready ?? 0))
      goals = goals.map((goal) => (goal === about ? { ...goal, ready: number } : goal));
    else if (code === 'settled') to = { ...to, settled: true };
    else if ((code !== 'practise' && code !== 'unpin') || !technique)
      throw invalid({ field: 'mends', message: 'This change does not fit the course any more.' });
  }
  return goals === found.goals ? to : { ...to, goals };
}
