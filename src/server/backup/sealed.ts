import { createCipheriv, createDecipheriv, createHmac, hkdfSync, randomBytes, scryptSync, timingSafeEqual } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { open, rename, rm, stat } from 'node:fs/promises';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';

/**
 * A backup as one file: a line that says what it is, for anybody to read; then the master key and the database, sealed with a passphrase
 * (scrypt, AES-256-GCM, bound to that line); then the seal's tag. It opens whole or not at all.
 */

/** What a backup says of itself. */
export interface BackupHead {
  readonly made: string;
  /** Whether it is of the demo or of a studio of one's own. */
  readonly kind: string;
  /** The last migration of its database. */
  readonly migration: string;
  readonly counts: Readonly<Record<string, number>>;
}

interface Line extends BackupHead {
  readonly oakenLadder: 'backup';
  readonly format: 1;
  readonly salt: string;
  readonly iv: string;
  /** By it a wrong passphrase is told from a damaged file. */
  readonly check: string;
  /** Bytes that are sealed. */
  readonly bytes: number;
}

/** A backup that cannot be opened, said for whoever holds it. */
export class NotOpened extends Error {}

const TAG = 16;
const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 2 ** 20 } as const;
/** The line is no longer than this. */
const LINE_MOST = 16_384;

function keysOf(passphrase: string, salt: string) {
  const root = scryptSync(passphrase.normalize('NFKC'), Buffer.from(salt, 'base64'), 32, COST);
  const key = (what: string) => Buffer.from(hkdfSync('sha256', root, '', what, 32));
  return { seal: key('seal'), check: createHmac('sha256', key('check')).update('oaken-ladder').digest('base64') };
}

/** Lets only so many bytes through, and keeps what comes after them. */
function counted(most: number) {
  let had = 0;
  const rest: Buffer[] = [];
  const through = new Transform({
    transform(chunk: Buffer, _, done) {
      const here = Math.max(0, Math.min(chunk.length, most - had));
      had += here;
      if (here < chunk.length) rest.push(chunk.subarray(here));
      done(null, chunk.subarray(0, here));
    },
  });
  return { through, rest: () => Buffer.concat(rest) };
}

/**
 * Writes a backup; nothing stands under its name until it is whole.
 * @param key the master key, as it is kept
 * @param dump the file that the database was written to
 */
export async function writeBackup(file: string, head: BackupHead, key: Buffer, dump: string, passphrase: string): Promise<void> {
  const salt = randomBytes(16).toString('base64');
  const iv = randomBytes(12);
  const keys = keysOf(passphrase, salt);
  const before = Buffer.alloc(2);
  before.writeUInt16BE(key.length);
  const bytes = before.length + key.length + (await stat(dump)).size;
  const line = Buffer.from(
    `${JSON.stringify({ oakenLadder: 'backup', format: 1, ...head, salt, iv: iv.toString('base64'), check: keys.check, bytes } satisfies Line)}\n`,
  );
  const cipher = createCipheriv('aes-256-gcm', keys.seal, iv);
  cipher.setAAD(line);
  const part = `${file}.part`;
  try {
    const out = createWriteStream(part, { mode: 0o600 });
    out.write(line);
    await pipeline(
      Readable.from(
        (async function* () {
          yield before;
          yield key;
          yield* createReadStream(dump);
        })(),
      ),
      cipher,
      async function* (sealed) {
        yield* sealed;
        yield cipher.getAuthTag();
      },
      out,
    );
    await rename(part, file);
  } catch (error) {
    await rm(part, { force: true });
    throw error;
  }
}

async function lineOf(file: string): Promise<{ readonly line: Line; readonly raw: Buffer }> {
  const handle = await open(file, 'r').catch(() => null);
  if (!handle) throw new NotOpened(`There is no file ${file}, or it may not be read.`);
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(LINE_MOST), 0, LINE_MOST, 0);
    const end = buffer.subarray(0, bytesRead).indexOf(10);
    const raw = buffer.subarray(0, end + 1);
    const line = JSON.parse(raw.toString('utf8')) as Partial<Line>;
    if (line.oakenLadder !== 'backup') throw new Error('no backup');
    if (line.format !== 1) throw new NotOpened('This backup was made by a newer version of Oaken Ladder. Update first.');
    return { line: line as Line, raw };
  } catch (error) {
    if (error instanceof NotOpened) throw error;
    throw new NotOpened('This is no backup of Oaken Ladder, or its beginning is damaged.');
  } finally {
    await handle.close();
  }
}

/** What a backup says of itself, without opening it. @throws NotOpened where it is none */
export async function headOf(file: string): Promise<BackupHead> {
  const { made, kind, migration, counts } = (await lineOf(file)).line;
  return { made, kind, migration, counts };
}

/**
 * Opens a backup whole.
 * @param into where the database's file is written; nothing is left there where it does not open
 * @returns the master key
 * @throws NotOpened for another passphrase, a file that is cut off, or one that is damaged
 */
export async function openBackup(file: string, passphrase: string, into: string): Promise<Buffer> {
  const { line, raw } = await lineOf(file);
  const keys = keysOf(passphrase, line.salt);
  const [own, other] = [Buffer.from(keys.check), Buffer.from(String(line.check))];
  if (own.length !== other.length || !timingSafeEqual(own, other)) throw new NotOpened('This passphrase does not open it.');
  if ((await stat(file)).size !== raw.length + line.bytes + TAG)
    throw new NotOpened('The file is not whole: it was cut off, or something was added to it.');
  const decipher = createDecipheriv('aes-256-gcm', keys.seal, Buffer.from(line.iv, 'base64'));
  decipher.setAAD(raw);
  decipher.setAuthTag(await tagOf(file));
  const sealed = counted(line.bytes);
  let had: Buffer = Buffer.alloc(0);
  let key: Buffer | null = null;
  try {
    await pipeline(
      createReadStream(file, { start: raw.length }),
      sealed.through,
      decipher,
      new Transform({
        transform(chunk: Buffer, _, done) {
          if (key) return done(null, chunk);
          had = Buffer.concat([had, chunk]);
          const length = had.length >= 2 ? had.readUInt16BE(0) : Infinity;
          if (had.length < 2 + length) return done();
          key = had.subarray(2, 2 + length);
          done(null, had.subarray(2 + length));
        },
      }),
      createWriteStream(into, { mode: 0o600 }),
    );
  } catch {
    await rm(into, { force: true });
    throw new NotOpened('The file is damaged: it is not what was written.');
  }
  if (!key) throw new NotOpened('The file is damaged: it holds no key.');
  return key;
}

async function tagOf(file: string): Promise<Buffer> {
  const handle = await open(file, 'r');
  const { size } = await handle.stat();
  const { buffer } = await handle.read(Buffer.alloc(TAG), 0, TAG, size - TAG);
  await handle.close();
  return buffer;
}
