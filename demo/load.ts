import { freshManager, orm } from '../src/server/db/orm';
import { anyStudio } from '../src/server/repositories/studio';
import { loadScenario } from './scenario';

/** Loads the demo into an empty database; a database that holds a studio is left alone. Its zone may be another one (OAKEN_DEMO_ZONE). */
const em = await freshManager();
if (await anyStudio(em)) {
  console.log('A studio is here already; nothing was loaded.');
} else {
  await loadScenario(em, new Date(), process.env.OAKEN_DEMO_ZONE || 'Europe/Lisbon');
  console.log('The Pellwick Boathouse Studio is loaded.');
}
await (await orm()).close();
