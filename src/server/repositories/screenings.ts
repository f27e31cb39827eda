import type { Member } from '@/core/instructions';
import { NOT_SCREENED, type ScreenedPerson } from '@/core/screening';
import { addDays, isoDate, type IsoDate } from '@/core/units';
import { staffId, type Actor, type Staff } from '../auth/actors';
import { Unopenable, type Vault } from '../auth/vault';
import type { ScreeningSource } from '../db/kinds';
import { readRows } from '../db/read';
import { ClinicianRow, OverrideEndRow, OverrideRow, PersonRow, ReadingRow, ScreeningRow, type PersonRecord } from '../db/rows';
import { add } from '../db/write';
import { once, type Desk, type Writing } from '../desk';
import { Refusal } from '../errors';
import { holdPerson, HERE, person } from './people';
import { knownAnswers, openSealed, type SealedAnswers, type SealedOverride, type SealedScope } from './sealed';
import { staff } from './staff';

/** A member whose answers could not be opened is planned for as somebody of whom nothing is known. */
export interface OpenedMember extends Member {
  readonly unreadable: boolean;
}

/**
 * The people of a cohort with their latest screening, opened with their own keys. For the core only.
 * @param asOf only what was known at that moment, of those who had joined by then
 */
export function members(desk: Desk<Actor>, cohortId: string, asOf: Date | null = null): Promise<OpenedMember[]> {
  return once(desk, `members ${cohortId} ${asOf ? new Date(asOf).getTime() : 'now'}`, async () => {
    const rows = await once(desk, `people of ${cohortId}`, () =>
      readRows(desk, PersonRow, { cohort: cohortId, ...HERE }, { orderBy: { name: 'asc' } }),
    );
    const sealed = await once(desk, `sealed of ${cohortId}`, () => sealedOf(desk, rows));
    return opened(desk, asOf ? rows.filter(({ joinedAt }) => new Date(joinedAt) <= asOf) : rows, sealed, asOf);
  });
}

/** One person with what is known of them. For the core only. */
export async function member(desk: Desk<Actor>, id: string): Promise<OpenedMember> {
  const rows = [await person(desk, id)];
  return opened(desk, rows, await sealedOf(desk, rows), null)[0];
}

/** What is sealed of some people, of whatever time: what was known at a moment is chosen among it. */
async function sealedOf(desk: Desk<Actor>, people: readonly PersonRecord[]) {
  const whose = { person: people.map(({ id }) => id) };
  const [screenings, clinicians, overrides] = await Promise.all([
    readRows(desk, ScreeningRow, whose, { orderBy: { screenedOn: 'asc', enteredAt: 'asc' } }),
    readRows(desk, ClinicianRow, whose),
    overrideRows(desk, whose.person),
  ]);
  return { screenings, clinicians, overrides };
}

function opened(desk: Desk<Actor>, people: readonly PersonRecord[], all: Awaited<ReturnType<typeof sealedOf>>, asOf: Date | null): OpenedMember[] {
  const known = ({ enteredAt }: { readonly enteredAt: Date }) => asOf === null || new Date(enteredAt) <= asOf;
  const clinicians = all.clinicians.filter(known);
  const overrides = overridesAt(all.overrides, asOf);
  const latest = new Map(all.screenings.filter(known).map((screening) => [screening.person, screening]));
  return people.map((row): OpenedMember => {
    const { id, name, wrappedKey, sealedBirth, comfortIn, comfortOut } = row;
    const about = { id, name, comfort: { inhale: comfortIn ?? null, exhale: comfortOut ?? null } };
    const { vault } = desk;
    try {
      const screening = latest.get(id);
      const place = { person: id, table: 'screening', row: screening?.id ?? '' } as const;
      const sealed = screening ? openSealed(vault, wrappedKey, screening.sealed, place, 'answers') : NOTHING_ANSWERED;
      const birthDate = sealed.birthDate ?? (sealedBirth ? vault.open(wrappedKey, sealedBirth, { person: id, table: 'person', row: id }) : null);
      const screened: ScreenedPerson = {
        screenedOn: screening ? isoDate(screening.screenedOn) : null,
        birthDate: birthDate ? isoDate(birthDate) : null,
        guardianConsent: sealed.guardianConsent,
        answers: knownAnswers(sealed),
        clearances: clinicians
          .filter((one) => one.person === id)
          .map((one) => ({ ...openSealed(vault, wrappedKey, one.sealed, { person: id, table: 'clinician_answer', row: one.id }, 'scope'), one }))
          .map(({ rules, one }) => ({ rules, on: isoDate(one.answeredOn), until: isoDate(one.until) })),
        overrides: overrides
          .filter((one) => one.person === id)
          .map((one) => ({ ...openOverride(desk, wrappedKey, one), id: one.id, by: one.by, from: one.from, until: one.until })),
      };
      return { ...about, screened, unreadable: false };
    } catch {
      // One row that cannot be opened breaks nothing for anybody else; whoever it is of is planned for with the most care.
      return { ...about, screened: { ...NOT_SCREENED, answers: knownAnswers({ answers: [], no: [] }) }, unreadable: true };
    }
  });
}

const NOTHING_ANSWERED: SealedAnswers = { birthDate: null, guardianConsent: false, answers: [] };

/** Overrides of some people, ended ones cut to the day they ended; their rules and reasons stay sealed. */
export async function overridesOf(desk: Desk<Actor>, people: readonly string[]) {
  return overridesAt(await overrideRows(desk, people), null);
}

async function overrideRows(desk: Desk<Actor>, people: readonly string[]) {
  const [made, ends, everyone] = await Promise.all([
    readRows(desk, OverrideRow, { person: [...people] }, { orderBy: { madeAt: 'asc' } }),
    once(desk, 'ended overrides', () => readRows(desk, OverrideEndRow, {})),
    staff(desk),
  ]);
  return { made, ends, nameOf: new Map(everyone.map(({ id, name }) => [id, name])) };
}

/** Overrides as they stood at a moment; as they stand where none is named. */
function overridesAt({ made, ends, nameOf }: Awaited<ReturnType<typeof overrideRows>>, asOf: Date | null) {
  const by = (moment: Date) => asOf === null || new Date(moment) <= asOf;
  const endOf = new Map(ends.filter(({ endedAt }) => by(endedAt)).map(({ override, endedOn }) => [override, isoDate(endedOn)]));
  return made
    .filter(({ madeAt }) => by(madeAt))
    .map(({ id, person: of, sealed, from, until, madeBy, madeAt }) => {
      const ended = endOf.get(id);
      const last = ended && ended <= isoDate(until) ? addDays(ended, -1) : isoDate(until);
      return {
        id,
        person: of,
        sealed,
        from: isoDate(from),
        until: last,
        by: nameOf.get(madeBy) ?? 'somebody who left',
        madeAt,
        ended: ended ?? null,
      };
    });
}

export function openOverride(
  desk: Desk<Actor>,
  wrappedKey: string,
  { id, person: of, sealed }: { id: string; person: string; sealed: string },
): SealedOverride {
  return openSealed(desk.vault, wrappedKey, sealed, { person: of, table: 'override_made', row: id }, 'override');
}

/** A screening as it is kept. */
export interface Kept {
  readonly person: string;
  readonly screenedOn: IsoDate;
  readonly source: ScreeningSource;
  /** Which wording of the consent was agreed to, when the person answered by themselves. */
  readonly consent: string | null;
}

/** Keeps a screening, sealed with the person's own key. Earlier ones stay in the record. */
export async function addScreening(at: Writing, kept: Kept, answers: SealedAnswers): Promise<void> {
  const id = at.newId();
  const { wrappedKey } = await holdPerson(at, kept.person);
  const sealed = at.vault.seal(wrappedKey, JSON.stringify(answers), { person: kept.person, table: 'screening', row: id });
  await add(at, ScreeningRow, { id, ...kept, sealed, enteredBy: staffId(at.who), enteredAt: at.now });
}

/** A person's screenings, newest first, without opening them. */
export function screeningsOf(desk: Desk<Actor>, id: string) {
  return readRows(
    desk,
    ScreeningRow,
    { person: id },
    { orderBy: { screenedOn: 'desc', enteredAt: 'desc' }, fields: ['id', 'screenedOn', 'source', 'consent', 'enteredBy', 'sealed'] },
  );
}

/** Opens one of a person's screenings. */
export function openScreening(
  desk: Desk<Actor>,
  { id: of, wrappedKey }: PersonRecord,
  { id, sealed }: { id: string; sealed: string },
): SealedAnswers {
  return openSealed(desk.vault, wrappedKey, sealed, { person: of, table: 'screening', row: id }, 'answers');
}

export async function addClinicianAnswer(
  at: Writing<Staff>,
  of: string,
  scope: SealedScope,
  span: { readonly answeredOn: string; readonly until: string },
): Promise<void> {
  const id = at.newId();
  const { wrappedKey } = await holdPerson(at, of);
  const sealed = at.vault.seal(wrappedKey, JSON.stringify(scope), { person: of, table: 'clinician_answer', row: id });
  await add(at, ClinicianRow, { id, person: of, sealed, ...span, enteredBy: at.who.id, enteredAt: at.now });
}

export async function addOverride(at: Writing<Staff>, of: string, override: SealedOverride, until: string): Promise<void> {
  const id = at.newId();
  const { wrappedKey } = await holdPerson(at, of);
  const sealed = at.vault.seal(wrappedKey, JSON.stringify(override), { person: of, table: 'override_made', row: id });
  await add(at, OverrideRow, { id, person: of, sealed, from: at.today, until, madeBy: at.who.id, madeAt: at.now });
}

/** Ends an override of a person today. */
export async function endOverride(at: Writing<Staff>, of: string, override: string): Promise<void> {
  await holdPerson(at, of);
  const found = (await overridesOf(at, [of])).find((one) => one.id === override);
  if (!found) throw new Refusal('not-found');
  if (found.ended) throw new Refusal('late', 'This override has ended already.');
  await add(at, OverrideEndRow, { id: at.newId(), override, endedOn: at.today, endedBy: at.who.id, endedAt: at.now });
}

/** Records that somebody looked at a person's answers; the reason is sealed, since it may name them. */
export async function recordReading(at: Writing<Staff>, of: string, why: string): Promise<void> {
  const id = at.newId();
  const { wrappedKey } = await holdPerson(at, of);
  const place = { person: of, table: 'screening_reading', row: id } as const;
  await add(at, ReadingRow, { id, person: of, reader: at.who.id, at: at.now, why: sealedIfItCan(at, wrappedKey, why, place) });
}

/** Empty where the person's key cannot be opened: that somebody looked is recorded all the same. */
function sealedIfItCan({ vault }: Writing<Staff>, wrappedKey: string, why: string, place: Parameters<Vault['seal']>[2]): string {
  try {
    return vault.seal(wrappedKey, why, place);
  } catch (error) {
    if (error instanceof Unopenable) return '';
    throw error;
  }
}

/** How many lines of the record are read at a time. */
const RECORD_PAGE = 200;

/** The newest readings, with their reasons; those of erased people can no longer be read. */
export async function readings(desk: Desk) {
  const [rows, people] = await Promise.all([
    readRows(desk, ReadingRow, {}, { orderBy: { at: 'desc' }, limit: RECORD_PAGE }),
    readRows(desk, PersonRow, {}, { fields: ['id', 'wrappedKey'] }),
  ]);
  const keys = new Map(people.map(({ id, wrappedKey }) => [id, wrappedKey]));
  return rows.map(({ id, person: of, reader, at, why }) => ({
    person: of,
    reader,
    at,
    why: reason(desk, keys.get(of) ?? '', { id, person: of, why }),
  }));
}

function reason({ vault }: Desk, wrappedKey: string, { id, person: of, why }: { id: string; person: string; why: string }): string {
  try {
    return vault.open(wrappedKey, why, { person: of, table: 'screening_reading', row: id });
  } catch {
    return wrappedKey === '' ? 'read the answers' : 'read the answers; the reason cannot be opened';
  }
}

/** Clinicians' answers and overrides as the record has them, without what is sealed. */
export async function asidesRecorded(desk: Desk) {
  const [clinicians, made, ended] = await Promise.all([
    readRows(desk, ClinicianRow, {}),
    readRows(desk, OverrideRow, {}),
    readRows(desk, OverrideEndRow, {}),
  ]);
  return { clinicians, made, ended };
}
