'use client';

import { del, get, keys } from 'idb-keyval';
import { v7 as newId } from 'uuid';
import { keepSealed, openedSealed, ownName, whoOwns, type Sealed } from './owner';

/** What a device keeps of its owner: how far a class has run, with door answers and a log half typed, and what was typed into a page. */

const RUN = 'run:';
const TYPED = 'typed:';
/** A run is of no use once its class can no longer be logged or put right. */
const RUN_KEPT_MS = 30 * 86_400_000;

export const keepRun = (key: string, run: unknown): Promise<void> => keepSealed(ownName(RUN, key), run);
export const keptRun = <T>(key: string): Promise<T | undefined> => openedSealed<T>(ownName(RUN, key));

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

const typedName = (key: string) => ownName(TYPED, `${key} ${thisTab()}`);
export const keepTyped = <Value>(key: string, typed: Typed<Value>): Promise<void> => keepSealed(typedName(key), typed);
export const forgetTyped = (key: string): Promise<void> => del(typedName(key));

/** What this tab typed before it was loaded again, or what a tab that is gone left behind; that is this one's from then on. */
export async function keptTyped<Value>(key: string): Promise<Typed<Value> | undefined> {
  if (!whoOwns()) return undefined;
  const own = await openedSealed<Typed<Value>>(typedName(key));
  if (own) return own;
  for (const name of await namesOf(ownName(TYPED, `${key} `))) {
    const left = await get<Sealed>(name);
    if (!left || Date.now() - left.at < LEFT_MS) continue;
    const typed = await openedSealed<Typed<Value>>(name);
    await del(name);
    if (typed) return typed;
  }
  return undefined;
}

/** Forgets what is of no use to its owner any more. */
export async function tidyDevice(): Promise<void> {
  for (const name of await namesOf(RUN)) {
    const kept = await get<Sealed>(name);
    if (!kept || !('at' in kept) || Date.now() - kept.at > RUN_KEPT_MS) await del(name);
  }
}

async function namesOf(begin: string): Promise<string[]> {
  return (await keys<string>()).filter((name) => String(name).startsWith(begin));
}
