import { randomBytes } from 'node:crypto';
import { v7 as newId } from 'uuid';
import { SHIPPED_LIBRARY } from '../../src/core/library';
import { tideBreath } from '../../src/core/library/example';
import { addDays } from '../../src/core/units';
import { STOP_SIGNS } from '../../src/core/screening';
import { vault, vaultFrom } from '../../src/server/auth/vault';
import { LogRow, HeldLogRow, MailRow, PersonRow, PlanRow, StaffRow } from '../../src/server/db/rows';
import { freshManager } from '../../src/server/db/orm';
import { inOne } from '../../src/server/desk';
import { startWorking } from '../../src/server/jobs/work';
import { checkKey, WrongKey } from '../../src/server/repositories/keys';
import { addOwnTechnique, changeOwnTechnique, library } from '../../src/server/repositories/library';
import { sessionsOf } from '../../src/server/repositories/courses';
import { progressOf } from '../../src/server/repositories/plans';
import { PERSON_FIELDS } from '../../src/server/repositories/erasing';
import { addCohort } from '../../src/server/usecases/cohorts/addCohort';
import { addPerson } from '../../src/server/usecases/cohorts/addPerson';
import { readCohort } from '../../src/server/usecases/cohorts/readCohort';
import { createCourse } from '../../src/server/usecases/courses/createCourse';
import { draftCourse } from '../../src/server/usecases/courses/draftCourse';
import { readCourse } from '../../src/server/usecases/courses/readCourse';
import { readOutbox } from '../../src/server/usecases/people/records';
import { changePerson, enterForm } from '../../src/server/usecases/people/aboutPerson';
import { erasePerson } from '../../src/server/usecases/people/erasePerson';
import { importRoster } from '../../src/server/usecases/people/importRoster';
import { sendForms } from '../../src/server/usecases/people/links';
import { openAnswers } from '../../src/server/usecases/people/readPerson';
import { makeOverride, recordClinician } from '../../src/server/usecases/people/setAsideRules';
import { publishPlan } from '../../src/server/usecases/plans/publishPlan';
import { saveBlocks } from '../../src/server/usecases/plans/saveBlocks';
import { readPlan } from '../../src/server/usecases/plans/readPlan';
import { addClosure } from '../../src/server/usecases/studio/changeStudio';
import { readHeldLogs, settleClassLogs, settleHeldLog } from '../../src/server/usecases/teach/heldLogs';
import { logClass } from '../../src/server/usecases/teach/logClass';
import { answerSigns } from '../../src/server/usecases/signs/answerSigns';
import { markSign } from '../../src/server/usecases/signs/markSigns';
import { importOwnWays, saveOwnWay } from '../../src/server/usecases/techniques/ownWays';
import { wholeForm } from '../../demo/people';
import { allRows, backToKept, forgetKept, keepAll, type Rows } from './snapshot';
import { answerOf, closeDatabase, courseInput, demo, deskOf, NOW, openBoth, ownerManager, seenOf, standingOf, taught, TODAY } from './studio';

const director = () => deskOf('director');

beforeAll(async () => {
  await openBoth();
  await keepAll();
}, 120_000);
afterEach(backToKept);
afterAll(async () => {
  await forgetKept();
  await closeDatabase();
});

async function newcomer(name: string, email = 'new@post.example'): Promise<string> {
  const { choir } = await demo(await director());
  return (await addPerson(await director(), { once: newId(), cohort: choir, name, email, screened: false })).id;
}

/** How many rows each table has more than before. */
function more(before: Rows, after: Rows): Record<string, number> {
  const tables = [...after.keys()].filter((key) => !before.has(key)).map((key) => key.split(' ')[0]);
  return Object.fromEntries([...new Set(tables)].sort().map((table) => [table, tables.filter((one) => one === table).length]));
}

describe('what is sent twice is done once', () => {
  const form = { birthDate: '1980-01-01', answers: wholeForm([{ condition: 'panic', answer: 'yes' }]) };
  const aside = { rules: ['panic.eyes-closed'], until: '2026-12-20', reason: 'talked through', answeredOn: TODAY };
  const way = { base: 'longer-4-6', name: 'Ebb', pattern: '4:6', dose: '5 min' };
  const file = JSON.stringify({ format: 'oaken-ladder/ways', version: 1, ways: [way] });

  test.each<[string, () => Promise<(once: string) => Promise<unknown>>, string]>([
    ['cohort', async () => async (once) => addCohort(await director(), { once, name: 'Lock keepers', practises: [] }), 'cohort'],
    [
      'person',
      async () => {
        const { choir } = await demo(await director());
        return async (once) => addPerson(await director(), { once, cohort: choir, name: 'Quill P.', ...form });
      },
      'person',
    ],
    [
      'course',
      async () => {
        const desk = await director();
        const { choir } = await demo(desk);
        const { id } = await desk.em.findOneOrFail(StaffRow, { role: 'lead teacher' });
        const input = courseInput(id, choir);
        return async (once) => createCourse(await director(), { ...input, once });
      },
      'course',
    ],
    [
      'closure',
      async () => async (once) => addClosure(await director(), { once, from: '2027-05-01', until: '2027-05-02', reason: 'the lock' }),
      'closure',
    ],
    [
      'paper form',
      async () => {
        const person = await newcomer('Tove R.');
        return async (once) => enterForm(await director(), { once, person, screenedOn: TODAY, ...form });
      },
      'screening',
    ],
    [
      'mail',
      async () => {
        const people = [await newcomer('Tove R.')];
        return async (once) => sendForms(await director(), { once, people });
      },
      'outbox_mail',
    ],
    [
      'override',
      async () => {
        const person = await newcomer('Tove R.');
        await enterForm(await director(), { once: newId(), person, screenedOn: TODAY, ...form });
        return async (once) => makeOverride(await director(), { once, person, ...aside });
      },
      'override_made',
    ],
    [
      'clinician’s answer',
      async () => {
        const { person } = await demo(await director());
        const fenna = await person('Fenna T.');
        return async (once) =>
          recordClinician(await director(), { once, person: fenna, ...aside, rules: ['high-blood-pressure.pace-below-6'], note: '' });
      },
      'clinician_answer',
    ],
    ['own way', async () => async (once) => saveOwnWay(await director(), { once, id: null, ...way }), 'own_way'],
    ['file of ways', async () => async (once) => importOwnWays(await director(), { once, text: file }), 'own_way'],
    [
      'roster',
      async () => {
        const { choir } = await demo(await director());
        return async (once) => importRoster(await director(), { once, cohort: choir, text: 'name\nRuth A.\n', mapping: { name: 'name' } });
      },
      'person',
    ],
    [
      'plan',
      async () => {
        const desk = await director();
        const { boat } = await demo(desk);
        const session = (await sessionsOf(desk, [boat.id])).find(({ date }) => date > TODAY)!;
        const teacher = (await desk.em.findOneOrFail(StaffRow, { role: 'lead teacher' })).id;
        return async (once) => publishPlan(await director(), { once, session: session.id, version: session.version, teacher });
      },
      'plan_version',
    ],
  ])('%s', async (_, prepare, table) => {
    const send = await prepare();
    const before = await allRows();
    const once = newId();
    const answers = [...(await Promise.all([send(once), send(once), send(once)])), await send(once)];
    expect(new Set(answers.map((answer) => JSON.stringify(answer))).size).toBe(1);
    expect(more(before, await allRows())[table]).toBe(1);
  });

  test('a plan that has nothing new to say makes no new version, however often it is sent', async () => {
    const desk = await director();
    const { boat } = await demo(desk);
    const session = (await sessionsOf(desk, [boat.id])).find(({ date }) => date > TODAY)!;
    const teacher = (await desk.em.findOneOrFail(StaffRow, { role: 'lead teacher' })).id;
    const first = await publishPlan(await director(), { once: newId(), session: session.id, version: session.version, teacher });
    const again = await publishPlan(await director(), { once: newId(), session: session.id, version: first.version, teacher });
    expect(again).toEqual(first);
    expect(await desk.em.count(PlanRow, { session: session.id })).toBe(1);
  });
});

describe('class logs', () => {
  test('a sign that called for help goes a step back, and the director hears of it, also while the log waits', async () => {
    const { log, attendance, juno, asta } = await taught();
    const told = async () => (await readOutbox(await director())).filter(({ subject }) => subject.endsWith('something called for help'));
    const was = (await told()).length;
    expect(await logClass(await deskOf('teacher'), log([attendance(asta, ['fainting', 'dizziness']), attendance(juno, ['dizziness'])]))).toEqual({
      kept: 'taken',
    });
    const [mail] = await told();
    expect([(await told()).length, mail.subject]).toEqual([was + 1, 'Asta R.: something called for help']);
    // Which sign it was is never in a mail.
    expect(mail.body).not.toContain('fainting');
    const waiting = log([attendance(juno, ['chest pain'])], { plan: newId() });
    expect(await logClass(await deskOf('teacher'), waiting)).toEqual({ kept: 'held' });
    expect(await logClass(await deskOf('teacher'), waiting)).toEqual({ kept: 'held' });
    expect((await told()).length).toBe(was + 2);
    expect(await logClass(await deskOf('teacher'), log([attendance(juno, ['a sign nobody knows'])]))).toEqual({ kept: 'held' });
  });

  test('a log that cannot be taken is kept as it came, shown to the director, and taken by them', async () => {
    const { log, attendance, juno, session } = await taught();
    const { choir } = await demo(await director());
    const moved = await (await director()).em.findOneOrFail(PersonRow, { id: juno });
    await changePerson(await director(), {
      person: juno,
      version: moved.version,
      name: 'Juno B.',
      email: '',
      cohort: choir,
      comfortIn: null,
      comfortOut: null,
    });
    const sent = log([attendance(juno, ['dizziness'])]);
    expect(await logClass(await deskOf('teacher'), sent)).toEqual({ kept: 'held' });
    expect(await logClass(await deskOf('teacher'), sent)).toEqual({ kept: 'held' });
    const odd = { id: newId(), session: 'nonsense', note: 'the swell' };
    expect(await logClass(await deskOf('teacher'), odd)).toEqual({ kept: 'held' });
    expect(await answerOf(logClass(await deskOf('teacher'), log([], { note: 'the \u0000 swell' })))).toBe('invalid');
    const held = await readHeldLogs(await director());
    expect(held.map(({ why, takeable }) => [why, takeable])).toEqual([
      ['it names somebody who is no longer in the cohort', true],
      ['it is not a log as we write it, or its class is gone', false],
    ]);
    expect(held[0].signs).toEqual(['Juno B.: dizziness']);
    // As it was sent; which sign it was is sealed with their own key.
    const kept = (await (await director()).em.findOneOrFail(HeldLogRow, { id: sent.id })).body;
    expect(kept).toMatchObject({ ...sent, attendance: [{ person: juno, came: true, effort: 'easy' }] });
    expect(JSON.stringify(kept)).not.toContain('dizziness');
    expect(await answerOf(readHeldLogs(await deskOf('teacher')))).toBe('not-allowed');
    await settleHeldLog(await director(), { id: sent.id, version: held[0].version, take: true });
    expect(await answerOf(settleHeldLog(await director(), { id: sent.id, version: held[0].version, take: true }))).not.toBe('allowed');
    // Somebody moved, but what hurt them in that room is part of the class's log.
    expect((await progressOf(await director(), [session.id])).get(session.id)!.log!.attendance).toEqual([
      expect.objectContaining({ person: juno, stopSigns: ['dizziness'] }),
    ]);
  });

  test('two logs of a class: every stop sign of either counts, both are shown, and the director settles them', async () => {
    const { log, attendance, juno, asta, session } = await taught();
    const [first, second] = [log([attendance(juno, ['dizziness']), attendance(asta)]), log([attendance(juno), attendance(asta, [STOP_SIGNS[1]])])];
    for (const one of [first, second]) expect(await logClass(await deskOf('teacher'), one)).toEqual({ kept: 'taken' });
    expect(await (await director()).em.count(LogRow, { session: session.id })).toBe(2);
    const shown = async () => (await readPlan(await director(), session.id)).log!;
    const signs = ({ people }: Awaited<ReturnType<typeof shown>>) =>
      people.flatMap(({ name, stopSigns }) => stopSigns.map((sign) => `${name} ${sign}`)).sort();
    expect([(await shown()).unsettled, (await shown()).each.length]).toEqual([true, 2]);
    expect(signs(await shown())).toEqual([`Asta R. ${STOP_SIGNS[1]}`, 'Juno B. dizziness']);
    await settleClassLogs(await director(), { session: session.id, log: second.id });
    expect([(await shown()).unsettled, signs(await shown())]).toEqual([false, [`Asta R. ${STOP_SIGNS[1]}`, 'Juno B. dizziness']]);
  });
});

test('a course is drafted on around whatever a published class holds, wanted or not', async () => {
  const desk = await director();
  const { boat } = await demo(desk);
  const today = (await sessionsOf(desk, [boat.id])).find(({ date, fixed }) => date === TODAY && fixed)!;
  const held = today.blocks.map((block) => (block.kind === 'technique' ? block : { id: block.id, part: block.part, minutes: block.minutes }));
  const { pattern, dose } = SHIPPED_LIBRARY.technique('five-finger');
  const stranger = { id: newId(), technique: 'five-finger', pattern, dose, tempo: 1000 };
  await saveBlocks(desk, { session: today.id, version: today.version, blocks: [...held.slice(0, -2), stranger, ...held.slice(-2)] });
  const { version } = (await demo(await director())).boat;
  expect(await answerOf(draftCourse(await director(), { course: boat.id, version, seen: await seenOf(await director(), boat.id) }))).toBe('allowed');
});

test('one row that cannot be opened breaks no page: somebody of whom nothing is known, said to the director', async () => {
  const { ferry, boat, person } = await demo(await director());
  const fenna = await person('Fenna T.');
  await (await ownerManager()).execute(`update person set wrapped_key = 'broken' where id = '${fenna}'`);
  const view = await readCohort(await director(), ferry, { date: TODAY, focus: { person: fenna, technique: 'pumps-27' } });
  expect(view.people).toHaveLength(11);
  expect(view.people.filter(({ unreadable }) => unreadable).map(({ name }) => name)).toEqual(['Fenna T.']);
  expect((await readCourse(await director(), boat.id)).sessions.length).toBeGreaterThan(5);
  expect(await openAnswers(await director(), { person: fenna, why: 'a letter came' })).toMatchObject({
    unreadable: true,
    screenedOn: null,
    birthDate: null,
  });
  const aside = { once: newId(), person: fenna, rules: ['high-blood-pressure.side-work'], until: '2026-12-20', reason: 'talked through' };
  expect(await answerOf(makeOverride(await director(), aside))).not.toBe('allowed');
  expect(await answerOf(openAnswers(await director(), { person: await person('Juno B.'), why: 'a letter came' }))).toBe('allowed');
});

test('a clinician’s answer and an override hold for a year at most, its last day included', async () => {
  const { person } = await demo(await director());
  const fenna = await person('Fenna T.');
  const aside = { person: fenna, reason: 'talked through', answeredOn: TODAY, note: '' };
  const until = (days: number) => ({ ...aside, once: newId(), until: addDays(TODAY, days) });
  const side = { rules: ['high-blood-pressure.side-work'] };
  for (const [days, answer] of [
    [-1, 'invalid'],
    [0, 'allowed'],
    [366, 'allowed'],
    [367, 'invalid'],
  ] as const) {
    expect([days, await answerOf(recordClinician(await director(), { ...until(days), ...side }))]).toEqual([days, answer]);
    expect([days, await answerOf(makeOverride(await director(), { ...until(days), ...side }))]).toEqual([days, answer]);
  }
});

test('the database knows the key it was sealed with', async () => {
  await expect(checkKey(await freshManager(), vaultFrom(randomBytes(32)), NOW)).rejects.toThrow(WrongKey);
  await expect(checkKey(await freshManager(), vault(), NOW)).resolves.toBeUndefined();
});

describe('the application’s own role', () => {
  test.each([
    'truncate person',
    'drop table person',
    'alter table class_log disable trigger all',
    "update screening set sealed = ''",
    'delete from class_log',
    'delete from person',
    'update plan_version set number = 9',
    'create table more (id int)',
    'set session_replication_role = replica',
  ])('may not: %s', async (sql) => {
    await expect((await freshManager()).execute(sql)).rejects.toThrow(/permission denied|must be owner/);
  });
});

describe('erasing', () => {
  test('every column that holds something of a person is declared, with what becomes of it', async () => {
    const columns = await (
      await ownerManager()
    ).execute<{ table: string; column: string }[]>(
      `select table_name as table, column_name as column from information_schema.columns where table_schema = 'public' and (table_name = 'person'
       or table_name in (select table_name from information_schema.columns where table_schema = 'public' and column_name in ('person', 'member')))`,
    );
    // What places a row, who did it, and when, is nothing of the person.
    const PLACES = ['id', 'studio', 'version', 'person', 'member', 'cohort', 'session', 'plan', 'purpose', 'reason_id'];
    const DOING = /(_by|_at)$|^(by|at|staff|reader|tries|refused)$/;
    const held = columns.filter(({ table, column }) => !PLACES.includes(column) && (table === 'person' || !DOING.test(column)));
    expect(held.filter(({ table, column }) => !PERSON_FIELDS[table]?.[column]).map(({ table, column }) => `${table}.${column}`)).toEqual([]);
    const there = new Set(columns.map(({ table, column }) => `${table}.${column}`));
    expect(
      Object.entries(PERSON_FIELDS)
        .flatMap(([table, of]) => Object.keys(of).map((column) => `${table}.${column}`))
        .filter((name) => !there.has(name)),
    ).toEqual([]);
  });

  test.each([1, 2, 3])('nothing of an erased person is left, whatever is sent or merged meanwhile (%i)', async () => {
    const { choir } = await demo(await director());
    const person = await newcomer('Canary Yellowhammer', 'canary.yellow@post.example');
    await enterForm(await director(), {
      once: newId(),
      person,
      screenedOn: TODAY,
      birthDate: '1971-03-09',
      answers: wholeForm([{ condition: 'panic', answer: 'yes' }]),
    });
    await openAnswers(await director(), { person, why: 'Canary asked on the stairs' });
    await makeOverride(await director(), {
      once: newId(),
      person,
      rules: ['panic.eyes-closed'],
      until: '2026-12-20',
      reason: 'Canary is sure of it',
    });
    const { session, log } = await taught();
    const marked = { person, came: true, effort: 'strained', stopSigns: ['chest pain', 'feeling unreal'] };
    await logClass(await deskOf('teacher'), log([marked]));
    await markSign(await deskOf('teacher'), { session: session.id, id: newId(), person, sign: 'wheeze', place: 'during 4:4' });
    const [sign] = await standingOf(person);
    await answerSigns(await director(), { signs: [sign], answer: 'Her sister drove Canary home' });
    const { version } = await (await director()).em.findOneOrFail(PersonRow, { id: person });
    const roster = {
      once: newId(),
      cohort: choir,
      text: 'name,email\nCanary Yellowhammer,canary.yellow@post.example\n',
      mapping: { name: 'name', email: 'email' },
      merge: [{ row: 1, as: 'the same person', version }],
    };
    const sent = await Promise.all([
      answerOf(erasePerson(await director(), { person, name: 'Canary Yellowhammer' })),
      answerOf(sendForms(await director(), { once: newId(), people: [person] })),
      answerOf(importRoster(await director(), roster)),
      answerOf(
        changePerson(await director(), {
          person,
          version,
          name: 'Canary Yellowhammer',
          email: 'canary.yellow@post.example',
          cohort: choir,
          comfortIn: 5,
          comfortOut: 7,
        }),
      ),
    ]);
    // A change that came first moves nobody out of reach: erasing then waits for it, or is told and is done again.
    if (sent[0] !== 'allowed') await erasePerson(await director(), { person, name: 'Canary Yellowhammer' });
    const rows = JSON.stringify(
      [...(await allRows())].filter(
        ([, row]) => row.id === person || row.person === person || /anary/.test(JSON.stringify(row)) || JSON.stringify(row).includes(person),
      ),
    );
    expect(/.{0,60}(canary|yellow|1971-|stairs|sure of it|chest pain|feeling unreal|wheeze|drove).{0,60}/i.exec(rows)?.[0]).toBeUndefined();
    const [row] = await (await ownerManager()).execute<Record<string, unknown>[]>(`select * from person where id = '${person}'`);
    for (const [column, [fate]] of Object.entries(PERSON_FIELDS.person)) {
      if (fate === 'emptied') expect([column, row[column] ?? '']).toEqual([column, '']);
      if (fate === 'a pseudonym') expect(row[column]).toMatch(/^Somebody/);
    }
  });
});

test('a technique of a studio’s own is kept with its edges, at the version that was seen, and for nobody else', async () => {
  const id = newId();
  const entry = tideBreath(id);
  await inOne(await director(), (at) => addOwnTechnique(at, entry));
  expect((await library(await director())).technique(id).name).toBe('Tide breath');
  expect((await library(await deskOf('stranger'))).find(id)).toBeNull();
  expect(SHIPPED_LIBRARY.find(id)).toBeNull();
  const renamed = { ...entry, technique: { ...entry.technique, name: 'Slack tide' } };
  expect(await inOne(await director(), (at) => changeOwnTechnique(at, 1, renamed, false))).toBe(2);
  expect(await answerOf(inOne(await director(), (at) => changeOwnTechnique(at, 1, entry, true)))).toBe('clash');
  expect(
    await answerOf(inOne(await director(), (at) => addOwnTechnique(at, { ...entry, technique: { ...entry.technique, id: newId(), pattern: '4:' } }))),
  ).toBe('invalid');
});

test('a mail is delivered once by however many instances, tried again when the post office is busy, and seen', async () => {
  const people = [await newcomer('Tove R.', 'tove@post.example'), await newcomer('Ulf S.', 'ulf@refused.example')];
  await sendForms(await director(), { once: newId(), people });
  const working = await Promise.all([startWorking(0.5), startWorking(0.5)]);
  const mails = async () => (await director()).em.find(MailRow, { person: people });
  for (let turn = 0; turn < 40 && (await mails()).some(({ tries }) => tries === 0); turn += 1) await new Promise((soon) => setTimeout(soon, 250));
  await Promise.all(working.map(({ stop }) => stop()));
  expect((await mails()).map(({ address, tries, deliveredAt }) => [address, tries, deliveredAt !== null]).sort()).toEqual([
    ['tove@post.example', 1, true],
    ['ulf@refused.example', 1, false],
  ]);
  const waits = await (
    await ownerManager()
  ).execute<{ state: string; retry_limit: number }[]>(
    `select state, retry_limit from pgboss.job where name = 'deliver-mail' and data->>'mail' = '${(await mails()).find(({ deliveredAt }) => !deliveredAt)!.id}'`,
  );
  expect(waits).toEqual([{ state: 'retry', retry_limit: 8 }]);
  expect(JSON.stringify(await readOutbox(await director()))).toContain('this address takes no mail');
}, 60_000);

test('a letter whose delivery was killed goes out within a minute, once; one that calls for help waits behind nobody', async () => {
  const person = await newcomer('Tove R.', 'tove@post.example');
  await sendForms(await director(), { once: newId(), people: [person] });
  const { session } = await taught();
  await markSign(await deskOf('teacher'), { session: session.id, id: newId(), person, sign: 'chest pain', place: '' });
  const em = await ownerManager();
  const jobs = await em.execute<{ id: string; priority: number }[]>(
    `select id, priority from pgboss.job where name = 'deliver-mail' and state = 'created' order by priority`,
  );
  expect(jobs.at(-1)!.priority).toBeGreaterThan(jobs[0].priority);
  // Fetched by an instance that was killed just when it is taken for killed.
  await em.execute(
    `update pgboss.job set state = 'active', started_on = now() - interval '20 seconds' where name = 'deliver-mail' and state = 'created'`,
  );
  const begun = Date.now();
  const working = await Promise.all([startWorking(0.5), startWorking(0.5)]);
  const waits = async () => (await (await director()).em.find(MailRow, { person })).filter(({ deliveredAt }) => !deliveredAt).length;
  while ((await waits()) > 0 && Date.now() - begun < 60_000) await new Promise((soon) => setTimeout(soon, 500));
  await Promise.all(working.map(({ stop }) => stop()));
  expect(Date.now() - begun).toBeLessThan(60_000);
  const sent = await (await director()).em.find(MailRow, { person });
  expect(sent.map(({ tries }) => tries)).toEqual(sent.map(() => 1));
  // What was delivered is kept without the secret in its link.
  expect(sent.find(({ body }) => body.includes('/form/'))!.body).toContain('/form/…');
}, 90_000);
