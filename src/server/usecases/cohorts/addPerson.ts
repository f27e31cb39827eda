import { personForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { PersonRow, ScreeningRow } from '../../db/rows';
import { invalid } from '../../errors';
import { cohort, type SealedAnswers } from '../../repositories/cohorts';
import { ours } from '../../repositories/studio';

/** Adds a person to a cohort, with their screening when there is one. The answers are sealed with the person's own key. */
export async function addPerson(desk: Desk, input: unknown): Promise<{ readonly id: string }> {
  authorise(desk.who, 'add people');
  const form = await checked(personForm, input);
  if (form.birthDate && form.birthDate > desk.today) throw invalid({ field: 'birthDate', message: 'This birth date lies in the future.' });
  const screenedOn = form.screenedOn ?? desk.today;
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
      wrappedKey,
      comfortIn: null,
      comfortOut: null,
      version: 1,
    });
    if (form.screened) {
      const answers: SealedAnswers = {
        birthDate: form.birthDate,
        guardianConsent: form.guardianConsent,
        answers: form.answers as SealedAnswers['answers'],
      };
      const sealed = at.vault.seal(wrappedKey, JSON.stringify(answers));
      await at.em.insert(ScreeningRow, { id: at.newId(), ...ours(at), person: id, screenedOn, sealed, enteredBy: at.who.id, enteredAt: at.now });
    }
    return { id };
  });
}
