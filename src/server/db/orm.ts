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
    pool: { min: 1, max: 12 },
    forceUtcTimezone: true,
  });
  return shared.oakenOrm;
}

/** A manager of its own for one request. */
export async function freshManager(): Promise<EntityManager> {
  return (await orm()).em.fork();
}
