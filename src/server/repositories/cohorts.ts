import { ASKED, type Comfort, type ConditionAnswer, type ScreenedPerson } from '@/core/screening';
import { addDays, isoDate } from '@/core/units';
import { readRow, readRows } from '../db/read';
import { once, type Desk } from '../desk';
import { ClinicianRow, CohortRow, CourseRow, OverrideEndRow, OverrideRow, PersonRow, ReadingRow, ScreeningRow, type PersonRecord } from '../db/rows';
import { knownId, Refusal } from '../errors';
import { may } from '../auth/permissions';
import { ours, staff } from './studio';

export interface Cohort {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly already: readonly string[];
}

/** A member with what is known of them. Never leaves the server whole. */
export interface Member {
  readonly id: string;
  readonly name: string;
  readonly comfort: Comfort;
  readonly screened: ScreenedPerson;
}

/** What a clinician answered, sealed with the person's key. */
export interface SealedScope {
  readonly rules: readonly string[];
  readonly note: string;
}

/** What an override sets aside and why, sealed with the person's key. */
export interface SealedOverride {
  readonly rules: readonly string[];
  readonly reason: string;
}

/** What is sealed with a person's key. */
export interface SealedAnswers {
  readonly birthDate: string | null;
  readonly guardianConsent: boolean;
  readonly answers: readonly ConditionAnswer[];
  /** The conditions that were answered with a no. Records from before this was kept have none: whatever they do not name was a no. */
  readonly no?: readonly string[];
}

/** What is known of every condition: a form that never asked of one says nothing about it. */
export function knownAnswers({ answers, no }: Pick<SealedAnswers, 'answers' | 'no'>): readonly ConditionAnswer[] {
  if (!no) return answers;
  const said = new Set([...no, ...answers.map(({ condition }) => condition)]);
  const unasked = ASKED.filter(({ id }) => !said.has(id));
  return [...answers, ...unasked.map(({ id }): ConditionAnswer => ({ condition: id, answer: 'not asked', date: null, states: [] }))];
}

/** The cohorts the signed-in person may see: teachers those they teach, everybody else all. */
export function cohorts(desk: Desk): Promise<Cohort[]> {
  return once(desk, 'cohorts', async () => {
    const rows = await readRows(desk, CohortRow, ours(desk), { orderBy: { name: 'asc' } });
    const taught = await cohortsTaughtBy(desk);
    return rows.filter(({ id }) => seesAll(desk) || taught.has(id)).map(({ id, name, about, already }) => ({ id, name, about, already }));
  });
}

export async function cohort(desk: Desk, id: string): Promise<Cohort> {
  const row = await readRow(desk, CohortRow, { id: knownId(id), ...ours(desk) });
  if (!row || !(seesAll(desk) || (await cohortsTaughtBy(desk)).has(id)))
    throw new Refusal('not-found', 'This cohort is not here, or not one you teach.');
  return { id: row.id, name: row.name, about: row.about, already: row.already };
}

function seesAll(desk: Desk): boolean {
  return may(desk.who.role, 'see reasons') || may(desk.who.role, 'add people');
}

/** Cohorts whose names a teacher may see: those with a course, or a published class, in their hands. */
async function cohortsTaughtBy(desk: Desk): Promise<ReadonlySet<string>> {
  const rows: { cohort: string }[] = await desk.em.execute(
    `select cohort from course where studio = ? and teacher = ?
     union select course.cohort from plan_version join class_session on class_session.id = plan_version.session join course on course.id = class_session.course
     where plan_version.studio = ? and plan_version.teacher = ?`,
    [desk.who.studio, desk.who.id, desk.who.studio, desk.who.id],
  );
  return new Set(rows.map((row) => row.cohort));
}

/** Where a person stands who has neither left nor been erased. */
const HERE = { leftOn: null, erasedAt: null };

/**
 * The people of a cohort with their latest screening, opened with their own keys. For the core only.
 * @param asOf only what was known at that moment, of those who had joined by then
 */
export function members(desk: Desk, cohortId: string, asOf: Date | null = null): Promise<Member[]> {
  return once(desk, `members ${cohortId} ${asOf ? new Date(asOf).getTime() : 'now'}`, async () => {
    const joined = asOf ? { joinedAt: { $lte: asOf } } : {};
    const rows = await readRows(desk, PersonRow, { cohort: cohortId, ...HERE, ...joined, ...ours(desk) }, { orderBy: { name: 'asc' } });
    return opened(desk, rows, asOf);
  });
}

/** One person with what is known of them. For the core only. */
export async function member(desk: Desk, id: string): Promise<Member> {
  return (await opened(desk, [await person(desk, id)]))[0];
}

/** A person's row; refuses whoever is not here, or erased. */
export async function person(desk: Desk, id: string): Promise<PersonRecord> {
  const row = await readRow(desk, PersonRow, { id: knownId(id), erasedAt: null, ...ours(desk) });
  if (!row) throw new Refusal('not-found', 'This person is not here, or not part of your studio.');
  return row;
}

async function opened(desk: Desk, people: readonly PersonRecord[], asOf: Date | null = null): Promise<Member[]> {
  const known = asOf ? { enteredAt: { $lte: asOf } } : {};
  const whose = { person: people.map(({ id }) => id), ...ours(desk) };
  const screenings = await readRows(desk, ScreeningRow, { ...whose, ...known }, { orderBy: { screenedOn: 'asc', enteredAt: 'asc' } });
  const clinicians = await readRows(desk, ClinicianRow, { ...whose, ...known });
  const overrides = await overridesOf(desk, whose.person, asOf);
  const latest = new Map(screenings.map((screening) => [screening.person, screening]));
  return people.map(({ id, name, wrappedKey, sealedBirth, comfortIn, comfortOut }) => {
    const open = (sealed: string): unknown => JSON.parse(desk.vault.open(wrappedKey, sealed));
    const screening = latest.get(id);
    const sealed = screening ? (open(screening.sealed) as SealedAnswers) : NOTHING_ANSWERED;
    const birthDate = sealed.birthDate ?? (sealedBirth ? desk.vault.open(wrappedKey, sealedBirth) : null);
    const screened: ScreenedPerson = {
      screenedOn: screening ? isoDate(screening.screenedOn) : null,
      birthDate: birthDate ? isoDate(birthDate) : null,
      guardianConsent: sealed.guardianConsent,
      answers: knownAnswers(sealed),
      clearances: clinicians
        .filter((row) => row.person === id)
        .map((row) => ({ ...(open(row.sealed) as SealedScope), on: isoDate(row.answeredOn), until: isoDate(row.until) }))
        .map(({ rules, on, until }) => ({ rules, on, until })),
      overrides: overrides
        .filter((row) => row.person === id)
        .map(({ id: override, sealed: text, by, from, until }) => ({ id: override, ...(open(text) as SealedOverride), by, from, until })),
    };
    return { id, name, comfort: { inhale: comfortIn ?? null, exhale: comfortOut ?? null }, screened };
  });
}

const NOTHING_ANSWERED: SealedAnswers = { birthDate: null, guardianConsent: false, answers: [] };

/** Overrides of some people, ended ones cut to the day they ended; their rules and reasons stay sealed. */
export async function overridesOf(desk: Desk, people: readonly string[], asOf: Date | null = null) {
  const [made, ends, everyone] = await Promise.all([
    readRows(desk, OverrideRow, { person: [...people], ...(asOf ? { madeAt: { $lte: asOf } } : {}), ...ours(desk) }, { orderBy: { madeAt: 'asc' } }),
    readRows(desk, OverrideEndRow, { ...(asOf ? { endedAt: { $lte: asOf } } : {}), ...ours(desk) }),
    staff(desk),
  ]);
  const endOf = new Map(ends.map(({ override, endedOn }) => [override, isoDate(endedOn)]));
  return made.map(({ id, person: of, sealed, from, until, madeBy, madeAt }) => {
    const ended = endOf.get(id);
    const last = ended && ended <= isoDate(until) ? addDays(ended, -1) : isoDate(until);
    const by = everyone.find((one) => one.id === madeBy)?.name ?? 'somebody who left';
    return { id, person: of, sealed, from: isoDate(from), until: last, by, madeAt, ended: ended ?? null };
  });
}

export interface RosterLine {
  readonly email: string | null;
  readonly id: string;
  readonly name: string;
  readonly cohort: string;
  readonly screenedOn: ReturnType<typeof isoDate> | null;
}

/** Names and screening dates alone, without opening anything. */
export function roster(desk: Desk): Promise<RosterLine[]> {
  return once(desk, 'roster', async () => {
    const people = await readRows(
      desk,
      PersonRow,
      { ...HERE, ...ours(desk) },
      { orderBy: { name: 'asc' }, fields: ['id', 'name', 'cohort', 'email'] },
    );
    const screenings = await readRows(desk, ScreeningRow, ours(desk), { orderBy: { screenedOn: 'asc' }, fields: ['person', 'screenedOn'] });
    const latest = new Map(screenings.map(({ person, screenedOn }) => [person, isoDate(screenedOn)]));
    return people.map(({ id, name, email, cohort: of }) => ({ id, name, email: email ?? null, cohort: of, screenedOn: latest.get(id) ?? null }));
  });
}

/** Records that somebody looked at a person's answers. */
export async function recordReading(desk: Desk, person: string, why: string): Promise<void> {
  await desk.em.insert(ReadingRow, { id: desk.newId(), ...ours(desk), person, reader: desk.who.id, at: desk.now, why });
}

/** The courses of a cohort, newest first. */
export async function coursesOfCohort(desk: Desk, cohortId: string) {
  return readRows(desk, CourseRow, { cohort: cohortId, ...ours(desk) }, { orderBy: { firstDate: 'desc' } });
}
