import 'fake-indexeddb/auto';
import { clear, keys } from 'idb-keyval';
import { ownDevice } from './owner';
import { isWaiting, keepWaiting, sendKept, sendWaiting, waitingOf } from './waiting';

/** What waits on a device until the studio has it. */

const owner = (id: string) => ({ id, name: id, key: Buffer.alloc(32, id).toString('base64') });
type Sent = Record<string, unknown> & { readonly to: string };
let sent: Sent[] = [];
/** What the studio answers: a status, or what it is busy with until it may answer. */
let answer: (body: Sent) => number | Promise<number> = () => 200;

beforeEach(async () => {
  [sent, answer] = [[], () => 200];
  ownDevice(owner('tamsin'));
  await clear();
  globalThis.fetch = async (to, init) => {
    const body = { to: String(to), ...(JSON.parse(String(init!.body)) as object) } as Sent;
    const status = await answer(body);
    if (status === 0) throw new TypeError('Failed to fetch');
    if (status === 200 || status === 400) sent.push(body);
    return Response.json(status === 400 ? { ok: false, message: 'No.' } : { ok: true, value: { kept: 'taken' } }, {
      status: status === 400 ? 200 : status,
    });
  };
});

const mark = (more: object = {}) => ({ id: 'm1', session: 's', person: null, sign: null, slip: false, ...more });
const log = (more: object = {}) => ({ id: 'l1', session: 's', ...more });

test('all that was said of a stop sign without a network arrives in its order: help is not taken back on the way', async () => {
  answer = () => 0;
  for (const more of [{}, { sign: 'chest pain' }, { slip: true }]) {
    await keepWaiting('mark', mark(more));
    await sendWaiting();
  }
  answer = () => 200;
  await keepWaiting('log', log());
  await sendWaiting();
  expect(sent.map(({ to, sign, slip }) => [to, sign, slip])).toEqual([
    ['/api/sign', null, false],
    ['/api/sign', 'chest pain', false],
    ['/api/sign', null, true],
    ['/api/log', undefined, undefined],
  ]);
  expect(await keys()).toEqual([]);
});

test('what is said while an earlier word of the same sign is on its way is not lost', async () => {
  let arrived: (status: number) => void = () => undefined;
  let asked = 0;
  answer = () => ((asked += 1) === 1 ? new Promise<number>((done) => (arrived = done)) : 200);
  await keepWaiting('mark', mark());
  const first = sendWaiting();
  while (asked === 0) await new Promise((done) => setTimeout(done, 1));
  await keepWaiting('mark', mark({ person: 'p', sign: 'dizziness' }));
  arrived(200);
  await first;
  await sendWaiting();
  expect(sent.map(({ person }) => person)).toEqual([null, 'p']);
});

test.each([401, 408, 409, 425, 429, 500, 503, 0])('answered %s, it stays and is sent again', async (status) => {
  answer = () => status;
  await keepWaiting('log', log());
  expect(await sendKept('log', log())).toBe(status === 401 ? 'signed out' : 'waiting');
  expect([await isWaiting('log', 'l1'), sent]).toEqual([true, []]);
  answer = () => 200;
  expect(await sendWaiting()).toEqual({ sent: 1, held: 0, waiting: 0 });
  expect(await isWaiting('log', 'l1')).toBe(false);
});

test('of a log the last one counts, and what is refused says so and stays', async () => {
  await keepWaiting('log', log({ note: 'first' }));
  await keepWaiting('log', log({ note: 'second' }));
  answer = () => 400;
  expect(await sendKept('log', log({ note: 'second' }))).toEqual({ refused: 'No.' });
  answer = () => 200;
  await sendWaiting();
  expect(sent.map(({ note }) => note)).toEqual(['second', 'second']);
});

test('what waits is sealed, and goes out only when its owner is there', async () => {
  await keepWaiting('log', log({ note: 'quiet' }));
  ownDevice(owner('brid'));
  expect(await waitingOf()).toEqual({ own: 0, others: ['tamsin'] });
  await sendWaiting();
  expect(sent).toEqual([]);
  ownDevice(owner('tamsin'));
  expect(await waitingOf()).toEqual({ own: 1, others: [] });
  await sendWaiting();
  expect(sent).toMatchObject([{ note: 'quiet', by: 'tamsin' }]);
});

test('where the device keeps nothing, it waits as long as the page is open', async () => {
  ownDevice(null);
  await keepWaiting('log', log());
  expect([await keys(), await isWaiting('log', 'l1')]).toEqual([[], true]);
  await sendWaiting();
  expect([sent.length, await isWaiting('log', 'l1')]).toEqual([1, false]);
});
