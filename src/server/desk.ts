import { v7 } from 'uuid';
import { dateIn, type IsoDate } from '@/core/units';
import type { Actor, Staff } from './auth/actors';
import { vault, type Vault } from './auth/vault';
import { freshManager, type EntityManager } from './db/orm';
import { asClash } from './errors';

/** What every use case works at: who is asking, when, on which data. */
export interface Desk<Who extends Actor = Staff> {
  readonly em: EntityManager;
  readonly who: Who;
  readonly now: Date;
  readonly today: IsoDate;
  readonly newId: () => string;
  readonly vault: Vault;
  /** What was read once for this request; see {@link once}. */
  readonly known: Map<string, Promise<unknown>>;
  /** One query after another where they share a transaction, at once where they do not. */
  readonly turn: <T>(query: () => Promise<T>) => Promise<T>;
  /** What is worked out here is kept: only tables whose changes leave lines are read. @see {@link ./untilChanged} */
  readonly keeping?: true;
}

/** A desk inside a transaction: the only place where rows are written, and only repositories do. */
export interface Writing<Who extends Actor = Actor> extends Desk<Who> {
  readonly writing: true;
  /** What is done once, by its name, when all else of the transaction is. */
  readonly atEnd: Map<string, () => Promise<void>>;
}

/** A desk for one request. Every query from it stays inside the studio of whoever asks. */
export async function deskFor<Who extends Actor>(who: Who, now: Date, em?: EntityManager): Promise<Desk<Who>> {
  const own = (em ?? (await freshManager())).fork();
  own.setFilterParams('ours', { studio: who.studio });
  return { em: own, who, now, today: dateIn(who.zone, now), newId: v7, vault: vault(), known: new Map(), turn: (query) => query() };
}

/** Runs a writing use case in one transaction: all of it or nothing. A lost race, of whatever kind, is a clash. */
export async function inOne<T, Who extends Actor>(desk: Desk<Who>, work: (at: Writing<Who>) => Promise<T>): Promise<T> {
  const outer = 'writing' in desk ? (desk as Writing<Who>) : null;
  const atEnd: Writing['atEnd'] = outer?.atEnd ?? new Map<string, () => Promise<void>>();
  try {
    return await desk.em.transactional(async (em) => {
      const turn = outer ? desk.turn : oneAfterAnother();
      const done = await work({ ...desk, em: em as EntityManager, known: new Map(), turn, writing: true, atEnd });
      if (!outer) for (const last of atEnd.values()) await last();
      return done;
    });
  } catch (error) {
    throw asClash(error);
  }
}

/** The same transaction, with nothing remembered from before what was written in it. */
export function afresh<Who extends Actor>(at: Writing<Who>): Writing<Who> {
  at.em.clear();
  return { ...at, known: new Map() };
}

function oneAfterAnother(): Desk['turn'] {
  let last: Promise<unknown> = Promise.resolve();
  return <T>(query: () => Promise<T>): Promise<T> => {
    const next = last.then(query, query);
    last = next.catch(() => undefined);
    return next;
  };
}

/** The same, where a transaction may write it between two readings: there it is read each time. */
export function onceOutside<T>(desk: Desk<Actor>, key: string, read: () => Promise<T>): Promise<T> {
  return 'writing' in desk ? read() : once(desk, key, read);
}

/** Reads something once for a request, however many use cases of it ask. A transaction reads afresh. */
export function once<T>(desk: Desk<Actor>, key: string, read: () => Promise<T>): Promise<T> {
  const known = desk.known.get(key) as Promise<T> | undefined;
  if (known) return known;
  const reading = read();
  desk.known.set(key, reading);
  return reading;
}
