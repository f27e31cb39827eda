import { RIGHTS } from '../../src/server/db/grants';
import { LEAVES_NO_LINES } from '../../src/server/db/read';
import { freshManager } from '../../src/server/db/orm';
import { inOne, type Desk } from '../../src/server/desk';
import { forgetChanges, revisions } from '../../src/server/repositories/changes';
import { cohorts } from '../../src/server/repositories/cohorts';
import { courses } from '../../src/server/repositories/courses';
import { roster } from '../../src/server/repositories/people';
import { readings } from '../../src/server/repositories/screenings';
import { keptNow, untilChanged } from '../../src/server/untilChanged';
import { listCohorts } from '../../src/server/usecases/cohorts/listCohorts';
import { listCourses } from '../../src/server/usecases/courses/listCourses';
import { readCourse } from '../../src/server/usecases/courses/readCourse';
import { workAhead } from '../../src/server/usecases/lobby/workAhead';
import { readLobby } from '../../src/server/usecases/lobby/readLobby';
import { needsDoing } from '../../src/server/usecases/people/needsDoing';
import { listPlans } from '../../src/server/usecases/plans/listPlans';
import { listSeries, readSeries } from '../../src/server/usecases/series/readSeries';
import { readSigns } from '../../src/server/usecases/signs/answerSigns';
import { myClasses } from '../../src/server/usecases/teach/myClasses';
import { readWeek } from '../../src/server/usecases/teach/readWeek';
import { backToKept, forgetKept, keepAll } from './snapshot';
import { closeDatabase, demo, deskOf, NOW, openBoth, ownerManager, TODAY } from './studio';

/** What was worked out is what would be worked out anew, whatever changes and whoever changes it. */

let ids: Awaited<ReturnType<typeof demo>>;

beforeAll(async () => {
  await openBoth();
  await keepAll();
  ids = await demo(await deskOf('director'));
}, 120_000);
afterEach(() => backToKept());
afterAll(async () => {
  await forgetKept();
  await closeDatabase();
});

test('what the first pages of a day ask for is worked out before anybody looks, once a day', async () => {
  keptNow().clear();
  const [em, done] = [await freshManager(), new Map<string, string>()];
  await workAhead(em, NOW, done);
  const ahead = new Map(keptNow());
  expect([...ahead.keys()].filter((key) => key.includes('checks of')).length).toBeGreaterThan(2);
  await readLobby(await deskOf('director'));
  expect([...keptNow()].filter(([name, { worked }]) => ahead.get(name)?.worked !== worked)).toEqual([]);
  keptNow().clear();
  await workAhead(em, NOW, done);
  expect(keptNow().size).toBe(0);
  await workAhead(em, new Date(NOW.getTime() + 86_400_000), done);
  expect(keptNow().size).toBeGreaterThan(0);
});

const asOwner = async (sql: string): Promise<void> => void (await (await ownerManager()).execute(sql));

test('every table leaves lines for whatever is done to it, or nothing is kept that hangs on it', async () => {
  const rows = await (
    await ownerManager()
  ).execute<{ name: string; events: number }[]>(
    `select event_object_table as name, count(distinct event_manipulation)::int as events from information_schema.triggers
      where action_statement like '%note_change%' group by 1`,
  );
  const watched = new Map(rows.map(({ name, events }) => [name, events]));
  for (const table of Object.keys(RIGHTS)) expect([table, watched.get(table) ?? 0]).toEqual([table, LEAVES_NO_LINES.has(table) ? 0 : 3]);
});

/** Whose a row is, told apart otherwise than the tables do it. */
const ABOUT: Readonly<Record<string, string>> = {
  screening: '(select cohort from person where id = t.person)',
  clinician_answer: '(select cohort from person where id = t.person)',
  override_made: '(select cohort from person where id = t.person)',
  override_ended: '(select cohort from person where id = (select person from override_made where id = t.override))',
  person: 'cohort',
  course: 'id',
  class_session: 'course',
  plan_version: '(select course from class_session where id = t.session)',
  class_log: '(select course from class_session where id = t.session)',
  acknowledgement: '(select course from class_session where id = (select session from plan_version where id = t.plan))',
  series: 'id',
  series_member: 'series',
  check_in: '(select series from series_member where id = t.member)',
  cohort: 'id',
};

test.each(Object.entries(ABOUT))('a change of %s is said of whatever it belongs to, and of nothing else', async (table, about) => {
  const owner = await ownerManager();
  // None has been ended in the demo.
  if (table === 'override_ended')
    await asOwner(
      `insert into override_ended (id, studio, override, ended_on, ended_by, ended_at) select gen_random_uuid(), studio, id, '${TODAY}', made_by, now() from override_made limit 1`,
    );
  const [row] = await owner.execute<{ id: string; studio: string; about: string }[]>(
    `select id, studio, ${about}::text as about from ${table} t limit 1`,
  );
  const desk = { ...(await deskOf('director')), who: { ...(await deskOf('director')).who, studio: row.studio } };
  const before = await revisions(desk);
  await asOwner(`alter table ${table} disable trigger user; alter table ${table} enable trigger ${table}_changed;
    update ${table} set id = id where id = '${row.id}'; alter table ${table} enable trigger user;`);
  const after = await revisions(desk);
  const told = [...after.each].filter(([one, at]) => before.each.get(one) !== at).map(([one]) => one);
  expect(told).toContain(row.about);
  const live = await owner.execute<{ id: string }[]>(`select live_course as id from series where id = '${row.about}'`);
  expect(told.filter((one) => one !== row.about && one !== live[0]?.id)).toEqual([]);
});

type View = readonly [name: string, read: () => Promise<unknown>];

/** The pages that are kept, as their roles see them. */
async function views(): Promise<readonly View[]> {
  const [director, lead, teacher, front] = await Promise.all(
    (['director', 'lead teacher', 'teacher', 'front desk'] as const).map((role) => deskOf(role)),
  );
  return [
    ['first page of the director', () => readLobby(director)],
    ['first page of the lead', () => readLobby(lead)],
    ['first page of the teacher', () => readLobby(teacher)],
    ['first page of front desk', () => readLobby(front)],
    ['courses', () => listCourses(director)],
    ['a course', () => readCourse(director, ids.boat.id)],
    ['cohorts', () => Promise.all([listCohorts(director), needsDoing(director)])],
    ['plans', () => listPlans(director)],
    ['series', () => listSeries(director)],
    ['how series go', async () => Promise.all((await listSeries(director)).map(async ({ id }) => (await readSeries(director, id)).going))],
    ['the week', () => readWeek(director, null)],
    ['own classes', () => Promise.all([myClasses(teacher), readWeek(teacher, null)])],
  ];
}

async function seen(): Promise<Record<string, unknown>> {
  const all: Record<string, unknown> = {};
  for (const [name, read] of await views()) all[name] = await read();
  return all;
}

const boats = () => `(select id from course where id = '${ids.boat.id}')`;
/** What may happen to rows; each is seen on some page. */
const CHANGES: readonly (readonly [what: string, sql: () => string])[] = [
  ['a course is called otherwise', () => `update course set name = name || ' anew' where id = '${ids.boat.id}'`],
  [
    'a course changes hands',
    () => `update course set teacher = (select id from staff where role = 'director' and studio = course.studio limit 1) where id = '${ids.boat.id}'`,
  ],
  ['a course is taken away', () => `update course set removed_at = now() where id = '${ids.phrases.id}'`],
  ['a class is emptied', () => `update class_session set blocks = '[]' where course in ${boats()} and date >= '${TODAY}'`],
  ['classes move to another hour', () => `update class_session set start = '06:10' where course in ${boats()}`],
  ['a class is cancelled', () => `update class_session set cancelled = '{"reason":"the heating"}' where course in ${boats()} and date = '${TODAY}'`],
  ['a group sits otherwise', () => `update cohort set seat = 'chair', name = 'Ferry, on chairs' where id = '${ids.ferry}'`],
  ['somebody joins another group', () => `update person set cohort = '${ids.choir}' where cohort = '${ids.ferry}' and name < 'G'`],
  ['somebody leaves', () => `update person set left_on = '${TODAY}' where cohort = '${ids.choir}' and name < 'K'`],
  ['the guards are stricter', () => `update studio set guards = '{"restMinutes":1,"holdSeconds":[0,0,1,1]}'`],
  ['somebody leaves the staff', () => `update staff set left_at = now() where role = 'teacher'`],
  ['somebody may teach less', () => `update staff set qualifications = '[]'`],
  [
    'the studio is closed',
    () =>
      `insert into closure (id, studio, from_date, until_date, reason) select gen_random_uuid(), studio, '${TODAY}', '2027-01-31', 'the roof' from cohort where id = '${ids.ferry}'`,
  ],
  [
    'a teacher is away',
    () =>
      `insert into away (id, studio, staff, from_date, until_date, said_by, said_at) select gen_random_uuid(), studio, teacher, '${TODAY}', '2027-01-31', teacher, now() from course where id = '${ids.boat.id}'`,
  ],
  ['a series is taken away', () => `update series set removed_at = now()`],
  ['what was done of a series is not so', () => `update check_in set did = 'not today'`],
  ['people leave a series', () => `update series_member set left_on = '${TODAY}'`],
];

test.each(CHANGES)(
  'pages are as they would be worked out anew: %s',
  async (_, sql) => {
    const before = await seen();
    await asOwner(sql());
    const after = await seen();
    keptNow().clear();
    expect(after).toEqual(await seen());
    // The change is seen somewhere, so that the comparison above is one.
    expect(after).not.toEqual(before);
  },
  60_000,
);

test('what nothing was done to is not worked out again, for however many who ask at once', async () => {
  let worked = 0;
  const once = async (desk: Desk) => untilChanged(desk, 'counted', [ids.ferry], async (at) => [(worked += 1), await roster(at)]);
  const desks = await Promise.all(Array.from({ length: 10 }, () => deskOf('director')));
  await Promise.all(desks.map(once));
  expect(worked).toBe(1);
  await asOwner(`update cohort set name = name || ' ' where id = '${ids.choir}'`);
  await once(await deskOf('director'));
  expect(worked).toBe(1);
  await asOwner(`update cohort set name = name || ' ' where id = '${ids.ferry}'`);
  await once(await deskOf('director'));
  expect(worked).toBe(2);
  // Another day is another key.
  await once(await deskOf('director', new Date(NOW.getTime() + 86_400_000)));
  expect(worked).toBe(3);
  // Nobody else’s.
  await once(await deskOf('stranger'));
  expect(worked).toBe(4);
});

test('what failed is tried again, and a transaction always reads for itself', async () => {
  let worked = 0;
  const fails = (desk: Desk) =>
    untilChanged(desk, 'fails once', 'everything', () => {
      worked += 1;
      return worked === 1 ? Promise.reject(new Error('once')) : Promise.resolve(worked);
    });
  await expect(fails(await deskOf('director'))).rejects.toThrow('once');
  await expect(fails(await deskOf('director'))).resolves.toBe(2);
  const desk = await deskOf('director');
  await inOne(desk, (at) => fails(at));
  expect(worked).toBe(3);
});

test('nothing is kept that hangs on a table without lines, nor an opened answer', async () => {
  const desk = await deskOf('director');
  await expect(untilChanged(desk, 'readings', 'everything', (at) => readings(at))).rejects.toThrow('leave no lines');
  await readSigns(desk);
  await seen();
  const words = JSON.stringify([...(await Promise.all([...keptNow().values()].map(({ worked }) => worked)))]);
  expect(words).not.toMatch(/birthDate|guardianConsent|"answers"/);
});

test('a line that is committed later counts, and thinned lines change no key twice', async () => {
  const desk = await deskOf('director');
  const owner = await ownerManager();
  const add = (id: string) =>
    owner.execute(`insert into change (id, studio, about, at) values (${id}, '${desk.who.studio}', 'studio', now() - interval '2 hours')`);
  const keys = new Set<string>();
  const key = async () => (await revisions(await deskOf('director'))).each.get('studio')!;
  keys.add(await key());
  for (const id of ['900002', '900001', '900004']) {
    await add(id);
    keys.add(await key());
  }
  expect(keys.size).toBe(4);
  await forgetChanges(await freshManager(), new Date(Date.now() - 3_600_000));
  keys.add(await key());
  await add('900003');
  keys.add(await key());
  expect(keys.size).toBe(6);
  const [{ left }] = await owner.execute<{ left: number }[]>(
    `select count(*)::int as left from change where about = 'studio' and id between 900000 and 900009`,
  );
  expect(left).toBe(2);
});

test('what was read before it was known what had changed is read again for what is kept', async () => {
  const desk = await deskOf('director');
  await Promise.all([courses(desk), cohorts(desk)]);
  await asOwner(`update course set name = 'Called otherwise' where id = '${ids.boat.id}'`);
  expect((await listCourses(desk)).map(({ name }) => name)).toContain('Called otherwise');
  expect((await listCourses(await deskOf('director'))).map(({ name }) => name)).toContain('Called otherwise');
});
