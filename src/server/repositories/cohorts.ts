import type { Comfort, ConditionAnswer, ScreenedPerson } from '@/core/screening';
import { isoDate } from '@/core/units';
import { readRow, readRows } from '../db/read';
import { once, type Desk } from '../desk';
import { CohortRow, CourseRow, PersonRow, ReadingRow, ScreeningRow } from '../db/rows';
import { knownId, Refusal } from '../errors';
import { may } from '../auth/permissions';
import { ours } from './studio';

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

/** What is sealed with a person's key. */
export interface SealedAnswers {
  readonly birthDate: string | null;
  readonly guardianConsent: boolean;
  readonly answers: readonly ConditionAnswer[];
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

/** The people of a cohort with their latest screening, opened with their own keys. For the core only. */
export async function members(desk: Desk, cohortId: string): Promise<Member[]> {
  const people = await readRows(desk, PersonRow, { cohort: cohortId, ...ours(desk) }, { orderBy: { name: 'asc' } });
  const screenings = await readRows(
    desk,
    ScreeningRow,
    { person: people.map(({ id }) => id), ...ours(desk) },
    { orderBy: { screenedOn: 'asc', enteredAt: 'asc' } },
  );
  const latest = new Map(screenings.map((screening) => [screening.person, screening]));
  return people.map(({ id, name, wrappedKey, comfortIn, comfortOut }) => {
    const screening = latest.get(id);
    const comfort = { inhale: comfortIn ?? null, exhale: comfortOut ?? null };
    if (!screening) return { id, name, comfort, screened: { screenedOn: null, birthDate: null, answers: [], guardianConsent: false } };
    const sealed = JSON.parse(desk.vault.open(wrappedKey, screening.sealed)) as SealedAnswers;
    const birthDate = sealed.birthDate ? isoDate(sealed.birthDate) : null;
    return { id, name, comfort, screened: { ...sealed, birthDate, screenedOn: isoDate(screening.screenedOn) } };
  });
}

export interface RosterLine {
  readonly id: string;
  readonly name: string;
  readonly cohort: string;
  readonly screenedOn: ReturnType<typeof isoDate> | null;
}

/** Names and screening dates alone, without opening anything. */
export function roster(desk: Desk): Promise<RosterLine[]> {
  return once(desk, 'roster', async () => {
    const people = await readRows(desk, PersonRow, ours(desk), { orderBy: { name: 'asc' }, fields: ['id', 'name', 'cohort'] });
    const screenings = await readRows(desk, ScreeningRow, ours(desk), { orderBy: { screenedOn: 'asc' }, fields: ['person', 'screenedOn'] });
    const latest = new Map(screenings.map(({ person, screenedOn }) => [person, isoDate(screenedOn)]));
    return people.map(({ id, name, cohort: of }) => ({ id, name, cohort: of, screenedOn: latest.get(id) ?? null }));
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
