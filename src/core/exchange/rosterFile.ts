import Papa from 'papaparse';

/** A cohort's people with the dates of their screening as CSV: never an answer, and no cell that a sheet would run. */
export function writeRoster(
  people: readonly {
    readonly name: string;
    readonly email: string | null;
    readonly screenedOn: string | null;
    readonly screenedUntil: string | null;
  }[],
): string {
  const data = people.map(({ name, email, screenedOn, screenedUntil }) => [name, email ?? '', screenedOn ?? '', screenedUntil ?? '']);
  return Papa.unparse({ fields: ['name', 'email', 'screened on', 'screened until'], data }, { escapeFormulae: true, newline: '\n' });
}
