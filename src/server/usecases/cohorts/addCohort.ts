import { wayDown } from '@/core/ladder';
import { cohortForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import type { Desk } from '../../desk';
import { addCohort as add } from '../../repositories/cohorts';
import { library } from '../../repositories/library';
import { knownTechniques } from '../techniques/known';

/** Makes a cohort. What it already practises brings everything that stands below it on the ladder. */
export async function addCohort(desk: Desk, input: unknown): Promise<{ readonly id: string }> {
  authorise(desk.who, 'edit courses');
  const { once, name, about, practises, seat } = await checked(cohortForm, input);
  return onceOnly(desk, once, async (at) => {
    const all = await library(at);
    knownTechniques(
      all,
      practises.map((technique, index) => ({ field: `practises[${index}]`, technique })),
    );
    const already = [...new Set(practises.flatMap((technique) => [technique, ...wayDown(all.edges, technique)]))];
    const id = at.newId();
    await add(at, { id, name, about, already, seat });
    return { id };
  });
}
