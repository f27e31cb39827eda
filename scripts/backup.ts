import { MikroORM } from '@mikro-orm/postgresql';
import { execFile } from 'node:child_process';
import { mkdtemp, readFile, readdir, rm, writeFile } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import { promisify } from 'node:util';
import { dateIn, isoDate } from '../src/core/units';
import { kept } from '../src/server/backup/keep';
import { LAST_BACKUP } from '../src/server/backup/last';
import { headOf, NotOpened, openBackup, writeBackup } from '../src/server/backup/sealed';
import { masterKey, vaultFrom } from '../src/server/auth/vault';
import { isKnownMigration, ownerUrl } from '../src/server/db/migrate';
import { checkKey } from '../src/server/repositories/keys';
import { ROWS } from '../src/server/db/rows';

/** `bin/backup` and `bin/restore`: what they do beside starting and stopping things. */

const run = promisify(execFile);
const [, , what, file] = process.argv;
const passphrase = process.env.OAKEN_PASSPHRASE ?? '';
const SHORTEST = 12;
const TABLES = {
  people: 'person',
  cohorts: 'cohort',
  courses: 'course',
  classes: 'class_session',
  plans: 'plan_version',
  logs: 'class_log',
} as const;
const DAILY = /^oaken-ladder-(\d{4}-\d\d-\d\d)\.backup$/;

/** A moment of the database, whole: what is counted is what is written. */
async function written(into: string) {
  const orm = await MikroORM.init({ clientUrl: ownerUrl(), entities: ROWS, pool: { min: 0, max: 1 } });
  try {
    // A key that opens nothing of it is not worth keeping.
    await checkKey(orm.em.fork(), vaultFrom(masterKey()), new Date());
    return await orm.em.transactional(
      async (em) => {
        const one = async (sql: string) => Object.values((await em.execute<Record<string, unknown>[]>(sql))[0])[0];
        const snapshot = String(await one('select pg_export_snapshot()'));
        const counts: Record<string, number> = {};
        for (const [name, table] of Object.entries(TABLES)) counts[name] = Number(await one(`select count(*) from ${table}`));
        const migration = String(await one('select name from migration order by id desc limit 1'));
        const { hostname, port, username, password, pathname } = new URL(ownerUrl());
        // Nothing secret stands among the arguments of a process.
        const env = { ...process.env, PGHOST: hostname, PGPORT: port, PGUSER: username, PGPASSWORD: decodeURIComponent(password) };
        const args = ['--format=custom', '--no-owner', '--no-privileges', `--snapshot=${snapshot}`, `--file=${into}`, pathname.slice(1)];
        await run(join(process.env.OAKEN_PG_BIN ?? '', 'pg_dump'), args, { env });
        return { migration, counts };
      },
      { isolationLevel: 'repeatable read' as never },
    );
  } finally {
    await orm.close();
  }
}

async function backUp(to: string): Promise<void> {
  if (passphrase.length < SHORTEST)
    throw new NotOpened(`A passphrase of at least ${SHORTEST} characters, please: who has file and passphrase has everything.`);
  const key = await readFile(process.env.OAKEN_MASTER_KEY_FILE!);
  const folder = await mkdtemp(join(dirname(resolve(to)), '.oaken-backup-'));
  const dump = join(folder, 'dump');
  try {
    const { migration, counts } = await written(dump);
    const made = new Date().toISOString();
    await writeBackup(to, { made, kind: process.env.OAKEN_KIND ?? 'own', migration, counts }, key, dump, passphrase);
    // A backup counts once it was read back.
    await rm(dump);
    if (!(await openBackup(to, passphrase, dump)).equals(key)) throw new Error('it does not read back as it was written');
    await run(join(process.env.OAKEN_PG_BIN ?? '', 'pg_restore'), ['--list', dump], { maxBuffer: 64 * 2 ** 20 });
    console.log(`Backed up and read back: ${to}, ${said(counts)}.`);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

const said = (counts: Readonly<Record<string, number>>) =>
  Object.entries(counts)
    .map(([name, count]) => `${count} ${name}`)
    .join(', ');

async function daily(folder: string): Promise<void> {
  const today = dateIn('UTC', new Date());
  await backUp(join(folder, `oaken-ladder-${today}.backup`));
  const days = (await readdir(folder)).flatMap((name) => DAILY.exec(name)?.[1] ?? []).map((day) => isoDate(day));
  const keep = kept(days, today);
  for (const day of days.filter((one) => !keep.includes(one))) await rm(join(folder, `oaken-ladder-${day}.backup`));
}

/** Opens a backup whole before anything is touched: the database's file and the key, for what restores them. */
async function opened(from: string, dump: string, keyFile: string): Promise<void> {
  const head = await headOf(from);
  if (!isKnownMigration(head.migration)) throw new NotOpened('This backup was made by a newer version of Oaken Ladder. Update first.');
  const key = await openBackup(from, passphrase, dump);
  await writeFile(keyFile, key, { mode: 0o600 });
  console.log(JSON.stringify(head));
}

/** Whether what was restored is as much as the backup says. */
async function compared(from: string): Promise<void> {
  const { counts } = await headOf(from);
  const orm = await MikroORM.init({ clientUrl: ownerUrl(), entities: ROWS });
  for (const [name, table] of Object.entries(TABLES)) {
    const [{ count }] = await orm.em.execute<{ count: string }[]>(`select count(*) as count from ${table}`);
    if (Number(count) !== counts[name]) throw new Error(`${count} ${name} came back, and ${counts[name]} were written`);
  }
  await orm.close();
  console.log(`Restored: ${said(counts)}.`);
}

/** Says in the folder of the studio how it went: its first page tells when that was too long ago. */
async function told(work: () => Promise<void>): Promise<void> {
  const note = join(process.env.OAKEN_HOME!, LAST_BACKUP);
  const before = await readFile(note, 'utf8').then(
    (text) => JSON.parse(text) as object,
    () => ({}),
  );
  const now = new Date().toISOString();
  try {
    await work();
    await writeFile(note, JSON.stringify({ made: now, failed: null }));
  } catch (error) {
    await writeFile(note, JSON.stringify({ ...before, failed: now }));
    throw error;
  }
}

try {
  if (what === 'write') await told(() => backUp(file));
  else if (what === 'daily') await told(() => daily(file));
  else if (what === 'open') await opened(file, process.argv[4], process.argv[5]);
  else if (what === 'compare') await compared(file);
} catch (error) {
  console.error(error instanceof NotOpened ? error.message : error);
  process.exit(3);
}
