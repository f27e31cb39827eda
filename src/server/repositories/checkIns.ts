import type { CheckIn } from '@/core/series';
import { isoDate } from '@/core/units';
import type { Actor, Staff } from '../auth/actors';
import { readRows } from '../db/read';
import { CheckInRow, PersonRow } from '../db/rows';
import { add, change, hold } from '../db/write';
import type { Desk, Writing } from '../desk';
import { knownId, Refusal } from '../errors';
import { holdPerson } from './people';
import { openedWords, sealedWords } from './sealed';

/** What somebody said of a day, with what is sealed of it. */
export interface KeptCheckIn extends CheckIn {
  readonly id: string;
  readonly member: string;
  readonly sealed: string | null;
}

/** What somebody says of a day, as it is kept. */
export interface Said extends Omit<CheckIn, 'signs' | 'undone'> {
  readonly member: string;
  readonly person: string;
  readonly signs: readonly string[];
}

/** What felt wrong on a day. */
export interface DaySigns {
  readonly all: readonly string[];
  /** Those that were not said of that day before. */
  readonly fresh: readonly string[];
}

/**
 * Keeps what somebody says of a day: once for a day however often it is sent, the last word counting. What felt wrong stays said, whatever
 * is tapped after it; and who says only what felt wrong leaves standing how the day was.
 * @param onlySigns nothing else is said of the day where something was said already
 */
export async function keepCheckIn(at: Writing, { person, signs, member, date, ...said }: Said, onlySigns = false): Promise<DaySigns> {
  const { wrappedKey } = await holdPerson(at, person);
  const found = await hold(at, CheckInRow, { member, date });
  const id = found?.id ?? at.newId();
  const before = found ? (openedWords(at, wrappedKey, placeOf(person, found.id), found.sealed) ?? []) : [];
  const fresh = signs.filter((sign) => !before.includes(sign));
  const all = [...before, ...fresh];
  const sealed = fresh.length > 0 ? sealedWords(at, wrappedKey, placeOf(person, id), all) : (found?.sealed ?? null);
  if (!found) await add(at, CheckInRow, { id, member, date, ...said, sealed, undoneBy: null, at: at.now });
  else {
    const harder = fresh.length > 0 || (said.felt === 'strained' && found.felt !== 'strained');
    // Whoever took a step back did not know of what is said only now.
    await change(at, CheckInRow, { id }, { ...(onlySigns ? {} : said), sealed, at: at.now, ...(harder ? { undoneBy: null } : {}) });
  }
  return { all, fresh };
}

const placeOf = (person: string, row: string) => ({ person, table: 'check_in', row }) as const;

/** What each of some people said, from the first day, by who takes part. */
export async function checkInsOf(desk: Desk<Actor>, members: readonly string[]): Promise<ReadonlyMap<string, readonly KeptCheckIn[]>> {
  const all = new Map<string, KeptCheckIn[]>(members.map((member) => [member, []]));
  if (members.length === 0) return all;
  const rows = await readRows(desk, CheckInRow, { member: [...members] }, { orderBy: { date: 'asc' } });
  for (const { id, member, date, day, did, felt, easier, techniques, sealed, undoneBy } of rows)
    all.get(member)?.push({
      id,
      member,
      day,
      date: isoDate(date),
      did,
      felt: felt ?? null,
      easier,
      techniques,
      sealed: sealed ?? null,
      signs: sealed !== null && sealed !== undefined,
      undone: undoneBy !== null && undoneBy !== undefined,
    });
  return all;
}

/** A day as somebody told of it, as they take it along. */
export const saidOf = ({ date, day, did, felt, easier, techniques, signs }: KeptCheckIn) => ({
  date,
  day,
  did,
  felt,
  easier,
  techniques,
  somethingFeltWrong: signs,
});

/** Which signs there were; for the director. Null where they cannot be opened any more. */
export async function openSigns(
  desk: Desk<Staff>,
  all: readonly (KeptCheckIn & { readonly person: string })[],
): Promise<ReadonlyMap<string, readonly string[]>> {
  const people = await readRows(desk, PersonRow, { id: all.map(({ person }) => person) }, { fields: ['id', 'wrappedKey'] });
  const keys = new Map(people.map(({ id, wrappedKey }) => [id, wrappedKey]));
  return new Map(
    all.flatMap((one) => {
      const signs = openedWords(desk, keys.get(one.person) ?? '', placeOf(one.person, one.id), one.sealed);
      return signs ? [[one.id, signs] as const] : [];
    }),
  );
}

/** Takes back the step that followed from what somebody said. */
export async function undoStepOf(at: Writing<Staff>, checkIn: string): Promise<void> {
  const found = await hold(at, CheckInRow, { id: knownId(checkIn) });
  if (!found) throw new Refusal('not-found');
  await change(at, CheckInRow, { id: found.id }, { undoneBy: at.who.id });
}
