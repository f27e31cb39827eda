import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomBytes } from 'node:crypto';
import { addDays, isoDate } from '@/core/units';
import { kept } from './keep';
import { headOf, NotOpened, openBackup, writeBackup } from './sealed';

const folder = mkdtempSync(join(tmpdir(), 'oaken-backup-'));
const at = (name: string) => join(folder, name);
const head = { made: '2026-12-01T12:00:00.000Z', kind: 'own', migration: 'Migration1', counts: { people: 3 } };
const PASSPHRASE = 'three herons wait';
const key = randomBytes(44);
const dump = randomBytes(300_000);

beforeAll(async () => {
  writeFileSync(at('dump'), dump);
  await writeBackup(at('whole'), head, key, at('dump'), PASSPHRASE);
});

test('a backup says what it is, opens to what was written, and shows nothing of it', async () => {
  expect(await headOf(at('whole'))).toEqual(head);
  expect(await openBackup(at('whole'), PASSPHRASE, at('again'))).toEqual(key);
  expect(readFileSync(at('again')).equals(dump)).toBe(true);
  const raw = readFileSync(at('whole'));
  expect([raw.includes(key), raw.includes(dump.subarray(0, 32))]).toEqual([false, false]);
  expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
});

test.each([
  ['another passphrase', (raw: Buffer) => raw, 'three herons went', /passphrase/],
  ['cut off', (raw: Buffer) => raw.subarray(0, raw.length - 1), PASSPHRASE, /not whole/],
  ['cut in the middle', (raw: Buffer) => raw.subarray(0, 100_000), PASSPHRASE, /not whole/],
  ['longer', (raw: Buffer) => Buffer.concat([raw, Buffer.from([0])]), PASSPHRASE, /not whole/],
  ['one bit otherwise', (raw: Buffer) => turned(raw, 200_000), PASSPHRASE, /damaged/],
  ['its tag otherwise', (raw: Buffer) => turned(raw, raw.length - 1), PASSPHRASE, /damaged/],
  ['its line otherwise', (raw: Buffer) => Buffer.from(raw.toString('latin1').replace('"people":3', '"people":4'), 'latin1'), PASSPHRASE, /damaged/],
  ['no backup', () => Buffer.from('name,email\nPia,pia@post.example\n'), PASSPHRASE, /no backup/],
  ['empty', () => Buffer.alloc(0), PASSPHRASE, /no backup/],
  ['newer', (raw: Buffer) => Buffer.from(raw.toString('latin1').replace('"format":1', '"format":2'), 'latin1'), PASSPHRASE, /newer version/],
])('one that does not open says why, and leaves nothing: %s', async (name, change, passphrase, said) => {
  writeFileSync(at('changed'), change(readFileSync(at('whole'))));
  const opened = openBackup(at('changed'), passphrase, at(`from ${name}`));
  await expect(opened).rejects.toThrow(said);
  await expect(opened).rejects.toBeInstanceOf(NotOpened);
  expect(readdirSync(folder)).not.toContain(`from ${name}`);
});

test('one that is not there', async () => {
  await expect(headOf(at('nowhere'))).rejects.toThrow(/no file/);
});

test('an empty database, and a key of no length, come back as they are', async () => {
  writeFileSync(at('nothing'), '');
  await writeBackup(at('small'), head, Buffer.alloc(0), at('nothing'), PASSPHRASE);
  expect((await openBackup(at('small'), PASSPHRASE, at('small again'))).length).toBe(0);
  expect(readFileSync(at('small again')).length).toBe(0);
});

function turned(raw: Buffer, place: number): Buffer {
  const copy = Buffer.from(raw);
  copy[place] ^= 1;
  return copy;
}

test('daily backups: seven days, four weeks, twelve months', () => {
  const today = isoDate('2026-12-01');
  const all = Array.from({ length: 800 }, (_, back) => addDays(today, -back));
  expect(kept(all, today)).toEqual([
    ...['2026-01-31', '2026-02-28', '2026-03-31', '2026-04-30', '2026-05-31', '2026-06-30'],
    ...['2026-07-31', '2026-08-31', '2026-09-30', '2026-10-31'],
    ...['2026-11-15', '2026-11-22'],
    ...['2026-11-25', '2026-11-26', '2026-11-27', '2026-11-28', '2026-11-29', '2026-11-30', '2026-12-01'],
  ]);
  // What is kept day by day is what is kept of everything.
  let left: readonly (typeof today)[] = [];
  for (let day = addDays(today, -799); day <= today; day = addDays(day, 1)) left = kept([...left, day], day);
  expect(left).toEqual(kept(all, today));
  expect(kept([], today)).toEqual([]);
});
