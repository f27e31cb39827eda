import { MikroORM } from '@mikro-orm/postgresql';
import { v7 as newId } from 'uuid';
import { loadScenario } from '../../demo/scenario';
import { DEMO_STAFF } from '../../demo/staff';
import { isoDate, type IsoDate } from '../../src/core/units';
import { migrate, ownerUrl } from '../../src/server/db/migrate';
import { freshManager, orm } from '../../src/server/db/orm';
import type { Role } from '../../src/core/staff';
import { CohortRow, CourseRow, PersonRow, PlanRow, ROWS, StaffRow, StopSignRow, StudioRow } from '../../src/server/db/rows';
import { deskFor, type Desk } from '../../src/server/desk';
import { sessionsOf, type Course, type Requested } from '../../src/server/repositories/courses';
import { openStudio } from '../../src/server/usecases/studio/openStudio';
import { Refusal } from '../../src/server/errors';
import { backToKept, keepAll } from './snapshot';

/** A real database with the demo in it, and a second studio beside it that must see nothing of the first. */

export const NOW = new Date('2026-11-24T09:00:00Z');
export const TODAY: IsoDate = isoDate('2026-11-24');

/** Makes both studios once for a whole run; every later file begins with them as they were then. */
export async function openBoth(): Promise<void> {
  process.env.OAKEN_ORIGIN ??= 'http://127.0.0.1:3700';
  process.env.OAKEN_MASTER_KEY_FILE ??= `${process.cwd()}/.oaken-test/master.key`;
  await migrate();
  const em = await freshManager();
  if ((await em.count(StudioRow)) > 0) return backToKept('fresh_demo');
  await loadScenario(em, NOW, 'Europe/Lisbon');
  await openStudio(
    await freshManager(),
    { name: 'Sallow Quay Rooms', zone: 'Europe/Lisbon' },
    [{ name: 'Wilmot Gray', email: 'wilmot@sallow.example', role: 'director', password: 'another-studio', qualifications: [] }],
    newId,
    NOW,
  );
  await keepAll('fresh_demo');
}

/** What a test looks at across studios. */
export const ANYWHERE = { filters: false } as const;

let owner: Promise<MikroORM> | null = null;

/** A manager of the role that owns the database. */
export async function ownerManager() {
  owner ??= MikroORM.init({ clientUrl: ownerUrl(), entities: ROWS });
  return (await owner).em.fork();
}

export async function closeDatabase(): Promise<void> {
  await (await owner)?.close();
  owner = null;
  await (await orm()).close();
}

/** A desk for one of the demo's staff by role, or for the director of the other studio. */
export async function deskOf(role: Role | 'stranger', now = NOW): Promise<Desk> {
  const em = await freshManager();
  const email = role === 'stranger' ? 'wilmot@sallow.example' : DEMO_STAFF.find((staff) => staff.role === role)!.email;
  const staff = await em.findOneOrFail(StaffRow, { email }, ANYWHERE);
  const studio = await em.findOneOrFail(StudioRow, { id: staff.studio });
  return deskFor(
    { as: 'staff', id: staff.id, studio: studio.id, studioName: studio.name, zone: studio.zone, name: staff.name, role: staff.role },
    now,
  );
}

/** The refusal's code, or "allowed". Anything that is not a refusal is a bug and throws on. */
export async function answerOf(work: Promise<unknown>): Promise<string> {
  try {
    await work;
    return 'allowed';
  } catch (error) {
    if (error instanceof Refusal) return error.code;
    throw error;
  }
}

export async function demo(desk: Desk) {
  const cohort = (name: string) => desk.em.findOneOrFail(CohortRow, { name });
  const course = (name: string) => desk.em.findOneOrFail(CourseRow, { name });
  const [ferry, choir] = await Promise.all([cohort('Ferry crew, early shift'), cohort('Choir and brass')]);
  const [boat, phrases] = (await Promise.all([course('Steady on the early boat'), course('Long phrases')])).map((row) => ({
    ...row,
    firstDate: isoDate(row.firstDate),
  }));
  const person = async (name: string) => (await desk.em.findOneOrFail(PersonRow, { name })).id;
  return { ferry: ferry.id, choir: choir.id, boat, phrases, person };
}

/** The demo's class of today, with what its teacher's log of it is made of. */
export async function taught() {
  const desk = await deskOf('director');
  const { boat, person } = await demo(desk);
  const session = (await sessionsOf(desk, [boat.id])).find(({ date }) => date === TODAY)!;
  const plan = (await desk.em.findOneOrFail(PlanRow, { session: session.id })).id;
  const attendance = (id: string, stopSigns: string[] = []) => ({ person: id, came: true, effort: 'easy', stopSigns });
  const log = (rows: object[], more: object = {}) => ({
    id: newId(),
    session: session.id,
    plan,
    reached: 'all of it',
    note: '',
    attendance: rows,
    ...more,
  });
  return { session, plan, log, attendance, juno: await person('Juno B.'), asta: await person('Asta R.') };
}

/** The stop signs that stand of somebody, as a page shows them. */
export async function standingOf(person: string | null) {
  const rows = await (await ownerManager()).find(StopSignRow, { person, answeredAt: null }, { ...ANYWHERE, orderBy: { at: 'asc', id: 'asc' } });
  return rows.map(({ id, version }) => ({ id, version }));
}

/** A small course that could be made. */
export function courseInput(teacher: string, cohort = newId()) {
  return {
    once: newId(),
    name: 'A trial',
    cohort,
    firstDate: '2026-12-01',
    weeks: 4,
    weekdays: [2],
    start: '18:30',
    minutes: 60,
    teacher,
    goals: [{ technique: 'equal-4-4', pattern: '4:4', dose: '4 min', practise: 2 }],
  };
}

/** What a course is asked for, as the form that changes it sends it. */
export async function requestOf(desk: Desk, found: Requested & Pick<Course, 'id' | 'version'>) {
  const { id, version, name, cohort, teacher, firstDate, weeks, weekdays, start, minutes, settled, goals } = found;
  const asked = { name, cohort, teacher, firstDate, weeks, weekdays, start, minutes, settled, goals };
  return { course: id, version, seen: await seenOf(desk, id), ...asked };
}

/** The versions of a course's sessions, as a page shows them. */
export async function seenOf(desk: Desk, course: string) {
  const sessions = await sessionsOf(await deskFor(desk.who, desk.now, desk.em), [course]);
  return sessions.map(({ id: session, version }) => ({ session, version }));
}
