import { takenTogether, type Attendance, type ClassLog, type TakenTogether } from '@/core/teach';
import type { Actor, Staff } from '../auth/actors';
import type { HeldReason } from '../db/kinds';
import { readRow, readRows } from '../db/read';
import { HeldLogRow, LogRow, LogSettledRow, PersonRow, type KeptAttendance } from '../db/rows';
import { add, claim } from '../db/write';
import type { Desk, Writing } from '../desk';
import { knownId, Refusal } from '../errors';
import { openedWords, sealedWords } from './sealed';

/** The logs of one class: taken together, and each as it came. */
export interface LoggedClass extends TakenTogether {
  readonly each: readonly ClassLog[];
}

/** The logs of some sessions, by session. */
export async function logsOf(desk: Desk<Actor>, sessions: readonly string[]): Promise<ReadonlyMap<string, LoggedClass>> {
  const [logs, settled] = await Promise.all([
    readRows(desk, LogRow, { session: [...sessions] }, { orderBy: { at: 'asc' } }),
    readRows(desk, LogSettledRow, { session: [...sessions] }, { orderBy: { settledAt: 'asc' } }),
  ]);
  const signs = await opener(
    desk,
    logs.flatMap(({ attendance }) => attendance),
  );
  const goneBy = new Map(settled.map(({ session, log }) => [session, log]));
  return new Map(
    sessions.flatMap((session): [string, LoggedClass][] => {
      const each = logs
        .filter((log) => log.session === session)
        .map((log): ClassLog => ({
          ...log,
          attendance: log.attendance.map((one) => signs(log.id, one)),
          at: new Date(log.at),
          firstBreath: log.firstBreath ?? null,
          mood: log.mood ?? null,
          corrects: log.corrects ?? null,
        }));
      const together = takenTogether(each, goneBy.get(session) ?? null);
      return together ? [[session, { ...together, each }]] : [];
    }),
  );
}

/** Those of some sessions of which nobody has sent a log. */
export async function unlogged(desk: Desk<Actor>, sessions: readonly string[]): Promise<ReadonlySet<string>> {
  if (sessions.length === 0) return new Set();
  const logged = new Set((await readRows(desk, LogRow, { session: [...sessions] }, { fields: ['session'] })).map(({ session }) => session));
  return new Set(sessions.filter((id) => !logged.has(id)));
}

/** Every class somebody was in or missed, as its logs say, oldest first. */
export async function attendanceOf(desk: Desk<Actor>, person: string) {
  const logs = await readRows(desk, LogRow, {}, { orderBy: { at: 'asc' } });
  const own = logs.flatMap(({ id, at, attendance }) => attendance.filter((one) => one.person === person).map((one) => ({ id, at, one })));
  const signs = await opener(
    desk,
    own.map(({ one }) => one),
  );
  return own.map(({ id, at, one }) => ({ at, ...signs(id, one) }));
}

/** What stands where which sign it was cannot be read any more. */
const UNREADABLE = 'a stop sign that can no longer be read';

/** Opens which stop signs there were of each; the keys of all are read at once. */
async function opener(desk: Desk<Actor>, all: readonly KeptAttendance[]): Promise<(log: string, one: KeptAttendance) => Attendance> {
  const marked = [...new Set(all.filter(({ sealed }) => sealed).map(({ person }) => person))];
  const people = marked.length === 0 ? [] : await readRows(desk, PersonRow, { id: marked }, { fields: ['id', 'wrappedKey'] });
  const keys = new Map(people.map(({ id, wrappedKey }) => [id, wrappedKey]));
  return (log, { sealed, ...one }) => ({
    ...one,
    stopSigns: sealed
      ? [...(openedWords(desk, keys.get(one.person) ?? '', { person: one.person, table: 'class_log', row: log }, sealed) ?? [UNREADABLE])]
      : [],
  });
}

/** Who came, as it is kept in a log: the signs of whoever has no key any more are gone with it. */
export async function sealedAttendance(at: Writing, log: string, attendance: readonly Attendance[]): Promise<KeptAttendance[]> {
  const marked = attendance.filter(({ stopSigns }) => stopSigns.length > 0).map(({ person }) => person);
  const people = marked.length === 0 ? [] : await readRows(at, PersonRow, { id: marked, erasedAt: null }, { fields: ['id', 'wrappedKey'] });
  const keys = new Map(people.map(({ id, wrappedKey }) => [id, wrappedKey]));
  return attendance.map(({ stopSigns, ...one }) => {
    const key = keys.get(one.person);
    return key ? { ...one, sealed: sealedWords(at, key, { person: one.person, table: 'class_log', row: log }, stopSigns) } : one;
  });
}

export type NewLog = Omit<ClassLog, 'at' | 'taughtBy'> & { readonly session: string; readonly plan: string };

/** Whether a log is here already, taken or held. */
export async function logIsHere(desk: Desk<Actor>, id: string): Promise<'taken' | 'held' | null> {
  if (await readRow(desk, LogRow, { id })) return 'taken';
  return (await readRow(desk, HeldLogRow, { id })) ? 'held' : null;
}

export async function addLog(at: Writing, log: NewLog, taughtBy: string): Promise<void> {
  await add(at, LogRow, { ...log, attendance: await sealedAttendance(at, log.id, log.attendance), taughtBy, at: at.now });
}

/** Keeps a log as it came, because it cannot be taken as it is. @param said what of it could be read: its signs are sealed as in any log */
export async function holdLog(
  at: Writing<Staff>,
  id: string,
  reason: HeldReason,
  said: { readonly attendance: readonly Attendance[] } | null,
  came: unknown,
): Promise<void> {
  const body = said ? { ...said, attendance: await sealedAttendance(at, id, said.attendance) } : came;
  await add(at, HeldLogRow, { id, sentBy: at.who.id, at: at.now, reason, body, settledBy: null, settledAt: null, settled: null });
}

/** Logs that wait for the director. */
export async function heldLogs(desk: Desk<Actor>) {
  const rows = await readRows(desk, HeldLogRow, { settledAt: null }, { orderBy: { at: 'asc' } });
  return Promise.all(rows.map(async (row) => ({ ...row, body: await openedBody(desk, row.id, row.body) })));
}

/** A held log as it came, its signs opened. */
async function openedBody(desk: Desk<Actor>, id: string, body: unknown): Promise<unknown> {
  const attendance = typeof body === 'object' && body !== null && 'attendance' in body ? body.attendance : null;
  if (!Array.isArray(attendance) || !attendance.some((one: unknown) => typeof one === 'object' && one !== null && 'sealed' in one)) return body;
  const kept = attendance as readonly KeptAttendance[];
  const signs = await opener(desk, kept);
  return { ...(body as object), attendance: kept.map((one) => signs(id, one)) };
}

export async function heldLog(desk: Desk<Actor>, id: string) {
  const found = await readRow(desk, HeldLogRow, { id: knownId(id) });
  if (!found) throw new Refusal('not-found', 'This log is not here.');
  return { ...found, body: await openedBody(desk, found.id, found.body) };
}

/** The director has looked at a log that was held. */
export async function settleHeld(at: Writing<Staff>, id: string, seen: number, settled: 'taken' | 'set aside'): Promise<void> {
  await claim(at, HeldLogRow, id, seen, { settled, settledBy: at.who.id, settledAt: at.now });
}

/** The director goes by one of several logs of a class. */
export async function settleLogs(at: Writing<Staff>, session: string, log: string): Promise<void> {
  await add(at, LogSettledRow, { id: at.newId(), session, log, settledBy: at.who.id, settledAt: at.now });
}

/** How many of some classes each teacher taught, as the logs say. */
export async function taughtBy(desk: Desk<Actor>, sessions: readonly string[]): Promise<ReadonlyMap<string, number>> {
  const rows = await readRows(desk, LogRow, { session: [...sessions] }, { fields: ['session', 'taughtBy'] });
  const each = new Map<string, Set<string>>();
  for (const { session, taughtBy: teacher } of rows) each.set(teacher, (each.get(teacher) ?? new Set()).add(session));
  return new Map([...each].map(([teacher, taught]) => [teacher, taught.size]));
}
