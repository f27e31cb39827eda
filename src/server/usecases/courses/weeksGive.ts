import { closureOn, courseDates } from '@/core/course';
import { isoDate } from '@/core/units';
import { giveForm } from '@/forms';
import type { WeeksAsked } from '@/views/course';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import type { Desk } from '../../desk';
import { course, sessionsOf, type Session } from '../../repositories/courses';
import { closures } from '../../repositories/studio';
import { settingOf } from '../setting';
import { asGoals, goalsOf } from './request';

/**
 * A request as it is being typed, as what a page works out from what its weeks can give: the days there are, who is in the cohort and how
 * they come out, as numbers, and who may teach. What was taught or published of a course that stands is part of it.
 */
export async function weeksGive(desk: Desk, input: unknown): Promise<WeeksAsked> {
  authorise(desk.who, 'edit courses');
  const { course: id, already, ...asked } = await checked(giveForm, input);
  if (id) await course(desk, id);
  const [closed, standing, goals] = await Promise.all([closures(desk), id ? sessionsOf(desk, [id]) : [], goalsOf(desk, asGoals(asked.goals))]);
  const firstDate = isoDate(asked.firstDate);
  const stays = standing.filter(({ fixed, date }) => fixed || date < desk.today);
  const held = new Set(stays.map(({ date }) => date));
  const days = courseDates(firstDate, asked.weeks, asked.weekdays, []).filter((date) => !held.has(date) && (!id || date >= desk.today));
  const open = days.filter((date) => !closureOn(closed, date));
  const sessions = [...stays, ...open.map((date): Session => ({ ...BLANK, id: date, date, start: asked.start, minutes: asked.minutes }))].sort(
    (a, b) => a.date.localeCompare(b.date),
  );
  const { problem } = await settingOf(desk, { ...asked, firstDate, goals }, sessions, already ?? undefined);
  return {
    problem,
    firstDate,
    weeks: asked.weeks,
    out: days.filter((date) => !open.includes(date)).map((date) => ({ date, reason: closureOn(closed, date)!.reason })),
    counts: may(desk.who.role, 'see reasons'),
  };
}

/** A class of which nothing is known but its day and hour. */
const BLANK = { course: '', blocks: [], fixed: false, published: 0, cancelled: null, purpose: '', note: '', version: 0 } as const;
