import { v7 as newId } from 'uuid';
import { CONDITIONS, HELP_SIGNS, STOP_SIGNS } from '../../src/core/screening';
import { datesOf } from '../../src/core/series';
import { addDays, dayText, isoDate, type IsoDate } from '../../src/core/units';
import { vault } from '../../src/server/auth/vault';
import { freshManager } from '../../src/server/db/orm';
import { CheckInRow, PersonRow, SeriesMemberRow } from '../../src/server/db/rows';
import { roster } from '../../src/server/repositories/people';
import { enterForm } from '../../src/server/usecases/people/aboutPerson';
import { wholeForm } from '../../demo/people';
import { inOne, type Desk } from '../../src/server/desk';
import { checkInsOf } from '../../src/server/repositories/checkIns';
import { heldMember, membersOf, ownToken, series as seriesById } from '../../src/server/repositories/series';
import { sessionsOf } from '../../src/server/repositories/courses';
import { addCohort } from '../../src/server/usecases/cohorts/addCohort';
import { exportSeries, importCourse, previewCourse } from '../../src/server/usecases/exchange/coursePackage';
import { addPerson } from '../../src/server/usecases/cohorts/addPerson';
import { erasePerson, exportPerson } from '../../src/server/usecases/people/erasePerson';
import { askSeries, draftAgain } from '../../src/server/usecases/series/askSeries';
import { changeDay } from '../../src/server/usecases/series/changeDay';
import { removeSeries, stopSeries, undoSeries } from '../../src/server/usecases/series/changeSeries';
import { endPause, pauseSeries } from '../../src/server/usecases/series/pauseSeries';
import { copySeries, createSeries } from '../../src/server/usecases/series/createSeries';
import { checkIn, exportDays, leaveSeries, openDay, setMails, weekNote } from '../../src/server/usecases/series/ownDay';
import { listSeries, readSeries } from '../../src/server/usecases/series/readSeries';
import { sendDays } from '../../src/server/usecases/series/sendDays';
import { admit, decline, openSeries, openSignUp, signUp } from '../../src/server/usecases/series/signUp';
import { answerSigns } from '../../src/server/usecases/signs/answerSigns';
import { giveNewAddress, letIn, undoStepBack, writeToDrifting } from '../../src/server/usecases/series/takePart';
import { addClosure } from '../../src/server/usecases/studio/changeStudio';
import { saveGuards } from '../../src/server/usecases/studio/guards';
import { readStudio } from '../../src/server/usecases/studio/readStudio';
import { askedOf, BEGINNERS, director, input, made, mails, running, standing } from './challenge';
import { ANYWHERE, answerOf, closeDatabase, deskOf, NOW, openBoth, ownerManager, TODAY } from './studio';

beforeAll(openBoth, 120_000);
afterAll(closeDatabase);

const HERE = '203.0.113.9';
const at = (date: string, clock: string) => new Date(`${date}T${clock}:00Z`);

describe('designing one', () => {
  test('it is drafted inside every rule, for everybody of the cohort', async () => {
    const { view } = await made({ length: 21, to: 6, themes: [{ techniques: ['equal-4-4'] }, { techniques: ['longer-4-5'] }] });
    expect(view.days).toHaveLength(21);
    expect(view.checks.filter(({ severity }) => severity !== 'know')).toEqual([]);
    expect(view.unreached).toEqual([]);
    expect(view.people.length).toBe(12);
    expect(view.days[6].kind).toBe('gentle');
  });

  test.each<[string, object, string]>([
    ['a day that is past', { firstDate: addDays(TODAY, -1) }, 'firstDate'],
    ['a length nobody offers', { length: 20 }, 'length'],
    ['a last day that is shorter', { from: 3, to: 2 }, 'to'],
    ['more minutes than there are', { to: 21 }, 'to'],
    ['no technique at all', { themes: [{ techniques: [] }] }, 'themes'],
  ])('%s is refused at its field, and nothing is made', async (_, over, field) => {
    const before = (await listSeries(await director())).length;
    await expect(made(over)).rejects.toMatchObject({ code: 'invalid', fields: [expect.objectContaining({ field })] });
    expect((await listSeries(await director())).length).toBe(before);
  });

  test('today is a first day; twenty minutes are minutes', async () => {
    await expect(made({ firstDate: TODAY, from: 20, to: 20 })).resolves.toBeTruthy();
  });

  test('sent twice it is made once; another studio’s cohort, and other roles, are refused', async () => {
    const desk = await director();
    const { view } = await running(desk);
    const form = input(desk.who.id, view.cohort.id);
    expect((await createSeries(desk, form)).id).toBe((await createSeries(await director(), form)).id);
    const stranger = await deskOf('stranger');
    expect(await answerOf(createSeries(stranger, input(stranger.who.id, view.cohort.id)))).toBe('not-found');
    for (const role of ['lead teacher', 'teacher', 'front desk'] as const)
      expect(await answerOf(createSeries(await deskOf(role), input(desk.who.id, view.cohort.id)))).toBe('not-allowed');
  });

  test('live days are classes with a plan, but not while the studio is closed', async () => {
    await addClosure(await director(), { once: newId(), from: addDays(TODAY, 13), until: addDays(TODAY, 15), reason: 'the stove is mended' });
    const { id, view } = await made({ firstDate: addDays(TODAY, 12), length: 14, to: 4, live: [1, 2, 3, 4, 5, 6, 7] });
    expect(view.days.filter(({ kind }) => kind !== 'live').map(({ day }) => day)).toEqual([2, 3, 4]);
    expect(view.days.filter(({ kind }) => kind === 'live').every(({ session }) => session !== null)).toBe(true);
    expect(view.checks.filter(({ text }) => text.includes('the studio is closed, so it is practised alone')).map(({ day }) => day)).toEqual([
      2, 3, 4,
    ]);
    const found = await seriesById(await director(), id);
    const classes = await sessionsOf(await director(), [found.liveCourse!]);
    expect(classes.map(({ date }) => date)).toEqual(datesOf(found).filter((_, index) => found.days[index].kind === 'live'));
    expect(classes.every(({ blocks }) => blocks.some(({ kind }) => kind === 'technique'))).toBe(true);
  });

  test('a series travels to another studio, and out of there again it is the same file', async () => {
    const { id } = await running();
    const { text } = await exportSeries(await director(), id);
    for (const { name } of (await running()).view.people) expect(text).not.toContain(name);
    const stranger = await deskOf('stranger');
    const group = await addCohort(stranger, { once: newId(), name: 'Quay', about: '', practises: ['natural', 'belly'], seat: 'floor' });
    expect(await previewCourse(stranger, { once: newId(), text })).toMatchObject({ problems: [], course: { series: true, classes: 21 } });
    const form = { once: newId(), text, cohort: group.id, teacher: stranger.who.id, firstDate: addDays(TODAY, 5) };
    const made = await importCourse(await deskOf('stranger'), form);
    expect(made.place).toBe('series');
    expect((await exportSeries(await deskOf('stranger'), made.id)).text).toBe(text);
    expect(await answerOf(importCourse(await deskOf('stranger'), { ...form, once: newId(), firstDate: addDays(TODAY, -1) }))).toBe('invalid');
    for (const role of ['lead teacher', 'teacher', 'front desk'] as const)
      expect(await answerOf(exportSeries(await deskOf(role), id))).toBe('not-allowed');
    expect(await answerOf(exportSeries(await deskOf('stranger'), id))).toBe('not-found');
  });
});

describe('the person’s day', () => {
  test('it is theirs: their practice, their ladder, no condition, and nobody else', async () => {
    const { of, view } = await running();
    for (const { name } of view.people) {
      const day = await openDay(await freshManager(), of(name).token, HERE, NOW);
      const text = JSON.stringify({
        ...day,
        stopSigns: [],
        helpSigns: [],
        emergency: '',
        practice: { ...day.practice, line: null },
        easier: { ...day.easier, line: null },
      });
      expect(day.person).toBe(name.split(' ')[0]);
      for (const other of view.people) if (other.name !== name) expect(text).not.toContain(other.name.split(' ')[0]);
      for (const { name: condition } of CONDITIONS) expect(text).not.toContain(condition);
      expect(day.practice!.minutes).toBeGreaterThan(0);
      expect(day.easier).not.toBeNull();
    }
  });

  test('whoever was not screened gets what the rulebook gives them: nothing slower than six breaths a minute', async () => {
    const { of, id, version, view } = await running();
    await changeDay(await director(), {
      series: id,
      version,
      do: 'practice',
      day: view.today!,
      practices: [{ technique: 'longer-4-5', pattern: '5:6', minutes: 3 }],
    });
    const day = await openDay(await freshManager(), of('Sunniva H.').token, HERE, NOW);
    expect(day.practice!.parts[0].pattern).toBe('5:5');
    const free = await openDay(await freshManager(), of('Cosmo W.').token, HERE, NOW);
    expect(free.practice!.parts[0].pattern).toBe('5:6');
  });

  test('today and yesterday can be told of, nothing else; however often it is sent, it is there once', async () => {
    const { of } = await running();
    const { token, id } = of('Ines P.');
    const say = async (date: string | null, over: object = {}, now = NOW) =>
      checkIn(await freshManager(), token, { did: 'done', felt: 'easy', date, ...over }, HERE, now);
    expect(await answerOf(say(addDays(TODAY, 1)))).toBe('invalid');
    expect(await answerOf(say(addDays(TODAY, -2)))).toBe('late');
    expect(await answerOf(say(addDays(TODAY, -1)))).toBe('allowed');
    const many = await Promise.all(Array.from({ length: 6 }, () => answerOf(say(TODAY))));
    expect(many).toEqual(many.map(() => 'allowed'));
    await say(TODAY, { felt: 'worked' });
    const rows = await (await ownerManager()).find(CheckInRow, { member: id, date: TODAY }, ANYWHERE);
    expect(rows.map(({ felt }) => felt)).toEqual(['worked']);
    expect(await answerOf(say('yesterday'))).toBe('invalid');
    expect(await answerOf(say(null, { did: 'twice' }))).toBe('invalid');
  });

  test('a day ends at midnight of the studio, also as the clocks change', async () => {
    const desk = await director();
    const { view } = await running(desk);
    // The last Sunday of March 2027 is the 28th; Lisbon's clocks go from 01:00 to 02:00.
    const { id } = await createSeries(
      await deskOf('director', at('2027-03-20', '09:00')),
      input(desk.who.id, view.cohort.id, { firstDate: '2027-03-26' }),
    );
    const [part] = await membersOf(await director(), [id]);
    const token = ownToken(desk, part);
    const day = async (now: Date) => (await openDay(await freshManager(), token, HERE, now)).date;
    expect(await day(at('2027-03-27', '23:59'))).toBe('2027-03-27');
    expect(await day(at('2027-03-28', '00:00'))).toBe('2027-03-28');
    expect(await day(at('2027-03-28', '22:59'))).toBe('2027-03-28');
    expect(await day(at('2027-03-28', '23:00'))).toBe('2027-03-29');
    // The last day can be told of on the day after it, when there is none of theirs any more.
    const after = async (now: Date) => {
      const { day: own, yesterday } = await openDay(await freshManager(), token, HERE, now);
      return [own, yesterday];
    };
    expect(await after(at('2027-04-02', '09:00'))).toEqual([null, '2027-04-01']);
    expect(await after(at('2027-04-03', '09:00'))).toEqual([null, null]);
    const say = async (now: Date) => answerOf(checkIn(await freshManager(), token, { did: 'done', date: '2027-03-27' }, HERE, now));
    expect(await say(at('2027-03-28', '22:59'))).toBe('allowed');
    expect(await say(at('2027-03-28', '23:00'))).toBe('late');
  });

  test('a sign that calls for help tells the director, and leaves the natural breath until they have spoken', async () => {
    const { of } = await running();
    const { token, id, person } = of('Bram O.');
    const heard = await checkIn(await freshManager(), token, { did: 'done', signs: [HELP_SIGNS[0], 'dizziness'] }, HERE, NOW);
    expect(heard).toEqual({ help: true, signs: true });
    const [mail] = (await mails()).filter(({ subject }) => subject.includes('called for help'));
    expect(mail.body).not.toContain(HELP_SIGNS[0]);
    const day = await openDay(await freshManager(), token, HERE, NOW);
    expect([day.practice!.parts[0].pattern, day.says]).toEqual(['natural', expect.stringContaining('until the studio has spoken with you')]);
    // Sealed with their own key: neither the row nor a lead reads which signs there were.
    const row = await (await ownerManager()).findOneOrFail(CheckInRow, { member: id, date: TODAY }, ANYWHERE);
    expect(JSON.stringify(row)).not.toContain('dizziness');
    const { view } = await running();
    expect(view.people.find(({ member }) => member === id)!.held).toHaveLength(1);
    expect(view.going!.hard.find(({ member }) => member === id)!.what).toBe('chest pain and dizziness');
    expect(JSON.stringify((await running(await deskOf('lead teacher'))).view)).not.toMatch(/dizziness|chest pain|felt wrong|"held":\["/);
    // Whoever leads it sees neither a day that is behind for no word they can see, nor whom it would be better not to write to.
    const lead = (await running(await deskOf('lead teacher'))).view;
    expect([
      lead.people.map(({ ownDay }) => ownDay).filter((day) => day !== null),
      lead.going?.drifting.filter(({ not }) => not !== null) ?? [],
    ]).toEqual([[], []]);
    for (const role of ['lead teacher', 'teacher', 'front desk'] as const)
      expect(await answerOf(answerSigns(await deskOf(role), await standing(id)))).toBe('not-allowed');
    const answered = await standing(id);
    await answerSigns(await director(), answered);
    expect((await openDay(await freshManager(), token, HERE, NOW)).practice!.parts[0].pattern).not.toBe('natural');
    expect(await answerOf(answerSigns(await director(), answered))).toBe('late');
    const file = JSON.parse(await exportPerson(await director(), { person, why: 'they asked for it' }));
    const own = file.series.find((one: { series: string }) => one.series === BEGINNERS);
    expect(own.days.at(-1)).toMatchObject({ date: TODAY, did: 'done', signs: ['chest pain', 'dizziness'] });
    await erasePerson(await director(), { person, name: 'Bram O.' });
    expect(await answerOf(openDay(await freshManager(), token, HERE, NOW))).toBe('late');
    expect(JSON.stringify((await running()).view)).not.toContain('Bram');
  });

  test('ended early, the days after it are nobody’s gaps; the day before it can be told of still', async () => {
    const { id, view } = await made({ firstDate: TODAY });
    const [part] = await membersOf(await director(), [id]);
    const token = ownToken(await director(), part);
    await checkIn(await freshManager(), token, { did: 'done', felt: 'easy' }, HERE, NOW);
    await stopSeries(await director(at(addDays(TODAY, 2), '10:00')), { series: id, version: view.version });
    const day = async (date: IsoDate) => openDay(await freshManager(), token, HERE, at(date, '11:00'));
    const stopped = await day(addDays(TODAY, 2));
    expect([stopped.day, stopped.yesterday, stopped.did, stopped.of]).toEqual([null, addDays(TODAY, 1), 1, 2]);
    const later = await day(addDays(TODAY, 4));
    expect([later.yesterday, later.did, later.of, later.ladder.map(({ done }) => done)]).toEqual([null, 1, 2, ['done', 'gap']]);
    expect(later.says).toContain('ended');
    const say = async (date: IsoDate) => answerOf(checkIn(await freshManager(), token, { did: 'done', date }, HERE, at(addDays(TODAY, 2), '11:00')));
    expect([await say(addDays(TODAY, 2)), await say(addDays(TODAY, 1))]).toEqual(['late', 'allowed']);
  });

  test('what felt wrong is not unsaid by a later tap, and saying so leaves standing how the day was', async () => {
    const { of } = await running();
    const { token, id } = of('Ines P.');
    const say = async (over: object, now = NOW) => checkIn(await freshManager(), token, { did: 'done', ...over }, HERE, now);
    const kept = async () => (await checkInsOf(await director(), [id])).get(id)!.at(-1)!;
    const hard = async () => (await running()).view.going!.hard.filter(({ member, date }) => member === id && date === TODAY);
    expect(await say({ felt: 'worked', easier: true })).toEqual({ help: false, signs: false });
    expect(await say({ signs: ['dizziness'], wrong: true })).toEqual({ help: false, signs: true });
    expect(await kept()).toMatchObject({ did: 'done', felt: 'worked', easier: true, signs: true });
    expect(await say({ felt: 'easy' })).toEqual({ help: false, signs: true });
    expect(await kept()).toMatchObject({ did: 'done', felt: 'easy', easier: false, signs: true });
    await say({ did: 'not today', signs: [STOP_SIGNS[1]] });
    expect(await kept()).toMatchObject({ did: 'not today', signs: true, techniques: [] });
    expect((await hard()).map(({ what }) => what)).toEqual([`dizziness and ${STOP_SIGNS[1]}`]);
    // A step that was taken back follows again from what is said after that.
    await undoStepBack(await director(), { checkIn: (await kept()).id });
    await say({ felt: 'easy' });
    expect((await kept()).undone).toBe(true);
    await say({ signs: ['dizziness'], wrong: true });
    expect((await kept()).undone).toBe(true);
    await say({ felt: 'strained' });
    expect((await kept()).undone).toBe(false);
  });

  test('what called for help stays said until the director has spoken; told too late for the ladder, they hear all the same', async () => {
    const { of } = await running();
    const told = async () => (await mails()).filter(({ subject }) => subject.includes('called for help')).length;
    const { token, id } = of('Lotte V.');
    const say = async (over: object, now = NOW) => checkIn(await freshManager(), token, { did: 'done', ...over }, HERE, now);
    const before = await told();
    await say({ signs: [HELP_SIGNS[0]], wrong: true });
    // The phone sends it once more, and somebody taps how the day was.
    expect(await say({ signs: [HELP_SIGNS[0]], wrong: true })).toEqual({ help: true, signs: true });
    expect(await say({ felt: 'easy' })).toEqual({ help: true, signs: true });
    expect(await told()).toBe(before + 1);
    await answerSigns(await director(), await standing(id));
    expect(await say({ felt: 'worked' })).toEqual({ help: false, signs: true });
    expect((await running()).view.people.find(({ member }) => member === id)!.held).toEqual([]);
    expect(await told()).toBe(before + 1);
    const late = { date: addDays(TODAY, -2), felt: 'easy' };
    expect(await answerOf(say(late))).toBe('late');
    expect(await say({ ...late, signs: [HELP_SIGNS[0]] })).toEqual({ help: true, signs: true });
    expect((await checkInsOf(await director(), [id])).get(id)!.some(({ date, signs }) => date === late.date && signs)).toBe(false);
    expect(await told()).toBe(before + 2);
    expect((await running()).view.people.find(({ member }) => member === id)!.held).toHaveLength(1);
  });

  test('what somebody says waits for nobody else: whoever is held is held alone', async () => {
    const { of } = await running();
    const { token, id } = of('Theo A.');
    const heard = inOne(await director(), async (at) => {
      await heldMember(at, of('Mabel D.').id);
      const said = checkIn(await freshManager(), token, { did: 'done', signs: [HELP_SIGNS[1]] }, HERE, NOW);
      const waited = new Promise<never>((_, no) => setTimeout(() => no(new Error('It waited for somebody else.')), 8000).unref());
      return Promise.race([said, waited]);
    });
    expect(await heard).toEqual({ help: true, signs: true });
    await answerSigns(await director(), await standing(id));
    // However many taps of one person meet, all of them are taken.
    const taps = Array.from({ length: 8 }, async (_, tap) =>
      tap % 4 === 0
        ? setMails(await freshManager(), token, tap > 0, HERE, NOW)
        : checkIn(await freshManager(), token, { did: 'done', felt: 'easy' }, HERE, NOW),
    );
    expect(await Promise.all(taps.map(answerOf))).toEqual(taps.map(() => 'allowed'));
  });

  test('a strained day steps back one, and the director may take that back', async () => {
    const { of, view } = await running();
    const tomorrow = at(addDays(TODAY, 1), '09:00');
    const { token, id } = of('Elke R.');
    await checkIn(await freshManager(), token, { did: 'done', felt: 'strained' }, HERE, NOW);
    expect((await openDay(await freshManager(), token, HERE, tomorrow)).day).toBeLessThan(view.today! + 1);
    const hard = (await running()).view.going!.hard.find(({ member }) => member === id)!;
    await undoStepBack(await director(), { checkIn: hard.checkIn });
    expect((await openDay(await freshManager(), token, HERE, tomorrow)).day).toBe(view.today! + 1);
  });

  test('after days that were missed the minutes grow with the person, not with the series', async () => {
    const { id, view } = await made({ firstDate: TODAY, length: 21, to: 7, themes: [{ techniques: ['equal-4-4'] }] });
    const [part] = await membersOf(await director(), [id]);
    const token = ownToken(await director(), part);
    const day = async (number: number) => openDay(await freshManager(), token, HERE, at(view.days[number - 1].date, '09:00'));
    await checkIn(await freshManager(), token, { did: 'done', felt: 'easy' }, HERE, NOW);
    const back = await day(13);
    expect(view.days[12].minutes).toBeGreaterThan(3);
    expect([back.practice!.minutes, back.easier!.minutes]).toEqual([2, 2]);
  });

  test('a new address ends the one before; whoever leaves has none; what is no address opens nothing', async () => {
    const { of } = await running();
    const { token, id } = of('Lotte V.');
    const { url } = await giveNewAddress(await director(), { member: id });
    const fresh = url.split('/').pop()!;
    expect(await answerOf(openDay(await freshManager(), token, HERE, NOW))).toBe('late');
    expect(await answerOf(openDay(await freshManager(), fresh, HERE, NOW))).toBe('allowed');
    expect(JSON.parse(await exportDays(await freshManager(), fresh, HERE, NOW))).toMatchObject({ series: BEGINNERS, days: expect.any(Array) });
    expect(await weekNote(await freshManager(), fresh, HERE, NOW)).toContain('done and easy');
    await leaveSeries(await freshManager(), fresh, HERE, NOW);
    for (const gone of [fresh, 'x', 'a'.repeat(43)]) {
      expect(await answerOf(openDay(await freshManager(), gone, '203.0.113.77', NOW))).toBe('late');
      expect(await answerOf(checkIn(await freshManager(), gone, { did: 'done' }, '203.0.113.77', NOW))).toBe('late');
    }
    // Left by mistake, they take part again by another address, with what they did.
    const again = (await giveNewAddress(await director(), { member: id })).url.split('/').pop()!;
    expect((await openDay(await freshManager(), again, HERE, NOW)).did).toBeGreaterThan(0);
    expect(await answerOf(openDay(await freshManager(), fresh, '203.0.113.78', NOW))).toBe('late');
  });

  test('addresses cannot be guessed for long from one place', async () => {
    const answers = [];
    for (let tries = 0; tries < 60; tries += 1)
      answers.push(await answerOf(openDay(await freshManager(), `${'b'.repeat(42)}${tries % 10}`, '203.0.113.66', NOW)));
    expect(answers.at(-1)).toBe('too-many');
    const { of } = await running();
    expect(await answerOf(openDay(await freshManager(), of('Cosmo W.').token, '203.0.113.67', NOW))).toBe('allowed');
  });
});

describe('signing up by a link', () => {
  const someone = (over: object = {}) => ({ name: 'Juna Q.', email: 'juna@post.example', birthDate: null, website: '', ...over });
  async function opened() {
    const { id, view } = await made();
    const { url } = await openSeries(await director(), { series: id, version: view.version, open: true });
    const waiting = async () => (await readSeries(await director(), id)).joining!.asking;
    const token = url!.split('/').pop()!;
    return { id, token, waiting, version: view.version + 1 };
  }

  test('they get their form, and nothing to practise before the director’s yes', async () => {
    const { id, token, waiting } = await opened();
    expect(await openSignUp(await freshManager(), token, '203.0.113.90', NOW)).toMatchObject({ days: 7 });
    await signUp(await freshManager(), token, someone(), '203.0.113.90', NOW);
    // Sent twice, or by a couple with one address.
    await signUp(await freshManager(), token, someone({ name: ' juna q. ' }), '203.0.113.90', NOW);
    await signUp(await freshManager(), token, someone({ name: 'Per Q.' }), '203.0.113.90', NOW);
    const asking = await waiting();
    expect(asking.map(({ name }) => name).sort()).toEqual(['Juna Q.', 'Per Q.']);
    const part = (await membersOf(await director(), [id])).find((one) => one.id === asking.find(({ name }) => name === 'Juna Q.')!.member)!;
    const own = ownToken(await director(), part);
    expect(await answerOf(openDay(await freshManager(), own, HERE, NOW))).toBe('late');
    const sentTo = (await mails()).filter(({ address }) => address === 'juna@post.example');
    // One letter an address and day, whoever signs up with it; until the yes they are nobody's members, and nobody but the director sees them.
    expect(sentTo.map(({ body }) => /\/(form|day)\//.exec(body)![1])).toEqual(['form']);
    const group = async (desk: Desk) => (await roster(desk)).filter(({ name }) => ['Juna Q.', 'Per Q.'].includes(name)).map(({ name }) => name);
    expect(await group(await director())).toEqual([]);
    expect(JSON.stringify(await readSeries(await deskOf('lead teacher'), id).catch(() => null))).not.toContain('Juna');
    await admit(await director(), { member: part.id });
    expect(await answerOf(openDay(await freshManager(), own, HERE, NOW))).toBe('allowed');
    expect(await answerOf(admit(await director(), { member: part.id }))).toBe('late');
    await decline(await director(), { member: asking.find(({ name }) => name === 'Per Q.')!.member });
    expect(await waiting()).toEqual([]);
    expect(await group(await director())).toEqual(['Juna Q.']);
    expect((await readSeries(await director(), id)).people.map(({ name }) => name)).not.toContain('Per Q.');
    // Answered no by mistake, or left: asking anew waits for the yes anew, and their address opens nothing meanwhile.
    await leaveSeries(await freshManager(), own, HERE, NOW);
    for (const name of ['Per Q.', 'Juna Q.']) await signUp(await freshManager(), token, someone({ name }), '203.0.113.90', NOW);
    expect((await waiting()).map(({ name }) => name).sort()).toEqual(['Juna Q.', 'Per Q.']);
    expect(await answerOf(openDay(await freshManager(), own, HERE, NOW))).toBe('late');
    expect(await answerOf(giveNewAddress(await director(), { member: part.id }))).toBe('late');
    await admit(await director(), { member: part.id });
    expect((await openDay(await freshManager(), own, HERE, NOW)).mails).toBe(true);
  });

  test('whoever was written when it begins hears when that is another day or hour, and once it has begun no more', async () => {
    const { id, token, waiting } = await opened();
    for (const name of ['Ilse Q.', 'Odo Q.']) await signUp(await freshManager(), token, someone({ name }), '203.0.113.94', NOW);
    const [first] = await waiting();
    await admit(await director(), { member: first.member });
    const heard = async () => (await mails()).filter(({ address, body }) => address === 'juna@post.example' && body.includes('begins on')).length;
    const ask = async (more: object) => askSeries(await director(), askedOf(await readSeries(await director(), id), more));
    const before = await heard();
    await ask({ name: 'Another name', missed: 'repeat' });
    expect(await heard()).toBe(before);
    await ask({ firstDate: addDays(TODAY, 1) });
    await ask({ start: '07:00' });
    expect(await heard()).toBe(before + 2);
    const [mail, earlier] = await mails();
    expect(mail.body).toContain(`Another name begins on ${dayText(addDays(TODAY, 1))} at 07:00, not on ${dayText(addDays(TODAY, 1))} at 06:30.`);
    expect(earlier.body).toContain(`at 06:30, not on ${dayText(addDays(TODAY, 20))} at 06:30. Your own page is the same:`);
    expect(mail.body).toMatch(/\/day\//);
    await undoSeries(await director(), { series: id, version: (await readSeries(await director(), id)).version });
    expect(await heard()).toBe(before + 3);
    await ask({ firstDate: TODAY });
    await ask({ start: '07:30' });
    await stopSeries(await director(), { series: id, version: (await readSeries(await director(), id)).version });
    expect(await heard()).toBe(before + 4);
  });

  test('let in while its first days are a pause, they begin with it when that pause is ended', async () => {
    const { id, token, waiting } = await opened();
    const first = addDays(TODAY, 20);
    const at = async () => ({ series: id, version: (await readSeries(await director(), id)).version });
    await pauseSeries(await director(), { ...(await at()), from: first, until: addDays(first, 1) });
    await signUp(await freshManager(), token, someone({ name: 'Wynn Q.' }), '203.0.113.95', NOW);
    const [{ member }] = await waiting();
    await admit(await director(), { member });
    const newest = async () => (await mails())[0].body;
    expect(await newest()).toContain(`from ${dayText(addDays(first, 2))} at`);
    await endPause(await director(), { ...(await at()), from: first });
    expect(await newest()).toContain(`begins on ${dayText(first)} at 06:30, not on ${dayText(addDays(first, 2))}`);
    const part = (await membersOf(await director(), [id])).find((one) => one.id === member)!;
    const day = await openDay(await freshManager(), ownToken(await director(), part), HERE, new Date(`${first}T09:00:00Z`));
    expect(day.day).toBe(1);
  });

  test('what strangers do with it ends soon: a limit, a trap, a closed link', async () => {
    const { id, token, waiting, version } = await opened();
    await signUp(await freshManager(), token, someone({ website: 'https://cheap.example' }), '203.0.113.91', NOW);
    expect(await waiting()).toEqual([]);
    expect(await answerOf(signUp(await freshManager(), token, someone({ email: 'nowhere' }), '203.0.113.91', NOW))).toBe('invalid');
    const guest = async (number: number) =>
      answerOf(signUp(await freshManager(), token, someone({ name: `Guest ${number}`, email: 'guests@post.example' }), `198.51.100.${number}`, NOW));
    // Whoever has answered their form waits as long as it takes, whatever strangers fill in meanwhile.
    await signUp(await freshManager(), token, someone({ name: 'Real One', email: 'real@post.example' }), '198.51.100.200', NOW);
    const real = (await (await ownerManager()).findOneOrFail(PersonRow, { name: 'Real One' }, ANYWHERE)).id;
    await enterForm(await director(), { once: newId(), person: real, screenedOn: TODAY, answers: wholeForm([]) });
    for (let number = 1; number <= 101; number += 1) expect(await guest(number)).toBe('allowed');
    const names = (await waiting()).map(({ name }) => name);
    expect([names.length, names[0], names.includes('Guest 1'), names.includes('Guest 101')]).toEqual([101, 'Real One', false, true]);
    expect((await mails()).filter(({ address }) => address === 'guests@post.example')).toHaveLength(1);
    const many = async () => answerOf(signUp(await freshManager(), token, someone({ name: newId() }), '198.51.100.7', NOW));
    for (let number = 1; number <= 29; number += 1) expect(await many()).toBe('allowed');
    expect(await many()).toBe('too-many');
    for (const role of ['lead teacher', 'teacher', 'front desk'] as const)
      for (const act of [admit, decline])
        expect(await answerOf(act(await deskOf(role), { member: (await waiting())[0].member }))).toBe('not-allowed');
    await openSeries(await director(), { series: id, version, open: false });
    expect(await answerOf(signUp(await freshManager(), token, someone(), '203.0.113.92', NOW))).toBe('late');
    expect(await answerOf(openSignUp(await freshManager(), 'c'.repeat(43), '203.0.113.92', NOW))).toBe('late');
  });

  test('somebody under 16 without a guardian’s consent has nothing counted', async () => {
    const { id, token, waiting } = await opened();
    await signUp(await freshManager(), token, someone({ name: 'Pip Q.', birthDate: '2013-05-05' }), '203.0.113.93', NOW);
    const [{ member }] = (await waiting()).filter(({ name }) => name === 'Pip Q.');
    await admit(await director(), { member });
    const part = (await membersOf(await director(), [id])).find((one) => one.id === member)!;
    for (let day = 0; day < 7; day += 1) {
      const { practice } = await openDay(await freshManager(), ownToken(await director(), part), HERE, at(addDays(part.joinedOn, day), '09:00'));
      expect(['natural', 'deepened']).toContain(practice!.parts[0].pattern);
    }
  });
});

describe('each morning', () => {
  const morning = (clock: string) => at(addDays(TODAY, 1), clock);
  test('from an hour before the hour on, once, to whoever wants it', async () => {
    const { of, view } = await running();
    const { who } = await director();
    const here = view.people.filter(({ left }) => !left);
    await setMails(await freshManager(), of('Mabel D.').token, false, HERE, NOW);
    const sent = async (clock: string) => sendDays(await freshManager(), who.studio, morning(clock));
    expect(await sent('05:29')).toBe(0);
    const [one, two] = await Promise.all([sent('05:30'), sent('05:30')]);
    // Both came at once: nobody was written to twice.
    expect(one + two).toBeGreaterThanOrEqual(here.length - 1);
    expect(await sent('12:00')).toBe(0);
    const sentTo = (await mails()).filter(({ subject }) => subject === `Today: ${BEGINNERS}`);
    expect(sentTo).toHaveLength(here.length - 1);
    const token = /\/day\/([\w-]{43})/.exec(sentTo[0].body)![1];
    expect((await openDay(await freshManager(), token, HERE, morning('06:30'))).date).toBe(addDays(TODAY, 1));
  });

  test('two people with one address each have their own page; whoever joins later begins when they do', async () => {
    const { id, view, of } = await running();
    const { who } = await director();
    for (const name of ['Aoife M.', 'Conall M.'])
      await addPerson(await director(), {
        once: newId(),
        cohort: view.cohort.id,
        name,
        email: 'both@post.example',
        birthDate: null,
        screened: false,
        screenedOn: null,
        guardianConsent: false,
        answers: [],
      });
    expect((await letIn(await director(), { series: id, version: 1 })).joined).toBeGreaterThanOrEqual(2);
    expect(await letIn(await director(), { series: id, version: 1 })).toEqual({ joined: 0 });
    const now = await running();
    expect(now.of('Aoife M.').token).not.toBe(now.of('Conall M.').token);
    expect(of('Cosmo W.').joinedOn).toBe(view.firstDate);
    expect(now.of('Aoife M.').joinedOn).toBe(TODAY);
    const day = await openDay(await freshManager(), now.of('Aoife M.').token, HERE, NOW);
    expect(day.day).toBeLessThan(view.today!);
    await sendDays(await freshManager(), who.studio, at(addDays(TODAY, 2), '06:00'));
    expect((await mails()).filter(({ address }) => address === 'both@post.example')).toHaveLength(2);
  });
});

describe('keeping people on', () => {
  test('who is drifting off, and how many will finish', async () => {
    const { view } = await running();
    const { finish, drifting } = view.going!;
    expect(drifting.map(({ name }) => name)).toEqual(expect.arrayContaining(['Rosa F.', 'Ulf K.', 'Theo A.']));
    expect(finish!.low).toBeLessThanOrEqual(Math.round(finish!.expected));
    expect(finish!.high).toBeGreaterThanOrEqual(Math.round(finish!.expected));
    expect(finish!.share).toBe(0.8);
  });

  test('finished is what the studio says it is: so many percent of the days, between half and all', async () => {
    const likely = (await running()).view.going!.finish!.expected;
    const guards = {
      weekMinutes: 1,
      weekPercent: 20,
      restMinutes: 15,
      classesOnAStep: 2,
      growingSteps: 3,
      holdThree: 10,
      holdFour: 30,
      easyPercent: 80,
      strainedPercent: 30,
    };
    const save = async (finishPercent: number) => {
      const { version } = (await readStudio(await director())).studio;
      return saveGuards(await director(), { ...guards, version, finishPercent });
    };
    expect([await answerOf(save(49)), await answerOf(save(101))]).toEqual(['invalid', 'invalid']);
    await save(50);
    expect((await running()).view.going!.finish!.expected).toBeGreaterThan(likely);
    await save(100);
    expect((await running()).view.going!.finish).toMatchObject({ share: 1 });
    expect((await running()).view.going!.finish!.expected).toBeLessThan(likely);
    await save(80);
    expect((await running()).view.going!.finish!.expected).toBeCloseTo(likely);
  });

  test('they are written to in the director’s words, never twice within three days, and never with a claim', async () => {
    const { id, of } = await running();
    const rosa = of('Rosa F.');
    const write = async (text: string, now = NOW, members = [rosa.id]) =>
      writeToDrifting(await director(now), { once: newId(), series: id, members, text });
    expect(await answerOf(write('This cures asthma. Come back.'))).toBe('invalid');
    expect(await write('We miss you.')).toEqual({ sent: 1 });
    const [mail] = (await mails()).filter(({ body }) => body.includes('We miss you.'));
    expect(mail.body).toMatch(/^Hello Rosa, your last day with us was /);
    expect(mail.body).toContain(rosa.token);
    expect(await answerOf(write('Again.', at(addDays(TODAY, 2), '23:00')))).toBe('late');
    // Nobody is asked to come back who called for help, or when it is over.
    const three = at(addDays(TODAY, 3), '09:00');
    await checkIn(await freshManager(), rosa.token, { did: 'not today', signs: [HELP_SIGNS[0]] }, HERE, NOW);
    expect((await readSeries(await director(three), id)).going!.drifting.find(({ member }) => member === rosa.id)!.not).toContain('called for help');
    expect(await answerOf(write('Again.', three))).toBe('late');
    await answerSigns(await director(), await standing(rosa.id));
    expect(await answerOf(write('Again.', at(addDays(TODAY, 60), '09:00')))).toBe('late');
    expect(await answerOf(write('Again.', three))).toBe('allowed');
    // Whoever is not drifting off is not written to, whatever is sent.
    expect(await answerOf(write('Hello.', NOW, [of('Cosmo W.').id]))).toBe('late');
  });

  test('a week of three people: one keeps it up, one drifts off, is written to and comes back, one steps back', async () => {
    const { id, view } = await made({ length: 14, to: 4 });
    const morning = (day: number) => at(addDays(view.firstDate, day - 1), '09:00');
    const seen = async (day: number) => readSeries(await director(morning(day)), id);
    const members = await membersOf(await director(), [id]);
    const [steady, drifting, hurt] = members.slice(0, 3).map((one) => ({ id: one.id, token: ownToken({ vault: vault() }, one) }));
    const say = async (token: string, day: number, over: object = {}) =>
      checkIn(await freshManager(), token, { did: 'done', felt: 'easy', ...over }, HERE, morning(day));
    for (let day = 1; day <= 7; day += 1) {
      await say(steady.token, day);
      if (day <= 2 || day === 7) await say(drifting.token, day);
      await say(hurt.token, day, day === 5 ? { signs: ['dizziness'] } : {});
      const going = (await seen(day)).going!;
      expect(going.today).toBe(day <= 2 || day === 7 ? 3 : 2);
      const off = going.drifting.map(({ member }) => member);
      // Nothing on days 3, 4 and 5: on day 6 that is three, and on day 7 they are back.
      expect(off.includes(drifting.id)).toBe(day === 6);
      expect(off.includes(steady.id)).toBe(false);
    }
    expect((await openDay(await freshManager(), steady.token, HERE, morning(8))).day).toBe(8);
    const back = await openDay(await freshManager(), hurt.token, HERE, morning(6));
    expect(back.day).toBeLessThan(6);
    expect(back.easierFirst).toBe(true);
    expect((await seen(8)).going!.drifting.map(({ member }) => member)).not.toContain(drifting.id);
  });

  test('afterwards it says who finished and what to change', async () => {
    const { id } = await running();
    const view = await readSeries(await director(at(addDays(TODAY, 30), '09:00')), id);
    expect(view.state).toBe('finished');
    expect(view.going!.after[0]).toMatch(/finished: at least 80 % of the days that were theirs\.$/);
  });
});

describe('who sees what', () => {
  test('the front desk sees who takes part, never how it felt; a teacher only what they lead', async () => {
    const { id } = await running();
    const desk = await readSeries(await deskOf('front desk'), id);
    expect(desk.going).toBeNull();
    expect(desk.people.length).toBeGreaterThan(10);
    for (const one of desk.people) expect(one).toMatchObject({ did: null, felt: null, ownDay: null });
    expect(await answerOf(readSeries(await deskOf('teacher'), id))).toBe('not-found');
    expect(await listSeries(await deskOf('teacher'))).toEqual([]);
    const lead = await readSeries(await deskOf('lead teacher'), id);
    expect(lead.people.every(({ name }) => !name.includes(' '))).toBe(true);
    expect(lead.people.some(({ felt }) => felt !== null)).toBe(true);
    expect(lead.mayEdit).toBe(false);
    // How many come out otherwise is the director's alone; order and growth are the lead's to read too.
    const ofPeople = /ask first|leaves? it out|left out|adapted|a limit/;
    const all = await readSeries(await director(), id);
    expect(all.checks.some(({ text }) => ofPeople.test(text))).toBe(true);
    await changeDay(await director(), { series: id, version: all.version, do: 'swap', day: all.today!, with: all.days.length });
    const after = await readSeries(await deskOf('lead teacher'), id);
    expect(after.checks.some(({ text }) => ofPeople.test(text))).toBe(false);
    expect(after.checks.some(({ text }) => text.includes('grows from'))).toBe(true);
    expect([(await readSeries(await deskOf('front desk'), id)).checks, after.unreached]).toEqual([[], []]);
    expect(await answerOf(readSeries(await deskOf('stranger'), id))).toBe('not-found');
  });

  test('only the director changes a series, writes, gives addresses and takes steps back', async () => {
    const { id, version, of } = await running();
    const member = of('Cosmo W.').id;
    const acts: readonly ((desk: Desk) => Promise<unknown>)[] = [
      (desk) => changeDay(desk, { series: id, version, do: 'swap', day: 20, with: 21 }),
      (desk) => draftAgain(desk, { series: id, version }),
      (desk) => stopSeries(desk, { series: id, version }),
      (desk) => removeSeries(desk, { series: id, version }),
      (desk) => pauseSeries(desk, { series: id, version, from: addDays(TODAY, 2), until: addDays(TODAY, 2) }),
      (desk) => copySeries(desk, { once: newId(), series: id, name: 'x', cohort: newId(), teacher: newId(), firstDate: addDays(TODAY, 9) }),
      (desk) => letIn(desk, { series: id, version }),
      (desk) => giveNewAddress(desk, { member }),
      (desk) => writeToDrifting(desk, { once: newId(), series: id, members: [member], text: 'x' }),
      (desk) => undoStepBack(desk, { checkIn: newId() }),
    ];
    for (const role of ['lead teacher', 'teacher', 'front desk'] as const)
      for (const act of acts) expect(await answerOf(act(await deskOf(role)))).toBe('not-allowed');
    for (const act of acts.slice(0, 9)) expect(['not-found', 'invalid']).toContain(await answerOf(act(await deskOf('stranger'))));
  });

  test('every row is the studio’s own', async () => {
    const rows = await (await ownerManager()).find(SeriesMemberRow, {}, ANYWHERE);
    const { who } = await director();
    expect(new Set(rows.map(({ studio }) => studio))).toEqual(new Set([who.studio]));
    expect(isoDate(rows[0].joinedOn)).toBeTruthy();
  });
});
