import { type Goal, type MendCode } from '@/core/course';
import { wayDown } from '@/core/ladder';
import { FORM_LIMITS, mendCourseForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { afresh, inOne, type Desk } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { addPractice } from '../../repositories/cohorts';
import { course, seenAt, sessionsOf, type Course, type Requested } from '../../repositories/courses';
import { library } from '../../repositories/library';
import { settingOf } from '../setting';
import { draftAndKeep } from './draftCourse';
import { askedAnew } from './request';

/** When a class of each part of the day usually starts. */
const STARTS = { m: '07:00', d: '12:30', e: '18:30' } as const;

/** Changes what a course was asked for by a mend that was offered, and drafts what is open again. */
export async function mendCourse(desk: Desk, input: unknown): Promise<{ readonly unplaced: readonly string[] }> {
  authorise(desk.who, 'edit courses');
  const { course: id, version, seen, mends } = await checked(mendCourseForm, input);
  return inOne(desk, async (at) => {
    const before = await course(at, id);
    const was = await sessionsOf(at, [id]);
    if (was.some((one) => one.date >= at.today && seenAt(seen, one.id) !== one.version)) throw new Refusal('clash');
    const all = await library(at);
    const codes = mends.map(({ code, technique, number, hour }): MendCode => ({ code, technique, number, hour: hour ?? null }));
    const to = requestWith(before, codes);
    const now = await askedAnew(at, before, version, to, was);
    for (const { code, technique } of codes)
      if (code === 'practise' && technique && all.find(technique))
        await addPractice(at, before.cohort, [technique, ...wayDown(all.edges, technique)]);
    const after = afresh(at);
    const [found, sessions] = [await course(after, id), await sessionsOf(after, [id])];
    const setting = await settingOf(after, found, sessions);
    // What was there is drafted over at the version it was seen at, counted up where this changed it: whatever came between is a clash.
    const changed = new Set(to.start !== undefined || to.minutes !== undefined ? was.filter(({ fixed }) => !fixed).map((session) => session.id) : []);
    const known = new Map(seen.map(({ session, version: of }) => [session, changed.has(session) ? of + 1 : of]));
    return draftAndKeep(
      after,
      found,
      now,
      sessions.map((session) => ({ session: session.id, version: known.get(session.id) ?? session.version })),
      sessions,
      setting,
    );
  });
}

/** What a course is asked for when mends are taken. */
function requestWith(found: Course, mends: readonly MendCode[]): Partial<Requested> {
  let { goals }: { goals: readonly Goal[] } = found;
  let to: Partial<Requested> = {};
  for (const { code, technique, number, hour } of mends) {
    const about = goals.find((goal) => goal.technique === technique);
    if (code === 'weeks' && number && number > found.weeks && number <= FORM_LIMITS.weeks) to = { ...to, weeks: number };
    else if (code === 'minutes' && number && number > found.minutes && number <= 180) to = { ...to, minutes: number };
    else if (code === 'hour' && hour) to = { ...to, start: STARTS[hour] };
    else if (code === 'times' && about && number && number >= 1) goals = goals.map((goal) => (goal === about ? { ...goal, practise: number } : goal));
    else if (code === 'without' && about && goals.length > 1) goals = goals.filter((goal) => goal !== about);
    else if (code !== 'practise' || !technique) throw invalid({ field: 'mends', message: 'This change does not fit the course any more.' });
  }
  return goals === found.goals ? to : { ...to, goals };
}
