import { askedIn } from '@/core/screening';
import { isoDate } from '@/core/units';
import { aboutPersonForm, leaveForm, screeningForm } from '@/forms';
import type { PersonNow } from '@/views/person';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import { inOne, type Desk } from '../../desk';
import { invalid } from '../../errors';
import { cohort, cohorts } from '../../repositories/cohorts';
import { changePerson as change, person } from '../../repositories/people';
import { addScreening } from '../../repositories/screenings';
import { conventions } from '../../repositories/studio';
import { checkedAnswers } from './checkedAnswers';

/** Changes what the studio knows of a person beside their health: name, e-mail, cohort, comfort counts. */
export async function changePerson(desk: Desk, input: unknown): Promise<{ readonly version: number }> {
  authorise(desk.who, 'add people');
  const { person: id, version, ...form } = await checked(aboutPersonForm, input);
  return inOne(desk, async (at) => {
    await cohort(at, form.cohort);
    return { version: await change(at, id, version, form) };
  });
}

/** A person as they stand, beside what somebody meant to save over them: both versions of a clash. */
export async function comparePerson(desk: Desk, input: unknown): Promise<PersonNow> {
  authorise(desk.who, 'add people');
  const { person: id, ...yours } = await checked(aboutPersonForm, input);
  const [row, groups] = [await person(desk, id), await cohorts(desk)];
  const cohortName = (of: string) => groups.find((one) => one.id === of)?.name ?? '';
  const theirs = { name: row.name, email: row.email ?? '', cohort: row.cohort, comfortIn: row.comfortIn ?? null, comfortOut: row.comfortOut ?? null };
  const counts = (n: number | null) => (n === null ? 'empty' : String(n));
  const fields: readonly (readonly [string, string, string])[] = [
    ['name', theirs.name, yours.name],
    ['e-mail', theirs.email || 'none', yours.email || 'none'],
    ['cohort', cohortName(theirs.cohort), cohortName(yours.cohort)],
    ['longest easy inhale', counts(theirs.comfortIn), counts(yours.comfortIn)],
    ['longest easy exhale', counts(theirs.comfortOut), counts(yours.comfortOut)],
  ];
  const differs = fields.filter(([, a, b]) => a !== b).map(([what, is, was]) => `${what}: theirs ${is}, yours ${was}`);
  if (row.leftOn) differs.push('they have left');
  return { version: row.version, ...theirs, differs };
}

/** A person leaves their cohort, or comes back. Nothing of them is lost; plans no longer count them. */
export async function leaveCohort(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'add people');
  const { person: id, version, back } = await checked(leaveForm, input);
  await inOne(desk, async (at) => void (await change(at, id, version, { leftOn: back ? null : at.today })));
}

/** Types in a paper form for somebody who is there. It can be sent, and never be opened again from here. */
export async function enterForm(desk: Desk, input: unknown): Promise<{ readonly kept: true }> {
  authorise(desk.who, 'add people');
  const form = await checked(screeningForm, input);
  return onceOnly(desk, form.once, async (at) => {
    if (form.screenedOn > at.today) throw invalid({ field: 'screenedOn', message: 'A screening cannot be dated in the future.' });
    await person(at, form.person);
    const answers = checkedAnswers(form, at.today, askedIn((await conventions(at)).rulebook), true);
    await addScreening(at, { person: form.person, screenedOn: isoDate(form.screenedOn), source: 'paper', consent: null }, answers);
    return { kept: true };
  });
}
