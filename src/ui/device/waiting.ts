'use client';

import { del, get, keys } from 'idb-keyval';
import type { LogAnswer } from '@/views/teach';
import type { Reply } from '../forms/reply';
import { keepSealed, openedSealed, whoOwns, type Sealed } from './owner';

/** What waits on a device until the studio has it: class logs, and stop signs as they are marked. */

const TO = { log: '/api/log', mark: '/api/sign' } as const;
type Kind = keyof typeof TO;

export interface Waiting {
  readonly id: string;
  readonly session: string;
  readonly [field: string]: unknown;
}

/** What waits on a device that keeps nothing, until the page is closed. */
const unkept = new Map<string, Waiting>();

const beginOf = (kind: Kind) => `${kind}:`;
const nameOf = (kind: Kind, id: string) => `${beginOf(kind)}${whoOwns()?.id ?? ''} ${id}`;

/**
 * Keeps something until it has arrived, sealed for its owner; on a device that keeps nothing, as long as the page is open. What is said of
 * a mark later waits behind what was said before, so that nothing of it is taken back on the way; of a log the last one counts.
 */
export async function keepWaiting(kind: Kind, one: Waiting): Promise<void> {
  const name = kind === 'mark' ? `${nameOf(kind, one.id)} ${inTurn()}` : nameOf(kind, one.id);
  await keepSealed(name, one).catch(() => unkept.set(name, one));
}

let last = 0;
/** Names in the order of time, also within a millisecond. */
function inTurn(): string {
  last = Math.max(last + 1, Date.now());
  return String(last).padStart(15, '0');
}

/** Where something is: with the studio, with the director because it could not be taken as it came, or still here. */
export type Sent = 'sent' | 'held' | 'waiting' | 'signed out' | { readonly refused: string };

/** What is only for now: the studio is busy, or cannot be reached. */
const LATER: readonly number[] = [408, 409, 425, 429];

/** Sends something that is kept; it stays on the device until the studio has it. Sending twice is harmless. */
export async function sendKept(kind: Kind, one: Waiting, name = nameOf(kind, one.id)): Promise<Sent> {
  try {
    const body = JSON.stringify({ ...one, by: whoOwns()?.id ?? null });
    const response = await fetch(TO[kind], { method: 'POST', headers: { 'content-type': 'application/json' }, body });
    if (response.status === 401) return 'signed out';
    if (response.status >= 500 || LATER.includes(response.status)) return 'waiting';
    const answer = (await response.json()) as Reply<Partial<LogAnswer>>;
    if (!answer.ok) return { refused: answer.message };
    await forgetKept(name);
    return answer.value.kept === 'held' ? 'held' : 'sent';
  } catch {
    return 'waiting';
  }
}

async function forgetKept(name: string): Promise<void> {
  if (!unkept.delete(name)) await del(name).catch(() => undefined);
}

/** Whether something of the owner still waits here. */
export async function isWaiting(kind: Kind, id: string): Promise<boolean> {
  const name = nameOf(kind, id);
  return unkept.has(name) || (await get(name).catch(() => undefined)) !== undefined;
}

async function namesHere(kind: Kind): Promise<string[]> {
  const kept = (await keys<string>().catch(() => [])).filter((name) => String(name).startsWith(beginOf(kind)));
  return [...new Set([...kept, ...[...unkept.keys()].filter((name) => name.startsWith(beginOf(kind)))])];
}

let underway: Promise<unknown> = Promise.resolve();

/** Sends everything of the owner that waits, one after another. @returns how many logs arrived, how many wait for the director, and how many are still here */
export function sendWaiting(): Promise<{ readonly sent: number; readonly held: number; readonly waiting: number }> {
  const own = underway.then(sendAll);
  underway = own.catch(() => undefined);
  return own;
}

async function sendAll() {
  const who = whoOwns();
  const answers: Sent[] = [];
  // What felt wrong does not wait behind a log.
  for (const kind of ['mark', 'log'] as const)
    for (const name of (await namesHere(kind)).filter((one) => one.startsWith(`${beginOf(kind)}${who?.id ?? ''} `))) {
      const one = unkept.get(name) ?? (await openedSealed<Waiting>(name));
      if (!one) continue;
      const answer = await sendKept(kind, one, name);
      if (kind === 'log') answers.push(answer);
    }
  const [sent, held] = (['sent', 'held'] as const).map((of) => answers.filter((answer) => answer === of).length);
  return { sent, held, waiting: answers.length - sent - held };
}

/** Whose logs wait on this device beside the owner's: each goes out when they sign in here. */
export async function waitingOf(): Promise<{ readonly own: number; readonly others: readonly string[] }> {
  const own = whoOwns()?.id ?? null;
  const all = await Promise.all((await namesHere('log')).map((name) => get<Sealed>(name).catch(() => undefined)));
  const kept = all.filter((one): one is Sealed => one !== undefined && 'owner' in one);
  return {
    own: kept.filter(({ owner }) => owner === own).length,
    others: [...new Set(kept.filter(({ owner }) => owner !== own).map(({ name }) => name))],
  };
}
