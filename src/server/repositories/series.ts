import type { InferEntity } from '@mikro-orm/core';
import { isoDate, type IsoDate } from '@/core/units';
import type { Actor, ByLink, Clock, Staff } from '../auth/actors';
import type { EntityManager } from '../db/orm';
import { readRow, readRows } from '../db/read';
import { PersonRow, SeriesLetterRow, SeriesMemberRow, SeriesRow, StudioRow, type SeriesFacts, type SeriesStep } from '../db/rows';
import { add, change, claim, hold } from '../db/write';
import { once, type Desk, type Writing } from '../desk';
import { knownId, Refusal } from '../errors';
import { heldPeople } from './signs';
import { hashOf, isToken } from './tokens';

/** A series as it is kept. */
export interface KeptSeries extends SeriesFacts {
  readonly id: string;
  readonly cohort: string;
  /** The course whose classes are its live days. */
  readonly liveCourse: string | null;
  /** Whether people may sign up by its link. */
  readonly open: boolean;
  /** The last change, which can be taken back; null where there was none. */
  readonly lastStep: SeriesStep | null;
  readonly version: number;
}

export type { SeriesFacts, SeriesStep } from '../db/rows';

/** Somebody who takes part. */
export interface SeriesMember {
  readonly id: string;
  readonly series: string;
  readonly person: string;
  readonly joinedOn: IsoDate;
  readonly link: number;
  /** The director's yes. */
  readonly admitted: boolean;
  readonly mails: boolean;
  readonly sentOn: IsoDate | null;
  /** The first day they were written, when they were let in; null for whoever came with the cohort. */
  readonly toldFrom: IsoDate | null;
  readonly leftOn: IsoDate | null;
  /** Signs that call for help and that nobody answered for: nothing but the natural breath until the director says otherwise. */
  readonly held: readonly string[];
  readonly version: number;
}

const NOT_HERE = 'This series is not here, or not part of your studio.';

const toSeries = (row: InferEntity<typeof SeriesRow>): KeptSeries => ({
  ...row,
  firstDate: isoDate(row.firstDate),
  liveCourse: row.liveCourse ?? null,
  open: row.joinHash !== null && row.joinHash !== undefined,
  stoppedOn: row.stoppedOn ? isoDate(row.stoppedOn) : null,
  lastStep: row.lastStep ?? null,
});

export function allSeries(desk: Desk<Actor>): Promise<KeptSeries[]> {
  return once(desk, 'series', async () => (await readRows(desk, SeriesRow, { removedAt: null }, { orderBy: { firstDate: 'desc' } })).map(toSeries));
}

/** Which series there are, by their names. */
export async function seriesNames(desk: Desk<Actor>): Promise<ReadonlyMap<string, string>> {
  const rows = await readRows(desk, SeriesRow, { removedAt: null }, { orderBy: { id: 'asc' }, fields: ['id', 'name'] });
  return new Map(rows.map(({ id, name }) => [id, name]));
}

export async function series(desk: Desk<Actor>, id: string): Promise<KeptSeries> {
  const row = await readRow(desk, SeriesRow, { id: knownId(id, NOT_HERE), removedAt: null });
  if (!row) throw new Refusal('not-found', NOT_HERE);
  return toSeries(row);
}

/** The series whose live days the classes of a course are; null for any other course. */
export async function seriesOfLive(desk: Desk<Actor>, liveCourse: string): Promise<KeptSeries | null> {
  const row = await readRow(desk, SeriesRow, { liveCourse, removedAt: null });
  return row && toSeries(row);
}

export async function addSeries(at: Writing, made: Omit<KeptSeries, 'version' | 'stoppedOn' | 'open' | 'lastStep'>): Promise<void> {
  await add(at, SeriesRow, { ...made, joinHash: null, stoppedOn: null, lastStep: null, removedAt: null });
}

/** The address by which people sign up for a series. */
export const joinToken = ({ vault }: Pick<Desk<Actor>, 'vault'>, id: string): string => vault.token(`join ${id}`);

/** Opens a series for whoever has its address, or closes it. @returns the address's token, and the version the series has now */
export async function openForJoining(
  at: Writing,
  id: string,
  seen: number,
  open: boolean,
): Promise<{ readonly token: string; readonly version: number }> {
  const token = joinToken(at, id);
  return { token, version: await claim(at, SeriesRow, id, seen, { joinHash: open ? hashOf(token) : null }) };
}

/** The series an address is for, with its studio; null when it is unknown, closed or over. */
export async function findJoining(em: EntityManager, token: string) {
  if (!isToken(token)) return null;
  const row = await em.findOne(SeriesRow, { joinHash: hashOf(token), removedAt: null, stoppedOn: null }, { filters: false });
  if (!row) return null;
  const studio = await em.findOneOrFail(StudioRow, { id: row.studio });
  const who: Clock = { as: 'clock', studio: studio.id, studioName: studio.name, zone: studio.zone };
  return { who, series: row.id };
}

/** Changes a series at the version it was seen at. @returns the version it has now */
export function changeSeries(
  at: Writing,
  id: string,
  seen: number,
  to: Partial<Omit<KeptSeries, 'id' | 'version' | 'open'>> & { readonly removedAt?: Date },
): Promise<number> {
  return claim(at, SeriesRow, id, seen, to);
}

type Held = ReadonlyMap<string, readonly string[]>;

const toMember = (row: InferEntity<typeof SeriesMemberRow>, held: Held): SeriesMember => ({
  ...row,
  joinedOn: isoDate(row.joinedOn),
  sentOn: row.sentOn ? isoDate(row.sentOn) : null,
  toldFrom: row.toldFrom ? isoDate(row.toldFrom) : null,
  leftOn: row.leftOn ? isoDate(row.leftOn) : null,
  held: held.get(row.person) ?? [],
});

/** Everybody who takes or took part in some series. */
export async function membersOf(desk: Desk<Actor>, of: readonly string[]): Promise<SeriesMember[]> {
  if (of.length === 0) return [];
  const [rows, held] = await Promise.all([readRows(desk, SeriesMemberRow, { series: [...of] }, { orderBy: { id: 'asc' } }), heldPeople(desk)]);
  return rows.map((row) => toMember(row, held));
}

/** Some of those who take or took part, by their ids. */
export async function membersById(desk: Desk<Actor>, ids: readonly string[]): Promise<readonly Pick<SeriesMember, 'id' | 'series'>[]> {
  return ids.length === 0 ? [] : readRows(desk, SeriesMemberRow, { id: [...ids] }, { fields: ['id', 'series'] });
}

/** Everywhere somebody takes or took part, oldest first. */
export async function partsOfPerson(desk: Desk<Actor>, person: string): Promise<SeriesMember[]> {
  const [rows, held] = await Promise.all([
    readRows(desk, SeriesMemberRow, { person: knownId(person) }, { orderBy: { joinedOn: 'asc' } }),
    heldPeople(desk),
  ]);
  return rows.map((row) => toMember(row, held));
}

export async function seriesMember(desk: Desk<Actor>, id: string): Promise<SeriesMember> {
  const row = await readRow(desk, SeriesMemberRow, { id: knownId(id) });
  if (!row) throw new Refusal('not-found', NOT_PART);
  return toMember(row, await heldPeople(desk));
}

/** The same, held until the transaction ends: what is decided by how it is there is decided once. */
export async function heldMember(at: Writing, id: string): Promise<SeriesMember> {
  const row = await hold(at, SeriesMemberRow, { id: knownId(id) });
  if (!row) throw new Refusal('not-found', NOT_PART);
  return toMember(row, await heldPeople(at));
}

const NOT_PART = 'This person does not take part, or not in your studio.';

/** A person's own address in a series: the same every morning, until a new one is asked for. */
export const ownToken = ({ vault }: Pick<Desk<Actor>, 'vault'>, { id, link }: Pick<SeriesMember, 'id' | 'link'>): string =>
  vault.token(`day ${id} ${link}`);

/** Lets people take part from a day on; whoever does already goes on as they are. */
export async function addMembers(at: Writing, of: string, people: readonly string[], joinedOn: IsoDate, admitted = true): Promise<number> {
  const there = new Set((await membersOf(at, [of])).map(({ person }) => person));
  const fresh = [...new Set(people)].filter((person) => !there.has(person));
  if (fresh.length === 0) return 0;
  const rows = fresh.map((person) => {
    const id = at.newId();
    return {
      id,
      series: of,
      person,
      joinedOn,
      link: 1,
      tokenHash: hashOf(ownToken(at, { id, link: 1 })),
      admitted,
      mails: true,
      sentOn: null,
      toldFrom: null,
      leftOn: null,
    };
  });
  await add(at, SeriesMemberRow, ...rows);
  return fresh.length;
}

/** Whoever takes part from the first day on does so still when that is another one. */
export async function moveBegin(at: Writing, of: string, from: IsoDate, to: IsoDate): Promise<void> {
  for (const { id, joinedOn } of await membersOf(at, [of])) if (joinedOn === from) await changeMember(at, id, { joinedOn: to });
}

/** What of somebody's part is changed. */
export interface MemberChange {
  readonly admitted?: boolean;
  readonly joinedOn?: IsoDate;
  readonly mails?: boolean;
  readonly toldFrom?: IsoDate;
  readonly leftOn?: IsoDate | null;
}

/** Changes somebody's part; what is changed stands by itself, whatever else changes meanwhile. */
export async function changeMember(at: Writing, id: string, to: MemberChange): Promise<void> {
  const row = await hold(at, SeriesMemberRow, { id: knownId(id) });
  if (!row) throw new Refusal('not-found');
  await claim(at, SeriesMemberRow, id, row.version, to);
}

/** Ends somebody's address and makes another. @returns its token */
export async function newAddress(at: Writing, id: string): Promise<string> {
  const row = await hold(at, SeriesMemberRow, { id: knownId(id) });
  if (!row) throw new Refusal('not-found');
  const token = ownToken(at, { id, link: row.link + 1 });
  await claim(at, SeriesMemberRow, id, row.version, { link: row.link + 1, tokenHash: hashOf(token) });
  return token;
}

/** Marks that somebody's morning was written; false where it was already. @returns whether it is to be sent now, and to which address */
export async function markSent(at: Writing, member: SeriesMember, date: IsoDate): Promise<string | null> {
  // Worked out anew: where the master key was changed, the address is another one.
  const token = ownToken(at, member);
  const sent = await change(
    at,
    SeriesMemberRow,
    { id: member.id, $or: [{ sentOn: null }, { sentOn: { $lt: date } }] },
    { sentOn: date, tokenHash: hashOf(token) },
  );
  return sent > 0 ? token : null;
}

/** When each was written to last. */
export async function lettersTo(desk: Desk<Actor>, members: readonly string[]): Promise<ReadonlyMap<string, Date>> {
  if (members.length === 0) return new Map();
  const rows = await readRows(desk, SeriesLetterRow, { member: [...members] }, { orderBy: { at: 'asc' } });
  return new Map(rows.map(({ member, at }) => [member, new Date(at)]));
}

export async function addLetter(at: Writing<Staff>, member: string): Promise<void> {
  await add(at, SeriesLetterRow, { id: at.newId(), member, sentBy: at.who.id, at: at.now });
}

/** Whose day an address is, in whatever studio; null when it is unknown, ended, or its person is gone. */
export async function findDay(em: EntityManager, token: string): Promise<{ readonly who: ByLink; readonly name: string } | null> {
  if (!isToken(token)) return null;
  const anywhere = { filters: false } as const;
  const member = await em.findOne(SeriesMemberRow, { tokenHash: hashOf(token), leftOn: null, admitted: true }, anywhere);
  const person = member && (await em.findOne(PersonRow, { id: member.person, erasedAt: null, leftOn: null }, anywhere));
  if (!person) return null;
  const studio = await em.findOneOrFail(StudioRow, { id: member.studio });
  const who: ByLink = {
    as: 'link',
    purpose: 'day',
    link: member.id,
    person: person.id,
    studio: studio.id,
    studioName: studio.name,
    zone: studio.zone,
  };
  return { who, name: person.name };
}

/** Studios with a series that is not stopped, and their clocks. */
export async function studiosWithSeries(em: EntityManager): Promise<string[]> {
  const rows = await em.find(SeriesRow, { removedAt: null, stoppedOn: null }, { filters: false, fields: ['studio'] });
  return [...new Set(rows.map(({ studio }) => studio))];
}
