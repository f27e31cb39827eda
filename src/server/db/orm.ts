import { MikroORM, type EntityManager } from '@mikro-orm/postgresql';
import { OURS, ROWS } from './rows';

export type { EntityManager } from '@mikro-orm/postgresql';

/** Where the database is, for the application's own role; set by `bin/start` and `bin/test`. */
export function databaseUrl(): string {
  const url = process.env.OAKEN_DATABASE_URL;
  if (!url) throw new Error('OAKEN_DATABASE_URL is not set; start the application with bin/start');
  return url;
}

/** Keeps every query inside one studio. A query that means to look across them says so by turning it off. */
export const FILTERS = { ours: { cond: ({ studio }: { studio: string }) => ({ studio }), entity: OURS, default: true } };

const shared = globalThis as typeof globalThis & { oakenOrm?: Promise<MikroORM> };

/** The one connection pool of this process. */
export function orm(): Promise<MikroORM> {
  shared.oakenOrm ??= MikroORM.init({
    clientUrl: databaseUrl(),
    entities: ROWS,
    filters: FILTERS,
    // A row is of one studio by its own column; rows it belongs to, joined in, would be locked along with it.
    autoJoinRefsForFilters: false,
    // None is kept open for its own sake: one that the database has closed meanwhile is nobody's first.
    pool: { min: 0, max: 12 },
    forceUtcTimezone: true,
  }).catch((error: unknown) => {
    // The next request tries again: a database that was away when the first one came is not away for good.
    shared.oakenOrm = undefined;
    throw error;
  });
  return shared.oakenOrm;
}

/** A manager of its own for one request. */
export async function freshManager(): Promise<EntityManager> {
  return (await orm()).em.fork();
}
