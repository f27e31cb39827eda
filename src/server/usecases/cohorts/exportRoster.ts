import { writeRoster } from '@/core/exchange/rosterFile';
import { screenedUntil } from '@/core/screening';
import { cohortChoice } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import type { Desk } from '../../desk';
import { cohort } from '../../repositories/cohorts';
import { rosterOf } from '../../repositories/people';

/** A cohort's people with the dates of their screening, as a file. */
export async function exportRoster(desk: Desk, input: unknown): Promise<string> {
  authorise(desk.who, 'add people');
  const { id } = await checked(cohortChoice, input);
  await cohort(desk, id);
  const people = await rosterOf(desk, id);
  return writeRoster(
    people.map(({ name, email, screenedOn }) => ({
      name,
      email: email ?? null,
      screenedOn: screenedOn ?? null,
      screenedUntil: screenedOn ? screenedUntil(screenedOn) : null,
    })),
  );
}
