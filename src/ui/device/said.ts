'use client';

import { del, get, keys, set } from 'idb-keyval';
import { v7 as newId } from 'uuid';
import type { Reply } from '../forms/reply';

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
  const tapped = { ...said, tap: newId() };
  await set(name, tapped).catch(() => unkept.set(name, tapped));
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
