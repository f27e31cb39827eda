import { freshManager, orm } from '../src/server/db/orm';
import { StudioRow } from '../src/server/db/rows';
import { loadScenario } from './scenario';

/** Loads the demo into an empty database; a database that holds a studio is left alone. */
const em = await freshManager();
if ((await em.count(StudioRow)) > 0) {
  console.log('A studio is here already; nothing was loaded.');
} else {
  await loadScenario(em, new Date());
  console.log('The Pellwick Boathouse Studio is loaded.');
}
await (await orm()).close();
