'use client';

import { del, get, keys, set } from 'idb-keyval';

/** What a teacher's device keeps: how far a class has run, door answers for today, and logs that wait for the network. */

const RUN = 'run:';
const LOG = 'log:';

export interface WaitingLog {
  readonly id: string;
  readonly session: string;
  readonly [field: string]: unknown;
}

export const keepRun = (session: string, run: unknown): Promise<void> => set(RUN + session, run);
export const keptRun = <T>(session: string): Promise<T | undefined> => get<T>(RUN + session);
export const keepLog = (log: WaitingLog): Promise<void> => set(LOG + log.id, log);

/** Logs that have not arrived yet. */
export async function waitingLogs(): Promise<WaitingLog[]> {
  const names = (await keys<string>()).filter((name) => String(name).startsWith(LOG));
  const logs = await Promise.all(names.map((name) => get<WaitingLog>(name)));
  return logs.filter((log) => log !== undefined);
}

export type Sent = 'sent' | 'waiting' | { readonly refused: string };

/** Sends a kept log; it stays on the device until the studio has it. Sending twice is harmless. */
export async function sendLog(log: WaitingLog): Promise<Sent> {
  try {
    const response = await fetch('/api/log', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(log) });
    if (response.ok) {
      await del(LOG + log.id);
      await del(RUN + log.session);
      return 'sent';
    }
    const answer = (await response.json()) as { message?: string; code?: string };
    return response.status === 401 || response.status >= 500 ? 'waiting' : { refused: answer.message ?? 'The log was not taken.' };
  } catch {
    return 'waiting';
  }
}

/** Wipes plans and instructions from this device; logs not yet sent are kept and sent once. */
export async function forgetDevice(): Promise<void> {
  const names = (await keys<string>()).filter((name) => String(name).startsWith(RUN));
  await Promise.all(names.map((name) => del(name)));
  if ('caches' in window) await Promise.all((await caches.keys()).map((name) => caches.delete(name)));
}
