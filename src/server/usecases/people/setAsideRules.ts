import { mayBeSetAside } from '@/core/screening';
import { addDays, isoDate } from '@/core/units';
import { clinicianForm, endOverrideForm, overrideForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { ClinicianRow, OverrideEndRow, OverrideRow } from '../../db/rows';
import { invalid, Refusal } from '../../errors';
import { overridesOf, person } from '../../repositories/cohorts';
import { conventions, ours } from '../../repositories/studio';

/** Records a clinician's yes: which ask-first rules it covers, when it was given, and until when it holds. */
export async function recordClinician(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'see reasons');
  const { person: id, rules, answeredOn, until, note } = await checked(clinicianForm, input);
  const { rulebook } = await conventions(desk);
  if (answeredOn > desk.today) throw invalid({ field: 'answeredOn', message: 'This answer lies in the future.' });
  if (until < desk.today) throw invalid({ field: 'until', message: 'This has run out already: give a day from today on.' });
  if (until > addDays(desk.today, 366)) throw invalid({ field: 'until', message: 'At most a year: ask again then.' });
  const asking = rules.every((rule) => rulebook.rules.some((one) => one.id === rule && one.answer === 'ask first' && one.condition !== 'under 16'));
  if (!asking) throw invalid({ field: 'rules', message: 'A clinician’s answer bears on ask-first rules only.' });
  await inOne(desk, async (at) => {
    const { wrappedKey } = await person(at, id);
    const sealed = at.vault.seal(wrappedKey, JSON.stringify({ rules, note }));
    await at.em.insert(ClinicianRow, { id: at.newId(), ...ours(at), person: id, sealed, answeredOn, until, enteredBy: at.who.id, enteredAt: at.now });
  });
}

/** Sets rules aside for one person, in the director's own name, with a reason and an end. It stays in the record. */
export async function makeOverride(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'see reasons');
  const { person: id, rules, reason, until } = await checked(overrideForm, input);
  const { rulebook } = await conventions(desk);
  if (until < desk.today) throw invalid({ field: 'until', message: 'An override ends today or later.' });
  if (until > addDays(desk.today, 366)) throw invalid({ field: 'until', message: 'At most a year: decide again then.' });
  const allowed = rules.every((rule) => rulebook.rules.some((one) => one.id === rule && mayBeSetAside(one)));
  if (!allowed) throw invalid({ field: 'rules', message: 'What is not known is asked, never set aside. Send the form instead.' });
  await inOne(desk, async (at) => {
    const { wrappedKey } = await person(at, id);
    const sealed = at.vault.seal(wrappedKey, JSON.stringify({ rules, reason }));
    await at.em.insert(OverrideRow, { id: at.newId(), ...ours(at), person: id, sealed, from: at.today, until, madeBy: at.who.id, madeAt: at.now });
  });
}

/** Ends an override today. That it was made stays in the record. */
export async function endOverride(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'see reasons');
  const { person: id, override } = await checked(endOverrideForm, input);
  await inOne(desk, async (at) => {
    const found = (await overridesOf(at, [id])).find((one) => one.id === override);
    if (!found) throw new Refusal('not-found');
    if (found.ended) throw new Refusal('late', 'This override has ended already.');
    await at.em.insert(OverrideEndRow, { id: at.newId(), ...ours(at), override, endedOn: isoDate(at.today), endedBy: at.who.id, endedAt: at.now });
  });
}
