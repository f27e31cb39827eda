import { v7 as newId } from 'uuid';
import { HELP_SIGNS } from '../../src/core/screening';
import type { Role } from '../../src/core/staff';
import { EFFORTS } from '../../src/core/teach';
import { action, asJson, counted, device, odd, post, sleep, time, until, type Reply } from './wire';
import { killing, kills } from './kill';
import { MikroORM } from '@mikro-orm/postgresql';
import { vault } from '../../src/server/auth/vault';
import { ownerUrl } from '../../src/server/db/migrate';
import { freshManager, orm } from '../../src/server/db/orm';
import { CohortRow, CourseRow, PlanRow, ROWS, SeriesMemberRow, SessionRow, SignInRow, StaffRow } from '../../src/server/db/rows';
import { ownToken } from '../../src/server/repositories/series';
import { hashOf, newToken } from '../../src/server/repositories/tokens';

/**
 * Mixed writes over the network while application and database are killed, at a studio that bin/start serves (tests/storm.sh begins it).
 * Every write is sent again until it is answered, as devices and people do; in the end each is counted in the database: a write that was
 * acknowledged must be there, once and whole. STORM_START is the process of bin/start, STORM_DATA the database's folder.
 */

const minutes = Number(process.argv[2] ?? 60);
const address = process.env.OAKEN_ADDRESS!;
const ANYWHERE = { filters: false } as const;

const owner = await MikroORM.init({ clientUrl: ownerUrl(), entities: ROWS });
type Row = Readonly<Record<string, unknown>>;
const rows = (sql: string, values: readonly unknown[] = []) => owner.em.getConnection().execute<Row[]>(sql, [...values]);

async function tokenFor(role: Role): Promise<{ readonly token: string; readonly id: string }> {
  const em = await freshManager();
  const staff = await em.findOneOrFail(StaffRow, { role, leftAt: null }, ANYWHERE);
  const [token, now] = [newToken(), new Date()];
  await em.insert(SignInRow, { tokenHash: hashOf(token), studio: staff.studio as string, staff: staff.id, seenAt: now, since: now });
  return { token, id: staff.id };
}

const em = await freshManager();
const [director, teacher] = [await tokenFor('director'), await tokenFor('teacher')];
const today = new Date().toISOString().slice(0, 10);
const plans = await em.find(PlanRow, { teacher: teacher.id }, { ...ANYWHERE, orderBy: { id: 'asc' } });
const taught = (await em.find(SessionRow, { id: plans.map(({ session }) => session as string) }, ANYWHERE)).find(({ date }) => date < today);
if (!taught) throw new Error('the teacher has taught no class in this demo');
const taughtPlan = plans.find(({ session }) => session === taught.id)!.id;
const members = await em.find(SeriesMemberRow, { leftOn: null }, { ...ANYWHERE, orderBy: { id: 'asc' } });
const [ferry] = await em.find(CohortRow, {}, { ...ANYWHERE, limit: 1 });
console.log(`${minutes} min at ${address}; ${members.length} people of a series, ${(await em.count(CourseRow, {}, ANYWHERE)).toString()} courses`);

/** What must be there in the end, by kind: each looks for one write, and says "once", "twice", "lost" or "half". */
type Found = 'once' | 'twice' | 'lost' | 'half';
const kept: { readonly kind: string; readonly look: () => Promise<Found> }[] = [];
const one = async (sql: string, values: readonly unknown[]): Promise<Found> => {
  const found = Number((await rows(sql, values))[0].n);
  return found === 1 ? 'once' : found === 0 ? 'lost' : 'twice';
};
/** Sends, and remembers to look for it where it was acknowledged. */
async function written(kind: string, send: () => Promise<Reply | null>, look: (said: Reply) => Promise<Found>): Promise<Reply | null> {
  const said = await until(kind, send);
  if (said) kept.push({ kind, look: () => look(said) });
  return said;
}

const signs = [...HELP_SIGNS];

async function teacherWrites(): Promise<void> {
  const id = newId();
  const log = { id, session: taught!.id, plan: taughtPlan, reached: 'all of it', note: `storm ${id}`, attendance: [], by: teacher.id };
  await written('log', device(teacher.token, '/api/log', log), () => one('select count(*) n from class_log where id = ?', [id]));
  const mark = newId();
  const marked = { id: mark, session: taught!.id, person: null, sign: signs[Math.floor(Math.random() * signs.length)], place: 'storm' };
  await written('stop sign', device(teacher.token, '/api/sign', marked), () => one('select count(*) n from stop_sign where id = ?', [mark]));
}

const said = new Map<string, string>();
async function ownDayWrites(): Promise<void> {
  const member = members[Math.floor(Math.random() * members.length)];
  const token = ownToken({ vault: vault() }, member as unknown as Parameters<typeof ownToken>[1]);
  const felt = EFFORTS[Math.floor(Math.random() * EFFORTS.length)];
  const input = { did: 'done', felt, tap: newId() };
  const answer = await until('own day', async () => {
    const sent = await post(`/api/day/${token}`, { 'content-type': 'application/json' }, JSON.stringify(input));
    return sent && asJson(sent.text);
  });
  if (answer) said.set(member.id, felt);
  else said.delete(member.id);
}

const run = newId().slice(-6);
let peopleMade = 0;
async function peopleWrites(): Promise<void> {
  const name = `Storm cohort ${newId()}`;
  const cohort = await written('cohort', action(director.token, 'addCohortAction', { once: newId(), name }), () =>
    one('select count(*) n from cohort where name = ?', [name]),
  );
  if (!cohort) return;
  for (let turn = 0; turn < 3 && !time.over; turn += 1) {
    peopleMade += 1;
    const who = `Storm ${run} ${peopleMade}`;
    const form = {
      once: newId(),
      cohort: cohort.value!.id,
      name: who,
      email: '',
      screened: true,
      screenedOn: today,
      birthDate: '1980-01-01',
      answers: [{ condition: 'heart', answer: 'no' }],
    };
    const person = await written('person with a paper form', action(director.token, 'addPersonAction', form), async () => {
      const found = await one('select count(*) n from person where name = ?', [who]);
      const whole = await one("select count(*) n from screening s join person p on p.id = s.person where p.name = ? and s.source = 'paper'", [who]);
      return found === 'once' && whole !== 'once' ? 'half' : found;
    });
    if (!person) continue;
    const link = await until('a form here', action(director.token, 'formHereAction', { people: [person.value!.id] }));
    if (!link) continue;
    const token = String(link.value!.url).split('/').at(-1)!;
    await written(
      'form by link',
      async () => {
        const sent = await post(
          `/api/form/${token}`,
          { 'content-type': 'application/x-www-form-urlencoded' },
          'consent=on&birthDate=1980-01-01&heart=no',
        );
        // It was in already when the answer was lost: the link says that it is used up.
        return (
          sent &&
          (sent.status === 303 || sent.text.includes('has been used')
            ? { ok: true }
            : { ok: false, code: String(sent.status), message: sent.text.slice(-300) })
        );
      },
      () => one("select count(*) n from screening s join person p on p.id = s.person where p.name = ? and s.source = 'form'", [who]),
    );
  }
}

async function courseWrites(): Promise<void> {
  const name = `Storm course ${newId()}`;
  const weeks = 2 + Math.floor(Math.random() * 3);
  const goals = [{ technique: 'equal-4-4', pattern: '4:4', dose: '4 min', practise: 2 }];
  const hour = `${String(5 + Math.floor(Math.random() * 17)).padStart(2, '0')}:00`;
  const asked = {
    once: newId(),
    name,
    cohort: ferry.id,
    firstDate: '2029-01-02',
    weeks,
    weekdays: [2],
    start: hour,
    minutes: 60,
    teacher: teacher.id,
    goals,
  };
  const course = await written('course', action(director.token, 'createCourseAction', asked), async () => {
    const found = await one('select count(*) n from course where name = ?', [name]);
    const classes = Number((await rows('select count(*) n from class_session s join course c on c.id = s.course where c.name = ?', [name]))[0].n);
    return found === 'once' && classes !== weeks ? 'half' : found;
  });
  if (!course) return;
  const [session] = await rows(
    'select s.id, s.version from class_session s join course c on c.id = s.course where c.name = ? order by s.date limit 1',
    [name],
  );
  let version = Number(session.version);
  for (let turn = 0; turn < 2 && !time.over; turn += 1) {
    const marker = newId();
    const input = { session: session.id, version, purpose: marker, blocks: [{ id: newId(), part: 'lying-rest', minutes: 5 + turn }] };
    const saved = await until('save a plan', async () => {
      const answer = await action(director.token, 'saveBlocksAction', input)();
      if (answer?.code !== 'clash') return answer;
      // Nobody else writes here: the answer was lost, the write was not.
      const [now] = await rows('select purpose from class_session where id = ?', [session.id]);
      return now.purpose === marker ? { ok: true } : answer;
    });
    const [now] = await rows('select version, purpose, blocks::text from class_session where id = ?', [session.id]).catch(() => [null]);
    if (!saved || !now) return;
    const found: Found = now.purpose !== marker ? 'lost' : String(now.blocks).includes(input.blocks[0].id) ? 'once' : 'half';
    kept.push({ kind: 'save a plan', look: async () => found });
    version = Number(now.version);
  }
  const once = newId();
  await written('publish', action(director.token, 'publishPlanAction', { once, session: session.id, version, teacher: teacher.id }), () =>
    one('select count(*) n from plan_version where session = ?', [session.id]),
  );
}

let day = Math.floor(Math.random() * 9000);
async function studioWrites(): Promise<void> {
  const reason = `Storm ${newId()}`;
  day += 1;
  const date = new Date(Date.UTC(2031, 0, 1) + day * 86_400_000).toISOString().slice(0, 10);
  await written('closed days', action(director.token, 'addClosureAction', { once: newId(), from: date, until: date, reason }), () =>
    one('select count(*) n from closure where reason = ?', [reason]),
  );
  await written('away', action(teacher.token, 'saveAwayAction', { once: newId(), from: date, until: date, fromTime: null, untilTime: null }), () =>
    one('select count(*) n from away where from_date = ? and staff = ?', [date, teacher.id]),
  );
}

const again = async (work: () => Promise<void>) => {
  while (!time.over) {
    await work().catch(() => undefined);
    await sleep(500);
  }
};
const begun = Date.now();
const writers = [teacherWrites, ownDayWrites, peopleWrites, courseWrites, studioWrites].map(again);
const killer = killing();
while (Date.now() - begun < minutes * 60_000) await sleep(1000);
time.over = true;
await Promise.all([...writers, killer]);
for (let turn = 0; turn < 120; turn += 1) {
  const well = await fetch(new URL('/health', address)).then(
    (answer) => answer.json() as Promise<{ database: string }>,
    () => null,
  );
  if (well?.database === 'well') break;
  await sleep(500);
}

for (const [member, felt] of said)
  kept.push({
    kind: 'own day',
    look: async () => {
      const found = await rows('select felt from check_in where member = ? and date = ?', [member, today]);
      return found.length === 0 ? 'lost' : found.length > 1 ? 'twice' : found[0].felt === felt ? 'once' : 'half';
    },
  });
const results = new Map<string, Record<Found, number>>();
for (const { kind, look } of kept) {
  const result = results.get(kind) ?? { once: 0, twice: 0, lost: 0, half: 0 };
  result[await look()] += 1;
  results.set(kind, result);
}
console.log('killed:', [...kills].map(([name, times]) => `${name} ${times}`).join(', '));
console.table(
  Object.fromEntries(
    [...counted].map(([kind, { sent, again: more, acknowledged, refused }]) => {
      const { once = 0, twice = 0, lost = 0, half = 0 } = results.get(kind) ?? {};
      return [
        kind,
        {
          sent,
          'sent again': more,
          acknowledged,
          refused: [...refused.values()].reduce((sum, n) => sum + n, 0),
          'looked for': once + twice + lost + half,
          lost,
          twice,
          half,
        },
      ];
    }),
  ),
);
for (const [kind, { refused }] of counted) for (const [why, times] of refused) console.log(`  ${kind} refused ${times}: ${why}`);
for (const [name, text] of odd) console.log(`  ${name} was once answered with ${text}`);
const wrong = [...results.values()].reduce((sum, { twice, lost, half }) => sum + twice + lost + half, 0);
await owner.close();
await (await orm()).close();
console.log(wrong === 0 ? 'Nothing lost, half or twice.' : `${wrong} writes are not as they should be.`);
process.exit(wrong === 0 ? 0 : 1);
