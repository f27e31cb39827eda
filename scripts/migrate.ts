import { migrate } from '../src/server/db/migrate';
import { WrongKey } from '../src/server/repositories/keys';

try {
  const done = await migrate();
  console.log(done.length > 0 ? `Migrated: ${done.join(', ')}` : 'The database is up to date.');
} catch (error) {
  if (!(error instanceof WrongKey)) throw error;
  console.error(error.message);
  process.exit(3);
}
