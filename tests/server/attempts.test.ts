import { v7 as newId } from 'uuid';
import { ATTEMPT_LIMITS } from '../../src/server/auth/attempts';
import { hashPassword, signIn } from '../../src/server/auth/signin';
import { freshManager } from '../../src/server/db/orm';
import { AttemptRow, StaffRow } from '../../src/server/db/rows';
import { membersOf, ownToken } from '../../src/server/repositories/series';
import { countAttempt } from '../../src/server/repositories/signIns';
import { openLink } from '../../src/server/usecases/people/answerLink';
import { openDay } from '../../src/server/usecases/series/ownDay';
import { listSeries } from '../../src/server/usecases/series/readSeries';
import { openSignUp } from '../../src/server/usecases/series/signUp';
import { saveOwnPassword } from '../../src/server/usecases/staff/ownAccount';
import { backToKept, forgetKept, keepAll } from './snapshot';
import { answerOf, closeDatabase, deskOf, NOW, openBoth, ownerManager } from './studio';

/** What is tried from outside: slowed down where it is guessing, and never in anybody else's way. */

const DAY = 86_400_000;
const later = (ms: number) => new Date(NOW.getTime() + ms);

beforeAll(async () => {
  await openBoth();
  await keepAll();
}, 120_000);
afterEach(backToKept);
afterAll(async () => {
  await forgetKept();
  await closeDatabase();
});

test('guessing at an account slows strangers down and locks nobody out; from one address it ends', async () => {
  const at = later(60 * DAY);
  const wrong = (address: string) => ({ email: 'tamsin@pellwick.example', password: 'wrong', address, device: null });
  const right = { ...wrong('10.1.0.1'), password: 'tide-table-three' };
  const { device } = await signIn(await freshManager(), right, at);
  const waited: number[] = [];
  const wait = async (ms: number) => void waited.push(ms);
  for (let attempt = 0; attempt < 8; attempt += 1)
    expect(await answerOf(signIn(await freshManager(), wrong(`10.2.0.${attempt}`), at, wait))).toBe('invalid');
  expect(waited).toEqual([]);
  for (let attempt = 0; attempt < 6; attempt += 1) await answerOf(signIn(await freshManager(), wrong(`10.3.0.${attempt}`), at, wait));
  expect(waited[0]).toBe(500);
  expect(waited.every((ms, index) => ms <= 10_000 && ms > (waited[index - 1] ?? 0))).toBe(true);
  await expect(signIn(await freshManager(), right, at, wait)).rejects.toThrow(/seconds; from a device/);
  // The owner's own device, and the owner a little later.
  expect(await answerOf(signIn(await freshManager(), { ...right, device }, at, wait))).toBe('allowed');
  expect(await answerOf(signIn(await freshManager(), right, new Date(at.getTime() + 15 * 60_000 + 60_000), wait))).toBe('allowed');
  // Two hundred at once count as two hundred: eight go on at once, four wait, the others are told to come back.
  const guesses = await Promise.all(
    Array.from({ length: 200 }, async () => answerOf(signIn(await freshManager(), { ...wrong('10.9.9.9'), email: 'x@y.example' }, at, wait))),
  );
  expect(guesses.filter((answer) => answer === 'invalid')).toHaveLength(12);
  expect(guesses.filter((answer) => answer === 'too-many')).toHaveLength(188);
}, 60_000);

test('one address shuts nobody out: what is right never counts, and each kind is counted by itself', async () => {
  const at = later(70 * DAY);
  const from = '10.77.0.1';
  const desk = await deskOf('director');
  const [series] = await listSeries(desk);
  const members = (await membersOf(desk, [series.id])).filter(({ admitted, leftOn }) => admitted && leftOn === null);
  const attempts = async () => (await freshManager()).count(AttemptRow, {});
  const before = await attempts();
  // Sixty own days at once, from behind one address.
  const opened = await Promise.all(
    Array.from({ length: 60 }, async (_, index) =>
      answerOf(openDay(await freshManager(), ownToken(desk, members[index % members.length]), from, at)),
    ),
  );
  expect([opened, await attempts()]).toEqual([opened.map(() => 'allowed'), before]);
  // Links that are not there, far too many of them.
  const guess = (n: number) => `${'g'.repeat(41)}${String(n).padStart(2, '0')}`;
  const guesses: string[] = [];
  for (let n = 0; n < 31; n += 1) guesses.push(await answerOf(openSignUp(await freshManager(), guess(n), from, at)));
  expect([guesses[29], guesses[30]]).toEqual(['late', 'too-many']);
  // Whoever sits behind the same address signs in, opens their day, their form and their invitation as before.
  const right = { email: 'tamsin@pellwick.example', password: 'tide-table-three', address: from, device: null };
  for (let times = 0; times <= ATTEMPT_LIMITS.perAddress; times += 1) expect(await answerOf(signIn(await freshManager(), right, at))).toBe('allowed');
  expect(await answerOf(openDay(await freshManager(), ownToken(desk, members[0]), from, at))).toBe('allowed');
  expect(await answerOf(openLink(await freshManager(), guess(40), from, at))).toBe('late');
  // Two hundred failures at whatever accounts end it for that address, but for a device that was right before.
  const { device } = await signIn(await freshManager(), { ...right, address: '10.77.0.2' }, later(71 * DAY));
  const rows = Array.from({ length: ATTEMPT_LIMITS.perAddressInAll }, (_, n) => ({
    id: newId(),
    kind: 'sign in' as const,
    address: from,
    what: `x${n}`,
    at: later(71 * DAY),
  }));
  await (await ownerManager()).insertMany(AttemptRow, rows.slice(1));
  expect(await answerOf(signIn(await freshManager(), right, later(71 * DAY)))).toBe('allowed');
  await (await ownerManager()).insertMany(AttemptRow, rows.slice(0, 1));
  expect(await answerOf(signIn(await freshManager(), right, later(71 * DAY)))).toBe('too-many');
  expect(await answerOf(signIn(await freshManager(), { ...right, device }, later(71 * DAY)))).toBe('allowed');
  expect(await answerOf(signIn(await freshManager(), { ...right, address: '10.77.0.3' }, later(71 * DAY)))).toBe('allowed');
}, 60_000);

test('nobody waits for a lock of somebody else’s: an attempt at one account holds none of another', async () => {
  const at = later(72 * DAY);
  const attempt = (what: string) => ({ kind: 'sign in' as const, address: '10.78.0.1', what });
  let go = () => {};
  const open = new Promise<void>((done) => (go = done));
  const holding = (await freshManager()).transactional(async (em) => {
    await em.execute('select pg_advisory_xact_lock(hashtextextended(?, 0))', ['sign in one@y.example']);
    await open;
  });
  const other = countAttempt(await freshManager(), attempt('two@y.example'), at, () => ({ answer: 'gone on', at: null }));
  const first = await Promise.race([other, new Promise((done) => setTimeout(() => done('it waited'), 3000))]);
  go();
  await holding;
  expect(first).toBe('gone on');
});

test('guesses at one’s own password are slowed down like any other, and what is right counts no longer', async () => {
  const desk = await deskOf('front desk', later(73 * DAY));
  await (await ownerManager()).nativeUpdate(StaffRow, { id: desk.who.id }, { passwordHash: await hashPassword('a few words of mine') });
  const own = await desk.em.findOneOrFail(StaffRow, { id: desk.who.id });
  const to = { version: own.version, password: 'another few words', again: 'another few words' };
  const say = async (current: string) => answerOf(saveOwnPassword(await deskOf('front desk', later(73 * DAY)), null, 'here', { ...to, current }));
  for (let guess = 0; guess < 8; guess += 1) expect(await say(`guess ${guess}`)).toBe('invalid');
  const rows = Array.from({ length: 10 }, () => ({
    id: newId(),
    kind: 'own password' as const,
    address: 'here',
    what: desk.who.id,
    at: later(73 * DAY),
  }));
  await (await ownerManager()).insertMany(AttemptRow, rows);
  expect(await say('a few words of mine')).toBe('too-many');
  await (await ownerManager()).nativeDelete(AttemptRow, { kind: 'own password' });
  expect(await say('a few words of mine')).toBe('allowed');
  expect(await (await freshManager()).count(AttemptRow, { kind: 'own password' })).toBe(0);
});
