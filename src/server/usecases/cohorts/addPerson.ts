import { askedIn } from '@/core/screening';
import { isoDate } from '@/core/units';
import { personForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import type { Desk } from '../../desk';
import { invalid } from '../../errors';
import { cohort } from '../../repositories/cohorts';
import { addPerson as add } from '../../repositories/people';
import { addScreening } from '../../repositories/screenings';
import { conventions } from '../../repositories/studio';
import { checkedAnswers } from '../people/checkedAnswers';

/** Adds a person to a cohort, with their screening when there is one. The answers are sealed with the person's own key. */
export async function addPerson(desk: Desk, input: unknown): Promise<{ readonly id: string }> {
  authorise(desk.who, 'add people');
  const form = await checked(personForm, input);
  return onceOnly(desk, form.once, async (at) => {
    const answers = checkedAnswers(form, at.today, askedIn((await conventions(at)).rulebook), form.screened);
    const screenedOn = form.screenedOn ? isoDate(form.screenedOn) : at.today;
    if (form.screened && screenedOn > at.today) throw invalid({ field: 'screenedOn', message: 'A screening cannot be dated in the future.' });
    await cohort(at, form.cohort);
    const { id } = await add(at, { cohort: form.cohort, name: form.name, email: form.email, birthDate: form.screened ? null : form.birthDate });
    if (form.screened) await addScreening(at, { person: id, screenedOn, source: 'paper', consent: null }, answers);
    return { id };
  });
}
