import { cohortForm } from '@/forms';
import { LADDER, wayDown } from '@/core/ladder';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import type { Desk } from '../../desk';
import { CohortRow } from '../../db/rows';
import { ours } from '../../repositories/studio';

/** Makes a cohort. What it already practises brings everything that stands below it on the ladder. */
export async function addCohort(desk: Desk, input: unknown): Promise<{ readonly id: string }> {
  authorise(desk.who, 'edit courses');
  const { name, about, practises } = await checked(cohortForm, input);
  const id = desk.newId();
  const already = [...new Set(practises.flatMap((technique) => [technique, ...wayDown(LADDER, technique)]))];
  await desk.em.insert(CohortRow, { id, ...ours(desk), name, about, already, version: 1 });
  return { id };
}
