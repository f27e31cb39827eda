import Papa from 'papaparse';
import { screenedUntil } from '@/core/screening';
import { cohortChoice } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import type { Desk } from '../../desk';
import { cohort } from '../../repositories/cohorts';
import { roster } from '../../repositories/people';

/** A cohort's people with the dates of their screening as CSV: never an answer, and no cell that a sheet would run. */
export async function exportRoster(desk: Desk, input: unknown): Promise<string> {
  authorise(desk.who, 'add people');
  const { id } = await checked(cohortChoice, input);
  await cohort(desk, id);
  const rows = (await roster(desk))
    .filter((person) => person.cohort === id)
    .map(({ name, email, screenedOn }) => [name, email ?? '', screenedOn ?? '', screenedOn ? screenedUntil(screenedOn) : '']);
  return Papa.unparse({ fields: ['name', 'email', 'screened on', 'screened until'], data: rows }, { escapeFormulae: true, newline: '\n' });
}
