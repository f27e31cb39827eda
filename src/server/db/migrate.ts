import { Migrator } from '@mikro-orm/migrations';
import { MikroORM } from '@mikro-orm/postgresql';
import { masterKey, vaultFrom } from '../auth/vault';
import { installJobs } from '../jobs/install';
import { checkKey } from '../repositories/keys';
import { Migration20261124000000_start } from './migrations/Migration20261124000000_start';
import { Migration20261125000000_own_ways } from './migrations/Migration20261125000000_own_ways';
import { Migration20261126000000_speech } from './migrations/Migration20261126000000_speech';
import { Migration20261127000000_schools } from './migrations/Migration20261127000000_schools';
import { Migration20261128000000_screening } from './migrations/Migration20261128000000_screening';
import { Migration20261129000000_asked_again } from './migrations/Migration20261129000000_asked_again';
import { Migration20261130000000_reminders } from './migrations/Migration20261130000000_reminders';
import { Migration20261201000000_firm_ground } from './migrations/Migration20261201000000_firm_ground';
import { Migration20261202000000_seats } from './migrations/Migration20261202000000_seats';
import { Migration20261203000000_courses_bend } from './migrations/Migration20261203000000_courses_bend';
import { Migration20261204000000_staff_shares } from './migrations/Migration20261204000000_staff_shares';
import { Migration20261205000000_series } from './migrations/Migration20261205000000_series';
import { Migration20261206000000_series_steps } from './migrations/Migration20261206000000_series_steps';
import { Migration20261207000000_series_told } from './migrations/Migration20261207000000_series_told';
import { Migration20261208000000_signs_stand } from './migrations/Migration20261208000000_signs_stand';
import { Migration20261209000000_changes } from './migrations/Migration20261209000000_changes';
import { Migration20261210000000_arc } from './migrations/Migration20261210000000_arc';
import { Migration20261211000000_first_steps } from './migrations/Migration20261211000000_first_steps';
import { grantAll } from './grants';
import { databaseUrl } from './orm';
import { reseal } from './reseal';
import { ROWS } from './rows';

const MIGRATIONS = {
  Migration20261124000000_start,
  Migration20261125000000_own_ways,
  Migration20261126000000_speech,
  Migration20261127000000_schools,
  Migration20261128000000_screening,
  Migration20261129000000_asked_again,
  Migration20261130000000_reminders,
  Migration20261201000000_firm_ground,
  Migration20261202000000_seats,
  Migration20261203000000_courses_bend,
  Migration20261204000000_staff_shares,
  Migration20261205000000_series,
  Migration20261206000000_series_steps,
  Migration20261207000000_series_told,
  Migration20261208000000_signs_stand,
  Migration20261209000000_changes,
  Migration20261210000000_arc,
  Migration20261211000000_first_steps,
} as const;

/** Whether a migration is one of this version's: a database that had one that is not is of a newer one. */
export const isKnownMigration = (name: string): boolean => Object.hasOwn(MIGRATIONS, name);

/** Where the database is, for the role that owns it: migrations, queues and grants are made with it, and nothing else. */
export function ownerUrl(): string {
  const url = process.env.OAKEN_OWNER_URL;
  if (!url) throw new Error('OAKEN_OWNER_URL is not set; start the application with bin/start');
  return url;
}

/**
 * Makes the database what this version needs, forward only, as its owner: tables, what is sealed, queues, and what the
 * application's role may do. Its configuration is its own, so that the migrator stays out of the server.
 * @param only stops after the migration of this name; for tests of the way from older versions
 * @throws WrongKey before anything is changed, when the master key is not the one this database was sealed with
 */
export async function migrate(only?: keyof typeof MIGRATIONS): Promise<readonly string[]> {
  const orm = await MikroORM.init({
    clientUrl: ownerUrl(),
    entities: ROWS,
    extensions: [Migrator],
    migrations: {
      migrationsList: Object.entries(MIGRATIONS).map(([name, of]) => ({ name, class: of })),
      snapshot: false,
      silent: true,
      tableName: 'migration',
    },
  });
  try {
    const [{ keyed }]: { keyed: boolean }[] = await orm.em.fork().execute("select to_regclass('vault_key') is not null as keyed");
    const key = masterKey();
    if (keyed) await checkKey(orm.em.fork(), vaultFrom(key), new Date());
    const done = await orm.getMigrator().up(only ? { to: only } : undefined);
    if (only) return done.map(({ name }) => name);
    await reseal(orm.em.fork(), key);
    await checkKey(orm.em.fork(), vaultFrom(key), new Date());
    await installJobs(ownerUrl());
    await grantAll(orm.em.fork(), databaseUrl());
    return done.map(({ name }) => name);
  } finally {
    await orm.close();
  }
}
