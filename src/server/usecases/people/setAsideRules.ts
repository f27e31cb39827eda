import { clinicianMayAnswer, mayBeSetAside, SCREENING_LIMITS } from '@/core/screening';
import { addDays } from '@/core/units';
import { clinicianForm, endOverrideForm, overrideForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import { inOne, type Desk } from '../../desk';
import { invalid } from '../../errors';
import { addClinicianAnswer, addOverride, endOverride as end } from '../../repositories/screenings';
import { conventions } from '../../repositories/studio';

/** Records a clinician's yes: which ask-first rules it covers, when it was given, and until when it holds. */
export async function recordClinician(desk: Desk, input: unknown): Promise<{ readonly kept: true }> {
  authorise(desk.who, 'see reasons');
  const { once, person: id, rules, answeredOn, until, note } = await checked(clinicianForm, input);
  return onceOnly(desk, once, async (at) => {
    const { rulebook } = await conventions(at);
    if (answeredOn > at.today) throw invalid({ field: 'answeredOn', message: 'This answer lies in the future.' });
    if (until < at.today) throw invalid({ field: 'until', message: 'This has run out already: give a day from today on.' });
    if (until > addDays(at.today, SCREENING_LIMITS.longestAside)) throw invalid({ field: 'until', message: 'At most a year: ask again then.' });
    const asking = rules.every((rule) => rulebook.rules.some((one) => one.id === rule && clinicianMayAnswer(one)));
    if (!asking) throw invalid({ field: 'rules', message: 'A clinician’s answer bears on ask-first rules only.' });
    await addClinicianAnswer(at, id, { rules, note }, { answeredOn, until });
    return { kept: true };
  });
}

/** Sets rules aside for one person, in the director's own name, with a reason and an end. It stays in the record. */
export async function makeOverride(desk: Desk, input: unknown): Promise<{ readonly kept: true }> {
  authorise(desk.who, 'see reasons');
  const { once, person: id, rules, reason, until } = await checked(overrideForm, input);
  return onceOnly(desk, once, async (at) => {
    const { rulebook } = await conventions(at);
    if (until < at.today) throw invalid({ field: 'until', message: 'An override ends today or later.' });
    if (until > addDays(at.today, SCREENING_LIMITS.longestAside)) throw invalid({ field: 'until', message: 'At most a year: decide again then.' });
    const allowed = rules.every((rule) => rulebook.rules.some((one) => one.id === rule && mayBeSetAside(one)));
    if (!allowed) throw invalid({ field: 'rules', message: 'What is not known is asked, never set aside. Send the form instead.' });
    await addOverride(at, id, { rules, reason }, until);
    return { kept: true };
  });
}

/** Ends an override today. That it was made stays in the record. */
export async function endOverride(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'see reasons');
  const { person: id, override } = await checked(endOverrideForm, input);
  await inOne(desk, (at) => end(at, id, override));
}
