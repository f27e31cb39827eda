import { v7 } from 'uuid';
import { dateIn, type IsoDate } from '@/core/units';
import type { SignedIn } from './auth/signin';
import type { Vault } from './auth/vault';
import { freshManager, type EntityManager } from './db/orm';
import { vault } from './auth/vault';

/** What every use case works at: who is asking, when, on which data. */
export interface Desk {
  readonly em: EntityManager;
  readonly who: SignedIn;
  readonly now: Date;
  readonly today: IsoDate;
  readonly newId: () => string;
  readonly vault: Vault;
  /** What was read once for this request; see {@link once}. */
  readonly known: Map<string, Promise<unknown>>;
}

/** A desk for one request. */
export async function deskFor(who: SignedIn, now: Date, em?: EntityManager): Promise<Desk> {
  return { em: em ?? (await freshManager()), who, now, today: dateIn(who.zone, now), newId: v7, vault: vault(), known: new Map() };
}

/** Runs a writing use case in one transaction: all of it or nothing. */
export function inOne<T>(desk: Desk, work: (desk: Desk) => Promise<T>): Promise<T> {
  return desk.em.transactional((em) => work({ ...desk, em: em as EntityManager, known: new Map() }));
}

/** Reads something once for a request, however many use cases of it ask. A transaction reads afresh. */
export function once<T>(desk: Desk, key: string, read: () => Promise<T>): Promise<T> {
  const known = desk.known.get(key) as Promise<T> | undefined;
  if (known) return known;
  const reading = read();
  desk.known.set(key, reading);
  return reading;
}
