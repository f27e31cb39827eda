import 'fake-indexeddb/auto';
import { clear } from 'idb-keyval';
import { keepSaid, sendSaid } from './said';

/** What the studio answers to what it is sent, in turn; the last again and again. */
type Answer = 'heard' | 'help' | 'signs' | 'late' | 'no network' | 'broken' | 'too many' | 'no JSON' | 'clash';

let answers: Answer[] = [];
let sent: Record<string, unknown>[] = [];
let underway = 0;
let mostUnderway = 0;

const heard = (help: boolean, signs: boolean) => Response.json({ ok: true, value: { help, signs } });

beforeEach(async () => {
  [answers, sent, underway, mostUnderway] = [[], [], 0, 0];
  await clear();
  globalThis.fetch = async (_, init) => {
    underway += 1;
    mostUnderway = Math.max(mostUnderway, underway);
    await new Promise((done) => setTimeout(done, 1));
    underway -= 1;
    const answer = answers.length > 1 ? answers.shift()! : answers[0];
    if (answer === 'no network') throw new TypeError('Failed to fetch');
    sent.push(JSON.parse(String(init!.body)) as Record<string, unknown>);
    switch (answer) {
      case 'broken':
        return Response.json({ ok: false }, { status: 500 });
      case 'too many':
        return Response.json({ ok: false }, { status: 429 });
      case 'no JSON':
        return new Response('<p>A hotel’s sign-in page</p>');
      case 'clash':
        return Response.json({ ok: false, code: 'clash', message: 'Somebody else saved this meanwhile.', fields: [] }, { status: 422 });
      case 'late':
        return Response.json({ ok: false, code: 'late', message: 'Too late.', fields: [] }, { status: 422 });
      default:
        return heard(answer === 'help', answer !== 'heard');
    }
  };
});

const say = (over: object, token = 'mine') => keepSaid({ token, date: '2026-11-24', ...over });
const told = () => sent.map(({ felt, signs }) => felt ?? signs);

test('every tap arrives, in the order of the taps, and only once', async () => {
  answers = ['heard'];
  for (const felt of ['easy', 'worked', 'strained']) await say({ felt });
  expect(await sendSaid('mine')).toEqual({ answer: { ok: true, value: { help: false, signs: false } }, waiting: false });
  expect(told()).toEqual(['easy', 'worked', 'strained']);
  expect(await sendSaid('mine')).toEqual({ answer: null, waiting: false });
  expect(sent).toHaveLength(3);
});

test('without a network all of it waits; what called for help is not lost to a tap after it', async () => {
  answers = ['no network'];
  await say({ signs: ['chest pain'] });
  await say({ felt: 'easy' });
  expect(await sendSaid('mine')).toEqual({ answer: null, waiting: true });
  answers = ['help', 'heard'];
  expect(await sendSaid('mine')).toEqual({ answer: { ok: true, value: { help: true, signs: true } }, waiting: false });
  expect(told()).toEqual([['chest pain'], 'easy']);
});

test.each(['broken', 'too many', 'no JSON', 'clash'] as const)('%s: it is tried again later, from where it stopped', async (how) => {
  answers = ['heard', how];
  await say({ felt: 'easy' });
  await say({ felt: 'worked' });
  expect(await sendSaid('mine')).toEqual({ answer: { ok: true, value: { help: false, signs: false } }, waiting: true });
  answers = ['heard'];
  sent = [];
  expect((await sendSaid('mine')).waiting).toBe(false);
  expect(told()).toEqual(['worked']);
});

test('what the studio does not take is said, and does not stand in the way of the rest', async () => {
  answers = ['late', 'heard'];
  await say({ felt: 'easy', date: '2026-11-20' });
  await say({ felt: 'worked' });
  expect(await sendSaid('mine')).toMatchObject({ answer: { ok: false, message: 'Too late.' }, waiting: false });
  expect(sent).toHaveLength(2);
  expect(await sendSaid('mine')).toEqual({ answer: null, waiting: false });
});

test('sent from two places at once, one goes after the other', async () => {
  answers = ['heard'];
  for (let tap = 0; tap < 4; tap += 1) await say({ felt: 'easy' });
  await Promise.all([sendSaid('mine'), sendSaid('mine'), sendSaid('mine')]);
  expect([mostUnderway, sent.length]).toEqual([1, 4]);
});

test('what was tapped while something is on its way arrives too', async () => {
  answers = ['heard'];
  await say({ felt: 'easy' });
  const first = sendSaid('mine');
  await say({ felt: 'worked' });
  await Promise.all([first, sendSaid('mine')]);
  expect(told()).toEqual(['easy', 'worked']);
});

test('one’s own page sends what was said on it, nobody else’s', async () => {
  answers = ['heard'];
  await say({ felt: 'easy' }, 'mine');
  await say({ felt: 'worked' }, 'mineToo');
  await sendSaid('mine');
  expect(told()).toEqual(['easy']);
});
