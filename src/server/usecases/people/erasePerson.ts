import { conditionOf } from '@/core/screening';
import { eraseForm, whyForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { readRows } from '../../db/read';
import { LinkRow, LogRow, MailRow, PersonRow, ScreeningRow } from '../../db/rows';
import { invalid } from '../../errors';
import { cohort, member, person, recordReading, type SealedAnswers } from '../../repositories/cohorts';
import { ours } from '../../repositories/studio';

/**
 * Erases a person: their key is destroyed, so that answers, clinicians' answers and reasons of overrides can never be read
 * again; name and address are gone; logs and overrides keep a pseudonym. It cannot be undone.
 */
export async function erasePerson(desk: Desk, input: unknown): Promise<{ readonly pseudonym: string }> {
  authorise(desk.who, 'see reasons');
  const form = await checked(eraseForm, input);
  return inOne(desk, async (at) => {
    const { id, name } = await person(at, form.person);
    if (form.name.trim() !== name) throw invalid({ field: 'name', message: `Type “${name}” to be sure.` });
    const pseudonym = `Somebody ${id.slice(-4).toUpperCase()}`;
    const gone = {
      name: pseudonym,
      email: null,
      wrappedKey: '',
      sealedBirth: null,
      comfortIn: null,
      comfortOut: null,
      leftOn: at.today,
      erasedAt: at.now,
    };
    await at.em.nativeUpdate(PersonRow, { id, ...ours(at) }, gone);
    await at.em.nativeDelete(MailRow, { person: id, ...ours(at) });
    await at.em.nativeDelete(LinkRow, { person: id, ...ours(at) });
    return { pseudonym };
  });
}

/** What the studio holds of a person as a file for them: without answers, unless the director asks for them and says why. */
export async function exportPerson(desk: Desk, input: unknown): Promise<string> {
  authorise(desk.who, 'see reasons');
  const { person: id, why } = await checked(whyForm, input);
  const row = await person(desk, id);
  const { screened } = await member(desk, id);
  await recordReading(desk, id, `exported: ${why}`);
  const [group, screenings, logs] = await Promise.all([
    cohort(desk, row.cohort),
    readRows(desk, ScreeningRow, { person: id, ...ours(desk) }, { orderBy: { screenedOn: 'asc' } }),
    readRows(desk, LogRow, ours(desk), { orderBy: { at: 'asc' } }),
  ]);
  const file = {
    name: row.name,
    email: row.email ?? null,
    cohort: group.name,
    comfort: { inhale: row.comfortIn ?? null, exhale: row.comfortOut ?? null },
    birthDate: screened.birthDate,
    screenings: screenings.map(({ screenedOn, source, consent, sealed }) => ({
      screenedOn,
      source,
      consent: consent ?? null,
      ...answersNamed(JSON.parse(desk.vault.open(row.wrappedKey, sealed)) as SealedAnswers),
    })),
    cliniciansAnswers: screened.clearances,
    overrides: screened.overrides.map(({ rules, reason, by, from, until }) => ({ rules, reason, by, from, until })),
    classes: logs.flatMap(({ at, attendance }) =>
      attendance.filter((one) => one.person === id).map(({ came, effort, stopSigns }) => ({ at, came, effort, stopSigns })),
    ),
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

function answersNamed({ answers, no = [] }: SealedAnswers) {
  return {
    answers: answers.map((answer) => ({ ...answer, condition: conditionOf(answer.condition).name })),
    no: no.map((condition) => conditionOf(condition).name),
  };
}
