import { takenTogether, type ClassLog, type TakenTogether } from '@/core/teach';
import type { Actor, Staff } from '../auth/actors';
import type { HeldReason } from '../db/kinds';
import { readRow, readRows } from '../db/read';
import { HeldLogRow, LogRow, LogSettledRow } from '../db/rows';
import { add, claim } from '../db/write';
import type { Desk, Writing } from '../desk';
import { knownId, Refusal } from '../errors';

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
  const goneBy = new Map(settled.map(({ session, log }) => [session, log]));
  return new Map(
    sessions.flatMap((session): [string, LoggedClass][] => {
      const each = logs
        .filter((log) => log.session === session)
        .map((log): ClassLog => ({
          ...log,
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

/** Every class somebody was in or missed, as its logs say, oldest first. */
export async function attendanceOf(desk: Desk<Actor>, person: string) {
  const logs = await readRows(desk, LogRow, {}, { orderBy: { at: 'asc' } });
  return logs.flatMap(({ at, attendance }) => attendance.filter((one) => one.person === person).map((one) => ({ at, ...one })));
}

export type NewLog = Omit<ClassLog, 'at' | 'taughtBy'> & { readonly session: string; readonly plan: string };

/** Whether a log is here already, taken or held. */
export async function logIsHere(desk: Desk<Actor>, id: string): Promise<'taken' | 'held' | null> {
  if (await readRow(desk, LogRow, { id })) return 'taken';
  return (await readRow(desk, HeldLogRow, { id })) ? 'held' : null;
}

export async function addLog(at: Writing, log: NewLog, taughtBy: string): Promise<void> {
  await add(at, LogRow, { ...log, taughtBy, at: at.now });
}

/** Keeps a log as it came, because it cannot be taken as it is. */
export async function holdLog(at: Writing<Staff>, id: string, reason: HeldReason, body: unknown): Promise<void> {
  await add(at, HeldLogRow, { id, sentBy: at.who.id, at: at.now, reason, body, settledBy: null, settledAt: null, settled: null });
}

/** Logs that wait for the director. */
export function heldLogs(desk: Desk<Actor>) {
  return readRows(desk, HeldLogRow, { settledAt: null }, { orderBy: { at: 'asc' } });
}

export async function heldLog(desk: Desk<Actor>, id: string) {
  const found = await readRow(desk, HeldLogRow, { id: knownId(id) });
  if (!found) throw new Refusal('not-found', 'This log is not here.');
  return found;
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
