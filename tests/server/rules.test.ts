import { v7 as newId } from 'uuid';
import { checkCourse } from '../../src/core/course';
import { SHIPPED_LIBRARY } from '../../src/core/library';
import { dayText } from '../../src/core/units';
import { vaultFrom } from '../../src/server/auth/vault';
import { signIn, signOut, whoHas } from '../../src/server/auth/signin';
import { ReadingRow, ScreeningRow, SessionRow } from '../../src/server/db/rows';
import { freshManager } from '../../src/server/db/orm';
import { members } from '../../src/server/repositories/screenings';
import { cohortItself } from '../../src/server/repositories/cohorts';
import { course, session as sessionById, sessionsOf } from '../../src/server/repositories/courses';
import { progressOf } from '../../src/server/repositories/plans';
import { addPerson } from '../../src/server/usecases/cohorts/addPerson';
import { readCohort } from '../../src/server/usecases/cohorts/readCohort';
import { NO_CHANGES } from '../../src/core/conventions';
import { changeCourse, compareRequest } from '../../src/server/usecases/courses/changeCourse';
import { createCourse } from '../../src/server/usecases/courses/createCourse';
import { prepareCourse } from '../../src/server/usecases/courses/prepareCourse';
import { draftCourse, draftingProblem, keepDrafted } from '../../src/server/usecases/courses/draftCourse';
import { mendCourse } from '../../src/server/usecases/courses/mendCourse';
import { mendCheck, moveBlock } from '../../src/server/usecases/courses/moveBlock';
import { undoStep } from '../../src/server/usecases/courses/steps';
import { readCourse } from '../../src/server/usecases/courses/readCourse';
import { publishPlan } from '../../src/server/usecases/plans/publishPlan';
import { readPlan } from '../../src/server/usecases/plans/readPlan';
import { saveBlocks } from '../../src/server/usecases/plans/saveBlocks';
import { settingOf } from '../../src/server/usecases/setting';
import { addClosure, saveConventions, saveSpeech } from '../../src/server/usecases/studio/changeStudio';
import { readStaff } from '../../src/server/usecases/staff/readStaff';
import { readStudio } from '../../src/server/usecases/studio/readStudio';
import { plannedTechniques, previewPace, saveSchools } from '../../src/server/usecases/studio/schools';
import { archiveOwnWay, exportOwnWays, importOwnWays, listOwnWays, readOwnWay, saveOwnWay } from '../../src/server/usecases/techniques/ownWays';
import { acknowledgePlan } from '../../src/server/usecases/teach/acknowledgePlan';
import { logClass } from '../../src/server/usecases/teach/logClass';
import { readClass } from '../../src/server/usecases/teach/readClass';
import { answerOf, closeDatabase, courseInput, demo, deskOf, NOW, openBoth, requestOf, seenOf, TODAY } from './studio';
import type { Block } from '../../src/core/plan';

beforeAll(openBoth, 120_000);
afterAll(closeDatabase);

const inputOf = (block: Block) => ({ technique: null, part: null, pattern: null, dose: null, tempo: null, minutes: null, ...block });

test('both demo courses stand: the running one has nothing out of order, the drafted one names what did not fit', async () => {
  const director = await deskOf('director');
  const { boat, phrases } = await demo(director);
  for (const { id } of [boat, phrases]) {
    const found = await course(director, id);
    const sessions = await sessionsOf(director, [id]);
    const checks = checkCourse(sessions, (await settingOf(director, found, sessions)).planning);
    expect(checks.filter(({ severity }) => severity === 'stop')).toEqual([]);
  }
  expect((await readCourse(director, boat.id)).week).toBe(3);
  expect((await readCourse(director, phrases.id)).course.unplaced).toEqual([expect.stringContaining('27 pumps could not be placed')]);
});

test('a draft from a page is asked every rule again; a mend that was offered makes every goal possible', async () => {
  const director = await deskOf('director');
  const { choir, phrases } = await demo(director);
  const { id } = await createCourse(director, tooShort(phrases.teacher, choir));
  const seen = await seenOf(director, id);
  const problem = await draftingProblem(director, { course: id, version: 1, seen });
  expect(JSON.stringify(problem)).not.toMatch(/Nils|diabetes/);
  const [first, second] = problem.sessions;
  const forged = (techniques: object[]) => keepDrafted(director, { course: id, version: 1, seen, classes: [{ session: first.id, techniques }] });
  const way = (technique: string) => ({ technique, ...problem.taught[technique] });
  await expect(forged([way('4-7-8')])).rejects.toThrow(/^This draft cannot be kept: 4:7:8 comes before/);
  await expect(forged([way('longer-4-6'), way('five-finger')])).rejects.toThrow(/cannot be kept/);
  await expect(forged([{ ...way('longer-4-6'), pattern: '9:9:9:9' }])).rejects.toThrow(/cannot be kept/);
  await expect(forged([{ ...way('belly'), technique: 'nothing-like-it' }])).rejects.toThrow(/not in the library/);
  expect(
    await answerOf(keepDrafted(director, { course: id, version: 1, seen, classes: [{ session: phrases.id, techniques: [way('belly')] }] })),
  ).toBe('not-found');
  expect((await sessionsOf(director, [id])).every(({ blocks }) => blocks.length === 0)).toBe(true);

  const kept = await keepDrafted(director, { course: id, version: 1, seen, classes: [{ session: second.id, techniques: [way('belly')] }] });
  expect(kept.unplaced).toHaveLength(2);
  const { course } = await readCourse(await deskOf('director'), id);
  const weeks = course.mends.find(({ mends }) => mends.length === 1 && mends[0].code === 'weeks')!;
  const now = await deskOf('director');
  expect(await mendCourse(now, { course: id, version: 2, seen: await seenOf(now, id), mends: weeks.mends })).toEqual({ unplaced: [] });
  const after = await readCourse(await deskOf('director'), id);
  expect([after.course.weeks, after.course.unplaced, after.checks.filter(({ severity }) => severity === 'stop')]).toEqual([
    weeks.mends[0].number,
    [],
    [],
  ]);
  // What no longer fits is refused, and nothing is half done.
  const again = await deskOf('director');
  const version = (await readCourse(again, id)).course.version;
  const asked = async (mends: object[]) => answerOf(mendCourse(again, { course: id, version, seen: await seenOf(again, id), mends }));
  expect(await asked([{ code: 'weeks', number: 2 }])).toBe('invalid');
  expect(await asked([{ code: 'without', technique: 'pumps-27' }])).toBe('invalid');
  expect(await asked([{ code: 'minutes', number: 500 }])).toBe('invalid');
});

test('a climb that no guard lets come so far says where it ends, and arriving there instead is one press', async () => {
  const director = await deskOf('director');
  const { choir, phrases } = await demo(director);
  const goals = [{ technique: 'pumps-27', pattern: '27 pumps at 20', dose: '9 rounds', practise: 1 }];
  const asked = { ...courseInput(phrases.teacher, choir), weeks: 10, weekdays: [2, 5], start: '07:00', goals };
  const { id } = await createCourse(director, asked);
  // It is said before anything is drafted.
  const { course: ahead } = await readCourse(await deskOf('director'), id);
  expect(ahead.unplaced).toEqual([
    expect.stringMatching(/^27 pumps cannot be placed: no step further than 27 pumps at 20 for \d+ rounds? is inside the guards\.$/),
  ]);
  await draftCourse(director, { course: id, version: 1, seen: await seenOf(director, id) });
  const { course: offered } = await readCourse(await deskOf('director'), id);
  const arrive = offered.mends.find(({ mends }) => mends.length === 1 && mends[0].code === 'arrive')!;
  expect(arrive.text).toMatch(/^27 pumps up to 27 pumps at 20 for \d+ rounds?/);
  const now = await deskOf('director');
  expect(await mendCourse(now, { course: id, version: offered.version, seen: await seenOf(now, id), mends: arrive.mends })).toEqual({ unplaced: [] });
  const after = await readCourse(await deskOf('director'), id);
  expect([after.course.unplaced, after.checks.filter(({ severity }) => severity === 'stop')]).toEqual([[], []]);
});

test.each<[string, number, object, string[]]>([
  ['too few classes', 1, { weeks: 3 }, ['longer-5-6', 'alternate-4-4', 'square-6']],
  ['another hour', 1, { weeks: 6, start: '07:00' }, ['4-7-8', 'longer-4-6']],
  ['short classes', 1, { weeks: 6, minutes: 20 }, ['equal-4-4-4', 'hissing', 'alternate-4-4']],
  ['three goals that need three changes', 3, { weeks: 4, start: '07:00', minutes: 20 }, ['4-7-8', 'alternate-4-4', 'square-6']],
])(
  'every way out that is offered gives every goal its place when it is taken: %s',
  async (_, changes, over, techniques) => {
    const director = await deskOf('director');
    const { choir, phrases } = await demo(director);
    const input = { ...courseInput(phrases.teacher, choir), weekdays: [2, 5], ...over, goals: techniques.map((one) => goal(one)) };
    const { id } = await createCourse(director, input);
    const { unplaced } = await draftCourse(director, { course: id, version: 1, seen: await seenOf(director, id) });
    const { course: offered } = await readCourse(await deskOf('director'), id);
    expect([unplaced.length > 0, offered.mends.length > 0]).toEqual([true, true]);
    expect(offered.mends.some(({ mends }) => mends.length === changes)).toBe(true);
    // What gives something up does not hide what keeps it.
    expect(offered.mends.some(({ asks, mends }) => !asks && mends.every(({ code }) => code !== 'without'))).toBe(true);
    for (const { text, mends } of offered.mends) {
      const now = await deskOf('director');
      const { version } = await course(now, id);
      const taken = await mendCourse(now, { course: id, version, seen: await seenOf(now, id), mends }).then(
        (left) => left.unplaced,
        (refused: Error) => [`refused: ${refused.message}`],
      );
      const { checks } = await readCourse(await deskOf('director'), id);
      expect([text, taken, checks.filter(({ severity }) => severity === 'stop').map((check) => check.text)]).toEqual([text, [], []]);
      const then = await deskOf('director');
      await undoStep(then, { course: id, version: (await course(then, id)).version, seen: await seenOf(then, id) });
    }
  },
  120_000,
);

test('a mend that says what a cohort practises is taken back with what it said, and done again with it', async () => {
  const director = await deskOf('director');
  const { choir, phrases } = await demo(director);
  const { id } = await createCourse(director, tooShort(phrases.teacher, choir));
  await draftCourse(director, { course: id, version: 1, seen: await seenOf(director, id) });
  const { course: offered } = await readCourse(await deskOf('director'), id);
  const { mends } = offered.mends.find((one) => one.mends.some(({ code }) => code === 'practise'))!;
  const practises = async () => [...(await cohortItself(await deskOf('director'), choir)).already].sort();
  const before = await practises();
  await mendCourse(await deskOf('director'), { course: id, version: offered.version, seen: await seenOf(director, id), mends });
  const said = await practises();
  expect(said).toEqual(expect.arrayContaining([...before, mends.find(({ code }) => code === 'practise')!.technique]));
  for (const then of [before, said, before]) {
    const { version } = await course(await deskOf('director'), id);
    await undoStep(await deskOf('director'), { course: id, version, seen: await seenOf(director, id) });
    expect(await practises()).toEqual(then);
  }
});

test('what a course is asked for changes on top of it: open classes follow, planned blocks stay, and a new goal has no place yet', async () => {
  const director = await deskOf('director');
  const { choir, phrases } = await demo(director);
  const input = { ...courseInput(phrases.teacher, choir), goals: [goal('longer-4-6')], weeks: 5, weekdays: [2, 5] };
  const { id } = await createCourse(director, input);
  const asked = async () => requestOf(await deskOf('director'), await course(await deskOf('director'), id));
  const change = async (to: object) => changeCourse(await deskOf('director'), { ...(await asked()), ...to });
  // Nothing is drafted yet, so nothing is missing yet either.
  await change({ name: 'A longer trial', weeks: 6 });
  expect((await readCourse(await deskOf('director'), id)).course).toMatchObject({ name: 'A longer trial', weeks: 6, unplaced: [] });
  await draftCourse(await deskOf('director'), { course: id, version: (await asked()).version, seen: await seenOf(director, id) });

  const before = await sessionsOf(await deskOf('director'), [id]);
  const stale = await asked();
  await change({ minutes: 75, start: '19:00', goals: [goal('longer-4-6'), goal('square-6')] });
  const after = await sessionsOf(await deskOf('director'), [id]);
  expect(after.map(({ blocks }) => blocks)).toEqual(before.map(({ blocks }) => blocks));
  expect(after.every(({ minutes, start }) => minutes === 75 && start === '19:00')).toBe(true);
  const view = await readCourse(await deskOf('director'), id);
  expect(view.course.unplaced).toEqual([expect.stringMatching(/6:6:6:6.* (could not be placed|has no class yet)/)]);

  // Sent again from a page that did not see it: told, with what is there now otherwise.
  expect(await answerOf(changeCourse(await deskOf('director'), { ...stale, name: 'Another name' }))).toBe('clash');
  const { differs, request } = await compareRequest(await deskOf('director'), { ...stale, name: 'Another name' });
  expect(differs.slice(0, 4)).toEqual(['Its name: A longer trial', 'Starts at 19:00', '75 minutes', expect.stringMatching(/^Goal .*6:6:6:6/)]);
  expect(differs.slice(4)).toEqual(after.map(({ date }) => `${dayText(date)} was changed`));
  expect(request).toMatchObject(await asked());

  expect(await answerOf(change({ weeks: 26, minutes: 180 }))).not.toBe('invalid');
  expect(await answerOf(change({ weeks: 27 }))).toBe('invalid');
  expect(await answerOf(change({ minutes: 181 }))).toBe('invalid');
  expect(await answerOf(change({ goals: [{ ...goal('belly'), technique: 'no-such' }] }))).toBe('invalid');
  const { version } = await asked();
  await change({});
  expect((await asked()).version).toBe(version);

  // A course that is over goes on with classes ahead, never with days that have passed.
  const { id: over } = await createCourse(await deskOf('director'), { ...input, once: newId(), firstDate: '2026-09-01', weeks: 2 });
  const ended = await deskOf('director');
  await changeCourse(ended, { ...(await requestOf(ended, await course(ended, over))), weeks: 14 });
  const further = (await sessionsOf(await deskOf('director'), [over])).slice(4).map(({ date }) => date);
  expect([further.length > 0, further.every((date) => date >= TODAY)]).toEqual([true, true]);
});

test('a course is made, drafted, changed by hand and mended', async () => {
  const director = await deskOf('director');
  const { choir, phrases } = await demo(director);
  const { id } = await createCourse(director, tooShort(phrases.teacher, choir));
  expect(await draftCourse(director, { course: id, version: 1, seen: await seenOf(director, id) })).toEqual({
    unplaced: [expect.stringContaining('4:7:8 could not be placed')],
  });
  const stale = (await seenOf(director, id)).map((one) => ({ ...one, version: 1 }));
  expect(await answerOf(draftCourse(director, { course: id, version: 1, seen: stale }))).toBe('clash');
  const { id: other } = await createCourse(director, {
    ...courseInput(phrases.teacher, choir),
    weeks: 5,
    weekdays: [2, 5],
    goals: [goal('alternate-4-4')],
  });
  await draftCourse(director, { course: other, version: 1, seen: await seenOf(director, other) });
  const drafted = await sessionsOf(director, [other]);
  // Something that another open class does not practise, so that it can be moved there.
  const practises = (blocks: readonly Block[], technique: string) => blocks.some((each) => each.kind === 'technique' && each.technique === technique);
  const moves = drafted
    .flatMap(({ blocks }) => blocks)
    .flatMap((each) => {
      const to = each.kind === 'technique' && drafted.find(({ blocks }) => !practises(blocks, each.technique));
      return to ? [{ block: each, free: to }] : [];
    });
  const { block, free } = moves[0];
  const old = drafted.map(({ id: session }) => ({ session, version: 1 }));
  expect(await answerOf(moveBlock(director, { course: other, seen: old, block: block.id, to: free.id }))).toBe('clash');
  await moveBlock(await deskOf('director'), { course: other, seen: await seenOf(director, other), block: block.id, to: free.id });
  const moved = await sessionsOf(await deskOf('director'), [other]);
  expect(moved.find(({ id: moveTo }) => moveTo === free.id)!.blocks.map((each) => each.id)).toContain(block.id);
  expect(
    await answerOf(
      mendCheck(director, { course: other, seen: await seenOf(director, other), session: moved[0].id, kind: 'shorten rest', block: newId() }),
    ),
  ).toBe('clash');
});

test.each([
  ['ends before it starts', { weeks: 0 }, 'weeks'],
  ['no weekday', { weekdays: [] }, 'weekdays'],
  ['a closed first day', { firstDate: '2026-12-29', weekdays: [2] }, 'firstDate'],
  ['no such date', { firstDate: '2026-02-30' }, 'firstDate'],
  ['a pattern with a mistake', { goals: [{ technique: 'equal-4-4', pattern: 'in 4, hodl 2', dose: '4 min', practise: 2 }] }, 'goals[0].pattern'],
  ['a count of nothing', { goals: [{ technique: 'equal-4-4', pattern: '0:4', dose: '4 min', practise: 2 }] }, 'goals[0].pattern'],
  ['ten thousand counts', { goals: [{ technique: 'equal-4-4', pattern: '10000:4', dose: '4 min', practise: 2 }] }, 'goals[0].pattern'],
  ['hostile text', { name: 'Right\u202eleft' }, 'name'],
])('a course with %s is refused at its field, and nothing is made', async (_, wrong, field) => {
  const director = await deskOf('director');
  const { choir, phrases } = await demo(director);
  const before = await director.em.count(SessionRow);
  const refused = createCourse(director, { ...courseInput(phrases.teacher, choir), ...wrong });
  await expect(refused).rejects.toMatchObject({ code: 'invalid', fields: [expect.objectContaining({ field })] });
  expect(await director.em.count(SessionRow)).toBe(before);
});

test('two people saving the same plan: the second is told, and the first stays', async () => {
  const director = await deskOf('director');
  const { boat } = await demo(director);
  const session = (await sessionsOf(director, [boat.id])).find(({ date, fixed }) => date > TODAY && !fixed)!;
  const first = session.blocks.map(inputOf);
  const saved = await saveBlocks(director, { session: session.id, version: session.version, blocks: first.slice(0, 3) });
  expect(await answerOf(saveBlocks(await deskOf('director'), { session: session.id, version: session.version, blocks: first }))).toBe('clash');
  expect((await sessionById(await deskOf('director'), session.id)).blocks).toHaveLength(3);
  await saveBlocks(director, { session: session.id, version: saved.version, blocks: first });
  const past = (await sessionsOf(director, [boat.id])).find(({ date }) => date < TODAY)!;
  expect(await answerOf(saveBlocks(director, { session: past.id, version: past.version, blocks: first }))).toBe('late');
});

test('a plan goes out only in order, only to somebody qualified, and its version stays as it was', async () => {
  const director = await deskOf('director');
  const { boat } = await demo(director);
  const sessions = await sessionsOf(director, [boat.id]);
  const tamsin = boat.teacher;
  const corin = (await readStaff(director)).members.find(({ role }) => role === 'lead teacher')!;
  const pumps = sessions.find(({ blocks, fixed }) => !fixed && blocks.some((block) => block.kind === 'technique' && block.technique === 'pumps-27'))!;
  await expect(publishPlan(director, { once: newId(), session: pumps.id, version: pumps.version, teacher: tamsin })).rejects.toThrow(
    /not qualified for 27 pumps/,
  );
  const { number, version: after } = await publishPlan(director, { once: newId(), session: pumps.id, version: pumps.version, teacher: corin.id });
  expect(number).toBe(1);
  const outOfOrder = {
    id: newId(),
    technique: 'long-square-25',
    part: null,
    pattern: 'in 25 s, out 25 s',
    dose: '1 round',
    tempo: 1000,
    minutes: null,
  };
  const { version } = await saveBlocks(await deskOf('director'), {
    session: pumps.id,
    version: after,
    blocks: [...pumps.blocks.map(inputOf), outOfOrder],
  });
  await expect(publishPlan(await deskOf('director'), { once: newId(), session: pumps.id, version, teacher: corin.id })).rejects.toThrow(
    /Long square at 25 s comes before/,
  );
  const longer = pumps.blocks.map((block) => inputOf(block.kind === 'rest' ? { ...block, minutes: block.minutes + 1 } : block));
  const again = await saveBlocks(await deskOf('director'), { session: pumps.id, version, blocks: longer });
  await publishPlan(await deskOf('director'), { once: newId(), session: pumps.id, version: again.version, teacher: corin.id });
  const plan = await readPlan(await deskOf('director'), pumps.id);
  expect(plan.versions).toMatchObject([{ number: 1 }, { number: 2, changes: [expect.stringContaining('Lying rest'), '+1 min'] }]);
});

test('a teacher reads, acknowledges and logs only what is in their hands, and a log sent twice is kept once', async () => {
  const director = await deskOf('director');
  const teacher = await deskOf('teacher');
  const { boat, ferry, person } = await demo(director);
  const today = (await sessionsOf(director, [boat.id])).find(({ date }) => date === TODAY)!;
  const room = await readClass(teacher, today.id);
  expect(room).toMatchObject({ acknowledged: false, today: true, logged: false });
  expect(await answerOf(readClass(await deskOf('lead teacher'), today.id))).toBe('not-found');
  expect(await answerOf(acknowledgePlan(await deskOf('lead teacher'), { session: today.id, plan: room.plan.id }))).toBe('not-found');
  expect(await answerOf(acknowledgePlan(teacher, { session: today.id, plan: newId() }))).toBe('clash');
  await acknowledgePlan(teacher, { session: today.id, plan: room.plan.id });
  await acknowledgePlan(teacher, { session: today.id, plan: room.plan.id });
  expect((await readPlan(director, today.id)).acknowledgedAt).toMatch(/Tue 24 Nov, 09:00/);

  const everyone = await members(director, ferry);
  const attendance = everyone.map(({ id }) => ({ person: id, came: true, effort: 'easy', stopSigns: [] as string[] }));
  const log = { id: newId(), session: today.id, plan: room.plan.id, reached: 'all of it', note: '', attendance };
  const stray = { ...log, attendance: [{ ...attendance[0], person: newId() }] };
  expect(await logClass(teacher, { ...stray, id: newId() })).toEqual({ kept: 'held' });
  expect(await answerOf(logClass(teacher, { ...stray, id: 'none' }))).toBe('invalid');
  expect(await logClass(teacher, log)).toEqual({ kept: 'taken' });
  expect(await logClass(await deskOf('teacher'), log)).toEqual({ kept: 'again' });
  const at = (await progressOf(director, [today.id])).get(today.id)!;
  expect(at.log?.attendance).toHaveLength(everyone.length);
  const fenna = await person('Fenna T.');
  const asked = room.people.find(({ id }) => id === fenna)!;
  expect(Object.keys(asked.byDoor)).toHaveLength(12);
  const bram = room.people.find(({ name }) => name === 'Bram O.')!;
  expect(bram.byDoor['fine/free/none']).toEqual([]);
  expect(bram.byDoor['unwell/free/none'].map(({ mark }) => mark)).toContain('not this');
});

test('answers are sealed at rest, readings are recorded, and what is append-only stays', async () => {
  const director = await deskOf('director');
  const { ferry, person } = await demo(director);
  const rows = await director.em.find(ScreeningRow, {});
  expect(rows.length).toBeGreaterThan(30);
  expect(rows.filter(({ sealed }) => /pressure|asthma|lungs|panic|birthDate|1988/.test(sealed))).toEqual([]);
  const before = await director.em.count(ReadingRow);
  await readCohort(director, ferry, { date: TODAY, focus: { person: await person('Juno B.'), technique: 'equal-4-4-4' } });
  expect(await director.em.count(ReadingRow)).toBe(before + 1);
  for (const table of ['screening', 'plan_version', 'acknowledgement', 'class_log', 'screening_reading']) {
    await expect((await freshManager()).execute(`delete from ${table}`)).rejects.toThrow(/permission denied/);
    await expect((await freshManager()).execute(`update ${table} set studio = studio`)).rejects.toThrow(/permission denied/);
  }
});

test('a vault opens only with its own keys, in its own place', () => {
  const [ours, theirs] = [vaultFrom(Buffer.alloc(32, 1)), vaultFrom(Buffer.alloc(32, 2))];
  const place = { person: 'asta', table: 'screening', row: 'r1' } as const;
  const key = ours.newWrappedKey('asta');
  const sealed = ours.seal(key, 'no holds', place);
  expect(ours.open(key, sealed, place)).toBe('no holds');
  expect(ours.fingerprint).not.toBe(theirs.fingerprint);
  expect(() => theirs.open(key, sealed, place)).toThrow();
  expect(() => ours.open(ours.newWrappedKey('asta'), sealed, place)).toThrow();
  // Moved to another person, table or row, it opens no more.
  for (const other of [{ person: 'bram' }, { table: 'override_made' as const }, { row: 'r2' }])
    expect(() => ours.open(key, sealed, { ...place, ...other })).toThrow();
  const bytes = Buffer.from(sealed, 'base64url');
  expect(bytes[0]).toBe(2);
  for (const at of [0, 5, 20, bytes.length - 1]) {
    const changed = Buffer.from(bytes);
    changed[at] ^= 1;
    expect(() => ours.open(key, changed.toString('base64url'), place)).toThrow();
  }
});

const later = (ms: number) => new Date(NOW.getTime() + ms);
const HOUR = 3_600_000;
const DAY = 24 * HOUR;

test('a session ends after twelve idle hours, after thirty days, and when it is ended', async () => {
  const right = { email: 'Corin@pellwick.example', password: 'tide-table-two', address: '10.0.0.1', device: null };
  const em = () => freshManager();
  const { token } = await signIn(await em(), right, NOW);
  expect(await whoHas(await em(), token, NOW)).toMatchObject({ role: 'lead teacher', studioName: 'Pellwick Boathouse Studio' });
  expect(await whoHas(await em(), `${token}x`, NOW)).toBeNull();
  expect(await whoHas(await em(), token, later(12 * HOUR))).not.toBeNull();
  expect(await whoHas(await em(), token, later(24 * HOUR + 1))).toBeNull();
  const kept = await signIn(await em(), right, later(HOUR));
  for (let at = 2 * HOUR; at <= 30 * DAY + HOUR; at += 11 * HOUR) expect(await whoHas(await em(), kept.token, later(at))).not.toBeNull();
  expect(await whoHas(await em(), kept.token, later(30 * DAY + HOUR + 1))).toBeNull();
  const another = await signIn(await em(), right, later(HOUR));
  await signOut(await em(), another.token);
  expect(await whoHas(await em(), another.token, later(HOUR))).toBeNull();
}, 30_000);

test('people and the studio: dates in the future, closures that end before they start, a lost race', async () => {
  const director = await deskOf('director');
  const { choir } = await demo(director);
  const person = {
    cohort: choir,
    name: 'Petra L.',
    birthDate: '2027-01-01',
    screened: true,
    screenedOn: '2026-11-20',
    answers: [{ condition: 'hernia', answer: 'no' }],
  };
  // Nobody is screened who was asked nothing, whatever is ticked.
  await expect(addPerson(director, { once: newId(), ...person, birthDate: null, answers: [] })).rejects.toMatchObject({
    fields: [{ field: 'answers' }],
  });
  const { id: added } = await addPerson(director, { once: newId(), cohort: choir, name: 'Petra N.', screenedOn: '2026-11-20' });
  expect(await director.em.count(ScreeningRow, { person: added })).toBe(0);
  await expect(addPerson(director, { once: newId(), ...person })).rejects.toMatchObject({ fields: [{ field: 'birthDate' }] });
  await expect(addPerson(director, { once: newId(), ...person, birthDate: null, screenedOn: '2026-11-30' })).rejects.toMatchObject({
    fields: [{ field: 'screenedOn' }],
  });
  await expect(
    addPerson(director, { once: newId(), ...person, birthDate: null, answers: [{ condition: 'hiccups', answer: 'yes' }] }),
  ).rejects.toMatchObject({
    code: 'invalid',
  });
  await expect(addClosure(director, { once: newId(), from: '2026-12-10', until: '2026-12-09', reason: 'floor' })).rejects.toMatchObject({
    fields: [{ field: 'until' }],
  });
  const { studio } = await readStudio(director);
  await saveConventions(director, { version: studio.version, tempoSeconds: 1.1, naturalSeconds: 4 });
  expect(await answerOf(saveConventions(director, { version: studio.version, tempoSeconds: 1, naturalSeconds: 4 }))).toBe('clash');
  expect((await readStudio(await deskOf('director'))).studio.tempo).toBe(1100);
});

test('a studio’s own way: versions stay, what is planned keeps its own, and another studio sees none of it', async () => {
  const director = () => deskOf('director');
  const { boat } = await demo(await director());
  const input = { id: null, version: 0, base: 'equal-4-4', name: 'Boathouse even breath', pattern: '5:5', dose: '4 min' };
  await expect(saveOwnWay(await director(), { once: newId(), ...input, pattern: '5:' })).rejects.toMatchObject({ fields: [{ field: 'pattern' }] });
  const { id } = await saveOwnWay(await director(), { once: newId(), ...input });
  await expect(saveOwnWay(await director(), { once: newId(), ...input })).rejects.toMatchObject({ fields: [{ field: 'name' }] });
  const session = (await sessionsOf(await director(), [boat.id])).find(({ date, fixed }) => date > TODAY && !fixed)!;
  const block = {
    id: newId(),
    technique: 'equal-4-4',
    own: { id, number: 1 },
    part: null,
    pattern: '5:5',
    dose: '4 min',
    tempo: 1000,
    minutes: null,
  };
  const save = (own: object) => ({ session: session.id, version: session.version, blocks: [...session.blocks.map(inputOf), { ...block, own }] });
  expect(await answerOf(saveBlocks(await director(), save({ id, number: 2 })))).toBe('invalid');
  await saveBlocks(await director(), save({ id, number: 1 }));
  expect(await saveOwnWay(await director(), { once: newId(), ...input, id, version: 1, pattern: '6:6' })).toEqual({ id, number: 2 });
  expect(await answerOf(saveOwnWay(await director(), { once: newId(), ...input, id, version: 1, pattern: '7:7' }))).toBe('clash');
  const planned = (await sessionById(await director(), session.id)).blocks.at(-1);
  expect(planned).toMatchObject({ pattern: '5:5', own: { name: 'Boathouse even breath', number: 1 } });
  expect(await answerOf(readOwnWay(await deskOf('stranger'), id))).toBe('not-found');
  expect(await answerOf(archiveOwnWay(await deskOf('stranger'), { id, version: 2 }))).toBe('not-found');
  await archiveOwnWay(await director(), { id, version: 2 });
  expect(await listOwnWays(await director())).toEqual([]);
  expect((await readOwnWay(await director(), id)).versions.map(({ pattern }) => pattern)).toEqual(['5:5', '6:6']);
  await expect((await freshManager()).execute('delete from own_way_version')).rejects.toThrow(/permission denied/);
});

test('a file of own ways comes in whole, or not at all', async () => {
  const way = (name: string, pattern = '5:7') => ({ name, base: 'longer-5-6', pattern, dose: '3 min' });
  const file = (...ways: object[]) => ({ once: newId(), text: JSON.stringify({ format: 'oaken-ladder/ways', version: 1, ways }) });
  const stranger = () => deskOf('stranger');
  await expect(importOwnWays(await stranger(), file(way('Ebb'), way('Flood', '5:')))).rejects.toThrow(
    /^Row 2: Pattern: Something is still missing: write a count/,
  );
  expect(await listOwnWays(await stranger())).toEqual([]);
  expect(await importOwnWays(await stranger(), file(way('Ebb'), way('Flood')))).toEqual({ added: 2 });
  expect(JSON.parse(await exportOwnWays(await stranger()))).toMatchObject({ ways: [way('Ebb'), way('Flood')] });
  expect(await answerOf(importOwnWays(await stranger(), file(way('ebb'))))).toBe('invalid');
  expect((await listOwnWays(await deskOf('director'))).map(({ name }) => name)).not.toContain('Ebb');
});

test('the studio’s own calls are checked, kept, and said in its plans', async () => {
  const director = () => deskOf('director');
  const { studio } = await readStudio(await director());
  const line = { family: 'alternate', phase: 'out', text: 'Release {side}' };
  const speech = { version: studio.version, loudness: 'full', wordsPerSecond: 3, lines: [line] };
  const desk = await director();
  const wrong = (more: object) => saveSpeech(desk, { ...speech, ...more });
  await expect(wrong({ lines: [{ ...line, text: 'Out {nostril}' }] })).rejects.toMatchObject({ fields: [{ field: 'lines[0].text' }] });
  await expect(wrong({ lines: [line, line] })).rejects.toMatchObject({ fields: [{ field: 'lines' }] });
  await expect(wrong({ wordsPerSecond: 9 })).rejects.toMatchObject({ fields: [{ field: 'wordsPerSecond' }] });
  await saveSpeech(await director(), speech);
  expect(await answerOf(saveSpeech(await director(), speech))).toBe('clash');
  const { boat } = await demo(await director());
  const session = (await sessionsOf(await director(), [boat.id])).find(({ blocks }) =>
    blocks.some((block) => block.kind === 'technique' && block.technique === 'alternate-4-4'),
  )!;
  expect((await readPlan(await director(), session.id)).cues.map(({ say }) => say)).toEqual(
    expect.arrayContaining(['Release left', 'Release right']),
  );
});

test('a studio chooses its schools: taught so from now on, planned sessions stay as they are', async () => {
  const director = () => deskOf('director');
  const before = await readStudio(await director());
  const { version } = before.studio;
  const right = [{ question: 'alternate side', way: 'right-right' }];
  const chosen = { version, technique: null, ways: right };
  expect(await answerOf(saveSchools(await director(), { ...chosen, ways: [{ question: 'hand', way: 'third' }] }))).toBe('invalid');
  expect((await plannedTechniques(await director()))['alternate-4-4']).toBeGreaterThan(0);
  const planned = async () => {
    const { boat } = await demo(await director());
    const sessions = await sessionsOf(await director(), [boat.id]);
    return JSON.stringify(sessions.map(({ blocks }) => blocks));
  };
  const kept = await planned();
  await saveSchools(await director(), chosen);
  expect(await answerOf(saveSchools(await director(), chosen))).toBe('clash');
  expect(await planned()).toBe(kept);
  const patternOf = async (id: string) => (await prepareCourse(await director())).techniques.find((technique) => technique.id === id)?.pattern;
  expect(await patternOf('alternate-4-6')).toBe('in 4 right, out 6 left, alternating');
  await saveSchools(await director(), {
    version: version + 1,
    technique: 'alternate-4-6',
    ways: [{ question: 'alternate side', way: 'left-left' }],
  });
  expect(await patternOf('alternate-4-6')).toBe('in 4 left, out 6 right, alternating');
  expect(await patternOf('alternate-4-4')).toBe('in 4 right, out 4 left, alternating');
  await saveSchools(await director(), { version: version + 2, technique: 'alternate-4-6', ways: [] });
  expect(await patternOf('alternate-4-6')).toBe('in 4 right, out 6 left, alternating');
  await saveSchools(await director(), { version: version + 3, technique: null, ways: [{ question: 'alternate side', way: 'left-left' }] });
  expect((await readStudio(await deskOf('stranger'))).studio.schools).toEqual(NO_CHANGES);
});

test('another natural breath says which planned sessions it stretches', async () => {
  const lines = await previewPace(await deskOf('director'), { naturalSeconds: 8 });
  expect(lines.every((line) => /^.+, \w{3} \d+ \w{3}: \d+ → \d+ min of \d+/.test(line))).toBe(true);
  expect(await previewPace(await deskOf('director'), { naturalSeconds: 4 })).toEqual([]);
});

/** A course whose three weeks are too few for 4:7:8. */
function tooShort(teacher: string, cohort: string) {
  return { ...courseInput(teacher, cohort), weeks: 3, weekdays: [2, 5], goals: [goal('4-7-8'), goal('longer-4-6')] };
}

function goal(technique: string) {
  const { pattern, dose } = SHIPPED_LIBRARY.technique(technique);
  return { technique, pattern, dose, practise: 2 };
}
