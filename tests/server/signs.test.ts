import { v7 as newId } from 'uuid';
import { addDays } from '../../src/core/units';
import { HELP_SIGNS } from '../../src/core/screening';
import { freshManager } from '../../src/server/db/orm';
import { MailRow } from '../../src/server/db/rows';
import { inOne } from '../../src/server/desk';
import { holdPerson } from '../../src/server/repositories/people';
import { readLobby } from '../../src/server/usecases/lobby/readLobby';
import { erasePerson } from '../../src/server/usecases/people/erasePerson';
import { checkIn, leaveSeries, openDay } from '../../src/server/usecases/series/ownDay';
import { answerSigns, readSigns } from '../../src/server/usecases/signs/answerSigns';
import { markSign } from '../../src/server/usecases/signs/markSigns';
import { logClass } from '../../src/server/usecases/teach/logClass';
import { settleHeldLog, readHeldLogs } from '../../src/server/usecases/teach/heldLogs';
import { mails, running, standing } from './challenge';
import { backToKept, forgetKept, keepAll } from './snapshot';
import { answerOf, closeDatabase, deskOf, NOW, openBoth, ownerManager, standingOf, taught, TODAY } from './studio';

const director = (now = NOW) => deskOf('director', now);
const teacher = (now = NOW) => deskOf('teacher', now);
const HERE = '10.0.0.9';
const CHEST = HELP_SIGNS[0];

beforeAll(async () => {
  await openBoth();
  await keepAll();
  for (const { id } of await readSigns(await director())) demos.add(id);
}, 120_000);
afterEach(backToKept);
afterAll(async () => {
  await forgetKept();
  await closeDatabase();
});

/** What the demo's own logs say. */
const demos = new Set<string>();
/** What stands on the director's page beside it, in words. */
const shown = async () => (await readSigns(await director())).filter(({ id }) => !demos.has(id)).map(({ name, signs, help }) => [name, signs, help]);
const told = async () => (await mails()).filter(({ subject }) => subject.endsWith('something called for help')).length;

describe('in a class', () => {
  test('a sign of somebody nobody can name is kept, stands on the pages of whoever answers, and counts for the climb', async () => {
    const { log, attendance, juno, asta, session } = await taught();
    const before = await told();
    const mark = { id: newId(), person: null, sign: CHEST, place: '', slip: false };
    expect(await logClass(await teacher(), log([attendance(juno), attendance(asta)], { marks: [mark] }))).toEqual({ kept: 'taken' });
    expect(await shown()).toEqual([[null, [CHEST], true]]);
    expect(await told()).toBe(before + 1);
    const [first] = await readLobby(await director());
    expect(first).toMatchObject({ harm: 'stop', href: `/signs?sign=${mark.id}#${mark.id}`, text: expect.stringContaining(CHEST) });
    const { readPlan } = await import('../../src/server/usecases/plans/readPlan');
    expect((await readPlan(await director(), session.id)).log!.unnamed).toEqual([CHEST]);
    expect((await readPlan(await director(), session.id)).log!.summary).toContain('a stop sign of somebody who was not named');
    await answerSigns(await director(), { signs: await standingOf(null), answer: 'Asked everybody; it was Asta, and she is well.' });
    expect(await shown()).toEqual([]);
  });

  test('marked in class it is there before any log; the log names it, and it stays one', async () => {
    const { log, attendance, juno, asta, session } = await taught();
    const mark = { id: newId(), place: '12:04 in, during 4:4' };
    for (let times = 0; times < 2; times += 1) expect(await markSign(await teacher(), { session: session.id, ...mark })).toEqual({ kept: true });
    expect(await shown()).toEqual([[null, [], false]]);
    const named = { ...mark, person: asta, sign: 'wheeze' };
    await logClass(await teacher(), log([attendance(juno), attendance(asta)], { marks: [named] }));
    expect(await shown()).toEqual([['Asta R.', ['wheeze'], false]]);
    // Said once more by the attendance of another log, it is not there twice.
    await logClass(await teacher(), log([attendance(asta, ['wheeze'])]));
    expect(await shown()).toHaveLength(1);
    await logClass(await teacher(), log([attendance(asta, ['wheeze', CHEST])]));
    expect(await shown()).toEqual([
      ['Asta R.', [CHEST], true],
      ['Asta R.', ['wheeze'], false],
    ]);
  });

  test('a slip of the finger is one only while nobody was named and nothing called for help', async () => {
    const { session, asta } = await taught();
    const [slip, real] = [newId(), newId()];
    for (const id of [slip, real]) await markSign(await teacher(), { session: session.id, id, place: '' });
    await markSign(await teacher(), { session: session.id, id: real, person: asta, sign: CHEST, place: '' });
    for (const id of [slip, real]) await markSign(await teacher(), { session: session.id, id, slip: true, place: '' });
    expect(await shown()).toEqual([['Asta R.', [CHEST], true]]);
  });

  test('a log that puts another right takes no sign away, and neither does setting a held one aside', async () => {
    const { log, attendance, asta, juno } = await taught();
    const first = log([attendance(asta, [CHEST])]);
    await logClass(await teacher(), first);
    await logClass(await teacher(), log([attendance(asta)], { corrects: first.id }));
    expect(await shown()).toEqual([['Asta R.', [CHEST], true]]);
    expect(await logClass(await teacher(), log([attendance(juno, ['dizziness'])], { plan: newId() }))).toEqual({ kept: 'held' });
    const [held] = await readHeldLogs(await director());
    expect(held.signs).toEqual(['Juno B.: dizziness']);
    await settleHeldLog(await director(), { id: held.id, version: held.version, take: false });
    expect(await shown()).toContainEqual(['Juno B.', ['dizziness'], false]);
  });

  test('what cannot be read as a log and names a sign stands all the same', async () => {
    expect(await logClass(await teacher(), { id: newId(), session: 'nonsense', note: `she had ${CHEST}` })).toEqual({ kept: 'held' });
    expect(await shown()).toEqual([[null, [CHEST], true]]);
  });

  test('a class that has not begun cannot be logged; from a quarter of an hour before its hour it can', async () => {
    const { log, attendance, asta, session } = await taught();
    const at = (minutes: number) => new Date(Date.parse(`${session.date}T${session.start}:00Z`) + minutes * 60_000);
    expect(await answerOf(logClass(await teacher(at(-16)), log([attendance(asta)])))).toBe('late');
    expect(await logClass(await teacher(at(-15)), log([attendance(asta)]))).toEqual({ kept: 'taken' });
  });

  test('a log goes out under whoever wrote it, whoever is signed in', async () => {
    const { log, attendance, asta } = await taught();
    const by = (await teacher()).who.id;
    expect(await answerOf(logClass(await director(), log([attendance(asta)], { by })))).toBe('another');
    expect(await logClass(await teacher(), log([attendance(asta)], { by }))).toEqual({ kept: 'taken' });
  });
});

describe('at home', () => {
  const say = async (token: string, over: object, now = NOW) => checkIn(await freshManager(), token, { did: 'done', ...over }, HERE, now);

  test('of identical calls at once every one is answered with help, and one of them stands and is mailed', async () => {
    const { of } = await running();
    const { token } = of('Theo A.');
    const before = await told();
    const answers = await Promise.all(Array.from({ length: 4 }, () => say(token, { signs: [CHEST], wrong: true })));
    expect(answers).toEqual(answers.map(() => ({ help: true, signs: true })));
    expect([await told(), await shown()]).toEqual([before + 1, [['Theo A.', [CHEST], true]]]);
  });

  test('a call that comes while the director lets that person go on is held and mailed anew', async () => {
    const { of } = await running();
    const { token, id } = of('Lotte V.');
    const before = await told();
    await say(token, { signs: [CHEST], wrong: true });
    const seen = await standing(id);
    const [answer] = await Promise.all([say(token, { signs: [HELP_SIGNS[1]], wrong: true }), answerSigns(await director(), seen)]);
    expect(answer).toEqual({ help: true, signs: true });
    expect(await shown()).toEqual([['Lotte V.', [HELP_SIGNS[1]], true]]);
    expect(await told()).toBe(before + 2);
    expect((await openDay(await freshManager(), token, HERE, NOW)).practice!.parts[0].pattern).toBe('natural');
    // The same sign again, after it was answered for, calls again; the same tap sent twice does not.
    await answerSigns(await director(), await standing(id));
    const tap = newId();
    for (let times = 0; times < 2; times += 1) await say(token, { signs: [CHEST], wrong: true, tap });
    expect(await told()).toBe(before + 3);
    await answerSigns(await director(), await standing(id));
    expect(await say(token, { signs: [CHEST], wrong: true, tap })).toEqual({ help: true, signs: true });
    expect([await told(), await shown()]).toEqual([before + 3, []]);
  });

  test('it stands when they leave the series, when the series is over, and whoever it was is held in every series', async () => {
    const { of } = await running();
    const { token, id } = of('Cosmo W.');
    await say(token, { signs: [CHEST, 'dizziness'] });
    await leaveSeries(await freshManager(), token, HERE, NOW);
    const later = await readLobby(await director(new Date(NOW.getTime() + 60 * 86_400_000)));
    expect(later[0]).toMatchObject({ harm: 'stop', text: expect.stringContaining(`Cosmo W.`) });
    await answerSigns(await director(), await standing(id));
    expect(await shown()).toEqual([]);
  });

  test('what called for help in a class leaves the natural breath at home too', async () => {
    const { of } = await running();
    const { token, person } = of('Elke R.');
    const { session } = await taught();
    await markSign(await teacher(), { session: session.id, id: newId(), person, sign: CHEST, place: '' });
    expect((await openDay(await freshManager(), token, HERE, NOW)).practice!.parts[0].pattern).toBe('natural');
    await answerSigns(await director(), { signs: await standingOf(person), answer: 'Her doctor has seen her.' });
    expect((await openDay(await freshManager(), token, HERE, NOW)).practice!.parts[0].pattern).not.toBe('natural');
  });

  test('what is decided is decided while the person is held: a check-in waits for whoever changes them', async () => {
    const { of } = await running();
    const { token, person } = of('Mabel D.');
    let done = false;
    const saying = inOne(await director(), async (at) => {
      await holdPerson(at, person);
      const said = say(token, { felt: 'easy' }).then(() => (done = true));
      await new Promise((soon) => setTimeout(soon, 300));
      expect(done).toBe(false);
      return { said };
    });
    await (
      await saying
    ).said;
    expect(done).toBe(true);
  });

  test('erased with the person it is of, it is answered for; a letter about them goes with them', async () => {
    const { of } = await running();
    const { token, person } = of('Bram O.');
    await say(token, { signs: [CHEST] });
    const about = async () => (await (await ownerManager()).find(MailRow, { person }, { filters: false })).length;
    expect(await about()).toBeGreaterThan(0);
    await erasePerson(await director(), { person, name: 'Bram O.' });
    expect([await shown(), await about()]).toEqual([[], 0]);
  });

  test('what felt wrong and does not call for help stands too, after those that do', async () => {
    const { of } = await running();
    await say(of('Ines P.').token, { signs: ['dizziness'], date: addDays(TODAY, -1) });
    await say(of('Theo A.').token, { signs: [CHEST] });
    expect(await shown()).toEqual([
      ['Theo A.', [CHEST], true],
      ['Ines P.', ['dizziness'], false],
    ]);
  });
});
