import { stricterBetween, type Stricter } from '@/core/instructions';
import { isoDate } from '@/core/units';
import type { Desk } from '../../desk';
import { untilChanged } from '../../untilChanged';
import { course } from '../../repositories/courses';
import { type Plan, type Progress } from '../../repositories/plans';
import { members } from '../../repositories/screenings';
import { conventionsAsOf } from '../../repositories/studio';
import { houseOf } from '../setting';

/**
 * What became stricter for a class since its teacher read the plan: forms, clinicians' answers, overrides, the rulebook and
 * who is in the cohort, as they were known then and as they are known now. Empty while nobody has read it.
 */
export async function stricterSince(
  desk: Desk,
  session: { readonly course: string; readonly date: string },
  { plan, acknowledgedAt }: Pick<Progress, 'plan' | 'acknowledgedAt'>,
): Promise<readonly Stricter[]> {
  if (!plan || !acknowledgedAt || session.date < desk.today) return [];
  const { cohort } = await course(desk, session.course);
  return untilChanged(desk, `stricter ${plan.id} ${new Date(acknowledgedAt).getTime()}`, [cohort, session.course, 'studio'], (at) =>
    workedOut(at, cohort, session, plan, acknowledgedAt),
  );
}

async function workedOut(
  desk: Desk,
  cohort: string,
  session: { readonly date: string },
  plan: Plan,
  acknowledgedAt: Date,
): Promise<readonly Stricter[]> {
  const [now, then, studio, studioThen] = await Promise.all([
    members(desk, cohort),
    members(desk, cohort, acknowledgedAt),
    houseOf(desk, cohort),
    conventionsAsOf(desk, acknowledgedAt),
  ]);
  return stricterBetween(
    { people: then, house: { ...studioThen, seat: studio.seat } },
    { people: now, house: studio },
    plan.blocks,
    isoDate(session.date),
  );
}
