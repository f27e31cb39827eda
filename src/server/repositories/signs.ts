import type { IsoDate } from '@/core/units';
import { callsForHelp } from '@/core/screening';
import { isoDate } from '@/core/units';
import type { Actor, Staff } from '../auth/actors';
import { readRow, readRows } from '../db/read';
import { PersonRow, StopSignRow } from '../db/rows';
import { add, change, claim, hold } from '../db/write';
import { once, type Desk, type Writing } from '../desk';
import { knownId, Refusal } from '../errors';
import { holdPerson } from './people';
import { openedWords, sealedWords } from './sealed';

/** Stop signs, each from when it was marked until somebody answered for it, whatever becomes of the log or the series it stands in. */

/** A stop sign as it is marked. */
export interface NewSign {
  /** Made on the device that marked it: what is sent twice is there once. */
  readonly id: string;
  /** Null where nobody can name whose it was. */
  readonly person: string | null;
  readonly session: string | null;
  readonly member: string | null;
  readonly date: IsoDate;
  /** Empty where nobody said which. */
  readonly signs: readonly string[];
  /** Where in a class it was. */
  readonly place: string;
}

/** A stop sign that nobody has answered for. */
export interface StandingSign extends NewSign {
  readonly help: boolean;
  readonly name: string | null;
  readonly saidBy: string | null;
  readonly at: Date;
  readonly version: number;
}

const TABLE = 'stop_sign';

/** Keeps a sign; a person of whom it is said is held meanwhile. */
export async function addSign(at: Writing, { signs, ...sign }: NewSign): Promise<void> {
  const named = sign.person === null ? null : await holdPerson(at, sign.person);
  const words = named
    ? { sealed: sealedWords(at, named.wrappedKey, { person: named.id, table: TABLE, row: sign.id }, signs), plain: null }
    : { sealed: null, plain: signs };
  const said = { saidBy: at.who.as === 'staff' ? at.who.id : null, at: at.now };
  await add(at, StopSignRow, { ...sign, ...words, ...said, help: callsForHelp(signs), answeredBy: null, answeredAt: null, answer: null });
}

/** A sign as it is kept, held until the transaction ends; null where it is not here. */
export const holdSign = (at: Writing, id: string) => hold(at, StopSignRow, { id: knownId(id) });

/** Says whose a sign was, and which, where nobody had yet. */
export async function nameSign(at: Writing, id: string, person: string | null, signs: readonly string[]): Promise<void> {
  const named = person === null ? null : await holdPerson(at, person);
  const sealed = named && sealedWords(at, named.wrappedKey, { person: named.id, table: TABLE, row: id }, signs);
  await change(at, StopSignRow, { id }, { person: person ?? undefined, sealed, plain: named ? null : signs, help: callsForHelp(signs) });
}

/** What was marked of somebody in a class, or on a day of their series, answered or not. */
export async function signsOf(
  desk: Desk<Actor>,
  where: { readonly person: string | null } & ({ readonly session: string } | { readonly member: string; readonly date: IsoDate }),
): Promise<readonly { readonly signs: readonly string[]; readonly answered: boolean }[]> {
  const [rows, [row]] = await Promise.all([
    readRows(desk, StopSignRow, where),
    where.person === null ? [] : readRows(desk, PersonRow, { id: where.person }, { fields: ['id', 'wrappedKey'] }),
  ]);
  return rows.map((one) => ({ signs: wordsOf(desk, one, row?.wrappedKey ?? ''), answered: one.answeredAt !== null }));
}

/** Every sign that stands, those that call for help first, oldest first. */
export async function standingSigns(desk: Desk<Actor>): Promise<readonly StandingSign[]> {
  const rows = await readRows(desk, StopSignRow, { answeredAt: null }, { orderBy: { help: 'desc', at: 'asc' } });
  const people = rows.flatMap(({ person }) => person ?? []);
  const known = people.length === 0 ? [] : await readRows(desk, PersonRow, { id: people }, { fields: ['id', 'name', 'wrappedKey'] });
  const byId = new Map(known.map((one) => [one.id, one]));
  return rows.map((row) => {
    const { id, person = null, session = null, member = null, date, help, place, saidBy = null, at, version } = row;
    const of = person === null ? undefined : byId.get(person);
    const signs = wordsOf(desk, row, of?.wrappedKey ?? '');
    return { id, person, session, member, date: isoDate(date), signs, help, place, name: of?.name ?? null, saidBy, at: new Date(at), version };
  });
}

function wordsOf(
  desk: Desk<Actor>,
  { id, person, sealed, plain }: { id: string; person?: string | null; sealed?: string | null; plain?: readonly string[] | null },
  wrappedKey: string,
): readonly string[] {
  if (!person) return plain ?? [];
  return (sealed && openedWords(desk, wrappedKey, { person, table: TABLE, row: id }, sealed)) || [];
}

/** How many signs that call for help nobody has answered for. */
export async function helpStands(desk: Desk<Actor>): Promise<readonly { readonly id: string }[]> {
  return readRows(desk, StopSignRow, { answeredAt: null, help: true }, { fields: ['id'] });
}

/** Everybody who called for help and of whom nobody has said how they go on, with those signs. */
export function heldPeople(desk: Desk<Actor>): Promise<ReadonlyMap<string, readonly string[]>> {
  return once(desk, 'held people', async () => {
    const rows = await readRows(desk, StopSignRow, { answeredAt: null, help: true, person: { $ne: null } }, { fields: ['id', 'person'] });
    const held = new Map<string, string[]>();
    for (const { id, person } of rows) held.set(person!, [...(held.get(person!) ?? []), id]);
    return held;
  });
}

/** Somebody answers for a sign, as they saw it: what was marked since is not answered for. */
export async function answerSign(at: Writing<Staff>, id: string, seen: number | null, answer: string): Promise<void> {
  const found = await readRow(at, StopSignRow, { id: knownId(id) });
  if (!found) throw new Refusal('not-found', 'This sign is not here, or not part of your studio.');
  const named = found.person ? await holdPerson(at, found.person) : null;
  const row = (await holdSign(at, id))!;
  if (row.answeredAt) throw new Refusal('late', 'Somebody has answered for this already.');
  const text = named ? at.vault.seal(named.wrappedKey, answer, { person: named.id, table: TABLE, row: `${id} answer` }) : answer;
  await claim(at, StopSignRow, id, seen ?? row.version, { answeredBy: at.who.id, answeredAt: at.now, answer: text });
}

/** Whatever stands of somebody who is erased is answered for with it: there is nobody left to ask. */
export async function endSignsOf(at: Writing<Staff>, person: string): Promise<void> {
  await change(at, StopSignRow, { person, answeredAt: null }, { answeredBy: at.who.id, answeredAt: at.now });
}
