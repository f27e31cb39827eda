import { createServer, get, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { crowd, CROWD_LIMITS } from './crowd';

let server: Server;
let open: (() => void)[] = [];
let seen: string[] = [];
let letIn = crowd();

beforeEach(async () => {
  [open, seen] = [[], []];
  letIn = crowd();
  server = createServer((request, response) =>
    letIn(request, response, () => {
      seen.push(request.url!);
      open.push(() => response.end('done'));
    }),
  );
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
});
afterEach(() => {
  server.closeAllConnections();
  server.close();
});

const ask = (path: string, headers: Record<string, string> = {}) =>
  new Promise<{ status: number; headers: IncomingMessage['headers']; body: string }>((answer, failed) =>
    get({ port: (server.address() as AddressInfo).port, host: '127.0.0.1', path, headers, agent: false }, (response) => {
      let body = '';
      response.on('data', (part: Buffer) => (body += part.toString()));
      response.on('end', () => answer({ status: response.statusCode!, headers: response.headers, body }));
    }).on('error', failed),
  );
const until = async (isSo: () => boolean) => {
  for (let turn = 0; turn < 200 && !isSo(); turn += 1) await new Promise((soon) => setTimeout(soon, 10));
  expect(isSo()).toBe(true);
};
const fill = async () => {
  const asked = Array.from({ length: CROWD_LIMITS.atOnce }, (_, n) => ask(`/page${n}`));
  await until(() => seen.length === CROWD_LIMITS.atOnce);
  return asked;
};

test('so many at a time; those that cannot wait come first, and what costs nothing never waits', async () => {
  const asked = await fill();
  asked.push(ask('/plans'), ask('/courses'));
  await new Promise((soon) => setTimeout(soon, 50));
  asked.push(ask('/teach/one'), ask('/api/day/abc'));
  await new Promise((soon) => setTimeout(soon, 50));
  expect(seen).toHaveLength(CROWD_LIMITS.atOnce);
  asked.push(ask('/health'));
  await until(() => seen.at(-1) === '/health');
  for (let n = 0; n < 4; n += 1) {
    open.shift()!();
    await until(() => seen.length === CROWD_LIMITS.atOnce + 2 + n);
  }
  expect(seen.slice(CROWD_LIMITS.atOnce + 1)).toEqual(['/teach/one', '/api/day/abc', '/plans', '/courses']);
  while (open.length > 0) open.shift()!();
  expect((await Promise.all(asked)).map(({ status }) => status)).toEqual(asked.map(() => 200));
});

test('whoever waited too long is turned away politely, and nobody who was let through is given up', async () => {
  const asked = await fill();
  const begun = Date.now();
  const [page, data] = await Promise.all([ask('/', { accept: 'text/html' }), ask('/courses', { accept: 'application/json' })]);
  expect(Date.now() - begun).toBeLessThan(CROWD_LIMITS.waitMs + 1000);
  expect([page.status, page.headers['retry-after'], page.body]).toEqual([503, '3', expect.stringContaining('http-equiv="refresh"')]);
  expect([data.status, JSON.parse(data.body)]).toMatchObject([503, { ok: false, code: 'crowded' }]);
  while (open.length > 0) open.shift()!();
  expect((await Promise.all(asked)).map(({ status }) => status)).toEqual(asked.map(() => 200));
  // A second after the storm a page is as quick as before.
  const one = ask('/page');
  await until(() => open.length === 1);
  open.shift()!();
  expect((await one).status).toBe(200);
}, 20_000);

test('what is never answered gives its place back after a while, and only once', async () => {
  letIn = crowd(200);
  const never = await fill();
  const after = ask('/courses');
  await until(() => seen.at(-1) === '/courses');
  while (open.length > 0) open.shift()!();
  expect((await Promise.all([...never, after])).map(({ status }) => status)).toEqual([...never, after].map(() => 200));
  open = [];
  seen = [];
  const again = await fill();
  again.push(ask('/plans'));
  await new Promise((soon) => setTimeout(soon, 50));
  expect(seen).toHaveLength(CROWD_LIMITS.atOnce);
  while (again.length > 0 && seen.length <= CROWD_LIMITS.atOnce) {
    open.shift()?.();
    await new Promise((soon) => setTimeout(soon, 10));
  }
  while (open.length > 0) open.shift()!();
  expect((await Promise.all(again)).every(({ status }) => status === 200)).toBe(true);
});
