import { addressOf, BODY_LIMITS, isOurs, limitedText, ourPath } from './doors';
import { ATTEMPT_LIMITS, judge } from './auth/attempts';

test.each<[string, string, string | null, string[], string]>([
  ['nobody named: what is forwarded is not believed', '9.9.9.9', '1.1.1.1', [], '9.9.9.9'],
  ['a named proxy: the last one before it', '10.0.0.1', '1.1.1.1, 2.2.2.2', ['10.0.0.1'], '2.2.2.2'],
  ['two named proxies', '10.0.0.1', '1.1.1.1, 10.0.0.2', ['10.0.0.1', '10.0.0.2'], '1.1.1.1'],
  ['somebody else in between', '9.9.9.9', '1.1.1.1, 10.0.0.1', ['10.0.0.1'], '9.9.9.9'],
  ['a mapped address', '::ffff:10.0.0.1', '1.1.1.1', ['10.0.0.1'], '1.1.1.1'],
  ['a proxy that forwards nothing', '10.0.0.1', null, ['10.0.0.1'], '10.0.0.1'],
])('%s', (_, socket, forwarded, proxies, address) => {
  expect(addressOf(socket, forwarded, proxies)).toBe(address);
});

test.each<[string | null, string]>([
  ['/teach?log#now', '/teach?log#now'],
  ['/', '/'],
  [null, '/'],
  ['', '/'],
  ['//evil.example', '/'],
  ['/\t/evil.example', '/'],
  ['/\\evil.example', '/'],
  ['/.//evil.example', '/'],
  ['https://evil.example', '/'],
  ['javascript:alert(1)', '/'],
  ['/ teach', '/'],
])('after signing in, %j goes to %s', (next, path) => {
  expect(ourPath(next)).toBe(path);
});

test.each<[string | null, boolean]>([
  [null, true],
  ['http://127.0.0.1:3700', true],
  ['http://127.0.0.1:3701', false],
  ['https://127.0.0.1:3700', false],
  ['null', false],
  ['garbage', false],
  ['', false],
])('an origin of %j: %s', (origin, ours) => {
  expect(isOurs(origin, 'http://127.0.0.1:3700')).toBe(ours);
});

const sent = (bytes: number, headers: Record<string, string> = {}) => {
  let read = 0;
  // In pieces and without a length, as a chunked body comes.
  const body = new ReadableStream<Uint8Array>({
    pull(at) {
      if (read >= bytes) return at.close();
      const piece = Math.min(10_000, bytes - read);
      read += piece;
      at.enqueue(new Uint8Array(piece).fill(97));
    },
  });
  return { request: new Request('http://a.example', { method: 'POST', body, headers, duplex: 'half' } as RequestInit), read: () => read };
};

test('a body is read to its limit and no further, chunked too', async () => {
  expect((await limitedText(sent(BODY_LIMITS.form).request, BODY_LIMITS.form)).length).toBe(BODY_LIMITS.form);
  const over = sent(9_000_000);
  await expect(limitedText(over.request, BODY_LIMITS.form)).rejects.toMatchObject({ code: 'too-large' });
  expect(over.read()).toBeLessThan(BODY_LIMITS.form + 40_000);
  const told = sent(10, { 'content-length': String(BODY_LIMITS.form + 1) });
  await expect(limitedText(told.request, BODY_LIMITS.form)).rejects.toMatchObject({ code: 'too-large' });
  await expect(limitedText(sent(BODY_LIMITS.form + 1).request, BODY_LIMITS.form)).rejects.toMatchObject({ code: 'too-large' });
});

describe('guessing', () => {
  const now = new Date('2026-11-25T10:00:00Z');
  const before = (count: number, ms = 0) => Array.from({ length: count }, () => new Date(now.getTime() - ms));
  const answer = (tried: Parameters<typeof judge>[0], known = false) => judge(tried, now, known).answer;

  const tried = (byWhat: readonly Date[], byBoth = 0, byAddress = byBoth) => ({ byAddress, byBoth, byWhat });

  test('an address may try thirty times at one account, and two hundred at all, but for whoever was right from there before', () => {
    expect(answer(tried([], ATTEMPT_LIMITS.perAddress - 1))).toEqual({ goesOn: true, waitMs: 0 });
    expect(answer(tried([], ATTEMPT_LIMITS.perAddress))).toEqual({ goesOn: false, why: 'address' });
    expect(answer(tried([], ATTEMPT_LIMITS.perAddress), true)).toEqual({ goesOn: false, why: 'address' });
    expect(answer(tried([], 0, ATTEMPT_LIMITS.perAddressInAll - 1))).toEqual({ goesOn: true, waitMs: 0 });
    expect(answer(tried([], 0, ATTEMPT_LIMITS.perAddressInAll))).toEqual({ goesOn: false, why: 'address' });
    expect(answer(tried([], 0, ATTEMPT_LIMITS.perAddressInAll), true)).toEqual({ goesOn: true, waitMs: 0 });
  });

  test('an account is slowed down after eight, never for a device that is known, and the wait doubles to its limit', () => {
    expect(answer(tried(before(7)))).toEqual({ goesOn: true, waitMs: 0 });
    expect(answer(tried(before(8)))).toEqual({ goesOn: true, waitMs: 500 });
    expect(answer(tried(before(9)))).toEqual({ goesOn: true, waitMs: 1000 });
    expect(answer(tried(before(12)))).toEqual({ goesOn: true, waitMs: 8000 });
    expect(answer(tried(before(13)))).toEqual({ goesOn: false, why: 'account', againInMs: 16_000 });
    expect(answer(tried(before(100)))).toEqual({ goesOn: false, why: 'account', againInMs: ATTEMPT_LIMITS.longestGap });
    expect(answer(tried(before(13, 6_000)))).toEqual({ goesOn: true, waitMs: 10_000 });
    expect(answer(tried(before(13, 5_999)))).toMatchObject({ goesOn: false });
    expect(answer(tried(before(100)), true)).toEqual({ goesOn: true, waitMs: 0 });
  });
});
