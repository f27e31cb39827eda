'use client';

import { del, get, keys, set } from 'idb-keyval';
import { v7 as newId } from 'uuid';
import type { LogAnswer } from '@/views/teach';
import type { Reply } from './forms/reply';

/** What a device keeps: how far a class has run, door answers for today, and what waits for the network: logs, and what was typed. */

const RUN = 'run:';
const LOG = 'log:';
const TYPED = 'typed:';
/** Where the service worker looks when there is no network. */
const OFFLINE_CACHE = 'oaken-class';

export interface WaitingLog {
  readonly id: string;
  readonly session: string;
  readonly [field: string]: unknown;
}

export const keepRun = (key: string, run: unknown): Promise<void> => set(RUN + key, run);
export const keptRun = <T>(key: string): Promise<T | undefined> => get<T>(RUN + key);
export const keepLog = (log: WaitingLog): Promise<void> => set(LOG + log.id, log);

/** What was typed and has not arrived yet, with the version it was typed on. */
export interface Typed<Value> {
  readonly version: number;
  readonly value: Value;
}

/** What no page has touched for so long was left behind by one that is gone. */
const LEFT_MS = 60_000;

/** This tab, also after a reload: what one tab types is not another one's while both are open. */
function thisTab(): string {
  const known = sessionStorage.getItem('oaken-tab');
  if (known) return known;
  const fresh = newId();
  sessionStorage.setItem('oaken-tab', fresh);
  return fresh;
}

const typedName = (key: string) => `${TYPED}${key} ${thisTab()}`;
export const keepTyped = <Value>(key: string, typed: Typed<Value>): Promise<void> => set(typedName(key), { ...typed, at: Date.now() });
export const forgetTyped = (key: string): Promise<void> => del(typedName(key));

/** What this tab typed before it was loaded again, or what a tab that is gone left behind; that is this one's from then on. */
export async function keptTyped<Value>(key: string): Promise<Typed<Value> | undefined> {
  const own = await get<Typed<Value>>(typedName(key));
  if (own) return own;
  for (const name of (await keys<string>()).filter((one) => String(one).startsWith(`${TYPED}${key} `))) {
    const left = await get<Typed<Value> & { readonly at: number }>(name);
    if (!left || Date.now() - left.at < LEFT_MS) continue;
    await del(name);
    return left;
  }
  return undefined;
}

/** Logs that have not arrived yet. */
async function waitingLogs(): Promise<WaitingLog[]> {
  const names = (await keys<string>()).filter((name) => String(name).startsWith(LOG));
  const logs = await Promise.all(names.map((name) => get<WaitingLog>(name)));
  return logs.filter((log) => log !== undefined);
}

/** Where a log is: with the studio, with the director because it could not be taken as it came, or still here. */
export type Sent = 'sent' | 'held' | 'waiting' | 'signed out' | { readonly refused: string };

/** Sends a kept log; it stays on the device until the studio has it. Sending twice is harmless. */
export async function sendLog(log: WaitingLog): Promise<Sent> {
  try {
    const response = await fetch('/api/log', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(log) });
    if (response.status === 401) return 'signed out';
    if (response.status >= 500 || response.status === 429) return 'waiting';
    const answer = (await response.json()) as Reply<LogAnswer>;
    if (!answer.ok) return { refused: answer.message };
    await del(LOG + log.id);
    return answer.value.kept === 'held' ? 'held' : 'sent';
  } catch {
    return 'waiting';
  }
}

/** Sends every waiting log. @returns how many arrived, how many of them wait for the director, and how many are still here */
export async function sendWaiting(): Promise<{ readonly sent: number; readonly held: number; readonly waiting: number }> {
  const answers = await Promise.all((await waitingLogs()).map(sendLog));
  const [sent, held] = (['sent', 'held'] as const).map((of) => answers.filter((answer) => answer === of).length);
  return { sent, held, waiting: answers.length - sent - held };
}

/** What somebody said of a day on their own page, until it has arrived. */
export interface WaitingSaid {
  readonly token: string;
  readonly date: string;
  readonly [field: string]: unknown;
}

type Heard = Reply<{ readonly help: boolean; readonly signs: boolean }>;

export interface SaidAnswer {
  /** What was heard at the studio of all that was sent; null where nothing arrived. */
  readonly answer: Heard | null;
  /** Whether something is still here. */
  readonly waiting: boolean;
}

const SAID = 'said:';
/** What waits on a device that keeps nothing (private browsing), until the page is closed. */
const unkept = new Map<string, WaitingSaid>();

/** Every tap is kept by itself, in the order of the taps: none of them takes another one's place before it has arrived. */
export async function keepSaid(said: WaitingSaid): Promise<void> {
  const name = `${SAID}${said.token} ${newId()}`;
  await set(name, said).catch(() => unkept.set(name, said));
}

let sending: Promise<unknown> = Promise.resolve();

/** Sends what waits of one's own page, one after another in the order it was said. What arrives twice is there once. */
export function sendSaid(token: string): Promise<SaidAnswer> {
  const own = sending.then(() => sendAllSaid(token));
  sending = own.catch(() => undefined);
  return own;
}

async function sendAllSaid(token: string): Promise<SaidAnswer> {
  let answer: Heard | null = null;
  const names = [...(await keys<string>().catch(() => [])), ...unkept.keys()].filter((name) => String(name).startsWith(`${SAID}${token} `)).sort();
  for (const name of names) {
    const said = unkept.get(name) ?? (await get<WaitingSaid>(name));
    if (!said) continue;
    try {
      const response = await fetch(`/api/day/${token}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(said),
      });
      if (response.status >= 500 || response.status === 429) return { answer, waiting: true };
      const heard = (await response.json()) as Heard;
      // Two taps of one moment met; the second is sent again.
      if (!heard.ok && heard.code === 'clash') return { answer, waiting: true };
      answer = together(answer, heard);
    } catch {
      return { answer, waiting: true };
    }
    if (!unkept.delete(name)) await del(name);
  }
  return { answer, waiting: false };
}

/** What is said of two answers: what was refused, and what calls for help, whatever came after it. */
function together(before: Heard | null, heard: Heard): Heard {
  if (!before?.ok) return before ?? heard;
  return heard.ok ? { ok: true, value: { help: before.value.help || heard.value.help, signs: before.value.signs || heard.value.signs } } : heard;
}

/** Keeps this page and everything it is made of, so that a reload without a network opens it again. */
export async function keepPageOffline(): Promise<void> {
  if (!('caches' in window) || !('serviceWorker' in navigator)) return;
  try {
    await navigator.serviceWorker.register('/sw.js');
    const made = performance.getEntriesByType('resource').map(({ name }) => name.split('#')[0]);
    const ours = made.filter((name) => name.startsWith(`${location.origin}/_next/static/`));
    const cache = await caches.open(OFFLINE_CACHE);
    await Promise.all([location.pathname, ...new Set(ours)].map((url) => cache.add(url)));
  } catch {
    // Without a cache the open page still runs to its end; only a reload needs the network.
  }
}

/** Wipes plans, instructions and what was typed from this device; logs not yet sent are kept and sent once. */
export async function forgetDevice(): Promise<void> {
  const names = (await keys<string>()).filter((name) => [RUN, TYPED].some((kind) => String(name).startsWith(kind)));
  await Promise.all(names.map((name) => del(name)));
  if ('caches' in window) await Promise.all((await caches.keys()).map((name) => caches.delete(name)));
}
