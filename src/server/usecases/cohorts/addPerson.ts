import { askedIn } from '@/core/screening';
import { personForm } from '@/forms';
import { isoDate } from '@/core/units';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { PersonRow } from '../../db/rows';
import { invalid } from '../../errors';
import { cohort } from '../../repositories/cohorts';
import { conventions, ours } from '../../repositories/studio';
import { checkedAnswers, keepScreening } from '../people/keepScreening';

/** Adds a person to a cohort, with their screening when there is one. The answers are sealed with the person's own key. */
export async function addPerson(desk: Desk, input: unknown): Promise<{ readonly id: string }> {
  authorise(desk.who, 'add people');
  const form = await checked(personForm, input);
  const answers = checkedAnswers(form, desk.today, askedIn((await conventions(desk)).rulebook));
  const screenedOn = form.screenedOn ? isoDate(form.screenedOn) : desk.today;
  if (form.screened && screenedOn > desk.today) throw invalid({ field: 'screenedOn', message: 'A screening cannot be dated in the future.' });
  const id = desk.newId();
  return inOne(desk, async (at) => {
    await cohort(at, form.cohort);
    const wrappedKey = at.vault.newWrappedKey();
    await at.em.insert(PersonRow, {
      id,
      ...ours(at),
      cohort: form.cohort,
      name: form.name,
      email: form.email,
      wrappedKey,
      sealedBirth: form.birthDate && !form.screened ? at.vault.seal(wrappedKey, form.birthDate) : null,
      joinedAt: at.now,
      leftOn: null,
      erasedAt: null,
      comfortIn: null,
      comfortOut: null,
      version: 1,
    });
    const kept = { ...ours(at), person: id, wrappedKey, screenedOn, source: 'paper' as const, consent: null, enteredBy: at.who.id, at: at.now };
    if (form.screened) await keepScreening(at.em, at.vault, at.newId, kept, answers);
    return { id };
  });
}
