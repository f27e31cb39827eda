import { isoDate, type IsoDate } from '@/core/units';
import type { Actor, Staff } from '../auth/actors';
import type { EntityManager } from '../db/orm';
import { readRow, readRows } from '../db/read';
import { add, claim, hold, remove } from '../db/write';
import { once, type Desk, type Writing } from '../desk';
import { LinkRow, MailRow, PersonRow, ScreeningRow, type PersonRecord } from '../db/rows';
import { knownId, Refusal } from '../errors';
import { ERASED } from './erasing';

/** Where a person stands who has neither left nor been erased. */
export const HERE = { leftOn: null, erasedAt: null };

const NOT_HERE = 'This person is not here, or not part of your studio.';

/** A person's row; refuses whoever is not here, or erased. */
export async function person(desk: Desk<Actor>, id: string): Promise<PersonRecord> {
  const row = await readRow(desk, PersonRow, { id: knownId(id, NOT_HERE), erasedAt: null });
  if (!row) throw new Refusal('not-found', NOT_HERE);
  return row;
}

/** Whether anybody is on a roster. */
export async function anyPerson(desk: Desk<Actor>): Promise<boolean> {
  return (await readRows(desk, PersonRow, {}, { limit: 1, fields: ['id'] })).length > 0;
}

/**
 * A person held until the transaction ends. Whatever is written about somebody holds them first, so that nothing is written
 * about whoever is being erased meanwhile.
 */
export async function holdPerson(at: Writing, id: string): Promise<PersonRecord> {
  const row = await hold(at, PersonRow, { id: knownId(id, NOT_HERE), erasedAt: null });
  if (!row) throw new Refusal('not-found', NOT_HERE);
  return row;
}

/** What a studio knows of somebody who is new, beside their health. */
export interface NewPerson {
  readonly cohort: string;
  readonly name: string;
  readonly email: string | null;
  readonly birthDate: string | null;
  /** Signed up, and nobody's member until the studio says yes. */
  readonly waits?: boolean;
}

/** Adds a person, with a key of their own. @returns their id, and the key their answers are sealed with */
export async function addPerson(
  at: Writing,
  { birthDate, waits = false, ...known }: NewPerson,
): Promise<{ readonly id: string; readonly wrappedKey: string }> {
  const id = at.newId();
  const wrappedKey = at.vault.newWrappedKey(id);
  const sealedBirth = birthDate && at.vault.seal(wrappedKey, birthDate, { person: id, table: 'person', row: id });
  const nothing = { leftOn: waits ? at.today : null, erasedAt: null, comfortIn: null, comfortOut: null };
  await add(at, PersonRow, { id, ...known, wrappedKey, sealedBirth: sealedBirth || null, joinedAt: at.now, ...nothing });
  return { id, wrappedKey };
}

/** What may be changed of a person beside their health. */
export interface PersonChange {
  readonly name?: string;
  readonly email?: string | null;
  readonly cohort?: string;
  readonly comfortIn?: number | null;
  readonly comfortOut?: number | null;
  readonly leftOn?: IsoDate | null;
}

/** Changes a person at the version they were seen at. Whoever comes into a cohort, or back, joins it now. */
export async function changePerson(at: Writing, id: string, seen: number, to: PersonChange): Promise<number> {
  const before = await holdPerson(at, id);
  const joins = (to.cohort !== undefined && to.cohort !== before.cohort) || (to.leftOn === null && before.leftOn !== null);
  return claim(at, PersonRow, id, seen, { ...to, ...(joins ? { joinedAt: at.now } : {}) });
}

/** Makes of every field of a person what erasing makes of it; see {@link ERASED}. What was sealed can never be read again. */
export async function erase(at: Writing<Staff>, id: string): Promise<string> {
  const pseudonym = `Somebody ${id.slice(-4).toUpperCase()}`;
  const { version } = await holdPerson(at, id);
  await claim(at, PersonRow, id, version, ERASED.person(pseudonym, at.now, at.today));
  await remove(at, MailRow, { person: id });
  await remove(at, LinkRow, { person: id });
  return pseudonym;
}

/** Rewrites the tables that held what was erased, so that nothing of it stays behind in their files. */
export async function sweepTables(em: EntityManager): Promise<void> {
  await em.execute('select sweep_erased()');
}

export interface RosterLine {
  readonly email: string | null;
  readonly id: string;
  readonly name: string;
  readonly cohort: string;
  readonly screenedOn: IsoDate | null;
}

/** Everybody's name and screening date alone, without opening anything. */
export function roster(desk: Desk<Actor>): Promise<RosterLine[]> {
  return once(desk, 'roster', () => linesOf(desk, HERE, () => ({})));
}

/** The same of one cohort. */
export function rosterOf(desk: Desk<Actor>, cohort: string): Promise<RosterLine[]> {
  return once(desk, `roster ${cohort}`, () => linesOf(desk, { ...HERE, cohort: knownId(cohort) }, (ids) => ({ person: ids })));
}

async function linesOf(desk: Desk<Actor>, where: object, screened: (ids: string[]) => object): Promise<RosterLine[]> {
  const people = await readRows(desk, PersonRow, where, { orderBy: { name: 'asc' }, fields: ['id', 'name', 'cohort', 'email'] });
  const latest = await screenedOn(desk, screened(people.map(({ id }) => id)));
  return people.map(({ id, name, email, cohort: of }) => ({ id, name, email: email ?? null, cohort: of, screenedOn: latest.get(id) ?? null }));
}

/** When each was screened last. */
async function screenedOn(desk: Desk<Actor>, where: object): Promise<ReadonlyMap<string, IsoDate>> {
  const rows = await readRows(desk, ScreeningRow, where, { orderBy: { screenedOn: 'asc' }, fields: ['person', 'screenedOn'] });
  return new Map(rows.map(({ person: of, screenedOn: on }) => [of, isoDate(on)]));
}

/** Names and addresses of some people, as far as they have neither left nor been erased. */
export async function peopleStill(desk: Desk<Actor>, ids: readonly string[]): Promise<ReadonlyMap<string, Pick<RosterLine, 'name' | 'email'>>> {
  if (ids.length === 0) return new Map();
  const rows = await readRows(desk, PersonRow, { ...HERE, id: [...ids] }, { fields: ['id', 'name', 'email'] });
  return new Map(rows.map(({ id, name, email }) => [id, { name, email: email ?? null }]));
}

/** Everybody who is not erased, also who has left: they may come back, and are the same person still. */
export function everybody(desk: Desk<Actor>) {
  return readRows(desk, PersonRow, { erasedAt: null }, { fields: ['id', 'name', 'email', 'cohort', 'leftOn', 'version'] });
}

/** Names by id, erased people by their pseudonym. */
export async function peopleNames(desk: Desk): Promise<ReadonlyMap<string, string>> {
  return new Map((await readRows(desk, PersonRow, {}, { fields: ['id', 'name'] })).map(({ id, name }) => [id, name]));
}

/** Names of some people, as far as they are here and not erased. */
export async function peopleHere(desk: Desk<Actor>, ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await readRows(desk, PersonRow, { id: [...ids], erasedAt: null }, { fields: ['id', 'name'] });
  return new Map(rows.map(({ id, name }) => [id, name]));
}

/** Some people by their ids, whether they are members, wait to be, or have left; with when they last answered a form. */
export async function peopleLines(desk: Desk<Actor>, ids: readonly string[]): Promise<readonly Pick<RosterLine, 'id' | 'name' | 'screenedOn'>[]> {
  if (ids.length === 0) return [];
  const [names, latest] = await Promise.all([peopleHere(desk, ids), screenedOn(desk, { person: [...ids] })]);
  return [...names].map(([id, name]) => ({ id, name, screenedOn: latest.get(id) ?? null }));
}

/** Which people are or were of a cohort; a log may name them. */
export async function peopleOf(desk: Desk<Actor>, cohort: string): Promise<ReadonlySet<string>> {
  return new Set((await readRows(desk, PersonRow, { cohort }, { fields: ['id'] })).map(({ id }) => id));
}
