import Papa from 'papaparse';
import { headingProblem, nameKey, readRoster, type RosterRow, type RowProblem } from '@/core/exchange';
import { rosterForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { readRows } from '../../db/read';
import { inOne, type Desk } from '../../desk';
import { PersonRow } from '../../db/rows';
import { Refusal } from '../../errors';
import { cohort, cohorts } from '../../repositories/cohorts';
import { ours } from '../../repositories/studio';

/** A row that looks like somebody who is here already, or like an earlier row. */
interface Twin {
  readonly row: number;
  readonly name: string;
  readonly like: string;
  /** The person it would be merged with; null for an earlier row of the file. */
  readonly person: string | null;
}

export interface RosterPreview {
  readonly headings: readonly string[];
  readonly rows: readonly RosterRow[];
  readonly problems: readonly RowProblem[];
  readonly twins: readonly Twin[];
  /** Whether it has to be asked if 3/4/2001 is the third of April. */
  readonly askOrder: boolean;
}

/** What a roster would bring in, who is here already, and every row that is in the way. Nothing is saved. */
export async function previewRoster(desk: Desk, input: unknown): Promise<RosterPreview> {
  authorise(desk.who, 'add people');
  const form = await checked(rosterForm, input);
  await cohort(desk, form.cohort);
  const { data, meta, errors } = Papa.parse<Record<string, string>>(form.text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    // Headings that stand twice would overwrite each other: they are kept apart here and refused below.
    transformHeader: (heading) => heading.trim(),
  });
  const headings = headingsOf(form.text, meta.delimiter);
  const whole =
    headingProblem(headings) ?? (form.text.includes('\uFFFD') ? 'Some letters could not be read. Save the file as UTF-8 and choose it again.' : null);
  if (whole) return { headings, rows: [], problems: [{ row: 0, message: whole }], twins: [], askOrder: false };
  const read = readRoster(data, form.mapping, form.dayFirst, desk.today);
  const uneven = errors
    .filter(({ code, row }) => code !== 'UndetectableDelimiter' && row !== undefined)
    .map(({ row }) => ({ row: row! + 1, message: 'This row has more or fewer cells than the first line.' }));
  return { headings, ...read, problems: [...read.problems, ...uneven].sort((a, b) => a.row - b.row), twins: await twinsOf(desk, read.rows) };
}

function headingsOf(text: string, delimiter: string): string[] {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { preview: 1, delimiter: delimiter || ',' });
  return (data[0] ?? []).map((heading) => heading.trim());
}

async function twinsOf(desk: Desk, rows: readonly RosterRow[]): Promise<Twin[]> {
  // Who has left may come back: they are the same person still.
  const here = await readRows(desk, PersonRow, { erasedAt: null, ...ours(desk) }, { fields: ['id', 'name', 'email', 'cohort'] });
  const names = new Map((await cohorts(desk)).map(({ id, name }) => [id, name]));
  const byName = new Map(here.map((person) => [nameKey(person.name), person]));
  const byEmail = new Map(here.flatMap((person) => (person.email ? [[person.email, person] as const] : [])));
  const earlier = new Map<string, number>();
  return rows.flatMap(({ row, name, email }): Twin[] => {
    const found = (email && byEmail.get(email)) || byName.get(nameKey(name));
    const before = earlier.get(nameKey(name));
    earlier.set(nameKey(name), row);
    if (found) return [{ row, name, like: `${found.name} in ${names.get(found.cohort) ?? 'another cohort'}`, person: found.id }];
    return before === undefined ? [] : [{ row, name, like: `row ${before} of this file`, person: null }];
  });
}

/** Brings a roster in: all of it, or nothing when one row is in the way or a likeness is not decided. */
export async function importRoster(desk: Desk, input: unknown): Promise<{ readonly added: number; readonly merged: number }> {
  authorise(desk.who, 'add people');
  const form = await checked(rosterForm, input);
  return inOne(desk, async (at) => {
    const { rows, problems, twins, askOrder } = await previewRoster(at, input);
    if (problems.length > 0)
      throw new Refusal(
        'invalid',
        problems
          .slice(0, 20)
          .map(({ row, message }) => `${row > 0 ? `Row ${row}: ` : ''}${message}`)
          .join(' '),
      );
    if (askOrder) throw new Refusal('invalid', 'Say first whether the day or the month comes first.');
    if (rows.length === 0) throw new Refusal('invalid', 'There is nobody in this file.');
    const decided = new Map(form.merge.map(({ row, as }) => [row, as]));
    const open = twins.filter(({ row }) => !decided.has(row));
    if (open.length > 0)
      throw new Refusal('invalid', `Say first whether ${open.map(({ name }) => name).join(', ')} ${open.length === 1 ? 'is' : 'are'} the same.`);
    let merged = 0;
    for (const row of rows) {
      const twin = twins.find((one) => one.row === row.row);
      if (twin && decided.get(row.row) === 'the same person') {
        merged += 1;
        if (twin.person === null) continue;
        await at.em.nativeUpdate(
          PersonRow,
          { id: twin.person, ...ours(at) },
          { cohort: form.cohort, joinedAt: at.now, leftOn: null, ...(row.email ? { email: row.email } : {}) },
        );
      } else await addRow(at, form.cohort, row);
    }
    return { added: rows.length - merged, merged };
  });
}

async function addRow(at: Desk, cohortId: string, { name, email, birthDate }: RosterRow): Promise<void> {
  const wrappedKey = at.vault.newWrappedKey();
  await at.em.insert(PersonRow, {
    id: at.newId(),
    ...ours(at),
    cohort: cohortId,
    name,
    email,
    wrappedKey,
    sealedBirth: birthDate ? at.vault.seal(wrappedKey, birthDate) : null,
    joinedAt: at.now,
    leftOn: null,
    erasedAt: null,
    comfortIn: null,
    comfortOut: null,
    version: 1,
  });
}
