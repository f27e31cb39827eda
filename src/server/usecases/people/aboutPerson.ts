import { aboutPersonForm, leaveForm, screeningForm } from '@/forms';
import { askedIn } from '@/core/screening';
import { isoDate } from '@/core/units';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { PersonRow } from '../../db/rows';
import { invalid, Refusal } from '../../errors';
import { cohort, person } from '../../repositories/cohorts';
import { conventions, ours } from '../../repositories/studio';
import { checkedAnswers, keepScreening } from './keepScreening';

/** Changes what the studio knows of a person beside their health: name, e-mail, cohort, comfort counts. */
export async function changePerson(desk: Desk, input: unknown): Promise<{ readonly cohort: string }> {
  authorise(desk.who, 'add people');
  const { person: id, version, ...form } = await checked(aboutPersonForm, input);
  return inOne(desk, async (at) => {
    const before = await person(at, id);
    await cohort(at, form.cohort);
    const joined = before.cohort === form.cohort ? {} : { joinedAt: at.now };
    const changed = await at.em.nativeUpdate(PersonRow, { id, version, ...ours(at) }, { ...form, ...joined, version: version + 1 });
    if (changed === 0) throw new Refusal('clash');
    return { cohort: form.cohort };
  });
}

/** A person leaves their cohort, or comes back. Nothing of them is lost; plans no longer count them. */
export async function leaveCohort(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'add people');
  const { person: id, version, back } = await checked(leaveForm, input);
  await person(desk, id);
  const changed = await desk.em.nativeUpdate(
    PersonRow,
    { id, version, ...ours(desk) },
    { leftOn: back ? null : desk.today, ...(back ? { joinedAt: desk.now } : {}), version: version + 1 },
  );
  if (changed === 0) throw new Refusal('clash');
}

/** Types in a paper form for somebody who is there. It can be sent, and never be opened again from here. */
export async function enterForm(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'add people');
  const form = await checked(screeningForm, input);
  if (form.screenedOn > desk.today) throw invalid({ field: 'screenedOn', message: 'A screening cannot be dated in the future.' });
  const answers = checkedAnswers(form, desk.today, askedIn((await conventions(desk)).rulebook));
  await inOne(desk, async (at) => {
    const { wrappedKey } = await person(at, form.person);
    const kept = { ...ours(at), person: form.person, wrappedKey, screenedOn: isoDate(form.screenedOn), source: 'paper' as const, consent: null };
    await keepScreening(at.em, at.vault, at.newId, { ...kept, enteredBy: at.who.id, at: at.now }, answers);
  });
}
