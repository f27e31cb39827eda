import type { InferType } from 'yup';
import { nameKey, type RosterRow } from '@/core/exchange';
import { rosterForm } from '@/forms';
import type { RosterPreview, Twin } from '@/views/person';
import { readApart } from '../../apart';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import type { Desk } from '../../desk';
import { Refusal } from '../../errors';
import { cohort, cohorts } from '../../repositories/cohorts';
import { addPerson, changePerson, everybody } from '../../repositories/people';

/** What a roster would bring in, who is here already, and every row that is in the way. Nothing is saved. */
export async function previewRoster(desk: Desk, input: unknown): Promise<RosterPreview> {
  authorise(desk.who, 'add people');
  const form = await checked(rosterForm, input);
  await cohort(desk, form.cohort);
  return looked(desk, await readFile(desk, form));
}

const readFile = ({ today }: Desk, { text, mapping, dayFirst }: InferType<typeof rosterForm>) => readApart('roster', text, mapping, dayFirst, today);

/** A file beside the people who are here. */
async function looked(desk: Desk, file: Awaited<ReturnType<typeof readFile>>): Promise<RosterPreview> {
  return { ...file, twins: await twinsOf(desk, file.rows) };
}

async function twinsOf(desk: Desk, rows: readonly RosterRow[]): Promise<Twin[]> {
  // Who has left may come back: they are the same person still.
  const here = await everybody(desk);
  const names = new Map((await cohorts(desk)).map(({ id, name }) => [id, name]));
  const byName = new Map(here.map((person) => [nameKey(person.name), person]));
  const byEmail = new Map(here.flatMap((person) => (person.email ? [[person.email, person] as const] : [])));
  const earlier = new Map<string, number>();
  return rows.flatMap(({ row, name, email }): Twin[] => {
    const found = (email && byEmail.get(email)) || byName.get(nameKey(name));
    const before = earlier.get(nameKey(name));
    earlier.set(nameKey(name), row);
    if (found)
      return [{ row, name, like: `${found.name} in ${names.get(found.cohort) ?? 'another cohort'}`, person: found.id, version: found.version }];
    return before === undefined ? [] : [{ row, name, like: `row ${before} of this file`, person: null, version: null }];
  });
}

/** Brings a roster in: all of it, or nothing when one row is in the way or a likeness is not decided. */
export async function importRoster(desk: Desk, input: unknown): Promise<{ readonly added: number; readonly merged: number }> {
  authorise(desk.who, 'add people');
  const form = await checked(rosterForm, input);
  const file = await readFile(desk, form);
  return onceOnly(desk, form.once, async (at) => {
    await cohort(at, form.cohort);
    const { rows, problems, twins, askOrder } = await looked(at, file);
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
    const decided = new Map(form.merge.map((one) => [one.row, one]));
    const open = twins.filter(({ row }) => !decided.has(row));
    if (open.length > 0)
      throw new Refusal('invalid', `Say first whether ${open.map(({ name }) => name).join(', ')} ${open.length === 1 ? 'is' : 'are'} the same.`);
    // Whoever somebody was said to be may have been erased or renamed since: then they are looked at again, never added anew.
    if (form.merge.some(({ row, as }) => as === 'the same person' && rows.some((one) => one.row === row) && !twins.some((one) => one.row === row)))
      throw new Refusal('clash', 'Somebody in this file was changed meanwhile. Choose the file again to see who is like whom now.');
    let merged = 0;
    for (const { row, name, email, birthDate } of rows) {
      const twin = twins.find((one) => one.row === row);
      const choice = decided.get(row);
      if (twin && choice?.as === 'the same person') {
        merged += 1;
        if (twin.person === null) continue;
        await changePerson(at, twin.person, choice.version ?? -1, { cohort: form.cohort, leftOn: null, ...(email ? { email } : {}) });
      } else await addPerson(at, { cohort: form.cohort, name, email, birthDate });
    }
    return { added: rows.length - merged, merged };
  });
}
