import { sync } from 'node-ical';
import { v7 as newId } from 'uuid';
import { readPackage } from '../../src/core/exchange';
import { SHIPPED_LIBRARY } from '../../src/core/library';
import { tideBreath } from '../../src/core/library/example';
import { addDays, dayText, isoDate } from '../../src/core/units';
import { signIn } from '../../src/server/auth/signin';
import { freshManager } from '../../src/server/db/orm';
import { deskFor, type Desk } from '../../src/server/desk';
import { planPdf } from '../../src/server/paper/pdf';
import { session as sessionById, sessionsOf } from '../../src/server/repositories/courses';
import { progressOf } from '../../src/server/repositories/plans';
import { members } from '../../src/server/repositories/screenings';
import { addCohort } from '../../src/server/usecases/cohorts/addCohort';
import { cancelClass } from '../../src/server/usecases/courses/lifeHappens';
import { createSingle } from '../../src/server/usecases/courses/createCourse';
import { moveBlock } from '../../src/server/usecases/courses/moveBlock';
import { readCourse } from '../../src/server/usecases/courses/readCourse';
import { exportCalendar, importCalendar, makeFeed, previewCalendar, readFeed } from '../../src/server/usecases/exchange/calendars';
import { exportCourse, importCourse, previewCourse } from '../../src/server/usecases/exchange/coursePackage';
import { readHandout, readPlanSheet } from '../../src/server/usecases/paper/readPaper';
import { readOutbox } from '../../src/server/usecases/people/records';
import { readNotes, sayNote } from '../../src/server/usecases/plans/notes';
import { publishMany, publishPlan } from '../../src/server/usecases/plans/publishPlan';
import { readPlan } from '../../src/server/usecases/plans/readPlan';
import { saveBlocks } from '../../src/server/usecases/plans/saveBlocks';
import { blockSources, removeTemplate, saveTemplate, takeBlocks } from '../../src/server/usecases/plans/templates';
import { readLobby } from '../../src/server/usecases/lobby/readLobby';
import { askForReset, choosePassword, openJoining } from '../../src/server/usecases/staff/join';
import { changeRole, inviteAgain, inviteStaff, leaveStaff, saveQualifications } from '../../src/server/usecases/staff/manage';
import { readAccount, removeOwnAway, saveAway, saveOwnPassword, signOutElsewhere } from '../../src/server/usecases/staff/ownAccount';
import { readStaff } from '../../src/server/usecases/staff/readStaff';
import { acknowledgePlan } from '../../src/server/usecases/teach/acknowledgePlan';
import { coverFor, coverWithChange, handOver } from '../../src/server/usecases/teach/cover';
import { logClass } from '../../src/server/usecases/teach/logClass';
import { readClass } from '../../src/server/usecases/teach/readClass';
import { readWeek } from '../../src/server/usecases/teach/readWeek';
import { pdfText } from './pdfText';
import { answerOf, closeDatabase, demo, deskOf, NOW, openBoth, seenOf, TODAY } from './studio';

beforeAll(openBoth, 120_000);
afterAll(closeDatabase);

const director = () => deskOf('director');
const HERE = '203.0.113.9';
const later = (ms: number) => new Date(NOW.getTime() + ms);
const HOUR = 3_600_000;

/** The newest mail to an address, and the token of the link in it. */
async function mailTo(address: string) {
  const mail = (await readOutbox(await director())).find((one) => one.address === address)!;
  return { ...mail, token: /\/join\/([\w-]{43})/.exec(mail.body)?.[1] ?? '' };
}

const invitation = (email: string, over: object = {}) => ({
  once: newId(),
  name: 'Perran Sayle',
  email,
  role: 'teacher' as const,
  families: [
    { family: 'belly', since: null },
    { family: 'longer-exhale', since: '2026-01-01' },
  ],
  ...over,
});

/** Somebody who was invited and has chosen a password: their desk. */
async function joined(email: string, over: object = {}): Promise<Desk> {
  await inviteStaff(await director(), invitation(email, over));
  const { token } = await mailTo(email);
  await choosePassword(await freshManager(), token, { password: 'a few plain words', again: 'a few plain words' }, HERE, NOW);
  const member = (await readStaff(await director())).members.find((one) => one.email === email)!;
  const { who } = await director();
  return deskFor({ ...who, id: member.id, name: member.name, role: member.role }, NOW, await freshManager());
}

const memberOf = async (email: string) => (await readStaff(await director())).members.find((one) => one.email === email)!;

/** The ferry course's classes that are still to come and not published, and its teacher. */
async function ahead() {
  const { boat } = await demo(await director());
  const sessions = (await sessionsOf(await director(), [boat.id])).filter(({ date, published }) => date > TODAY && published === 0);
  return { boat, sessions };
}

describe('a colleague', () => {
  test('is invited, chooses a password once, and signs in; the link ends when it is used, runs out, or another is sent', async () => {
    const email = 'perran@pellwick.example';
    await inviteStaff(await director(), invitation(email));
    const first = (await mailTo(email)).token;
    const password = { password: 'a few plain words', again: 'a few plain words' };
    const signing = async () =>
      signIn(await freshManager(), { email, password: password.password, address: HERE, device: null }, NOW, async () => undefined);
    expect(await answerOf(signing())).toBe('invalid');
    const { id, version } = await memberOf(email);
    await inviteAgain(await deskOf('director', later(1)), { staff: id, version });
    const { token } = await mailTo(email);
    expect(await answerOf(openJoining(await freshManager(), first, HERE, later(2)))).toBe('not-found');
    expect(await openJoining(await freshManager(), token, HERE, NOW)).toMatchObject({ name: 'Perran Sayle', purpose: 'invitation', role: 'teacher' });
    expect(await answerOf(openJoining(await freshManager(), token, HERE, later(7 * 24 * HOUR - 1)))).toBe('allowed');
    expect(await answerOf(openJoining(await freshManager(), token, HERE, later(7 * 24 * HOUR + 1)))).toBe('not-found');
    const short = { password: '123456789', again: '123456789' };
    expect(await answerOf(choosePassword(await freshManager(), token, short, HERE, NOW))).toBe('invalid');
    expect(await answerOf(choosePassword(await freshManager(), token, { ...password, again: 'another' }, HERE, NOW))).toBe('invalid');
    const both = await Promise.all([1, 2].map(async () => answerOf(choosePassword(await freshManager(), token, password, HERE, NOW))));
    expect(both.filter((answer) => answer === 'allowed')).toHaveLength(1);
    expect(await answerOf(signing())).toBe('allowed');
    expect((await memberOf(email)).qualifications).toEqual([
      { family: 'belly', since: TODAY },
      { family: 'longer-exhale', since: '2026-01-01' },
    ]);
    expect(await answerOf(inviteStaff(await director(), invitation(email)))).toBe('invalid');
    expect(await answerOf(inviteStaff(await deskOf('stranger'), invitation(email)))).toBe('invalid');
  });

  test('who cannot sign in gets a link, and the page never says whether an address is known', async () => {
    const ask = async (email: string) => askForReset(await freshManager(), { email }, HERE, NOW);
    expect([await ask('nobody@nowhere.example'), await ask('corin@pellwick.example')]).toEqual([undefined, undefined]);
    expect((await readOutbox(await director())).some(({ address }) => address === 'nobody@nowhere.example')).toBe(false);
    // Asked again at once, it sends nothing more; five minutes later it does, and the first link is gone.
    const mails = async () => (await readOutbox(await director())).filter(({ address }) => address === 'corin@pellwick.example').length;
    const again = async (after: number) => askForReset(await freshManager(), { email: 'corin@pellwick.example' }, HERE, later(after));
    const before = await mails();
    await again(5 * 60_000 - 1);
    expect(await mails()).toBe(before);
    const first = (await mailTo('corin@pellwick.example')).token;
    await again(5 * 60_000);
    expect(await mails()).toBe(before + 1);
    expect(await answerOf(openJoining(await freshManager(), first, HERE, later(5 * 60_000 + 1)))).toBe('not-found');
    const { token } = await mailTo('corin@pellwick.example');
    const lead = await deskOf('lead teacher');
    const old = await signIn(await freshManager(), { email: 'corin@pellwick.example', password: 'tide-table-two', address: HERE, device: null }, NOW);
    expect((await readAccount(lead, old.token)).signIns.some(({ here }) => here)).toBe(true);
    expect(await answerOf(openJoining(await freshManager(), token, HERE, later(5 * 60_000 + 24 * HOUR)))).toBe('not-found');
    await choosePassword(await freshManager(), token, { password: 'tide-table-two!', again: 'tide-table-two!' }, HERE, NOW);
    expect((await readAccount(await deskOf('lead teacher'), old.token)).signIns).toEqual([]);
    // Their own page: another password needs the one there is, and signs out everywhere else.
    const here = await signIn(
      await freshManager(),
      { email: 'corin@pellwick.example', password: 'tide-table-two!', address: HERE, device: null },
      NOW,
    );
    await signIn(await freshManager(), { email: 'corin@pellwick.example', password: 'tide-table-two!', address: HERE, device: null }, NOW);
    const version = (await memberOf('corin@pellwick.example')).version;
    const to = { version, password: 'tide-table-two', again: 'tide-table-two' };
    expect(await answerOf(saveOwnPassword(lead, here.token, 'here', { ...to, current: 'wrong' }))).toBe('invalid');
    await saveOwnPassword(await deskOf('lead teacher'), here.token, 'here', { ...to, current: 'tide-table-two!' } as never).catch(() => undefined);
    expect(await signOutElsewhere(await deskOf('lead teacher'), here.token)).toEqual({ ended: expect.any(Number) });
    expect((await readAccount(await deskOf('lead teacher'), here.token)).signIns).toHaveLength(1);
  });

  test('leaves: signed out everywhere, the classes in hand named, the name kept; the last director stays', async () => {
    const teacher = await joined('wenna@pellwick.example', {
      name: 'Wenna Roe',
      families: SHIPPED_LIBRARY.families.map(({ id }) => ({ family: id, since: '2026-01-01' })),
    });
    const { sessions, boat } = await ahead();
    await handOver(await director(), { once: newId(), session: sessions[0].id, version: sessions[0].version, teacher: teacher.who.id });
    const signedIn = await signIn(
      await freshManager(),
      { email: 'wenna@pellwick.example', password: 'a few plain words', address: HERE, device: null },
      NOW,
    );
    const { id, version } = await memberOf('wenna@pellwick.example');
    const { open } = await leaveStaff(await director(), { staff: id, version });
    expect(open).toHaveLength(1);
    expect((await readAccount(await director(), signedIn.token)).signIns.every(({ here }) => !here)).toBe(true);
    const again = signIn(await freshManager(), { email: 'wenna@pellwick.example', password: 'a few plain words', address: HERE, device: null }, NOW);
    expect(await answerOf(again)).toBe('invalid');
    const row = (await readWeek(await director(), sessions[0].date)).rows.find((one) => one.id === sessions[0].id)!;
    expect([row.teacher, row.nobody]).toEqual([null, 'has left']);
    expect(
      (await readCourse(await director(), boat.id)).checks.some(({ text }) => text.includes('has no teacher: whoever had it no longer teaches here')),
    ).toBe(true);
    expect((await readLobby(await director())).some(({ text }) => text.includes('has nobody: whoever had it no longer teaches here'))).toBe(true);
    const me = await memberOf('linnet@pellwick.example');
    expect(await answerOf(leaveStaff(await director(), { staff: me.id, version: me.version }))).toBe('invalid');
    expect(await answerOf(changeRole(await director(), { staff: me.id, version: me.version, role: 'teacher' }))).toBe('invalid');
    // A director who is only invited does not count; one who has signed in does.
    const second = await joined('second@pellwick.example', { name: 'Second Hand', role: 'director', families: [] });
    await changeRole(second, { staff: me.id, version: me.version, role: 'lead teacher' });
    await changeRole(await deskFor(second.who, NOW, await freshManager()), { staff: me.id, version: me.version + 1, role: 'director' });
    // Whoever left comes back by another invitation, with what they had done.
    await inviteStaff(await director(), invitation('wenna@pellwick.example', { name: 'Wenna Roe' }));
    expect((await memberOf('wenna@pellwick.example')).id).toBe(teacher.who.id);
    const back = await memberOf('wenna@pellwick.example');
    await leaveStaff(await director(), { staff: back.id, version: back.version });
  });
});

describe('cover', () => {
  test('knows who is free, qualified that day and knows the group; handing over keeps the version and asks to be read anew', async () => {
    const { sessions } = await ahead();
    const session = await sessionById(await director(), sessions[1].id);
    const tamsin = await deskOf('teacher');
    await publishPlan(await director(), { once: newId(), session: session.id, version: session.version, teacher: tamsin.who.id, reason: 'as ever' });
    const plan = (await progressOf(await director(), [session.id])).get(session.id)!.plan!;
    await acknowledgePlan(tamsin, { session: session.id, plan: plan.id });
    await saveAway(tamsin, { once: newId(), staff: null, from: session.date, until: session.date, fromTime: '05:00', untilTime: '06:30' });
    const cover = await coverFor(await deskOf('lead teacher'), session.id);
    expect([cover.teacher, cover.able.map(({ name }) => name).sort()]).toEqual([
      { name: 'Tamsin Brae', why: 'is away' },
      ['Corin Vasey', 'Linnet Harrow'],
    ]);
    expect(cover.unable.map(({ name }) => name)).toContain('Brid Olney');
    const lead = await deskOf('lead teacher');
    const { version } = await sessionById(await director(), session.id);
    expect(await answerOf(handOver(lead, { once: newId(), session: session.id, version: version - 1, teacher: lead.who.id }))).toBe('clash');
    expect(await answerOf(handOver(lead, { once: newId(), session: session.id, version, teacher: tamsin.who.id }))).toBe('invalid');
    const once = newId();
    const give = async () => handOver(await deskOf('lead teacher'), { once, session: session.id, version, teacher: lead.who.id });
    await Promise.all([give(), give()]);
    const after = (await progressOf(await director(), [session.id])).get(session.id)!;
    expect([after.plan!.number, after.plan!.id, after.plan!.teacher, after.acknowledgedAt]).toEqual([plan.number, plan.id, lead.who.id, null]);
    const told = (await readOutbox(await director()))
      .filter(({ subject }) => subject.includes('takes') || subject.includes('You take'))
      .map(({ address }) => address);
    expect(told).toEqual(expect.arrayContaining(['tamsin@pellwick.example', 'linnet@pellwick.example']));
    expect(await answerOf(readClass(await deskOf('teacher'), session.id))).toBe('not-found');
    expect((await readClass(await deskOf('lead teacher'), session.id)).acknowledged).toBe(false);
    await acknowledgePlan(await deskOf('lead teacher'), { session: session.id, plan: plan.id });
    expect((await readWeek(await deskOf('teacher'), session.date)).rows.some(({ id }) => id === session.id)).toBe(false);
    expect((await readLobby(await deskOf('teacher'))).some(({ text }) => text.startsWith('Corin Vasey takes'))).toBe(true);
    const away = (await readAccount(await deskOf('teacher'), null)).aways[0];
    expect(await answerOf(removeOwnAway(await deskOf('stranger'), { id: away.id }))).toBe('not-found');
    await removeOwnAway(await deskOf('teacher'), { id: away.id });
  });

  test('where nobody is able, the smallest change is shown, worked out again when it is taken, and goes out as a new version', async () => {
    const { boat, sessions } = await ahead();
    const pumps = sessions.find(({ blocks }) => blocks.some((block) => block.kind === 'technique' && block.technique === 'pumps-27'))!;
    const session = await sessionById(await director(), pumps.id);
    // Only whoever is not qualified for pumps is free.
    const corin = await deskOf('lead teacher');
    await publishPlan(await director(), { once: newId(), session: session.id, version: session.version, teacher: corin.who.id, reason: 'as ever' });
    for (const desk of [await director(), await deskOf('lead teacher')])
      await saveAway(desk, { once: newId(), staff: null, from: session.date, until: session.date, fromTime: null, untilTime: null });
    const cover = await coverFor(await director(), session.id);
    expect(cover.able).toEqual([]);
    const [least, ...more] = cover.unable.filter(({ change }) => change);
    expect(more.every(({ change }) => change!.minutes >= least.change!.minutes)).toBe(true);
    expect(least.change!.lines.some((line) => line.includes('27 pumps left out'))).toBe(true);
    const { version } = await sessionById(await director(), session.id);
    const input = { once: newId(), session: session.id, version, teacher: least.id };
    expect(await answerOf(handOver(await director(), { ...input, once: newId() }))).toBe('invalid');
    expect(await answerOf(coverWithChange(await deskOf('lead teacher'), input))).toBe('not-allowed');
    expect(await coverWithChange(await director(), input)).toEqual({ name: least.name });
    const after = (await progressOf(await director(), [session.id])).get(session.id)!;
    expect([after.plan!.number, after.plan!.teacher, after.acknowledgedAt]).toEqual([2, least.id, null]);
    expect(after.plan!.blocks.some((block) => block.kind === 'technique' && block.technique === 'pumps-27')).toBe(false);
    expect((await readCourse(await director(), boat.id)).last).toBeNull();
    for (const role of ['director', 'lead teacher'] as const)
      for (const { id } of (await readAccount(await deskOf(role), null)).aways) await removeOwnAway(await deskOf(role), { id });
  });

  test('a class that was cancelled a second ago is nobody’s to take', async () => {
    const { boat, sessions } = await ahead();
    const last = sessions.at(-1)!;
    const view = await readCourse(await director(), boat.id);
    await cancelClass(await director(), {
      course: boat.id,
      version: view.course.version,
      seen: await seenOf(await director(), boat.id),
      session: last.id,
      reason: 'storm',
      bend: 'drop',
    });
    const corin = await deskOf('lead teacher');
    expect(await answerOf(handOver(await director(), { once: newId(), session: last.id, version: last.version, teacher: corin.who.id }))).toBe(
      'late',
    );
    expect(await answerOf(coverFor(await director(), last.id))).toBe('late');
  });
});

describe('publishing', () => {
  test('the week says that a class changed since it was published where its plan has something to publish, and nowhere else', async () => {
    const weeks = await Promise.all([0, 7, 14].map(async (days) => readWeek(await director(), addDays(TODAY, days))));
    const rows = weeks.flatMap((week) => week.rows).filter(({ number, date, state }) => number !== null && date >= TODAY && state !== 'taught');
    expect(rows.length).toBeGreaterThan(1);
    for (const { id, changed } of rows) expect([id, changed]).toEqual([id, (await readPlan(await director(), id)).unpublished!.length > 0]);
  });

  test('many at once: what passes goes out, what does not is held back with why, and nothing goes out over a check', async () => {
    const { phrases } = await demo(await director());
    const open = async () => (await sessionsOf(await director(), [phrases.id])).filter(({ published }) => published === 0);
    const [first, second, third] = await open();
    const early = second.blocks.find((block) => block.kind === 'technique')!;
    await saveBlocks(await director(), {
      session: second.id,
      version: second.version,
      blocks: [
        {
          id: early.id,
          technique: 'long-square-25',
          part: null,
          own: null,
          pattern: SHIPPED_LIBRARY.technique('long-square-25').pattern,
          dose: '1 round',
          tempo: 1000,
          minutes: null,
          setup: null,
          lines: [],
        },
      ],
    });
    const now = await open();
    const seen = now.slice(0, 3).map(({ id: session, version }) => ({ session, version }));
    const stale = seen.map(({ session, version }) => ({ session, version: version + 1 }));
    expect(await answerOf(publishMany(await director(), { once: newId(), course: phrases.id, seen: stale }))).toBe('clash');
    const done = await publishMany(await director(), { once: newId(), course: phrases.id, seen });
    expect([done.published, done.held.map(({ date }) => date)]).toEqual([[first.date, third.date], [second.date]]);
    expect(done.held[0].why).toMatch(/Long square/);
    // One at a time it may go out, with a reason that stays with it.
    const held = (await open()).find(({ id }) => id === second.id)!;
    const input = { session: second.id, version: held.version, teacher: phrases.teacher };
    expect(await answerOf(publishPlan(await director(), { ...input, once: newId(), reason: '' }))).toBe('invalid');
    await publishPlan(await director(), { ...input, once: newId(), reason: 'they all did it last year' });
    expect((await readPlan(await director(), second.id)).versions[0].reason).toBe('they all did it last year');
  });

  test('purpose, notes and what is said back: versioned, in the differences, and unread until read', async () => {
    const { phrases } = await demo(await director());
    const [session] = (await sessionsOf(await director(), [phrases.id])).filter(({ published }) => published > 0);
    const blocks = session.blocks.map((block) => ({
      ...(block.kind === 'technique'
        ? {
            id: block.id,
            technique: block.technique,
            part: null,
            own: null,
            pattern: block.pattern,
            dose: block.dose,
            tempo: block.tempo,
            minutes: null,
          }
        : { id: block.id, technique: null, part: block.part, own: null, pattern: null, dose: null, tempo: null, minutes: block.minutes }),
      setup: null,
      lines: [],
      note: block.kind === 'close' ? 'end on time' : '',
    }));
    await saveBlocks(await director(), { session: session.id, version: session.version, purpose: 'Longer, softly', note: 'two are new', blocks });
    const plan = await readPlan(await director(), session.id);
    expect(plan.unpublished).toEqual(['for today: “Longer, softly”', 'a note: “two are new”', 'Close: a note: “end on time”']);
    const { version } = await sessionById(await director(), session.id);
    await publishPlan(await director(), { once: newId(), session: session.id, version, teacher: phrases.teacher, reason: '' });
    const lead = () => deskOf('lead teacher');
    const room = await readClass(await lead(), session.id);
    expect([room.plan.purpose, room.plan.note, room.blocks.at(-1)!.note]).toEqual(['Longer, softly', 'two are new', 'end on time']);
    // The letter says that it is to be read again, and when it is; what the director notes is read in the plan alone.
    const letters = (await readOutbox(await director())).filter(({ subject }) => subject.startsWith(`${phrases.name}: `));
    expect(letters[0]).toMatchObject({ subject: `${phrases.name}: a class has changed`, body: expect.stringContaining(dayText(session.date)) });
    expect(letters.some(({ body }) => /two are new|end on time|Longer, softly/.test(body))).toBe(false);
    await sayNote(await lead(), { once: newId(), session: session.id, text: 'May I keep 4:5 a class longer?' });
    const unread = async (desk: Desk) => (await readPlan(desk, session.id)).conversation.unread;
    expect([await unread(await director()), await unread(await lead())]).toEqual([1, 0]);
    await readNotes(await director(), { session: session.id });
    await sayNote(await deskOf('director', later(1000)), { once: newId(), session: session.id, text: 'Yes.' });
    expect([await unread(await director()), await unread(await lead())]).toEqual([0, 1]);
    expect(await answerOf(sayNote(await deskOf('teacher'), { once: newId(), session: session.id, text: 'hello' }))).toBe('not-found');
  });

  test('a class is kept as a template and taken into another, without ids or pins; a single class has a plan of its own', async () => {
    const { phrases, choir } = await demo(await director());
    const [session] = await sessionsOf(await director(), [phrases.id]);
    await saveTemplate(await director(), { once: newId(), session: session.id, name: 'A first evening' });
    expect(await answerOf(saveTemplate(await director(), { once: newId(), session: session.id, name: 'a first EVENING' }))).toBe('invalid');
    const { session: single } = await createSingle(await director(), {
      once: newId(),
      name: 'Open evening',
      cohort: choir,
      date: addDays(TODAY, 9),
      start: '19:30',
      minutes: 45,
      teacher: phrases.teacher,
    });
    const plan = await readPlan(await director(), single);
    const [kept] = (await blockSources(await director(), { session: single, name: '' })).templates;
    const { blocks } = await takeBlocks(await director(), { from: 'template', id: kept.id });
    // With no name asked for, the cohort's own classes come first; others are found by their course. Nothing empty is offered.
    const offered = async (name: string) => (await blockSources(await director(), { session: single, name })).classes;
    const own = (await sessionsOf(await director(), [phrases.id])).map(({ id }) => id);
    const [near, boats] = [await offered(''), await offered(' EARLY boat')];
    expect(near.slice(0, own.length).every(({ id }) => own.includes(id))).toBe(true);
    expect(near.some(({ id }) => id === single)).toBe(false);
    expect(boats.length).toBeGreaterThan(0);
    expect(boats.every(({ name }) => name.startsWith('Steady on the early boat'))).toBe(true);
    expect(await offered('no such course')).toEqual([]);
    expect(await answerOf(blockSources(await deskOf('teacher'), { session: single, name: '' }))).toBe('not-allowed');
    expect(blocks.map(({ kind }) => kind)).toEqual(session.blocks.map(({ kind }) => kind));
    expect(blocks.some(({ id }) => session.blocks.some((block) => block.id === id))).toBe(false);
    expect(await answerOf(takeBlocks(await deskOf('stranger'), { from: 'template', id: kept.id }))).toBe('not-found');
    await removeTemplate(await director(), { id: kept.id, version: kept.version });
    expect(await answerOf(takeBlocks(await director(), { from: 'template', id: kept.id }))).toBe('not-found');
    expect([plan.before, plan.after, plan.of, plan.course.name]).toEqual([null, null, 1, 'Open evening']);
    const past = { once: newId(), name: 'x', cohort: choir, date: addDays(TODAY, -1), start: '19:30', minutes: 45, teacher: phrases.teacher };
    expect(await answerOf(createSingle(await director(), past))).toBe('invalid');
  });
});

describe('a log', () => {
  test('says how far each block went and the first breath; it is put right for a day, and the next plan answers it', async () => {
    const tamsin = await deskOf('teacher');
    const { boat } = await demo(await director());
    const today = (await sessionsOf(await director(), [boat.id])).find(({ date }) => date === TODAY)!;
    const { plan } = (await progressOf(tamsin, [today.id])).get(today.id)!;
    const people = await members(await director(), boat.cohort);
    const holding = today.blocks.find((block) => block.kind === 'technique' && block.technique === 'longer-4-6')!;
    const log = (over: object = {}) => ({
      id: newId(),
      session: today.id,
      plan: plan!.id,
      reached: 'most of it',
      note: '',
      change: 'start slower',
      blocks: [{ block: holding.id, done: 'left out' }],
      firstBreath: 'quick',
      mood: { before: 'tired', after: null },
      attendance: people.map(({ id }) => ({ person: id, came: true, effort: 'easy', stopSigns: [] })),
      corrects: null,
      ...over,
    });
    const checks = async () => (await readCourse(await director(), boat.id)).checks.map(({ text }) => text);
    const before = await checks();
    const first = log();
    expect(await logClass(tamsin, first)).toEqual({ kept: 'taken' });
    // What was left out was not practised: what comes after it on the ladder is asked about.
    const since = (await checks()).filter((text) => !before.includes(text));
    expect([...new Set(since)]).toEqual([expect.stringMatching(/^comes after Longer exhale 4:6 was practised \d times; the ladder asks for/)]);
    expect((await readPlan(await director(), today.id)).log!.said).toEqual([
      expect.stringContaining('left out'),
      'first free breath after the holds quick',
      'the room tired before',
      'to change: “start slower”',
    ]);
    const room = await readClass(await deskOf('teacher'), today.id);
    expect(room.ownLog?.id).toBe(first.id);
    // Put right, it counts again.
    const right = log({ corrects: first.id, blocks: [], firstBreath: 'easy' });
    expect(await logClass(await deskOf('teacher', later(24 * HOUR)), right)).toEqual({ kept: 'taken' });
    expect(await checks()).toEqual(before);
    const both = (await readPlan(await director(), today.id)).log!;
    expect([both.unsettled, both.each.map(({ corrected }) => corrected)]).toEqual([false, [true, false]]);
    // A day later it stands beside the other, and the director says which.
    expect((await readClass(await deskOf('teacher', later(49 * HOUR)), today.id)).ownLog).toBeNull();
    await logClass(await deskOf('teacher', later(49 * HOUR)), log({ corrects: right.id, note: 'late' }));
    expect((await readPlan(await director(), today.id)).log!.unsettled).toBe(true);
    // The director may log for a teacher who could not; a lead may not see whose class it is not.
    expect(await logClass(await director(), log({ note: 'for her' }))).toEqual({ kept: 'taken' });
    expect(await answerOf(readClass(await deskOf('lead teacher'), today.id))).toBe('not-found');
  });
});

describe('paper and files', () => {
  test('a plan as PDF holds what stands on the page, read by an independent reader; names only for whoever teaches it or answers for it', async () => {
    const { boat } = await demo(await director());
    const today = (await sessionsOf(await director(), [boat.id])).find(({ date }) => date === TODAY)!;
    const sheet = await readPlanSheet(await deskOf('teacher'), today.id);
    for (const size of ['A4', 'LETTER'] as const) {
      const { text, totalPages } = pdfText(await planPdf(sheet, size));
      expect(totalPages).toBeLessThanOrEqual(2);
      for (const part of ['05:45', 'Steady on the early boat', 'Alternate nostril 4:4', 'Let go at once', sheet.people![0].names.split(',')[0]])
        expect(text).toContain(part);
    }
    // Nobody's name is left out because of its letters; what has no sign on paper is shown to be missing.
    const named = pdfText(await planPdf({ ...sheet, people: [{ names: 'Łukasz Ж., Ứng Ά., 安 B.', text: 'sits' }] }, 'A4')).text.normalize('NFC');
    for (const part of ['Łukasz', 'Ж.', 'Ứng', 'Ά.', '· B.']) expect(named).toContain(part);
    expect((await readPlanSheet(await deskOf('lead teacher'), today.id)).people).toBeNull();
    expect(await answerOf(readPlanSheet(await deskOf('front desk'), today.id))).toBe('not-allowed');
    const home = JSON.stringify(await readHandout(await deskOf('teacher'), today.id));
    for (const { name } of await members(await director(), boat.cohort)) expect(home).not.toContain(name);
    const { phrases } = await demo(await director());
    const [empty] = await sessionsOf(await director(), [(await demo(await director())).phrases.id]);
    expect(empty.course).toBe(phrases.id);
  });

  test('a calendar keeps its ids, counts its changes up and says what is cancelled; a secret address reads one’s own', async () => {
    const { boat } = await demo(await director());
    const read = async (text: string) =>
      Object.values(sync.parseICS(text)).filter((one) => one?.type === 'VEVENT') as unknown as Record<string, unknown>[];
    const before = await read((await exportCalendar(await director(), { of: 'course', course: boat.id })).text);
    expect(before.some(({ status }) => status === 'CANCELLED')).toBe(true);
    const view = await readCourse(await director(), boat.id);
    const open = view.sessions.filter(({ fixed, techniques }) => !fixed && techniques.length > 0);
    const technique = open[0].techniques.find((one) => !open[1].techniques.some((other) => other.technique === one.technique));
    if (technique)
      await moveBlock(await director(), { course: boat.id, block: technique.id, to: open[1].id, seen: await seenOf(await director(), boat.id) });
    const after = await read((await exportCalendar(await director(), { of: 'course', course: boat.id })).text);
    expect(after.map(({ uid }) => uid).sort()).toEqual(before.map(({ uid }) => uid).sort());
    const moved = (all: typeof after) => Number(all.find(({ uid }) => uid === `${open[1].id}@oaken-ladder`)?.sequence);
    expect(moved(after)).toBe(moved(before) + (technique ? 1 : 0));
    const token = async (desk: Desk, whole: boolean) => (await makeFeed(desk, { whole })).url.split('/').at(-1)!;
    const feed = async (of: string) => readFeed(await freshManager(), of, HERE, NOW);
    const first = await token(await deskOf('teacher'), false);
    expect(await feed(first)).toContain('Steady on the early boat');
    expect(await feed(first)).not.toContain('Long phrases');
    const second = await token(await deskOf('teacher'), false);
    expect([await answerOf(feed(first)), await answerOf(feed(second)), await answerOf(feed('x'.repeat(43)))]).toEqual([
      'not-found',
      'allowed',
      'not-found',
    ]);
    expect(await answerOf(makeFeed(await deskOf('teacher'), { whole: true }))).toBe('not-allowed');
    expect(await feed(await token(await deskOf('lead teacher'), true))).toContain('Long phrases');
  });

  test('closed days and busy times come in from a calendar, all of them or nothing, and not twice', async () => {
    const file = (...days: readonly string[]) =>
      [
        'BEGIN:VCALENDAR',
        'VERSION:2.0',
        'PRODID:x',
        ...days.flatMap((day) => [
          'BEGIN:VEVENT',
          `UID:${day}`,
          'DTSTAMP:20261101T000000Z',
          `DTSTART;VALUE=DATE:${day}`,
          'SUMMARY:Feast',
          'END:VEVENT',
        ]),
        'END:VCALENDAR',
        '',
      ].join('\r\n');
    const input = (text: string, as = 'closures') => ({ once: newId(), text, as });
    expect(await importCalendar(await director(), input(file('20270301', '20270302')))).toEqual({ added: 2 });
    expect((await previewCalendar(await director(), input(file('20270301', '20270303')))).spans.map(({ from }) => from)).toEqual(['2027-03-03']);
    expect(
      await answerOf(importCalendar(await director(), input(file('20270304').replace('VALUE=DATE:20270304', 'TZID=Mars/Base:20270304T100000')))),
    ).toBe('invalid');
    expect(await answerOf(importCalendar(await deskOf('teacher'), input(file('20270305'))))).toBe('not-allowed');
    expect(await importCalendar(await deskOf('teacher'), input(file('20270305'), 'busy'))).toEqual({ added: 1 });
    expect((await readAccount(await deskOf('teacher'), null)).aways.map(({ from }) => from)).toContain('2027-03-05');
  });

  test('a course leaves as a package and comes into another studio with nothing lost', async () => {
    const { boat } = await demo(await director());
    const { text } = await exportCourse(await director(), boat.id);
    for (const { name } of await members(await director(), boat.cohort)) expect(text).not.toContain(name);
    const stranger = () => deskOf('stranger');
    const { already } = readPackage(text, SHIPPED_LIBRARY).course!;
    const { id: cohort } = await addCohort(await stranger(), { once: newId(), name: 'Quay crew', practises: [...already] });
    const preview = await previewCourse(await stranger(), { once: newId(), text });
    expect([preview.problems, preview.course?.name]).toEqual([[], 'Steady on the early boat']);
    const place = { cohort, firstDate: '2027-01-05', teacher: (await stranger()).who.id };
    expect(await answerOf(importCourse(await stranger(), { once: newId(), text: text.slice(0, -9), ...place }))).toBe('invalid');
    const once = newId();
    const { id } = await importCourse(await stranger(), { once, text, ...place });
    expect(await importCourse(await stranger(), { once, text, ...place })).toEqual({ id, place: 'courses' });
    expect((await exportCourse(await stranger(), id)).text).toBe(text);
    expect(await answerOf(exportCourse(await director(), id))).toBe('not-found');
    // What comes along is looked at as it is when it is brought in.
    const tide = tideBreath(newId());
    const strong = JSON.stringify({ ...JSON.parse(text), techniques: [{ ...tide, technique: { ...tide.technique, pattern: '8:8:8:8' } }] });
    const looked = await previewCourse(await stranger(), { once: newId(), text: strong });
    expect(looked.problems.map(({ message }) => message)).toEqual([expect.stringContaining('asks for rung 4 at least')]);
    await expect(importCourse(await stranger(), { once: newId(), text: strong, ...place })).rejects.toThrow(/asks for rung 4 at least/);
    expect((await sessionsOf(await stranger(), [id])).every(({ published, date }) => published === 0 && date >= isoDate('2027-01-05'))).toBe(true);
  });
});

test('qualifications carry their days, and nobody is named twice', async () => {
  const { id, version } = await memberOf('brid@pellwick.example');
  const to = (families: readonly { family: string; since: string | null }[], at = version) => ({ staff: id, version: at, families });
  expect(
    await answerOf(
      saveQualifications(
        await director(),
        to([
          { family: 'belly', since: null },
          { family: 'belly', since: null },
        ]),
      ),
    ),
  ).toBe('invalid');
  await saveQualifications(
    await director(),
    to([
      { family: 'belly', since: '2027-02-01' },
      { family: 'equal', since: null },
    ]),
  );
  const now = await memberOf('brid@pellwick.example');
  expect(now.qualifications.map(({ family, since }) => [family, since <= TODAY])).toEqual([
    ['belly', false],
    ['equal', true],
  ]);
  expect(await answerOf(saveQualifications(await director(), to([])))).toBe('clash');
});
