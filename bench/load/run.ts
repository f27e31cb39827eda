import { Agent, get } from 'node:http';
import { freshManager, orm } from '../../src/server/db/orm';
import { CohortRow, CourseRow, PersonRow, SeriesRow, SessionRow, SignInRow, StaffRow } from '../../src/server/db/rows';
import { hashOf, newToken } from '../../src/server/repositories/tokens';
import type { Role } from '../../src/core/staff';

/**
 * How pages keep up, at a running server (OAKEN_ADDRESS, with its database in the environment): alone, ten and fifty and two hundred at
 * once, and a second after the storm. Read, not asserted; every loop is bounded and ends by itself.
 */

const address = process.env.OAKEN_ADDRESS ?? 'http://127.0.0.1:3700';
const ANYWHERE = { filters: false } as const;
const agent = new Agent({ keepAlive: true, maxSockets: 400 });

/** How often a page is asked for before it is measured, by two at a time, and then alone. */
const WARM = 60;
const ALONE = 40;

interface Answer {
  readonly status: number;
  readonly ms: number;
}

function ask(path: string, token: string): Promise<Answer> {
  const begun = performance.now();
  return new Promise((done) => {
    const answer = (status: number) => done({ status, ms: performance.now() - begun });
    get(new URL(path, address), { agent, headers: { cookie: `oaken-session=${token}`, accept: 'text/html' } }, (response) => {
      response.resume();
      response.on('end', () => answer(response.statusCode ?? 0));
      response.on('error', () => answer(0));
    }).on('error', () => answer(0));
  });
}

const at = (all: readonly number[], share: number) => [...all].sort((a, b) => a - b)[Math.min(all.length - 1, Math.floor(all.length * share))] ?? 0;
const ms = (figure: number) => `${Math.round(figure)} ms`;

/** A signed-in session for a role. */
async function tokenFor(role: Role): Promise<string> {
  const em = await freshManager();
  const [cohort] = await em.find(CohortRow, {}, { ...ANYWHERE, limit: 1, orderBy: { id: 'asc' } });
  const staff = await em.findOneOrFail(StaffRow, { role, leftAt: null, studio: cohort.studio }, ANYWHERE);
  const [token, now] = [newToken(), new Date()];
  await em.insert(SignInRow, { tokenHash: hashOf(token), studio: staff.studio as string, staff: staff.id, seenAt: now, since: now });
  return token;
}

async function alone(path: string, token: string): Promise<void> {
  // As in the middle of a day, not in its first minute: both processes have made the page before.
  for (let turn = 0; turn < WARM; turn += 1) await Promise.all([ask(path, token), ask(path, token)]);
  const answers = [];
  for (let turn = 0; turn < ALONE; turn += 1) answers.push(await ask(path, token));
  const times = answers.map((one) => one.ms);
  console.log(`  ${path.replace(/[\da-f-]{36}/, '…')}: alone p50 ${ms(at(times, 0.5))}, p95 ${ms(at(times, 0.95))}`);
}

/** So many at once, again and again for some seconds. */
async function together(path: string, token: string, many: number, seconds: number): Promise<void> {
  const until = performance.now() + seconds * 1000;
  const answers: Answer[] = [];
  await Promise.all(
    Array.from({ length: many }, async () => {
      do answers.push(await ask(path, token));
      while (performance.now() < until);
    }),
  );
  const good = answers.filter(({ status }) => status === 200);
  const [times, late] = [good.map((one) => one.ms), answers.filter(({ status }) => status === 503)];
  const rate = good.length / ((seconds * 1000 + Math.max(0, performance.now() - until)) / 1000);
  const longest = Math.max(...answers.map((one) => one.ms));
  console.log(
    `  ${path.replace(/[\da-f-]{36}/, '…')}: ${many} at once, ${rate.toFixed(1)} a second, p95 ${ms(at(times, 0.95))}, turned away ${late.length}, unanswered ${answers.length - good.length - late.length}, longest ${ms(longest)}`,
  );
}

const em = await freshManager();
const [people, courses, sessions] = [
  await em.count(PersonRow, {}, ANYWHERE),
  await em.count(CourseRow, {}, ANYWHERE),
  await em.count(SessionRow, {}, ANYWHERE),
];
console.log(`${people} people, ${courses} courses, ${sessions} classes`);
const [director, teacher, desk] = [await tokenFor('director'), await tokenFor('teacher'), await tokenFor('front desk')];
const first = async (row: typeof CourseRow | typeof SeriesRow | typeof CohortRow) =>
  (await em.find(row as typeof CourseRow, {}, { ...ANYWHERE, limit: 1, orderBy: { id: 'asc' } }))[0].id;
const plan = (await em.find(SessionRow, { published: { $gt: 0 } }, { ...ANYWHERE, limit: 1, orderBy: { date: 'desc' } }))[0].id;
const cohort = await first(CohortRow);
for (const path of [
  '/',
  '/cohorts',
  '/courses',
  `/courses/${await first(CourseRow)}`,
  `/series/${await first(SeriesRow)}`,
  '/plans',
  `/plans/${plan}`,
  '/teach',
  '/studio',
  `/cohorts/${cohort}`,
  '/signs',
])
  await alone(path, director);
await alone('/', teacher);
await alone('/teach', teacher);
await alone('/', desk);
await together('/', director, 10, 5);
await together('/teach', teacher, 10, 5);
await together('/', director, 50, 5);
await together('/teach', teacher, 50, 5);
await together('/teach', teacher, 200, 5);
await together('/', director, 200, 5);
await new Promise((soon) => setTimeout(soon, 1000));
console.log('a second after the storm:');
await alone('/', director);
await alone('/teach', teacher);
agent.destroy();
await (await orm()).close();
