import { writePerson } from '@/core/exchange';
import { conditionOf } from '@/core/screening';
import { eraseForm, whyForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { invalid } from '../../errors';
import { enqueue } from '../../jobs/queue';
import { cohort } from '../../repositories/cohorts';
import { attendanceOf } from '../../repositories/logs';
import { erase, person, sweepTables } from '../../repositories/people';
import { checkInsOf, openSigns, saidOf } from '../../repositories/checkIns';
import { allSeries, partsOfPerson } from '../../repositories/series';
import { endSignsOf } from '../../repositories/signs';
import { member, openScreening, recordReading, screeningsOf } from '../../repositories/screenings';
import type { SealedAnswers } from '../../repositories/sealed';

/** When what was erased is swept out once more: by then nobody reads what was there before. */
const AGAIN_SECONDS = 900;

/**
 * Erases a person: their key is destroyed, so that answers, clinicians' answers and reasons can never be read again; name and
 * address are gone; logs and overrides keep a pseudonym. What was overwritten is swept out of the tables' files. It cannot be
 * undone.
 */
export async function erasePerson(desk: Desk, input: unknown): Promise<{ readonly pseudonym: string }> {
  authorise(desk.who, 'see reasons');
  const form = await checked(eraseForm, input);
  const pseudonym = await inOne(desk, async (at) => {
    const { id, name } = await person(at, form.person);
    if (form.name.trim() !== name) throw invalid({ field: 'name', message: `Type “${name}” to be sure.` });
    await enqueue(at, 'sweep-erased', {}, { startAfter: AGAIN_SECONDS });
    await endSignsOf(at, id);
    return erase(at, id);
  });
  await sweepTables(desk.em);
  return { pseudonym };
}

/** What the studio holds of a person as a file for them, with everything they said; why it is made stays in the record. */
export async function exportPerson(desk: Desk, input: unknown): Promise<string> {
  authorise(desk.who, 'see reasons');
  const { person: id, why } = await checked(whyForm, input);
  const row = await person(desk, id);
  const { screened } = await member(desk, id);
  await inOne(desk, (at) => recordReading(at, id, `exported: ${why}`));
  const [group, screenings, classes, series] = await Promise.all([
    cohort(desk, row.cohort),
    screeningsOf(desk, id),
    attendanceOf(desk, id),
    seriesOf(desk, id),
  ]);
  const file = {
    name: row.name,
    email: row.email ?? null,
    cohort: group.name,
    comfort: { inhale: row.comfortIn ?? null, exhale: row.comfortOut ?? null },
    birthDate: screened.birthDate,
    screenings: screenings
      .map((one) => ({
        screenedOn: one.screenedOn,
        source: one.source,
        consent: one.consent ?? null,
        ...answersNamed(openScreening(desk, row, one)),
      }))
      .reverse(),
    cliniciansAnswers: screened.clearances,
    overrides: screened.overrides.map(({ rules, reason, by, from, until }) => ({ rules, reason, by, from, until })),
    classes: classes.map(({ at, came, effort, stopSigns }) => ({ at, came, effort, stopSigns })),
    series,
  };
  return writePerson(file);
}

/** The series somebody takes or took part in, with all they said of their days. */
async function seriesOf(desk: Desk, person: string) {
  const parts = await partsOfPerson(desk, person);
  const said = await checkInsOf(
    desk,
    parts.map(({ id }) => id),
  );
  const signs = await openSigns(
    desk,
    [...said.values()].flat().map((one) => ({ ...one, person })),
  );
  const names = new Map((await allSeries(desk)).map(({ id, name }) => [id, name]));
  return parts.map(({ id, series, joinedOn, leftOn }) => ({
    series: names.get(series) ?? 'a series that was removed',
    joinedOn,
    leftOn,
    days: (said.get(id) ?? []).map((one) => ({ ...saidOf(one), signs: signs.get(one.id) ?? [] })),
  }));
}

function answersNamed({ answers, no = [] }: SealedAnswers) {
  return {
    answers: answers.map((answer) => ({ ...answer, condition: conditionOf(answer.condition).name })),
    no: no.map((condition) => conditionOf(condition).name),
  };
}
