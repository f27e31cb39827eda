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
}

/** A desk for one request. */
export async function deskFor(who: SignedIn, now: Date, em?: EntityManager): Promise<Desk> {
  return { em: em ?? (await freshManager()), who, now, today: dateIn(who.zone, now), newId: v7, vault: vault() };
}

/** Runs a writing use case in one transaction: all of it or nothing. */
export function inOne<T>(desk: Desk, work: (desk: Desk) => Promise<T>): Promise<T> {
  return desk.em.transactional((em) => work({ ...desk, em: em as EntityManager }));
}
