import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { rotateMasterKey } from '../src/server/auth/rotate';
import { freshManager, orm } from '../src/server/db/orm';

/**
 * Makes a new master key and wraps every person's key with it; `bin/rotate-key` runs it with the application stopped.
 * The new key is written beside the old one before anything changes, and takes its place once all keys are wrapped anew.
 */
const file = process.env.OAKEN_MASTER_KEY_FILE;
if (!file) throw new Error('OAKEN_MASTER_KEY_FILE is not set');
if (existsSync(`${file}.next`))
  throw new Error(`${file}.next is there: an earlier change was broken off. Keep both files; whichever opens the answers is the master key.`);
const [from, to] = [Buffer.from(readFileSync(file, 'utf8').trim(), 'base64'), randomBytes(32)];
writeFileSync(`${file}.next`, to.toString('base64'), { mode: 0o600 });
const count = await rotateMasterKey(await freshManager(), from, to);
renameSync(file, `${file}.previous`);
renameSync(`${file}.next`, file);
await (await orm()).close();
console.log(`${count} keys are wrapped with the new master key. The old one is ${file}.previous: destroy it once the application has started.`);
