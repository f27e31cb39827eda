import { adviceFor, bearingsByDate, instructionText, type House, type Member } from '@/core/instructions';
import { blockName, type Block } from '@/core/plan';
import { askedIn } from '@/core/screening';
import { dayText, isoDate, type IsoDate } from '@/core/units';
import { clinicianForm, overrideForm, screeningForm } from '@/forms';
import type { Changed } from '@/views/person';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { person } from '../../repositories/people';
import { member, recordReading } from '../../repositories/screenings';
import { knownAnswers } from '../../repositories/sealed';
import { houseOf } from '../setting';
import { sessionsAhead, type AheadSession } from './ahead';
import { checkedAnswers } from './checkedAnswers';

interface Was {
  readonly person: Member;
  readonly house: House;
}

/** What planned sessions would change, person by person, if one thing about screening were different. */
export function changesOf(pairs: readonly { readonly was: Was; readonly then: Was }[], sessions: readonly AheadSession[]): Changed[] {
  return pairs.flatMap(({ was, then }) => {
    const [before, after] = [was, then].map(({ person: of, house }) => {
      const bearing = bearingsByDate(house.rulebook);
      return (block: Block, date: IsoDate) => {
        const { advice } = adviceFor(of, bearing(of, date), block, house);
        return advice.answer === 'clear' ? 'as taught' : instructionText(advice);
      };
    });
    return sessions.flatMap(({ id, date, name, blocks }) =>
      blocks.flatMap((block): Changed[] => {
        if (block.kind !== 'technique') return [];
        const [one, other] = [before(block, date), after(block, date)];
        const about = {
          person: was.person.id,
          name: was.person.name,
          session: id,
          date,
          course: name,
          technique: blockName(block, was.house.library),
        };
        return one === other ? [] : [{ ...about, before: one, after: other }];
      }),
    );
  });
}

/** What a clinician's answer, or an override, would change for a person's sessions, before it is saved. */
export async function whatIfAside(desk: Desk, input: unknown): Promise<readonly string[]> {
  authorise(desk.who, 'see reasons');
  const kind = typeof input === 'object' && input !== null && 'answeredOn' in input ? 'clinician' : 'override';
  const form = kind === 'clinician' ? await checked(clinicianForm, input) : await checked(overrideForm, input);
  const { cohort } = await person(desk, form.person);
  const [of, studio, sessions] = await Promise.all([member(desk, form.person), houseOf(desk, cohort), sessionsAhead(desk, cohort)]);
  await inOne(desk, (at) => recordReading(at, form.person, 'looked at what would change'));
  const { screened } = of;
  const span = { rules: form.rules, until: isoDate(form.until) };
  const changed =
    kind === 'clinician'
      ? { ...screened, clearances: [...screened.clearances, { ...span, on: desk.today }] }
      : { ...screened, overrides: [...screened.overrides, { ...span, id: 'asked', reason: '', by: desk.who.name, from: desk.today }] };
  return changesOf([{ was: { person: of, house: studio }, then: { person: { ...of, screened: changed }, house: studio } }], sessions).map(changeLine);
}

/** What a filled-in form would change for a person's sessions, before it is kept. */
export async function whatIfForm(desk: Desk, input: unknown): Promise<readonly string[]> {
  authorise(desk.who, 'see reasons');
  const form = await checked(screeningForm, input);
  const { cohort } = await person(desk, form.person);
  const [of, studio, sessions] = await Promise.all([member(desk, form.person), houseOf(desk, cohort), sessionsAhead(desk, cohort)]);
  await inOne(desk, (at) => recordReading(at, form.person, 'looked at what would change'));
  const { birthDate, guardianConsent, ...said } = checkedAnswers(form, desk.today, askedIn(studio.rulebook));
  const screened = {
    ...of.screened,
    screenedOn: isoDate(form.screenedOn),
    birthDate: birthDate ? isoDate(birthDate) : of.screened.birthDate,
    guardianConsent,
    answers: knownAnswers(said),
  };
  return changesOf([{ was: { person: of, house: studio }, then: { person: { ...of, screened }, house: studio } }], sessions).map(changeLine);
}

/** @example changeLine(changed) // "Wed 2 Dec, 4:7:8: leave out → as taught" */
export function changeLine({ date, technique, before, after }: Changed): string {
  return `${dayText(isoDate(date))}, ${technique}: ${before} → ${after}`;
}
