import { Migrator } from '@mikro-orm/migrations';
import { MikroORM } from '@mikro-orm/postgresql';
import { Migration20261124000000_start } from './migrations/Migration20261124000000_start';
import { Migration20261125000000_own_ways } from './migrations/Migration20261125000000_own_ways';
import { Migration20261126000000_speech } from './migrations/Migration20261126000000_speech';
import { Migration20261127000000_schools } from './migrations/Migration20261127000000_schools';
import { Migration20261128000000_screening } from './migrations/Migration20261128000000_screening';
import { Migration20261129000000_asked_again } from './migrations/Migration20261129000000_asked_again';
import { Migration20261130000000_reminders } from './migrations/Migration20261130000000_reminders';
import { databaseUrl } from './orm';
import { ROWS } from './rows';

/** Runs pending migrations, forward only. Its configuration is its own, so that the migrator stays out of the server. */
export async function migrate(): Promise<readonly string[]> {
  const orm = await MikroORM.init({
    clientUrl: databaseUrl(),
    entities: ROWS,
    extensions: [Migrator],
    migrations: {
      migrationsList: [
        { name: 'Migration20261124000000_start', class: Migration20261124000000_start },
        { name: 'Migration20261125000000_own_ways', class: Migration20261125000000_own_ways },
        { name: 'Migration20261126000000_speech', class: Migration20261126000000_speech },
        { name: 'Migration20261127000000_schools', class: Migration20261127000000_schools },
        { name: 'Migration20261128000000_screening', class: Migration20261128000000_screening },
        { name: 'Migration20261129000000_asked_again', class: Migration20261129000000_asked_again },
        { name: 'Migration20261130000000_reminders', class: Migration20261130000000_reminders },
      ],
      snapshot: false,
      silent: true,
      tableName: 'migration',
    },
  });
  try {
    const done = await orm.getMigrator().up();
    return done.map(({ name }) => name);
  } finally {
    await orm.close();
  }
}
