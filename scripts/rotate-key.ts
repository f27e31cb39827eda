import { randomBytes } from 'node:crypto';
import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, rmSync, writeSync } from 'node:fs';
import { dirname } from 'node:path';
import { MikroORM } from '@mikro-orm/postgresql';
import { vaultFrom } from '../src/server/auth/vault';
import { ownerUrl } from '../src/server/db/migrate';
import { ROWS } from '../src/server/db/rows';
import { isOwnKey, rotateMasterKey } from '../src/server/repositories/keys';

/**
 * Makes a new master key and wraps every person's key with it; `bin/rotate-key` runs it with the application stopped.
 * The new key is written beside the old one before anything changes, and takes its place once all keys are wrapped anew. A change
 * that was broken off is finished or taken back: the database says which of the two keys is its own.
 */
const file = process.env.OAKEN_MASTER_KEY_FILE;
if (!file) throw new Error('OAKEN_MASTER_KEY_FILE is not set');
const next = `${file}.next`;
const read = (name: string) => Buffer.from(readFileSync(name, 'utf8').trim(), 'base64');
/** What is written or renamed is on the disk before anything goes on: a power cut must not take the only key there is. */
const synced = (path: string) => {
  const open = openSync(path, 'r');
  fsyncSync(open);
  closeSync(open);
};
const writeSynced = (path: string, text: string) => {
  const open = openSync(path, 'w', 0o600);
  writeSync(open, text);
  fsyncSync(open);
  closeSync(open);
  synced(dirname(path));
};
const takePlace = () => {
  if (existsSync(file)) renameSync(file, `${file}.previous`);
  renameSync(next, file);
  synced(dirname(file));
};
const orm = await MikroORM.init({ clientUrl: ownerUrl(), entities: ROWS });
let finished = false;
try {
  if (existsSync(next)) {
    if (await isOwnKey(orm.em.fork(), vaultFrom(read(next)))) {
      takePlace();
      console.log(
        `An earlier change had been broken off after every key was wrapped anew; it is finished now. The old key is ${file}.previous: destroy it.`,
      );
      finished = true;
    } else {
      rmSync(next);
      console.log('An earlier change had been broken off before anything was changed; what was left of it is gone.');
    }
  }
  if (!finished) {
    const [from, to] = [read(file), randomBytes(32)];
    writeSynced(next, to.toString('base64'));
    const count = await rotateMasterKey(orm.em.fork(), from, to, new Date());
    takePlace();
    console.log(`${count} keys are wrapped with the new master key. The old one is ${file}.previous: destroy it once the application has started.`);
  }
} finally {
  await orm.close();
}
