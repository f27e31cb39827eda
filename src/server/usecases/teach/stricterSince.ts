import { readBlock } from '@/core/plan';
import { ANSWERS } from '@/core/screening';
import { isoDate } from '@/core/units';
import type { Desk } from '../../desk';
import { members } from '../../repositories/cohorts';
import { course, type Progress } from '../../repositories/courses';
import { conventions, conventionsAsOf } from '../../repositories/studio';
import { instructionsFor, type Instruction } from '../instructions';

/** Something a teacher has read in a milder form, or not at all. Names no condition and no rule. */
export interface Stricter {
  readonly name: string;
  readonly block: string;
  readonly text: string;
}

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
  const [now, then, studio, studioThen] = await Promise.all([
    members(desk, cohort),
    members(desk, cohort, acknowledgedAt),
    conventions(desk),
    conventionsAsOf(desk, acknowledgedAt),
  ]);
  const date = isoDate(session.date);
  const [after, before] = [instructionsFor(now, plan.blocks, date, studio), instructionsFor(then, plan.blocks, date, studioThen)];
  return now.flatMap(({ id, name }) =>
    (after.get(id) ?? []).flatMap((one): Stricter[] => {
      const had = before.get(id)?.find(({ block }) => block === one.block);
      const block = plan.blocks.find((each) => each.id === one.block);
      return block && isStricter(one, had) ? [{ name, block: readBlock(block, studio.naturalBreath).name, text: one.text }] : [];
    }),
  );
}

/** A stricter answer, or another instruction of the same strictness: a teacher should have read either. */
function isStricter(now: Instruction, then: Instruction | undefined): boolean {
  if (!then) return true;
  const [a, b] = [ANSWERS.indexOf(now.answer), ANSWERS.indexOf(then.answer)];
  return a < b || (a === b && now.text !== then.text);
}
