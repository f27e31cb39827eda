import { MikroORM, type EntityManager } from '@mikro-orm/postgresql';
import { ROWS } from './rows';

export type { EntityManager } from '@mikro-orm/postgresql';

/** Where the database is; set by `bin/start` and `bin/test`. */
export function databaseUrl(): string {
  const url = process.env.OAKEN_DATABASE_URL;
  if (!url) throw new Error('OAKEN_DATABASE_URL is not set; start the application with bin/start');
  return url;
}

const shared = globalThis as typeof globalThis & { oakenOrm?: Promise<MikroORM> };

/** The one connection pool of this process. */
export function orm(): Promise<MikroORM> {
  shared.oakenOrm ??= MikroORM.init({ clientUrl: databaseUrl(), entities: ROWS, pool: { min: 1, max: 12 }, forceUtcTimezone: true });
  return shared.oakenOrm;
}

/** A manager of its own for one request. */
export async function freshManager(): Promise<EntityManager> {
  return (await orm()).em.fork();
}
