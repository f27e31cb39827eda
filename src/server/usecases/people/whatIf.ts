import { techniqueName } from '@/core/plan';
import { askedIn } from '@/core/screening';
import { dayText, isoDate, type IsoDate } from '@/core/units';
import { clinicianForm, overrideForm, screeningForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import type { Desk } from '../../desk';
import { knownAnswers, member, person, recordReading, type Member } from '../../repositories/cohorts';
import { courses, sessionsOf, type Session } from '../../repositories/courses';
import { conventions } from '../../repositories/studio';
import { instructionText } from '../instructions';
import { adviceFor, bearingsByDate, type Pace } from '../setting';
import { checkedAnswers } from './keepScreening';

/** One planned technique that somebody would do in another way. */
export interface Changed {
  readonly person: string;
  readonly name: string;
  readonly session: string;
  readonly date: IsoDate;
  readonly course: string;
  readonly technique: string;
  readonly before: string;
  readonly after: string;
}

interface Was {
  readonly person: Member;
  readonly pace: Pace;
}

/** What planned sessions would change, person by person, if one thing about screening were different. */
export function changesOf(
  pairs: readonly { readonly was: Was; readonly then: Was }[],
  sessions: readonly (Session & { readonly name: string })[],
): Changed[] {
  return pairs.flatMap(({ was, then }) => {
    const [before, after] = [was, then].map(({ person: of, pace }) => {
      const bearing = bearingsByDate(pace.rulebook);
      return (block: Session['blocks'][number], date: IsoDate) => {
        const { advice } = adviceFor(of, bearing(of, date), block, pace);
        return advice.answer === 'clear' ? 'as taught' : instructionText(advice);
      };
    });
    return sessions.flatMap(({ id, date, name, blocks }) =>
      blocks.flatMap((block): Changed[] => {
        if (block.kind !== 'technique') return [];
        const [one, other] = [before(block, date), after(block, date)];
        const about = { person: was.person.id, name: was.person.name, session: id, date, course: name, technique: techniqueName(block) };
        return one === other ? [] : [{ ...about, before: one, after: other }];
      }),
    );
  });
}

/** The sessions still to come of a cohort, or of all. */
export async function sessionsAhead(desk: Desk, cohort: string | null) {
  const all = (await courses(desk)).filter((course) => cohort === null || course.cohort === cohort);
  const sessions = await sessionsOf(
    desk,
    all.map(({ id }) => id),
  );
  return sessions
    .filter(({ date }) => date >= desk.today)
    .map((session) => {
      const { name, cohort: of } = all.find(({ id }) => id === session.course)!;
      return { ...session, name, cohort: of };
    });
}

/** What a clinician's answer, or an override, would change for a person's sessions, before it is saved. */
export async function whatIfAside(desk: Desk, input: unknown): Promise<readonly string[]> {
  authorise(desk.who, 'see reasons');
  const kind = typeof input === 'object' && input !== null && 'answeredOn' in input ? 'clinician' : 'override';
  const form = kind === 'clinician' ? await checked(clinicianForm, input) : await checked(overrideForm, input);
  const { cohort } = await person(desk, form.person);
  const [of, studio, sessions] = await Promise.all([member(desk, form.person), conventions(desk), sessionsAhead(desk, cohort)]);
  await recordReading(desk, form.person, 'looked at what would change');
  const { screened } = of;
  const span = { rules: form.rules, until: isoDate(form.until) };
  const changed =
    kind === 'clinician'
      ? { ...screened, clearances: [...screened.clearances, { ...span, on: desk.today }] }
      : { ...screened, overrides: [...screened.overrides, { ...span, id: 'asked', reason: '', by: desk.who.name, from: desk.today }] };
  return changesOf([{ was: { person: of, pace: studio }, then: { person: { ...of, screened: changed }, pace: studio } }], sessions).map(changeLine);
}

/** What a filled-in form would change for a person's sessions, before it is kept. */
export async function whatIfForm(desk: Desk, input: unknown): Promise<readonly string[]> {
  authorise(desk.who, 'see reasons');
  const form = await checked(screeningForm, input);
  const { cohort } = await person(desk, form.person);
  const [of, studio, sessions] = await Promise.all([member(desk, form.person), conventions(desk), sessionsAhead(desk, cohort)]);
  await recordReading(desk, form.person, 'looked at what would change');
  const { birthDate, guardianConsent, ...said } = checkedAnswers(form, desk.today, askedIn(studio.rulebook));
  const screened = {
    ...of.screened,
    screenedOn: isoDate(form.screenedOn),
    birthDate: birthDate ? isoDate(birthDate) : of.screened.birthDate,
    guardianConsent,
    answers: knownAnswers(said),
  };
  return changesOf([{ was: { person: of, pace: studio }, then: { person: { ...of, screened }, pace: studio } }], sessions).map(changeLine);
}

/** @example changeLine(changed) // "Wed 2 Dec, 4:7:8: leave out → as taught" */
export function changeLine({ date, technique, before, after }: Changed): string {
  return `${dayText(date)}, ${technique}: ${before} → ${after}`;
}
