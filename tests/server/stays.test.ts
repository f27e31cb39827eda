import { v7 as newId } from 'uuid';
import { given, wholeForm } from '../../demo/people';
import { techniquesIn } from '../../src/core/plan';
import { RULEBOOK } from '../../src/core/screening';
import { addDays } from '../../src/core/units';
import { session as sessionById, sessionsOf } from '../../src/server/repositories/courses';
import { progressOf } from '../../src/server/repositories/plans';
import { addPerson } from '../../src/server/usecases/cohorts/addPerson';
import { cancelClass } from '../../src/server/usecases/courses/lifeHappens';
import { readCourse } from '../../src/server/usecases/courses/readCourse';
import { recordClinician } from '../../src/server/usecases/people/setAsideRules';
import { publishMany, publishPlan } from '../../src/server/usecases/plans/publishPlan';
import { changeRole, inviteStaff, leaveStaff } from '../../src/server/usecases/staff/manage';
import { readAccount, removeOwnAway, saveAway } from '../../src/server/usecases/staff/ownAccount';
import { readStaff } from '../../src/server/usecases/staff/readStaff';
import { acknowledgePlan } from '../../src/server/usecases/teach/acknowledgePlan';
import { coverFor, handOver } from '../../src/server/usecases/teach/cover';
import { logClass } from '../../src/server/usecases/teach/logClass';
import { backToKept, forgetKept, keepAll } from './snapshot';
import { answerOf, closeDatabase, demo, deskOf, openBoth, ownerManager, seenOf, taught, TODAY } from './studio';

/** What must not happen, whatever a page shows: each refused by the server, and nothing left of it. */

const director = () => deskOf('director');

beforeAll(async () => {
  await openBoth();
  await keepAll();
}, 120_000);
afterEach(() => backToKept());
afterAll(async () => {
  await forgetKept();
  await closeDatabase();
});

/** The ferry course's classes that are still to come and not published. */
async function ahead() {
  const { boat, ferry, choir } = await demo(await director());
  const sessions = (await sessionsOf(await director(), [boat.id])).filter(({ date, published }) => date > TODAY && published === 0);
  return { boat, ferry, choir, sessions };
}

test('what everybody must leave out is not published, with a reason or without, alone or with others', async () => {
  const { boat, ferry, choir, sessions } = await ahead();
  // Somebody of whom nothing is known is all there is of the group.
  await (await ownerManager()).execute(`update person set cohort = '${choir}' where cohort = '${ferry}'`);
  await addPerson(await director(), { once: newId(), cohort: ferry, name: 'Nobody Knows', email: null, screened: false });
  const held = sessions.find(({ blocks }) => techniquesIn(blocks).some(({ technique }) => technique === 'pumps-27'))!;
  const { id, version } = held;
  const publish = async (reason?: string) => publishPlan(await director(), { once: newId(), session: id, version, teacher: boat.teacher, reason });
  await expect(publish()).rejects.toThrow(/left out by the one person/);
  await expect(publish('they asked for it')).rejects.toThrow(/left out by the one person/);
  const { held: back, published } = await publishMany(await director(), { once: newId(), course: boat.id, seen: [{ session: id, version }] });
  expect([published, back.length]).toEqual([[], 1]);
});

test('a colleague is said to be away, and back, only by whoever may hand classes over', async () => {
  const [teacher, lead] = [await deskOf('teacher'), await deskOf('lead teacher')];
  const away = (staff: string) => ({ once: newId(), staff, from: TODAY, until: TODAY, fromTime: null, untilTime: null });
  expect(await answerOf(saveAway(teacher, away(lead.who.id)))).toBe('not-allowed');
  expect(await answerOf(saveAway(teacher, away((await director()).who.id)))).toBe('not-allowed');
  await saveAway(await deskOf('lead teacher'), away(lead.who.id));
  const [{ id }] = (await readAccount(await deskOf('lead teacher'), null)).aways;
  expect(await answerOf(removeOwnAway(await deskOf('teacher'), { id }))).toBe('not-allowed');
  expect((await readAccount(await deskOf('lead teacher'), null)).aways).toHaveLength(1);
});

test('a log of a class that is in other hands is held, and changes nothing of the class', async () => {
  const { session, log, juno } = await taught();
  const row = [{ person: juno, came: true, effort: 'strained', stopSigns: [] }];
  expect(await logClass(await deskOf('lead teacher'), log(row))).toEqual({ kept: 'held' });
  expect((await progressOf(await director(), [session.id])).get(session.id)!.log).toBeNull();
  expect(await answerOf(logClass(await deskOf('front desk'), log(row)))).toBe('not-allowed');
  expect(await logClass(await deskOf('teacher'), log(row))).toEqual({ kept: 'taken' });
});

test('the last director stays while the other one is only invited', async () => {
  await inviteStaff(await director(), { once: newId(), name: 'Second Hand', email: 'second@pellwick.example', role: 'director', families: [] });
  const me = (await readStaff(await director())).members.find(({ email }) => email === 'linnet@pellwick.example')!;
  expect(await answerOf(leaveStaff(await director(), { staff: me.id, version: me.version }))).toBe('invalid');
  expect(await answerOf(changeRole(await director(), { staff: me.id, version: me.version, role: 'teacher' }))).toBe('invalid');
});

test('a class is not given to somebody who is away then, and is to somebody who is away at another hour', async () => {
  const { sessions } = await ahead();
  const lead = await deskOf('lead teacher');
  const [{ id, date, version }] = sessions;
  const give = async () => handOver(await director(), { once: newId(), session: id, version, teacher: lead.who.id });
  const away = { once: newId(), staff: null, from: date, until: date };
  await saveAway(await deskOf('lead teacher'), { ...away, fromTime: null, untilTime: null });
  await expect(give()).rejects.toThrow(/is away then/);
  const [{ id: said }] = (await readAccount(await deskOf('lead teacher'), null)).aways;
  await removeOwnAway(await deskOf('lead teacher'), { id: said });
  await saveAway(await deskOf('lead teacher'), { ...away, once: newId(), fromTime: '20:00', untilTime: '21:00' });
  expect(await answerOf(give())).toBe('allowed');
});

test('cover changes a class to nothing that everybody must leave out or ask a clinician about first', async () => {
  const { ferry, choir, sessions } = await ahead();
  const owner = await ownerManager();
  await owner.execute(`update person set cohort = '${choir}' where cohort = '${ferry}'`);
  // All there is of the group is somebody for whom whatever is counted waits for a clinician.
  const answers = wholeForm([given({ condition: 'heart' }, TODAY)]).map((one) => ({ date: null, parts: [], ...one }));
  const form = { birthDate: '1980-01-01', guardianConsent: false, answers };
  await addPerson(await director(), { once: newId(), cohort: ferry, name: 'Kell Moor', email: null, screened: true, screenedOn: TODAY, ...form });
  // Nobody is qualified for anything but what is gentle.
  const able = ['belly', 'natural', 'equal', 'longer-exhale'].map((family) => ({ family, since: '2020-01-01' }));
  await owner.execute(`update staff set qualifications = '${JSON.stringify(able)}'`);
  const last = sessions.findLast(({ blocks }) => techniquesIn(blocks).some(({ technique }) => technique === 'pumps-27'))!;
  const { unable } = await coverFor(await director(), last.id);
  const offered = unable.flatMap(({ change }) => change?.lines ?? []);
  expect(offered.length).toBeGreaterThan(0);
  expect(offered.filter((line) => / in\b|added|instead/.test(line) && /Equal|Longer/.test(line))).toEqual([]);
});

test('a class that was taught is not cancelled, today either', async () => {
  const { session, log } = await taught();
  const { boat } = await demo(await director());
  const cancelling = async () => {
    const { course } = await readCourse(await director(), boat.id);
    return {
      course: boat.id,
      version: course.version,
      seen: await seenOf(await director(), boat.id),
      session: session.id,
      reason: 'the boiler',
      bend: 'drop',
    };
  };
  await logClass(await deskOf('teacher'), log([]));
  await expect(cancelClass(await director(), await cancelling())).rejects.toThrow(/taught and logged already/);
  expect((await sessionById(await director(), session.id)).cancelled).toBeNull();
  await backToKept();
  expect(await answerOf(cancelClass(await director(), await cancelling()))).toBe('allowed');
});

test('a clinician’s answer is given today or earlier', async () => {
  const { person } = await demo(await director());
  const asking = RULEBOOK.find(({ answer, condition }) => answer === 'ask first' && condition === 'heart')!;
  const answer = { person: await person('Fenna T.'), rules: [asking.id], note: '', until: addDays(TODAY, 30) };
  expect(await answerOf(recordClinician(await director(), { ...answer, once: newId(), answeredOn: addDays(TODAY, 1) }))).toBe('invalid');
  expect(await answerOf(recordClinician(await director(), { ...answer, once: newId(), answeredOn: TODAY }))).toBe('allowed');
});

test('whoever strained or had a stop sign in one of two logs did so in the class', async () => {
  const { session, log, juno, asta } = await taught();
  const row = (person: string, effort: string, stopSigns: string[] = []) => ({ person, came: true, effort, stopSigns });
  await logClass(await deskOf('teacher'), log([row(juno, 'strained'), row(asta, 'easy')]));
  await logClass(await director(), log([row(juno, 'easy'), row(asta, 'easy', ['dizziness'])]));
  const { attendance } = (await progressOf(await director(), [session.id])).get(session.id)!.log!;
  expect(attendance.find(({ person }) => person === juno)).toMatchObject({ effort: 'strained' });
  expect(attendance.find(({ person }) => person === asta)).toMatchObject({ stopSigns: ['dizziness'] });
});

test('a plan is read by whoever holds it, and by nobody for them', async () => {
  const { session, plan } = await taught();
  expect(await answerOf(acknowledgePlan(await director(), { session: session.id, plan }))).toBe('not-found');
  expect(await answerOf(acknowledgePlan(await deskOf('lead teacher'), { session: session.id, plan }))).toBe('not-found');
  expect((await progressOf(await director(), [session.id])).get(session.id)!.acknowledgedAt).toBeNull();
});
