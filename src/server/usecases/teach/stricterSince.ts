import { stricterBetween, type Stricter } from '@/core/instructions';
import { isoDate } from '@/core/units';
import { once, type Desk } from '../../desk';
import { course, type Plan, type Progress } from '../../repositories/courses';
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
  // The first page asks it of the same classes in several ways.
  return once(desk, `stricter ${plan.id} ${new Date(acknowledgedAt).getTime()}`, () => workedOut(desk, session, plan, acknowledgedAt));
}

async function workedOut(
  desk: Desk,
  session: { readonly course: string; readonly date: string },
  plan: Plan,
  acknowledgedAt: Date,
): Promise<readonly Stricter[]> {
  const { cohort } = await course(desk, session.course);
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
