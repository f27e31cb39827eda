import { fillStudio } from '../../bench/load/fill';
import type { Role } from '../../src/core/staff';
import { orm } from '../../src/server/db/orm';
import type { Desk } from '../../src/server/desk';
import { sessionsOf } from '../../src/server/repositories/courses';
import { listCohorts } from '../../src/server/usecases/cohorts/listCohorts';
import { readCohort } from '../../src/server/usecases/cohorts/readCohort';
import { listCourses } from '../../src/server/usecases/courses/listCourses';
import { readClimbs } from '../../src/server/usecases/courses/readClimbs';
import { readCourse } from '../../src/server/usecases/courses/readCourse';
import { readLobby } from '../../src/server/usecases/lobby/readLobby';
import { needsDoing } from '../../src/server/usecases/people/needsDoing';
import { readPerson } from '../../src/server/usecases/people/readPerson';
import { readOutbox, readRecord } from '../../src/server/usecases/people/records';
import { listPlans } from '../../src/server/usecases/plans/listPlans';
import { readPlan } from '../../src/server/usecases/plans/readPlan';
import { listSeries, readSeries } from '../../src/server/usecases/series/readSeries';
import { readSigns } from '../../src/server/usecases/signs/answerSigns';
import { readStaff } from '../../src/server/usecases/staff/readStaff';
import { readStudio } from '../../src/server/usecases/studio/readStudio';
import { coverFor } from '../../src/server/usecases/teach/cover';
import { myClasses } from '../../src/server/usecases/teach/myClasses';
import { readClass } from '../../src/server/usecases/teach/readClass';
import { readWeek } from '../../src/server/usecases/teach/readWeek';
import { keptNow } from '../../src/server/untilChanged';
import { backToKept, forgetKept, keepAll } from './snapshot';
import { closeDatabase, demo, deskOf, openBoth, TODAY } from './studio';

/** A page asks as many statements as its questions follow from each other, however large the studio is. */

/** Beside what is counted here: who is signed in. What stands around every page is asked together with what is on it. */
const AROUND = 1;
const MOST = 12 - AROUND;

interface Ids {
  readonly ferry: string;
  readonly boat: string;
  readonly class: string;
  readonly series: string;
  readonly person: string;
}

const PAGES: readonly (readonly [page: string, roles: readonly Role[], read: (desk: Desk, ids: Ids) => Promise<unknown>])[] = [
  ['/', ['director', 'lead teacher', 'teacher', 'front desk'], (desk) => readLobby(desk)],
  ['/cohorts', ['director', 'front desk'], (desk) => Promise.all([listCohorts(desk), needsDoing(desk)])],
  ['/cohorts/…', ['director', 'front desk'], (desk, { ferry }) => readCohort(desk, ferry, { date: TODAY, focus: null, all: true })],
  ['/cohorts/people/…', ['director', 'front desk'], (desk, { person }) => readPerson(desk, person)],
  ['/courses', ['director', 'lead teacher'], (desk) => listCourses(desk)],
  ['/courses/…', ['director'], (desk, { boat }) => readCourse(desk, boat)],
  ['/courses/…/climbs', ['director'], (desk, { boat }) => readClimbs(desk, boat)],
  ['/series', ['director', 'lead teacher', 'teacher', 'front desk'], (desk) => listSeries(desk)],
  ['/series/…', ['director'], (desk, { series }) => readSeries(desk, series)],
  ['/plans', ['director', 'lead teacher'], (desk) => listPlans(desk)],
  ['/plans/…', ['director'], (desk, { class: id }) => readPlan(desk, id)],
  ['/teach', ['director', 'lead teacher', 'teacher'], (desk) => Promise.all([readWeek(desk, null), myClasses(desk)])],
  ['/teach, cover', ['director', 'lead teacher'], (desk, { class: id }) => coverFor(desk, id)],
  ['/teach/…', ['teacher'], (desk, { class: id }) => readClass(desk, id)],
  ['/studio', ['director'], (desk) => readStudio(desk)],
  ['/studio/staff', ['director'], (desk) => readStaff(desk)],
  ['/studio/record', ['director'], (desk) => readRecord(desk)],
  ['/studio/outbox', ['director'], (desk) => readOutbox(desk)],
  ['/signs', ['director'], (desk) => readSigns(desk)],
];

let statements = 0;
let ids: Ids;

beforeAll(async () => {
  await openBoth();
  await keepAll();
  const desk = await deskOf('director');
  const { ferry, boat, person } = await demo(desk);
  const [session] = (await sessionsOf(desk, [boat.id])).filter(({ date, published }) => date >= TODAY && published > 0);
  const [series] = await listSeries(desk);
  ids = { ferry, boat: boat.id, class: session.id, series: series.id, person: await person('Fenna T.') };
  const connection = (await orm()).em.getConnection().getKnex();
  connection.on('query', ({ sql }: { sql: string }) => {
    if (!/^(begin|commit|rollback|select version|set )/i.test(sql)) statements += 1;
  });
}, 120_000);
afterAll(async () => {
  await backToKept();
  await forgetKept();
  await closeDatabase();
}, 120_000);

async function counted(): Promise<Map<string, number>> {
  const all = new Map<string, number>();
  for (const [page, roles, read] of PAGES)
    for (const role of roles) {
      const desk = await deskOf(role);
      // As the first who asks after a change.
      keptNow().clear();
      statements = 0;
      await read(desk, ids);
      all.set(`${role} ${page}`, statements);
    }
  return all;
}

test('every page of every role asks at most so many statements, and as many where the studio is four times as large', async () => {
  const small = await counted();
  expect([...small].filter(([, count]) => count > MOST)).toEqual([]);
  expect([...small.values()].every((count) => count > 0)).toBe(true);
  await fillStudio(4);
  const large = await counted();
  expect([...large].filter(([, count]) => count > MOST)).toEqual([]);
}, 180_000);
