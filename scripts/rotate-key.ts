import { randomBytes } from 'node:crypto';
import { readFileSync, renameSync, writeFileSync } from 'node:fs';
import { rotateMasterKey } from '../src/server/auth/rotate';
import { freshManager, orm } from '../src/server/db/orm';

/**
 * Makes a new master key and wraps every person's key with it. Stop the application first; start it again afterwards.
 *   OAKEN_DATABASE_URL=… OAKEN_MASTER_KEY_FILE=…/master.key npm run rotate-key
 * The new key is written beside the old one before anything changes, and takes its place once all keys are wrapped anew.
 */
async function main(): Promise<void> {
  const file = process.env.OAKEN_MASTER_KEY_FILE;
  if (!file) throw new Error('OAKEN_MASTER_KEY_FILE is not set');
  const [from, to] = [Buffer.from(readFileSync(file, 'utf8').trim(), 'base64'), randomBytes(32)];
  writeFileSync(`${file}.next`, `${to.toString('base64')}\n`, { mode: 0o600 });
  const count = await rotateMasterKey(await freshManager(), from, to);
  renameSync(file, `${file}.previous`);
  renameSync(`${file}.next`, file);
  await (await orm()).close();
  console.log(`${count} keys are wrapped with the new master key. The old one is ${file}.previous: destroy it once the application has started.`);
}

void main();
