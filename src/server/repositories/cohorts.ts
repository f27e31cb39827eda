import type { Seat } from '@/core/techniques';
import type { Actor } from '../auth/actors';
import { may } from '../auth/permissions';
import { readRow, readRows } from '../db/read';
import { CohortRow, CourseRow, SessionRow } from '../db/rows';
import { add, claim, hold } from '../db/write';
import { once, type Desk, type Writing } from '../desk';
import { knownId, Refusal } from '../errors';
import { sessionsHandedTo } from './hands';

export interface Cohort {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly already: readonly string[];
  readonly seat: Seat;
}

/** The cohorts that whoever asks may see: teachers those they teach, everybody else all. */
export function cohorts(desk: Desk<Actor>): Promise<Cohort[]> {
  return once(desk, 'cohorts', async () => {
    const rows = await readRows(desk, CohortRow, {}, { orderBy: { name: 'asc' } });
    const taught = seesAll(desk) ? null : await cohortsTaughtBy(desk);
    return rows
      .filter(({ id }) => taught === null || taught.has(id))
      .map(({ id, name, about, already, seat }) => ({ id, name, about, already, seat }));
  });
}

export async function cohort(desk: Desk<Actor>, id: string): Promise<Cohort> {
  if (!(seesAll(desk) || (await cohortsTaughtBy(desk)).has(knownId(id))))
    throw new Refusal('not-found', 'This cohort is not here, or not one you teach.');
  return cohortItself(desk, id);
}

/** What a cohort is, without its people: for working out a class for whoever hands it over and may not see them. */
export async function cohortItself(desk: Desk<Actor>, id: string): Promise<Cohort> {
  const row = await readRow(desk, CohortRow, { id: knownId(id) });
  if (!row) throw new Refusal('not-found', 'This cohort is not here.');
  return { id: row.id, name: row.name, about: row.about, already: row.already, seat: row.seat };
}

export async function addCohort(at: Writing, cohortToAdd: Cohort): Promise<void> {
  await add(at, CohortRow, cohortToAdd);
}

/** Changes what a cohort practises already. @returns what it did not before */
export async function changePractice(at: Writing, id: string, to: (already: readonly string[]) => readonly string[]): Promise<readonly string[]> {
  const row = await hold(at, CohortRow, { id: knownId(id) });
  if (!row) throw new Refusal('not-found');
  const next = [...new Set(to(row.already))];
  await claim(at, CohortRow, id, row.version, { already: next });
  return next.filter((technique) => !row.already.includes(technique));
}

function seesAll({ who }: Desk<Actor>): boolean {
  return who.as !== 'staff' || may(who.role, 'see reasons') || may(who.role, 'add people');
}

/** Cohorts whose names a teacher may see: those with a course, or a class, in their hands. */
async function cohortsTaughtBy(desk: Desk<Actor>): Promise<ReadonlySet<string>> {
  const { who } = desk;
  if (who.as !== 'staff') return new Set();
  return once(desk, 'cohorts taught', async () => {
    const [handed, all] = await Promise.all([sessionsHandedTo(desk, who.id), readRows(desk, CourseRow, {}, { fields: ['id', 'teacher', 'cohort'] })]);
    const sessions = await readRows(desk, SessionRow, { id: [...handed] }, { fields: ['course'] });
    const mine = new Set(sessions.map(({ course }) => course));
    return new Set(all.filter(({ id, teacher }) => teacher === who.id || mine.has(id)).map((row) => row.cohort));
  });
}
