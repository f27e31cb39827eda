import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { ASKED, bearings, floorReason, RULEBOOK } from '../../src/core/screening';
import { addDays } from '../../src/core/units';
import { rotateMasterKey } from '../../src/server/repositories/keys';
import { vaultFrom } from '../../src/server/auth/vault';
import { ClinicianRow, LinkRow, MailRow, OverrideRow, PersonRow, RulebookRow, ScreeningRow } from '../../src/server/db/rows';
import { member, members } from '../../src/server/repositories/screenings';
import { knownAnswers } from '../../src/server/repositories/sealed';
import { addPerson } from '../../src/server/usecases/cohorts/addPerson';
import { exportRoster } from '../../src/server/usecases/cohorts/exportRoster';
import { readCohort } from '../../src/server/usecases/cohorts/readCohort';
import { publishPlan } from '../../src/server/usecases/plans/publishPlan';
import { readPlan } from '../../src/server/usecases/plans/readPlan';
import { acknowledgePlan } from '../../src/server/usecases/teach/acknowledgePlan';
import { readClass } from '../../src/server/usecases/teach/readClass';
import { sessionsOf } from '../../src/server/repositories/courses';
import { readTracks } from '../../src/server/usecases/cohorts/readTracks';
import { changePerson, enterForm, leaveCohort } from '../../src/server/usecases/people/aboutPerson';
import { answerLink, openLink, renewByLink } from '../../src/server/usecases/people/answerLink';
import { erasePerson, exportPerson } from '../../src/server/usecases/people/erasePerson';
import { importRoster, previewRoster } from '../../src/server/usecases/people/importRoster';
import { formHere, sendForms } from '../../src/server/usecases/people/links';
import { askByItself, remindEverywhere, remindStudio } from '../../src/server/usecases/people/sendReminders';
import { needsDoing } from '../../src/server/usecases/people/needsDoing';
import { openAnswers, readPerson } from '../../src/server/usecases/people/readPerson';
import { readOutbox, readRecord } from '../../src/server/usecases/people/records';
import { endOverride, makeOverride, recordClinician } from '../../src/server/usecases/people/setAsideRules';
import { whatIfAside } from '../../src/server/usecases/people/whatIf';
import { previewRulebook, readRulebook, saveRulebook } from '../../src/server/usecases/rules/rulebook';
import { readConventions } from '../../src/server/usecases/studio/readConventions';
import { wholeForm } from '../../demo/people';
import { v7 as newId } from 'uuid';
import { answerOf, closeDatabase, demo, deskOf, NOW, openBoth, ownerManager, TODAY } from './studio';

beforeAll(openBoth, 120_000);
afterAll(closeDatabase);

const director = () => deskOf('director');
const frontDesk = () => deskOf('front desk');
const later = (days: number) => new Date(NOW.getTime() + days * 86_400_000);

/** A new person of the choir, without a form. */
async function newcomer(name: string, more: object = {}): Promise<string> {
  const { choir } = await demo(await director());
  return (await addPerson(await frontDesk(), { once: newId(), cohort: choir, name, email: 'new@post.example', screened: false, ...more })).id;
}

async function linkFor(person: string): Promise<string> {
  const { url } = await formHere(await frontDesk(), { people: [person] });
  return url.split('/').at(-1)!;
}

const ticked = (answers: object[] = []) => ({ consent: true, birthDate: '1980-02-03', answers });
const em = async () => (await director()).em;
const studioVersion = async () => (await readConventions(await director())).version;

test('a form is sent, opened without being used up, answered once, and read by nobody who may not', async () => {
  const person = await newcomer('Tove R.');
  await sendForms(await frontDesk(), { once: newId(), people: [person] });
  const mail = (await readOutbox(await director())).find(({ address }) => address === 'new@post.example')!;
  const token = /form\/([\w-]{43})/.exec(mail.body)![1];
  const row = await (await em()).findOneOrFail(LinkRow, { person });
  expect(row.tokenHash).not.toContain(token);
  expect(await openLink(await em(), token, 'a', NOW)).toMatchObject({ person: 'Tove R.', lastUntil: null });
  const answers = [{ condition: 'panic', answer: 'yes' }];
  await expect(answerLink(await em(), token, { ...ticked(answers), consent: false }, 'a', NOW)).rejects.toMatchObject({
    fields: [{ field: 'consent' }],
  });
  await expect(answerLink(await em(), token, { ...ticked(answers), birthDate: '2030-01-01' }, 'a', NOW)).rejects.toMatchObject({
    fields: [{ field: 'birthDate' }],
  });
  const said = wholeForm(answers).filter(({ condition }) => condition !== 'diabetes');
  await Promise.allSettled([answerLink(await em(), token, ticked(said), 'a', NOW), answerLink(await em(), token, ticked(said), 'b', NOW)]);
  expect(await (await em()).count(ScreeningRow, { person })).toBe(1);
  expect(await answerOf(openLink(await em(), token, 'a', NOW))).toBe('late');
  const { screened } = await member(await director(), person);
  // Diabetes was passed over: that is no "no".
  expect(screened.answers.map(({ condition, answer }) => [condition, answer])).toEqual([
    ['diabetes', 'prefer not to say'],
    ['panic', 'yes'],
  ]);
  const kept = await (await em()).findOneOrFail(ScreeningRow, { person });
  expect([kept.source, kept.consent, kept.enteredBy]).toEqual(['form', '1', null]);
  expect(kept.sealed).not.toContain('panic');
  expect(await answerOf(openAnswers(await frontDesk(), { person, why: 'curious' }))).toBe('not-allowed');
  expect(JSON.stringify(await readPerson(await frontDesk(), person))).not.toContain('panic');
});

test('nothing has changed: an old form counts anew, and a newer link stops an older one', async () => {
  const person = await newcomer('Ulf S.');
  await enterForm(await frontDesk(), {
    once: newId(),
    person,
    screenedOn: addDays(TODAY, -180),
    answers: wholeForm([{ condition: 'neck', answer: 'yes' }]),
  });
  const [first, second] = [await linkFor(person), await linkFor(person)];
  expect(await answerOf(openLink(await em(), first, 'a', NOW))).toBe('late');
  expect(await answerOf(renewByLink(await em(), second, false, 'a', NOW))).toBe('invalid');
  await renewByLink(await em(), second, true, 'a', NOW);
  const { screened } = await member(await director(), person);
  expect(screened).toMatchObject({ screenedOn: TODAY, answers: [{ condition: 'neck' }] });
});

test('a paper form with questions passed over is no row of noes; what was never asked is not known either', async () => {
  const id = await newcomer('Yrsa B.');
  const answers = wholeForm([]).filter(({ condition }) => condition !== 'heart');
  await enterForm(await frontDesk(), { once: newId(), person: id, screenedOn: TODAY, birthDate: '1988-08-08', answers });
  const passedOver = await member(await director(), id);
  expect(passedOver.screened.answers).toMatchObject([{ condition: 'heart', answer: 'prefer not to say' }]);
  expect(floorReason(passedOver.screened, TODAY)).toBe('a question was left open');
  const no = ASKED.map((condition) => condition.id).filter((condition) => condition !== 'epilepsy');
  expect(knownAnswers({ answers: [], no })).toMatchObject([{ condition: 'epilepsy', answer: 'not asked' }]);
  // Records from before a no was kept: what they do not name was one.
  expect(knownAnswers({ answers: [] })).toEqual([]);
});

test('links run out, are not to be guessed, and guessing is limited', async () => {
  const person = await newcomer('Vera K.');
  const token = await linkFor(person);
  expect(await answerOf(openLink(await em(), token, 'a', later(15)))).toBe('late');
  const guesses: string[] = [];
  for (let turn = 0; turn < 32; turn += 1) guesses.push(await answerOf(openLink(await em(), randomBytes(32).toString('base64url'), 'guesser', NOW)));
  expect([guesses[0], guesses.at(-1)]).toEqual(['late', 'too-many']);
  expect(await answerOf(sendForms(await frontDesk(), { once: newId(), people: [await newcomer('No Mail', { email: '' }), person] }))).toBe('invalid');
  expect(await (await em()).count(MailRow, { person })).toBe(0);
});

test('a clinician’s answer and an override act until their day, can be looked at first, and stay in the record', async () => {
  const { ferry } = await demo(await director());
  const id = await newcomer('Sefa U.', { cohort: ferry });
  await enterForm(await frontDesk(), {
    once: newId(),
    person: id,
    screenedOn: TODAY,
    birthDate: '1985-06-19',
    answers: wholeForm([{ condition: 'heart', answer: 'yes' }]),
  });
  const counted = RULEBOOK.find((rule) => rule.id === 'heart.counted')!.id;
  const answerFor = async () =>
    (await readCohort(await director(), ferry, { date: TODAY, focus: { person: id, technique: 'longer-4-6' } })).table!.focus!.advice.answer;
  expect(await answerFor()).toBe('ask first');
  const clinician = { once: newId(), person: id, rules: [counted], answeredOn: TODAY, until: addDays(TODAY, 30), note: 'gentle counting' };
  expect(await whatIfAside(await director(), clinician)).toEqual(
    expect.arrayContaining([expect.stringContaining('leave out until a clinician says yes')]),
  );
  expect(await answerFor()).toBe('ask first');
  expect(await answerOf(recordClinician(await director(), { ...clinician, rules: ['heart.pumps'] }))).toBe('invalid');
  expect(await answerOf(recordClinician(await director(), { ...clinician, until: addDays(TODAY, -1) }))).toBe('invalid');
  await recordClinician(await director(), clinician);
  expect(await answerFor()).toBe('clear');
  const pumps = { once: newId(), person: id, rules: ['heart.pumps'], reason: 'cardiac group, trained for it', until: addDays(TODAY, 7) };
  expect(await answerOf(makeOverride(await director(), { ...pumps, reason: 'no' }))).toBe('invalid');
  const unknown = RULEBOOK.find(({ condition }) => condition === 'unscreened')!.id;
  expect(await answerOf(makeOverride(await director(), { ...pumps, rules: [unknown] }))).toBe('invalid');
  await makeOverride(await director(), pumps);
  const { overrides } = await openAnswers(await director(), { person: id, why: 'yearly review' });
  expect(overrides).toMatchObject([{ reason: pumps.reason, by: 'Linnet Harrow', running: true }]);
  expect(bearings((await member(await director(), id)).screened, TODAY).some(({ rule }) => rule.id === pumps.rules[0])).toBe(false);
  await endOverride(await director(), { person: id, override: overrides[0].id });
  expect(await answerOf(endOverride(await director(), { person: id, override: overrides[0].id }))).toBe('late');
  expect(bearings((await member(await director(), id)).screened, TODAY).some(({ rule }) => rule.id === pumps.rules[0])).toBe(true);
  const record = (await readRecord(await director())).filter(({ whose }) => whose === 'Sefa U.').map(({ what }) => what);
  expect(record).toEqual(
    expect.arrayContaining(['ended an override', 'read the answers: yearly review', expect.stringContaining('made an override')]),
  );
  const rows = JSON.stringify([await (await em()).find(OverrideRow, {}), await (await em()).find(ClinicianRow, {})]);
  expect(rows).not.toMatch(/heart|cardiac|gentle/);
  await leaveCohort(await director(), { person: id, version: 1 });
});

test('a teacher who has read a plan is asked again when instructions become stricter, and never told why', async () => {
  const { ferry, boat } = await demo(await director());
  const session = (await sessionsOf(await director(), [boat.id])).findLast(
    ({ date, blocks }) => date > TODAY && !blocks.some((block) => block.kind === 'technique' && block.technique === 'pumps-27'),
  )!;
  await publishPlan(await director(), { once: newId(), session: session.id, version: session.version, teacher: boat.teacher });
  const at = (hours: number) => deskOf('teacher', new Date(NOW.getTime() + hours * 3_600_000));
  const { plan } = await readClass(await at(0), session.id);
  const read = { session: session.id, plan: plan.id };
  await acknowledgePlan(await at(0), read);
  expect((await readClass(await at(1), session.id)).acknowledged).toBe(true);
  const late = await deskOf('front desk', new Date(NOW.getTime() + 2 * 3_600_000));
  const { id } = await addPerson(late, {
    once: newId(),
    cohort: ferry,
    name: 'Zoe F.',
    screened: true,
    screenedOn: TODAY,
    birthDate: '1991-01-01',
    answers: wholeForm([{ condition: 'chest surgery', answer: 'yes', date: TODAY }]),
  });
  const again = await readClass(await at(3), session.id);
  expect(again.acknowledged).toBe(false);
  expect(again.stricter.every(({ name, text }) => name === 'Zoe F.' && text.startsWith('not this'))).toBe(true);
  expect(JSON.stringify(again.stricter)).not.toContain('surgery');
  expect((await readPlan(await director(), session.id)).askedAgain).toBe(true);
  await acknowledgePlan(await at(4), read);
  expect((await readClass(await at(5), session.id)).acknowledged).toBe(true);
  // Looser instructions ask nobody again.
  await leaveCohort(await deskOf('front desk', new Date(NOW.getTime() + 6 * 3_600_000)), { person: id, version: 1 });
  expect((await readClass(await at(7), session.id)).stricter).toEqual([]);
});

test('what needs doing names forms before sessions for the desk, and clinicians and overrides for the director alone', async () => {
  const [seen, desk] = [await needsDoing(await director()), await needsDoing(await frontDesk())];
  expect(new Set(desk.map(({ kind }) => kind))).toEqual(new Set(['form']));
  expect(seen.some(({ kind }) => kind === 'override')).toBe(true);
  const ferry = desk.find(({ cohortName }) => cohortName.startsWith('Ferry'))!;
  expect(ferry.people.map(({ name, detail }) => `${name}: ${detail}`)).toEqual(
    expect.arrayContaining([
      expect.stringMatching(/^Cleo D\.: runs out .+, before the class on/),
      expect.stringMatching(/^Hedy W\.: never screened/),
    ]),
  );
});

test('forms that are due are asked for by themselves: where a studio wants it, by day, and once', async () => {
  const due = async () =>
    (await needsDoing(await frontDesk())).filter(({ kind }) => kind === 'form').flatMap(({ people }) => people.filter(({ asked }) => !asked));
  const { studio } = (await director()).who;
  for (const name of ['Alma Q.', 'Bodil Q.', 'Cato Q.']) await newcomer(name);
  expect([(await due()).length > 2, await remindEverywhere(await em(), NOW), await remindStudio(await em(), studio, NOW)]).toEqual([true, 0, 0]);
  await askByItself(await director(), { on: true, version: await studioVersion() });
  expect(await answerOf(askByItself(await director(), { on: false, version: (await studioVersion()) - 1 }))).toBe('clash');
  expect(await remindEverywhere(await em(), NOW)).toBe(1);
  // By day only, from eight until before seven.
  for (const night of ['02:30', '07:59', '19:00']) expect(await remindStudio(await em(), studio, new Date(`${TODAY}T${night}:00Z`))).toBe(0);
  const waiting = (await due()).length;
  // Two instances at once: nobody is asked twice.
  const sent = await Promise.all([remindStudio(await em(), studio, NOW), remindStudio(await em(), studio, NOW)]);
  const without = await due();
  expect(sent[0] + sent[1]).toBe(waiting - without.length);
  expect(without.map(({ name }) => name)).toEqual(['No Mail']);
  expect(await remindStudio(await em(), studio, NOW)).toBe(0);
  await askByItself(await director(), { on: false, version: await studioVersion() });
  expect(await remindStudio(await em(), studio, later(16))).toBe(0);
});

test('a studio’s rulebook: looked at, saved in versions, taken back; nobody saves over another', async () => {
  const { ferry } = await demo(await director());
  const rule = RULEBOOK.find(({ id }) => id === 'low-blood-pressure.hold-in-over-4-s')!.id;
  const stricter = { kind: 'change', rule, answer: 'leave out', adaptation: null, reason: '', reviewer: '' };
  const looser = { ...stricter, answer: 'watch' };
  const { number } = await readRulebook(await director());
  expect(await answerOf(saveRulebook(await director(), { number, changes: [looser] }))).toBe('invalid');
  expect(await answerOf(saveRulebook(await director(), { number, changes: [stricter, looser] }))).toBe('invalid');
  expect(await answerOf(saveRulebook(await director(), { number, changes: [{ kind: 'change' }, 7, null] }))).toBe('invalid');
  const pump = {
    kind: 'add',
    id: newId(),
    condition: 'low blood pressure',
    feature: { is: 'counted' },
    answer: 'ask first',
    adaptation: null,
    reason: '',
    reviewer: '',
  };
  const effects = await previewRulebook(await director(), { number, changes: [pump] });
  expect(effects.some(({ name, after }) => name === 'Cleo D.' && after.includes('clinician'))).toBe(true);
  const cell = async () => (await readCohort(await director(), ferry, { date: TODAY, focus: null })).table!.rows[2].cells.map(({ answer }) => answer);
  const before = await cell();
  await saveRulebook(await director(), { number, changes: [pump] });
  expect(await cell()).not.toEqual(before);
  expect(await answerOf(saveRulebook(await director(), { number, changes: [] }))).toBe('clash');
  await saveRulebook(await director(), { number: number + 1, changes: [] });
  expect(await cell()).toEqual(before);
  const { versions } = await readRulebook(await director());
  expect(versions.slice(0, 2).map(({ lines }) => lines)).toEqual([
    ['taken back: low blood pressure or fainting, counted breathing: ask first (ours)'],
    ['low blood pressure or fainting, counted breathing: ask first (ours)'],
  ]);
  await expect((await em()).nativeDelete(RulebookRow, {})).rejects.toThrow('permission denied');
});

test('a roster comes in whole or not at all, with every row and likeness named', async () => {
  const { choir } = await demo(await director());
  const mapping = { name: 'Full name', email: 'Mail', birthDate: 'Born' };
  const roster = (text: string, more: object = {}) => ({ once: newId(), cohort: choir, text, mapping, ...more });
  const bad =
    'Full name,Mail,Born\nAda Q.,ada@post.example,13/4/1990\n=HYPERLINK("x"),a@b.example,\nBea,not a mail,32/1/1990\n,,2001-02-03\nCid,,2090-01-01\n';
  const preview = await previewRoster(await frontDesk(), roster(bad));
  expect(preview.problems.map(({ row, message }) => `${row} ${message.split(/[.:]/)[0]}`)).toEqual([
    '2 “=HYPERLINK("x")” looks like a formula, not like a name',
    '3 “not a mail” is no e-mail address',
    '3 “32/1/1990” is no date',
    '4 The name is missing',
    '5 The birth date lies in the future',
  ]);
  const count = async () => (await em()).count(PersonRow, { cohort: choir });
  const had = await count();
  expect(await answerOf(importRoster(await frontDesk(), roster(bad)))).toBe('invalid');
  expect(await count()).toBe(had);
  expect((await previewRoster(await frontDesk(), roster('Full name,full name\nA,B\n'))).problems[0].message).toContain('Two columns');
  const ambiguous = roster('Full name,Mail,Born\nDot,,3/4/2001\n');
  expect((await previewRoster(await frontDesk(), ambiguous)).askOrder).toBe(true);
  expect(await answerOf(importRoster(await frontDesk(), ambiguous))).toBe('invalid');
  const many = `Full name,Mail,Born\n${'Somebody Else,,\n'.repeat(100_000)}`;
  expect(await answerOf(previewRoster(await frontDesk(), roster(many)))).toBe('invalid');
  const good = 'Full name;Mail;Born\nAda Q.;ada@post.example;13/4/1990\nBéa Ö.;;1.2.1985\nasta r.;asta@post.example;\nAda Q.;;\n';
  const twins = (await previewRoster(await frontDesk(), roster(good))).twins;
  expect(twins.map(({ row, like }) => [row, like])).toEqual([
    [3, 'Asta R. in Ferry crew, early shift'],
    [4, 'row 1 of this file'],
  ]);
  expect(await answerOf(importRoster(await frontDesk(), roster(good)))).toBe('invalid');
  const merge = [
    { row: 3, as: 'another person' },
    { row: 4, as: 'the same person' },
  ];
  expect(await importRoster(await frontDesk(), roster(good, { merge }))).toEqual({ added: 3, merged: 1 });
  const born = (await members(await director(), choir)).find(({ name }) => name === 'Ada Q.')!;
  expect(born.screened.birthDate).toBe('1990-04-13');
  expect(await exportRoster(await frontDesk(), { id: choir })).toContain('Ada Q.,ada@post.example,,');
});

test('people move, keep comfort counts, leave and come back; two staff never overwrite each other', async () => {
  const { ferry } = await demo(await director());
  const id = await newcomer('Wim D.');
  const about = { person: id, version: 1, name: 'Wim D.', email: '', cohort: ferry, comfortIn: 3, comfortOut: 4 };
  await changePerson(await frontDesk(), about);
  expect(await answerOf(changePerson(await director(), about))).toBe('clash');
  expect(await answerOf(changePerson(await director(), { ...about, version: 2, comfortIn: 99 }))).toBe('invalid');
  expect((await member(await director(), id)).comfort).toEqual({ inhale: 3, exhale: 4 });
  const { tracks } = await readTracks(await director(), ferry, 'equal-4-4-4', TODAY);
  expect(tracks.flatMap(({ people }) => people)).toContain('Wim D.');
  await leaveCohort(await frontDesk(), { person: id, version: 2 });
  expect((await members(await director(), ferry)).map(({ name }) => name)).not.toContain('Wim D.');
  await leaveCohort(await frontDesk(), { person: id, version: 3, back: true });
  expect((await members(await director(), ferry)).map(({ name }) => name)).toContain('Wim D.');
  await leaveCohort(await frontDesk(), { person: id, version: 4 });
});

test('a person is exported with a reason, and erased for good: only a pseudonym stays', async () => {
  const id = await newcomer('Xenia P.', { screened: true, screenedOn: TODAY, answers: wholeForm([{ condition: 'epilepsy', answer: 'yes' }]) });
  expect(await answerOf(exportPerson(await director(), { person: id, why: '' }))).toBe('invalid');
  const file = JSON.parse(await exportPerson(await director(), { person: id, why: 'she asked for it' }));
  expect(file).toMatchObject({ name: 'Xenia P.', screenings: [{ answers: [{ condition: 'epilepsy or seizures' }] }] });
  await linkFor(id);
  expect(await answerOf(erasePerson(await director(), { person: id, name: 'Xenia' }))).toBe('invalid');
  const { pseudonym } = await erasePerson(await director(), { person: id, name: 'Xenia P.' });
  const row = await (await em()).findOneOrFail(PersonRow, { id });
  expect([row.name, row.email, row.wrappedKey]).toEqual([pseudonym, null, '']);
  expect(await (await em()).count(LinkRow, { person: id })).toBe(0);
  const sealed = await (await em()).findOneOrFail(ScreeningRow, { person: id });
  const place = { person: id, table: 'screening', row: sealed.id } as const;
  expect(() => vaultFrom(randomBytes(32)).open(row.wrappedKey, sealed.sealed, place)).toThrow();
  expect(await answerOf(readPerson(await director(), id))).toBe('not-found');
  expect((await readRecord(await director())).some(({ whose }) => whose === pseudonym)).toBe(true);
});

test('the master key is changed, and every answer opens with the new one alone', async () => {
  const old = Buffer.from(readFileSync(process.env.OAKEN_MASTER_KEY_FILE!, 'utf8').trim(), 'base64');
  const fresh = randomBytes(32);
  const id = await newcomer('Yorick L.', { screened: true, screenedOn: TODAY, answers: wholeForm([{ condition: 'neck', answer: 'yes' }]) });
  const opened = async (key: Buffer) => {
    const [person, screening] = [await (await em()).findOneOrFail(PersonRow, { id }), await (await em()).findOneOrFail(ScreeningRow, { person: id })];
    return vaultFrom(key).open(person.wrappedKey, screening.sealed, { person: id, table: 'screening', row: screening.id });
  };
  expect(await rotateMasterKey(await ownerManager(), old, fresh, NOW)).toBeGreaterThan(40);
  try {
    expect(await opened(fresh)).toContain('neck');
    await expect(opened(old)).rejects.toThrow();
  } finally {
    await rotateMasterKey(await ownerManager(), fresh, old, NOW);
  }
  expect(await opened(old)).toContain('neck');
});
