import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as newId } from 'uuid';
import { SHIPPED_LIBRARY } from '../../src/core/library';
import { whoHas, signIn } from '../../src/server/auth/signin';
import { freshManager } from '../../src/server/db/orm';
import { StaffRow, StudioRow } from '../../src/server/db/rows';
import { deskFor, type Desk } from '../../src/server/desk';
import { sessionsOf } from '../../src/server/repositories/courses';
import { addCohort } from '../../src/server/usecases/cohorts/addCohort';
import { addPerson } from '../../src/server/usecases/cohorts/addPerson';
import { createCourse } from '../../src/server/usecases/courses/createCourse';
import { draftCourse } from '../../src/server/usecases/courses/draftCourse';
import { LAST_BACKUP } from '../../src/server/backup/last';
import { firstSteps, putStepsAway } from '../../src/server/usecases/lobby/firstSteps';
import { readLobby } from '../../src/server/usecases/lobby/readLobby';
import { publishPlan } from '../../src/server/usecases/plans/publishPlan';
import { saveQualifications } from '../../src/server/usecases/staff/manage';
import { beginStudio } from '../../src/server/usecases/studio/beginStudio';
import { saveConventions } from '../../src/server/usecases/studio/changeStudio';
import { answerOf, closeDatabase, courseInput, NOW, openBoth, seenOf, ANYWHERE } from './studio';
import { backToKept, emptied, forgetKept, keepAll } from './snapshot';

/** A studio of one's own, from an empty database to its first published plan. */

const CODE = 'ABCD-EFGH-2345';
const file = join(mkdtempSync(join(tmpdir(), 'oaken-')), 'first.code');

beforeAll(async () => {
  await openBoth();
  await keepAll();
}, 120_000);
beforeEach(async () => {
  writeFileSync(file, CODE);
  process.env.OAKEN_FIRST_CODE_FILE = file;
  await emptied();
});
afterAll(async () => {
  delete process.env.OAKEN_FIRST_CODE_FILE;
  await backToKept();
  await forgetKept();
  await closeDatabase();
});

const form = (over: object = {}) => ({
  code: 'abcd efgh 2345',
  studio: 'Lark Hill',
  zone: 'Europe/Dublin',
  name: 'Ondine Marsh',
  email: 'Ondine@lark.example',
  password: 'three-herons-wait',
  again: 'three-herons-wait',
  ...over,
});
const noWait = async () => undefined;
const begin = async (over: object = {}) => beginStudio(await freshManager(), form(over), '203.0.113.9', NOW, noWait);
const studios = async () => (await freshManager()).find(StudioRow, {}, ANYWHERE);

async function director(): Promise<Desk> {
  const { token } = await signIn(
    await freshManager(),
    { email: 'ondine@lark.example', password: 'three-herons-wait', address: '203.0.113.9', device: null },
    NOW,
    noWait,
  );
  return deskFor((await whoHas(await freshManager(), token, NOW))!, NOW) as Promise<Desk>;
}

const mondays = async () => (await addCohort(await director(), { once: newId(), name: 'Mondays', about: '', practises: ['natural'] })).id;
const addPia = async (cohort: string) =>
  addPerson(await director(), {
    once: newId(),
    cohort,
    name: 'Pia R.',
    email: 'pia@post.example',
    birthDate: '1990-02-03',
    screened: false,
    answers: [],
  });

test('the code that was shown opens the first page, once; its director signs in', async () => {
  await begin();
  expect(await studios()).toMatchObject([{ name: 'Lark Hill', zone: 'Europe/Dublin' }]);
  expect((await director()).who).toMatchObject({ role: 'director', name: 'Ondine Marsh', studioName: 'Lark Hill' });
  expect(() => readFileSync(file)).toThrow();
  expect(await answerOf(begin())).toBe('late');
});

test('another code, no code, a code of nowhere, no zone, another password: said at its field, and nothing is begun', async () => {
  const refused = async (over: object) => {
    const thrown = await begin(over).catch((error: unknown) => error);
    return (thrown as { readonly fields?: readonly { readonly field: string }[] }).fields?.map(({ field }) => field).join();
  };
  expect(await refused({ code: 'ABCD-EFGH-2346' })).toBe('code');
  expect(await refused({ code: '' })).toBe('code');
  expect(await refused({ zone: 'Mars/Olympus' })).toBe('zone');
  expect(await refused({ again: 'three-herons-went' })).toBe('again');
  expect(await refused({ password: 'short', again: 'short' })).toBe('password');
  delete process.env.OAKEN_FIRST_CODE_FILE;
  expect(await refused({})).toBe('code');
  expect(await studios()).toEqual([]);
  expect(readFileSync(file, 'utf8')).toBe(CODE);
});

test('whoever guesses is slowed down, and then told to come back', async () => {
  const answers: string[] = [];
  for (let tried = 0; tried < 40; tried += 1) answers.push(await answerOf(begin({ code: `WRONG-${tried}` })));
  expect(answers.slice(0, 8).every((answer) => answer === 'invalid')).toBe(true);
  expect(answers.at(-1)).toBe('too-many');
  expect(await studios()).toEqual([]);
});

test('of two at once one begins, and the other is told', async () => {
  const answers = await Promise.all([begin(), begin({ studio: 'Other', email: 'other@lark.example' })].map(answerOf));
  expect(answers.sort()).toEqual(['allowed', 'late']);
  expect(await studios()).toHaveLength(1);
  expect(await (await freshManager()).count(StaffRow, {}, ANYWHERE)).toBe(1);
});

test('it is led by what is there already, until the first plan is out; or put away', async () => {
  await begin();
  const done = async () => (await firstSteps(await director()))?.map((step) => step.done) ?? null;
  expect(await done()).toEqual([false, false, false, false, false, false]);
  expect(await readLobby(await director())).toEqual([]);
  await saveConventions(await director(), { version: 1, tempoSeconds: 1.1, naturalSeconds: 4 });
  expect(await done()).toEqual([true, false, false, false, false, false]);
  const { who } = await director();
  const families = [...new Set(SHIPPED_LIBRARY.techniques.map(({ family }) => family))].map((family) => ({ family, since: null }));
  await saveQualifications(await director(), { staff: who.id, version: 1, families });
  expect(await done()).toEqual([true, true, false, false, false, false]);
  const cohort = await mondays();
  expect((await firstSteps(await director()))![2]).toMatchObject({ done: false, doing: 'Mondays', href: `/cohorts/${cohort}` });
  await addPia(cohort);
  expect(await done()).toEqual([true, true, true, false, false, false]);
  const { id: course } = await createCourse(await director(), courseInput(who.id, cohort));
  expect(await done()).toEqual([true, true, true, true, false, false]);
  await draftCourse(await director(), { course, version: 1, seen: await seenOf(await director(), course) });
  expect(await done()).toEqual([true, true, true, true, true, false]);
  const [first] = await sessionsOf(await director(), [course]);
  await publishPlan(await director(), { once: newId(), session: first.id, version: first.version, teacher: who.id });
  expect(await done()).toBe(null);
});

test('the first page says when nothing was backed up, when that was too long ago, and when it failed; of the demo it says nothing', async () => {
  await begin();
  const home = mkdtempSync(join(tmpdir(), 'oaken-home-'));
  const days = (back: number) => new Date(NOW.getTime() - back * 86_400_000).toISOString();
  const said = async (last?: object) => {
    if (last) writeFileSync(join(home, LAST_BACKUP), JSON.stringify(last));
    return (await readLobby(await director())).map(({ text }) => text.split('. ')[0]).filter((text) => /back/.test(text));
  };
  process.env.OAKEN_HOME = home;
  expect(await said()).toEqual([]);
  process.env.OAKEN_OWN = '1';
  // There is nobody to lose yet.
  expect(await said()).toEqual([]);
  const cohort = await mondays();
  await addPia(cohort);
  expect(await said()).toEqual(['Nothing here was ever backed up']);
  expect(await said({ made: days(7.9), failed: null })).toEqual([]);
  expect(await said({ made: days(8), failed: null })).toEqual(['The last backup is 8 days old']);
  expect(await said({ made: days(3), failed: days(2) })).toEqual(['The last backup did not succeed, or did not read back']);
  expect(await said({ made: days(2), failed: days(3) })).toEqual([]);
  delete process.env.OAKEN_OWN;
  expect(await said({ made: days(30), failed: null })).toEqual([]);
  delete process.env.OAKEN_HOME;
});

test('whoever knows the way puts them away', async () => {
  await begin();
  await putStepsAway(await director());
  expect(await firstSteps(await director())).toBe(null);
});
