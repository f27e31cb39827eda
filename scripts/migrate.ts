import { migrate } from '../src/server/db/migrate';

const done = await migrate();
console.log(done.length > 0 ? `Migrated: ${done.join(', ')}` : 'The database is up to date.');
