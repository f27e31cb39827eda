import { v7 as newId } from 'uuid';
import { planningOf, whatWeeksGive } from '../../src/core/course';
import { SHIPPED_LIBRARY } from '../../src/core/library';
import { techniquesIn } from '../../src/core/plan';
import { course, sessionsOf } from '../../src/server/repositories/courses';
import { progressOf } from '../../src/server/repositories/plans';
import { acceptCheck } from '../../src/server/usecases/courses/acceptCheck';
import { changeCourse, tryCourse } from '../../src/server/usecases/courses/changeCourse';
import { copyCourse } from '../../src/server/usecases/courses/copyCourse';
import { createCourse } from '../../src/server/usecases/courses/createCourse';
import { draftCourse } from '../../src/server/usecases/courses/draftCourse';
import { listCourses } from '../../src/server/usecases/courses/listCourses';
import { cancelClass, endCourse, leaveClosedDays, removeCourse, reopenDay, tryCancelling } from '../../src/server/usecases/courses/lifeHappens';
import { answerStep, moveBlock, pinBlock } from '../../src/server/usecases/courses/moveBlock';
import { readClimbs } from '../../src/server/usecases/courses/readClimbs';
import { readCourse } from '../../src/server/usecases/courses/readCourse';
import { undoStep } from '../../src/server/usecases/courses/steps';
import { weeksGive } from '../../src/server/usecases/courses/weeksGive';
import { readLobby } from '../../src/server/usecases/lobby/readLobby';
import { readOutbox } from '../../src/server/usecases/people/records';
import { readPlan } from '../../src/server/usecases/plans/readPlan';
import { publishMany, publishPlan } from '../../src/server/usecases/plans/publishPlan';
import { saveAway } from '../../src/server/usecases/staff/ownAccount';
import { addClosure, removeClosure } from '../../src/server/usecases/studio/changeStudio';
import { previewGuards, saveGuards } from '../../src/server/usecases/studio/guards';
import { readStudio } from '../../src/server/usecases/studio/readStudio';
import { staffToday } from '../../src/server/repositories/staff';
import { acknowledgePlan } from '../../src/server/usecases/teach/acknowledgePlan';
import { myClasses } from '../../src/server/usecases/teach/myClasses';
import type { Outcome } from '../../src/views/course';
import { answerOf, closeDatabase, courseInput, demo, deskOf, openBoth, requestOf, seenOf, TODAY } from './studio';
import { mails } from './challenge';
import { backToKept, forgetKept, keepAll } from './snapshot';

beforeAll(async () => {
  await openBoth();
  await keepAll();
}, 120_000);
afterEach(backToKept);
afterAll(async () => {
  await forgetKept();
  await closeDatabase();
});

const plainly = (technique: string) => {
  const { pattern, dose } = SHIPPED_LIBRARY.technique(technique);
  return { technique, pattern, dose };
};
const director = () => deskOf('director');

/** A course of eight Tuesdays and Fridays that is drafted: what it was asked for, and what is done to it by name. */
async function drafted(over: object = {}) {
  const { choir, phrases } = await demo(await director());
  const input = {
    ...courseInput(phrases.teacher, choir),
    weeks: 4,
    weekdays: [2, 5],
    goals: [{ ...plainly('longer-4-6'), practise: 2 }],
    ...over,
  };
  const { id } = await createCourse(await director(), input);
  await draftCourse(await director(), { course: id, version: 1, seen: await seenOf(await director(), id) });
  const asked = async () => requestOf(await director(), await course(await director(), id));
  const classes = async () =>
    (await sessionsOf(await director(), [id])).map(
      ({ date, start, blocks }) => [date, start, techniquesIn(blocks).map(({ technique }) => technique)] as const,
    );
  const sessions = async () => sessionsOf(await director(), [id]);
  return { id, asked, classes, sessions, teacher: phrases.teacher, choir };
}

const days = (classes: readonly (readonly [string, ...unknown[]])[]) => classes.map(([date]) => date);

test('what a change would do is what it does, and trying it changes nothing', async () => {
  const { asked, classes, id } = await drafted();
  const before = await classes();
  const to = { ...(await asked()), weekdays: [3], weeks: 6, start: '19:15', then: 'draft' as const };
  const outcome = await tryCourse(await director(), to);
  expect(await classes()).toEqual(before);
  expect(outcome.classes.flatMap(({ lines }) => lines)).toEqual(
    expect.arrayContaining([expect.stringMatching(/^moves here from Tue 1 Dec$/), 'at 19:15 instead of 18:30', 'falls out']),
  );
  await changeCourse(await director(), to);
  const after = await classes();
  expect(days(after)).toEqual(['2026-12-02', '2026-12-09', '2026-12-16', '2026-12-23', '2027-01-06']);
  expect(outcome.goals[0].now).toEqual(after.filter(([, , held]) => held.includes('longer-4-6'))[1][0]);
  expect((await readCourse(await director(), id)).last).toEqual({ what: 'what is asked of it', back: false });

  // One press takes it back, classes and all; another does it again.
  await undoStep(await director(), await asked());
  expect(await classes()).toEqual(before);
  await undoStep(await director(), await asked());
  expect(await classes()).toEqual(after);
});

test('what the weeks of a request can give, new or of a course that stands, is what the course then comes to', async () => {
  const given = async (asked: object) => {
    const { problem, out, counts } = await weeksGive(await director(), asked);
    const [{ date, people }] = whatWeeksGive(problem.sessions, problem.goals, planningOf(problem), () => () => false);
    return { date, people: people.people, days: problem.sessions.map((session) => session.date as string), out, counts };
  };
  const soon = { arc: { pace: 'soon', breath: 'usual' }, weeks: 6 };
  const course_ = await drafted(soon);
  const [asked, before] = [await course_.asked(), await course_.classes()];
  const reached = (classes: typeof before) => classes.filter(([, , held]) => held.includes('longer-4-6'))[1]?.[0] ?? null;
  const fresh = await given({ ...asked, ...soon, course: null });
  expect(fresh).toMatchObject({ date: reached(before), days: days(before), counts: true });
  // The days the studio is closed are told apart.
  expect(fresh.out.map(({ date }) => date)).toEqual(['2026-12-29', '2027-01-01']);
  expect(fresh.people).toBe((await readCourse(await director(), course_.id)).cohort.people);
  const later = { ...asked, ...soon, weekdays: [3], start: '19:15' };
  const standing = await given(later);
  await changeCourse(await director(), { ...later, then: 'draft' as const });
  const after = await course_.classes();
  expect(standing).toMatchObject({ date: reached(after), days: days(after) });
  // What they practise already may be tried out.
  expect((await given({ ...asked, ...soon, already: ['natural'] })).date).toBe(null);
});

test('too few who will be ready are on the first page and on the course, once it is published too', async () => {
  const { id, sessions } = await drafted({ weeks: 6, goals: [{ ...plainly('longer-5-6'), practise: 6, ready: 100 }] });
  const said = async () => (await readLobby(await director())).filter(({ doing }) => doing === 'See who will be ready').map(({ text }) => text);
  const first = await said();
  expect(first.filter((text) => text.startsWith('A trial: about'))).toHaveLength(1);
  const seen = await seenOf(await director(), id);
  await publishMany(await director(), { once: newId(), course: id, seen });
  expect((await sessions()).filter(({ fixed, date }) => fixed && date > TODAY).length).toBeGreaterThan(6);
  expect(await said()).toEqual(first);
  expect((await readCourse(await director(), id)).ready.find(({ goal }) => goal)).toMatchObject({ technique: 'longer-5-6', share: 100 });
});

test('what a change would put out of order is told before it is kept: whoever may not teach it, and other classes of theirs', async () => {
  const { phrases, boat } = await demo(await director());
  const ahead = (await sessionsOf(await director(), [phrases.id])).filter(({ date }) => date >= TODAY);
  const plans = await Promise.all(ahead.map(async ({ id }) => readPlan(await director(), id)));
  const may = new Map(plans[0].teachers.map(({ id }) => [id, plans.every((plan) => plan.teachers.find((one) => one.id === id)!.lacks.length === 0)]));
  const asked = await requestOf(await director(), phrases);
  const freshWith = async (change: object) => (await tryCourse(await director(), { ...asked, ...change, then: 'keep' as const })).wrong.fresh;
  for (const [id, able] of may) {
    if (id === phrases.teacher) continue;
    const told = (await freshWith({ teacher: id })).filter((text) => text.includes('not among what this course’s teacher is qualified for'));
    expect([id, told.length === 0]).toEqual([id, able]);
  }
  expect([...may.values()]).toContain(false);
  // At the hour of another course of the same teacher, on its days.
  const { start, weekdays, teacher } = boat;
  expect((await freshWith({ start, weekdays: [...weekdays], teacher })).join(' ')).toContain(`at the same time as ${boat.name}`);
});

test('a first day in the past, a closed one, and another cohort once it has begun are refused at their fields', async () => {
  const { asked, choir } = await drafted();
  expect(await answerOf(changeCourse(await director(), { ...(await asked()), firstDate: '2026-11-23' }))).toBe('invalid');
  expect(await answerOf(changeCourse(await director(), { ...(await asked()), firstDate: '2026-11-24' }))).toBe('allowed');
  expect(await answerOf(changeCourse(await director(), { ...(await asked()), firstDate: '2026-12-29' }))).toBe('invalid');
  const { boat } = await demo(await director());
  const begun = await requestOf(await director(), boat);
  expect(await answerOf(changeCourse(await director(), { ...begun, cohort: choir }))).toBe('invalid');
  expect(await answerOf(changeCourse(await director(), { ...begun, firstDate: '2026-12-01' }))).toBe('invalid');
});

test('a cancelled class: the rest moves on, is drafted anew, stays, or a class is added; the teacher is told', async () => {
  const { asked, classes, sessions, id, teacher } = await drafted();
  const before = await classes();
  const [first] = await sessions();
  await publishPlan(await director(), { once: newId(), session: first.id, version: first.version, teacher });
  const wish = async (bend: string) => ({ ...(await asked()), session: first.id, reason: 'the boiler', bend });
  const tries = await Promise.all(['shift', 'reflow', 'drop', 'add'].map(async (bend) => tryCancelling(await director(), await wish(bend))));
  expect(tries.map(({ classes: lines }) => lines.filter(({ lines: [line] }) => line === 'falls out').length)).toEqual([1, 1, 1, 1]);
  expect(tries[3].classes.at(-1)?.lines[0]).toMatch(/^a class more: /);

  await cancelClass(await director(), await wish('add'));
  const after = await classes();
  expect(days(after)).toEqual([...days(before).slice(1), '2027-01-05']);
  expect(after.map(([, , held]) => held)).toEqual(before.map(([, , held]) => held));
  const view = await readCourse(await director(), id);
  expect(view.cancelled).toMatchObject([{ date: '2026-12-01', reason: 'the boiler' }]);
  const mail = (await readOutbox(await director())).find(({ subject }) => subject === 'A trial: a class is cancelled');
  expect(mail?.body).toContain('the boiler');
  const lead = await deskOf('lead teacher');
  if (lead.who.id === teacher)
    expect((await myClasses(lead)).find((one) => one.id === first.id)).toMatchObject({ state: 'cancelled', logged: 'cancelled: the boiler' });

  expect(await answerOf(publishPlan(await director(), { once: newId(), session: first.id, version: first.version + 2, teacher }))).toBe('late');
  expect(await answerOf(cancelClass(await director(), await wish('drop')))).toBe('not-found');
});

test('a published class that is taken back, moved or cancelled again is told to whoever holds its plan', async () => {
  const { asked, sessions, id, teacher } = await drafted({ start: '21:00' });
  const [first] = await sessions();
  await publishPlan(await director(), { once: newId(), session: first.id, version: first.version, teacher });
  const plan = async () => (await progressOf(await director(), [first.id])).get(first.id)!.plan!;
  const heard = async () => (await mails()).filter(({ body }) => body.includes('the lift is stuck')).length;
  await cancelClass(await director(), { ...(await asked()), session: first.id, reason: 'the lift is stuck', bend: 'drop' });
  expect([(await plan()).number, await heard()]).toEqual([1, 1]);
  const told = async () => (await mails()).filter(({ subject }) => subject.startsWith('A trial:')).map(({ subject }) => subject);
  expect(await told()).toEqual(['A trial: a class is cancelled', 'A trial: a plan waits to be read']);
  await undoStep(await director(), await asked());
  expect(await plan()).toMatchObject({ number: 2, changes: ['held after all'] });
  expect((await told())[0]).toBe('A trial: a class is held after all');
  await undoStep(await director(), await asked());
  expect([(await sessions()).some((one) => one.id === first.id), await heard()]).toEqual([false, 2]);
  await undoStep(await director(), await asked());
  await changeCourse(await director(), { ...(await asked()), start: '21:30', published: 'follow' });
  expect((await plan()).changes).toEqual(['at 21:30 instead of 21:00']);
  await undoStep(await director(), await asked());
  expect((await plan()).changes).toEqual(['at 21:00 instead of 21:30']);
  // Moved and moved back: each time whoever has it hears.
  expect((await told()).slice(0, 2)).toEqual(['A trial: a class has changed', 'A trial: a class has changed']);
  expect((await readCourse(await director(), id)).sessions[0]).toMatchObject({ start: '21:00', state: 'published' });
});

test('published classes change with their course where they are to: what is tried is what comes, their teachers read again, and it is taken back', async () => {
  const { asked, classes, sessions, id, teacher } = await drafted();
  const all = await sessions();
  for (const { id: session, version } of all.slice(1, 4))
    await publishPlan(await director(), { once: newId(), session, version, teacher, reason: 'as drafted' });
  const holder = (await staffToday(await director())).find((one) => one.id === teacher)!;
  const read = await deskOf(holder.role);
  expect(read.who.id).toBe(teacher);
  const plans = async () => {
    const progress = await progressOf(
      await director(),
      all.map((one) => one.id),
    );
    return all.map((one) => progress.get(one.id)!);
  };
  await acknowledgePlan(read, { session: all[2].id, plan: (await plans())[2].plan!.id });
  const held = async () => (await classes()).map(([, , techniques]) => techniques);
  const before = await held();
  const wish = async (bend: string, published: string) => ({ ...(await asked()), session: all[1].id, reason: 'a storm', bend, published });
  const ways = ['shift', 'add', 'drop', 'reflow'] as const;
  const tries = new Map<string, Outcome>();
  for (const bend of ways) tries.set(bend, await tryCancelling(await director(), await wish(bend, 'follow')));
  // Of published classes nothing changes unless they are to; and what is moved on, added to and let go is not the same.
  expect((await tryCancelling(await director(), await wish('shift', 'stay'))).again).toEqual([]);
  expect(tries.get('drop')!.again).toEqual([]);
  const { again } = tries.get('add')!;
  expect(again.map(({ date, held: back, read: was }) => [date, back, was])).toEqual([
    [all[2].date, false, true],
    [all[3].date, false, false],
  ]);
  const by = (...of: readonly (typeof ways)[number][]) => new Set(of.map((bend) => JSON.stringify(tries.get(bend)!.classes))).size;
  expect(by('shift', 'add', 'drop')).toBe(3);
  // Drafted anew it may come to what another way does; never to more that is out of order.
  expect(tries.get('reflow')!.wrong.now).toBeLessThanOrEqual(tries.get('drop')!.wrong.now);

  await cancelClass(await director(), await wish('add', 'follow'));
  expect(await held()).toEqual(before);
  expect((await plans()).map(({ plan }) => plan?.number ?? 0).slice(1, 4)).toEqual([1, 2, 2]);
  for (const { plan } of (await plans()).slice(2, 4)) {
    const stands = (await sessionsOf(await director(), [id])).find((one) => one.id === plan!.session)!;
    expect(plan!.blocks.map((block) => block.id)).toEqual(stands.blocks.map((block) => block.id));
  }
  const letter = (await mails()).find(({ subject }) => subject.includes('what has changed') || subject.includes('have changed'));
  expect(letter?.body).toContain('The plan waits to be read again');
  // One press takes it back, and what goes back into published classes is given out as well.
  await undoStep(await director(), await asked());
  expect(await held()).toEqual(before);
  const back = await plans();
  expect(back.slice(1, 4).map(({ plan }) => plan?.number ?? 0)).toEqual([2, 3, 3]);
  expect(back[2].plan!.blocks.map((block) => block.id)).toEqual(all[2].blocks.map((block) => block.id));
});

test('a class that was never published and is held after all is told to whoever heard that it is not, once', async () => {
  const { asked, sessions } = await drafted();
  const [first, second] = await sessions();
  const told = async () => (await mails()).filter(({ subject }) => subject.startsWith('A trial:')).map(({ subject }) => subject);
  for (const session of [first, second])
    await cancelClass(await director(), { ...(await asked()), session: session.id, reason: 'a storm', bend: 'drop' });
  await undoStep(await director(), await asked());
  expect(await told()).toEqual(['A trial: a class is held after all', 'A trial: a class is cancelled', 'A trial: a class is cancelled']);
  // Put back on its day, the other one is told of too.
  await reopenDay(await director(), { ...(await asked()), date: first.date });
  expect((await told())[0]).toBe('A trial: a class is held after all');
  expect(await told()).toHaveLength(4);
});

test('nothing is published to somebody who is away without asking; publishing is one letter for all of it', async () => {
  const { asked, sessions, id, teacher } = await drafted();
  const [first, second, third] = await sessions();
  const once = () => ({ once: newId() });
  await saveAway(await director(), { ...once(), staff: teacher, from: first.date, until: first.date });
  const one = async () => ({ ...once(), session: first.id, version: first.version, teacher });
  await expect(publishPlan(await director(), await one())).rejects.toMatchObject({
    fields: [{ field: 'teacher', message: expect.stringContaining('is away then') }],
  });
  const seen = (await asked()).seen.filter(({ session }) => [first.id, second.id, third.id].includes(session));
  const done = await publishMany(await director(), { ...once(), course: id, seen });
  expect([done.published, done.held.map(({ date }) => date)]).toEqual([[second.date, third.date], [first.date]]);
  const letters = (await mails()).filter(({ subject }) => subject.startsWith('A trial:'));
  expect(letters.map(({ subject }) => subject)).toEqual(['A trial: 2 plans wait to be read']);
  expect(await answerOf(publishPlan(await director(), { ...(await one()), evenAway: true }))).toBe('allowed');
});

test('closed days are said, and left with one press; when they open again the day offers itself', async () => {
  const { asked, classes, id } = await drafted();
  await addClosure(await director(), { once: newId(), from: '2026-12-08', until: '2026-12-10', reason: 'the floor' });
  const view = await readCourse(await director(), id);
  expect([view.closed, view.checks[0]]).toMatchObject([['2026-12-08'], { severity: 'stop', text: 'falls into closed days: the floor' }]);
  await leaveClosedDays(await director(), { ...(await asked()), bend: 'reflow' });
  expect(days(await classes())).not.toContain('2026-12-08');
  expect((await readCourse(await director(), id)).closed).toEqual([]);
  expect(await answerOf(leaveClosedDays(await director(), { ...(await asked()), bend: 'reflow' }))).toBe('not-found');

  expect(await answerOf(reopenDay(await director(), { ...(await asked()), date: '2026-12-08' }))).toBe('invalid');
  const closure = (await readStudio(await director())).closed.find(({ from }) => from === '2026-12-08')!;
  await removeClosure(await director(), { id: closure.id });
  expect((await readCourse(await director(), id)).reopened).toEqual(['2026-12-08']);
  await reopenDay(await director(), { ...(await asked()), date: '2026-12-08' });
  const back = await readCourse(await director(), id);
  expect([back.reopened, back.sessions.find(({ date }) => date === '2026-12-08')!.techniques.length > 0]).toEqual([[], true]);
});

test('what was put somewhere by hand is pinned, a draft leaves it there, and lets it go when it is no longer', async () => {
  const { asked, sessions, id } = await drafted();
  const [, second, , , , , seventh] = await sessions();
  const block = techniquesIn(second.blocks).find(({ technique }) => !techniquesIn(seventh.blocks).some((one) => one.technique === technique))!;
  await moveBlock(await director(), { course: id, block: block.id, to: seventh.id, seen: await seenOf(await director(), id) });
  const has = async () => techniquesIn((await sessions())[6].blocks).find(({ technique }) => technique === block.technique);
  expect(await has()).toMatchObject({ pinned: true });
  await draftCourse(await director(), await asked());
  expect(await has()).toMatchObject({ id: block.id, pinned: true });
  await pinBlock(await director(), { course: id, block: block.id, pinned: false, seen: await seenOf(await director(), id) });
  expect(await has()).toMatchObject({ pinned: false });
});

test('a check is accepted with a reason, stays silent, and comes back when what it says changes', async () => {
  const { id, asked, sessions } = await drafted({ goals: ['longer-4-8'].map((technique) => ({ ...plainly(technique), practise: 2 })), weeks: 6 });
  const read = async () => readCourse(await director(), id);
  const [, later] = await sessions();
  const block = (await sessions()).flatMap(({ blocks }) => techniquesIn(blocks)).findLast(({ technique }) => technique === 'longer-4-8')!;
  await moveBlock(await director(), { course: id, block: block.id, to: (await sessions())[0].id, seen: await seenOf(await director(), id) });
  const check = (await read()).checks.find(({ severity, key }) => severity === 'stop' && key !== null)!;
  await acceptCheck(await director(), { course: id, version: (await asked()).version, key: check.key, reason: 'they know it from the choir' });
  const view = await read();
  expect(view.checks.some(({ key }) => key === check.key)).toBe(false);
  expect(view.accepted).toMatchObject([{ reason: 'they know it from the choir' }]);
  expect(await answerOf(acceptCheck(await director(), { course: id, version: view.course.version, key: 'nothing like it', reason: 'why not' }))).toBe(
    'clash',
  );
  // Another class: another check.
  const again = techniquesIn((await sessions())[0].blocks).find(({ technique }) => technique === 'longer-4-8')!;
  await moveBlock(await director(), { course: id, block: again.id, to: later.id, seen: await seenOf(await director(), id) });
  expect((await read()).accepted).toEqual([]);
});

test('a course is copied for others, ended, and deleted only while nothing was published', async () => {
  const { id, asked, classes, sessions, teacher } = await drafted();
  const { ferry } = await demo(await director());
  const copy = await copyCourse(await director(), { once: newId(), course: id, name: 'Once more', cohort: ferry, firstDate: '2027-01-12', teacher });
  const made = await sessionsOf(await director(), [copy.id]);
  const held = made.map(({ blocks }) => techniquesIn(blocks).map(({ technique }) => technique));
  const before = (await classes()).map(([, , techniques]) => techniques);
  expect(held.slice(0, before.length)).toEqual(before);
  const ids = new Set((await sessions()).flatMap(({ blocks }) => blocks.map((block) => block.id)));
  expect(made.some(({ blocks }) => blocks.some((block) => ids.has(block.id)))).toBe(false);
  expect((await readCourse(await director(), copy.id)).lastTime?.name).toBe('A trial');

  const [first] = await sessions();
  await publishPlan(await director(), { once: newId(), session: first.id, version: first.version, teacher });
  expect(await answerOf(removeCourse(await director(), await asked()))).toBe('late');
  await endCourse(await director(), { ...(await asked()), reason: 'too few came' });
  expect((await readCourse(await director(), id)).cancelled).toHaveLength(before.length);
  expect(await answerOf(endCourse(await director(), { ...(await asked()), reason: 'once more' }))).toBe('late');

  const found = await course(await director(), copy.id);
  await removeCourse(await director(), await requestOf(await director(), found));
  expect((await listCourses(await director())).some((one) => one.id === copy.id)).toBe(false);
  expect(await answerOf(readCourse(await director(), copy.id))).toBe('not-found');
});

test('what came after a change is not thrown away by taking it back', async () => {
  const { id, asked, sessions, teacher } = await drafted();
  await changeCourse(await director(), { ...(await asked()), start: '19:00' });
  const [first] = await sessions();
  await publishPlan(await director(), { once: newId(), session: first.id, version: first.version, teacher });
  expect((await readCourse(await director(), id)).last).toBeNull();
  expect(await answerOf(undoStep(await director(), await asked()))).toBe('clash');
  expect((await sessions()).every(({ start }) => start === '19:00')).toBe(true);
});

test('a studio sets its guards: what they do to planned courses is seen first, and checked from then on', async () => {
  const { id, sessions } = await drafted({ goals: [{ ...plainly('longer-4-6'), dose: '8 min', practise: 1 }], weeks: 8 });
  const { studio } = await readStudio(await director());
  const form = {
    version: studio.version,
    weekMinutes: 0.5,
    weekPercent: 5,
    restMinutes: 15,
    classesOnAStep: 2,
    growingSteps: 3,
    holdThree: 10,
    holdFour: 30,
    easyPercent: 80,
    strainedPercent: 30,
    finishPercent: 80,
  };
  expect(await previewGuards(await director(), { ...form, weekMinutes: 1, weekPercent: 20 })).toEqual([]);
  const lines = await previewGuards(await director(), form);
  expect(lines).toContainEqual(expect.stringMatching(/^A trial: (one thing|\d+ things) over a guard, none today$/));
  expect((await readCourse(await director(), id)).checks.some(({ text }) => text.startsWith('grows from'))).toBe(false);
  await saveGuards(await director(), form);
  expect((await readCourse(await director(), id)).checks.some(({ text }) => text.startsWith('grows from'))).toBe(true);
  expect((await sessions()).length).toBeGreaterThan(0);
  expect(await answerOf(saveGuards(await director(), form))).toBe('clash');
  const next = { ...form, version: form.version + 1 };
  expect(await answerOf(saveGuards(await director(), { ...next, weekMinutes: 3.5 }))).toBe('invalid');
  expect(await answerOf(saveGuards(await director(), { ...next, classesOnAStep: 1 }))).toBe('invalid');
  expect(await answerOf(saveGuards(await director(), { ...next, weekMinutes: 3, classesOnAStep: 8 }))).toBe('allowed');
});

test('the climbs of a course arrive where its goals do, and one is changed by hand', async () => {
  const { id, asked, sessions } = await drafted({ goals: [{ ...plainly('longer-4-6'), dose: '7 min', practise: 1 }], weeks: 6, start: '20:15' });
  const { climbs } = await readClimbs(await director(), id);
  expect(climbs).toMatchObject([{ technique: 'longer-4-6', kind: 'minutes', from: '5 min', to: '7 min', step: '1 min', every: 'week' }]);
  const doses = async () =>
    (await sessions()).flatMap(({ blocks }) => techniquesIn(blocks).flatMap(({ technique, dose }) => (technique === 'longer-4-6' ? [dose] : [])));
  const before = await doses();
  const reached = (await sessions()).find(({ blocks }) =>
    techniquesIn(blocks).some(({ technique, dose }) => technique === 'longer-4-6' && dose === '7 min'),
  );
  expect(climbs[0].arrives).toBe(reached!.date);
  await answerStep(await director(), { ...(await asked()), technique: 'longer-4-6', answer: 'stay' });
  expect(await doses()).not.toEqual(before);
  expect((await readClimbs(await director(), id)).course.last).toEqual({ what: 'staying on the step', back: false });
});
