import { v7 as newId } from 'uuid';
import { LOUDNESS } from '../../src/core/cues';
import { techniquesIn, type Block } from '../../src/core/plan';
import { HELP_SIGNS } from '../../src/core/screening';
import { freshManager } from '../../src/server/db/orm';
import { addCohort } from '../../src/server/usecases/cohorts/addCohort';
import { addPerson } from '../../src/server/usecases/cohorts/addPerson';
import { createCourse } from '../../src/server/usecases/courses/createCourse';
import { draftCourse, keepDrafted } from '../../src/server/usecases/courses/draftCourse';
import { changeCourse } from '../../src/server/usecases/courses/changeCourse';
import { mendCourse } from '../../src/server/usecases/courses/mendCourse';
import { cancelClass } from '../../src/server/usecases/courses/lifeHappens';
import { mendCheck, moveBlock } from '../../src/server/usecases/courses/moveBlock';
import { changePerson, enterForm, leaveCohort } from '../../src/server/usecases/people/aboutPerson';
import { answerLink, renewByLink } from '../../src/server/usecases/people/answerLink';
import { erasePerson } from '../../src/server/usecases/people/erasePerson';
import { importRoster } from '../../src/server/usecases/people/importRoster';
import { formHere, sendForms } from '../../src/server/usecases/people/links';
import { askByItself, sendReminders } from '../../src/server/usecases/people/sendReminders';
import { endOverride, makeOverride, recordClinician } from '../../src/server/usecases/people/setAsideRules';
import { askSeries, draftAgain, lengthenSeries } from '../../src/server/usecases/series/askSeries';
import { changeDay } from '../../src/server/usecases/series/changeDay';
import { removeSeries, stopSeries, undoSeries } from '../../src/server/usecases/series/changeSeries';
import { pauseSeries } from '../../src/server/usecases/series/pauseSeries';
import { checkIn, leaveSeries, setMails } from '../../src/server/usecases/series/ownDay';
import { readSeries } from '../../src/server/usecases/series/readSeries';
import { admit, decline, openSeries, signUp } from '../../src/server/usecases/series/signUp';
import { answerSigns } from '../../src/server/usecases/signs/answerSigns';
import { giveNewAddress, undoStepBack } from '../../src/server/usecases/series/takePart';
import { publishPlan } from '../../src/server/usecases/plans/publishPlan';
import { saveBlocks } from '../../src/server/usecases/plans/saveBlocks';
import { saveRulebook } from '../../src/server/usecases/rules/rulebook';
import { saveQualifications } from '../../src/server/usecases/staff/manage';
import { addClosure, removeClosure, saveConventions, saveSpeech } from '../../src/server/usecases/studio/changeStudio';
import { saveSchools } from '../../src/server/usecases/studio/schools';
import { acknowledgePlan } from '../../src/server/usecases/teach/acknowledgePlan';
import { settleClassLogs, settleHeldLog } from '../../src/server/usecases/teach/heldLogs';
import { logClass } from '../../src/server/usecases/teach/logClass';
import { archiveOwnWay, importOwnWays, saveOwnWay } from '../../src/server/usecases/techniques/ownWays';
import { ClosureRow, HeldLogRow, OverrideRow, PersonRow, PlanRow, RulebookRow, StaffRow, StudioRow } from '../../src/server/db/rows';
import { sessionsOf } from '../../src/server/repositories/courses';
import { wholeForm } from '../../demo/people';
import { askedOf, made, running, standing } from './challenge';
import { allRows, backToKept, forgetKept, keepAll, rowsSince, type Rows } from './snapshot';
import { answerOf, closeDatabase, courseInput, demo, deskOf, NOW, openBoth, requestOf, seenOf } from './studio';

/** The day of a class of the boat's course, which is published and has been read by nobody yet. */
const DAY = NOW;

interface Writer {
  readonly name: string;
  /** Sends what a page that was opened before anything happened would send; `n` tells two such pages apart. */
  readonly send: (n: number) => Promise<unknown>;
  /** `same`: says the same thing twice, and is kept once. `due`: adds what is still due. `ends`: takes the whole row away, knowingly. */
  readonly kind?: 'same' | 'due' | 'ends';
}

const director = () => deskOf('director', DAY);
const teacher = () => deskOf('teacher', DAY);
const part = (minutes: number): Block => ({ id: newId(), kind: 'rest', part: 'lying-rest', minutes });
let groups: Record<string, readonly Writer[]> = {};

async function courseWriters(): Promise<Writer[]> {
  const desk = await director();
  const { boat, ferry } = await demo(desk);
  const ahead = (await sessionsOf(desk, [boat.id])).filter(({ date }) => date >= desk.today);
  const [taught, next, full] = ahead;
  const plan = (await desk.em.findOneOrFail(PlanRow, { session: taught.id })).id;
  const rest = full.blocks.find(({ kind }) => kind === 'rest')!;
  const input = (blocks: readonly Block[]) =>
    blocks.map((block) => (block.kind === 'technique' ? block : { id: block.id, part: block.part, minutes: block.minutes }));
  // The fullest class is made too full, so that there is something to mend.
  const tooFull = full.blocks.map((block) => (block === rest ? { ...block, minutes: 50 } : block));
  await saveBlocks(desk, { session: full.id, version: full.version, blocks: input(tooFull as Block[]) });
  const log = (n: number, id = newId()) => ({ id, session: taught.id, plan, reached: 'all of it', note: `log ${n}`, attendance: [] });
  const [first, second, held] = [newId(), newId(), newId()];
  for (const id of [first, second]) await logClass(await teacher(), log(0, id));
  await logClass(await teacher(), { ...log(0, held), plan: newId() });
  const heldVersion = (await (await director()).em.findOneOrFail(HeldLogRow, { id: held })).version;
  const seen = await seenOf(await director(), boat.id);
  const versionOf = (id: string) => seen.find(({ session }) => session === id)!.version;
  const courseVersion = (await demo(await director())).boat.version;
  const asked = await requestOf(await director(), { ...boat, version: courseVersion });
  const moved = next.blocks.find(
    (block) => block.kind === 'technique' && !full.blocks.some((one) => one.kind === 'technique' && one.technique === block.technique),
  )!;
  const save = (session: typeof next) => async (n: number) =>
    saveBlocks(await director(), { session: session.id, version: versionOf(session.id), blocks: input([...session.blocks, part(n + 2)]) });
  const lead = (await (await director()).em.findOneOrFail(StaffRow, { role: 'lead teacher' })).id;
  return [
    { name: 'draft', send: async () => draftCourse(await director(), { course: boat.id, version: courseVersion, seen }) },
    {
      name: 'keep a draft',
      send: async () =>
        keepDrafted(await director(), {
          course: boat.id,
          version: courseVersion,
          seen,
          classes: [{ session: next.id, techniques: techniquesIn(next.blocks) }],
        }),
    },
    {
      name: 'mend the course',
      send: async () =>
        mendCourse(await director(), { course: boat.id, version: courseVersion, seen, mends: [{ code: 'weeks', number: boat.weeks + 1 }] }),
    },
    {
      name: 'change the course',
      send: async (n) => changeCourse(await director(), { ...asked, minutes: boat.minutes + 5 * (n + 1) }),
    },
    {
      name: 'cancel a class',
      send: async (n) =>
        cancelClass(await director(), {
          course: boat.id,
          version: courseVersion,
          seen,
          session: [next, full][n % 2].id,
          reason: 'the boiler',
          bend: 'shift',
        }),
    },
    { name: 'save the next', send: save(next) },
    { name: 'save the full one', send: save(full) },
    { name: 'move', kind: 'same', send: async () => moveBlock(await director(), { course: boat.id, block: moved.id, to: full.id, seen }) },
    {
      name: 'mend',
      send: async () => mendCheck(await director(), { course: boat.id, session: full.id, kind: 'shorten rest', block: rest.id, seen }),
    },
    {
      name: 'publish',
      kind: 'same',
      send: async () => publishPlan(await director(), { once: newId(), session: next.id, version: versionOf(next.id), teacher: lead }),
    },
    { name: 'acknowledge', kind: 'same', send: async () => acknowledgePlan(await teacher(), { session: taught.id, plan }) },
    { name: 'log', send: async (n) => logClass(await teacher(), log(n)) },
    { name: 'settle two logs', kind: 'same', send: async () => settleClassLogs(await director(), { session: taught.id, log: first }) },
    { name: 'settle a held log', send: async () => settleHeldLog(await director(), { id: held, version: heldVersion, take: true }) },
    { name: 'create', send: async () => createCourse(await director(), courseInput(lead, ferry)) },
  ];
}

async function peopleWriters(): Promise<Writer[]> {
  const { choir, ferry } = await demo(await director());
  const about = { email: 'due@post.example', comfortIn: null, comfortOut: null };
  const { id: person } = await addPerson(await director(), { once: newId(), cohort: choir, name: 'Pomona D.', email: about.email, screened: false });
  const screening = (day: string) => ({
    person,
    screenedOn: day,
    birthDate: '1980-01-01',
    answers: wholeForm([
      { condition: 'panic', answer: 'yes' },
      { condition: 'high blood pressure', answer: 'yes', parts: [{ id: 'controlled', said: 'yes' }] },
    ]),
  });
  await enterForm(await director(), { once: newId(), ...screening('2026-05-30') });
  const aside = (n: number) => ({
    once: newId(),
    person,
    rules: ['panic.eyes-closed'],
    until: '2026-12-20',
    reason: `talked through, time ${n}`,
    answeredOn: '2026-11-20',
  });
  await makeOverride(await director(), aside(0));
  const override = (await (await director()).em.findOneOrFail(OverrideRow, { person })).id;
  const { url } = await formHere(await director(), { people: [person] });
  const token = url.split('/').at(-1)!;
  const { version } = await (await director()).em.findOneOrFail(PersonRow, { id: person });
  const em = async () => (await director()).em;
  const form = { consent: true, ...screening('2026-11-25') };
  return [
    { name: 'change', send: async (n) => changePerson(await director(), { person, version, ...about, name: `Pomona D${n}.`, cohort: choir }) },
    { name: 'leave', send: async () => leaveCohort(await director(), { person, version }) },
    { name: 'paper form', send: async (n) => enterForm(await director(), { once: newId(), ...screening(`2026-11-2${n}`) }) },
    { name: 'answer by link', send: async () => answerLink(await em(), token, form, 'here', DAY) },
    { name: 'nothing changed', send: async () => renewByLink(await em(), token, true, 'here', DAY) },
    { name: 'clinician', send: async (n) => recordClinician(await director(), { ...aside(n), rules: ['high-blood-pressure.side-work'], note: '' }) },
    { name: 'override', send: async (n) => makeOverride(await director(), aside(n)) },
    { name: 'end an override', kind: 'same', send: async () => endOverride(await director(), { person, override }) },
    { name: 'send the form', send: async () => sendForms(await director(), { once: newId(), people: [person] }) },
    { name: 'form here', send: async () => formHere(await director(), { people: [person] }) },
    { name: 'reminders', kind: 'due', send: async () => sendReminders(await director()) },
    { name: 'erase', kind: 'ends', send: async () => erasePerson(await director(), { person, name: 'Pomona D.' }) },
    { name: 'add', send: async () => addPerson(await director(), { once: newId(), cohort: choir, name: 'Quill P.', screened: false }) },
    {
      name: 'roster',
      send: async (n) =>
        importRoster(await director(), {
          once: newId(),
          cohort: ferry,
          text: `name,email\nPomona D.,due@post.example\nRuth ${'ABC'[n]}.,ruth${n}@post.example\n`,
          mapping: { name: 'name', email: 'email', birthDate: '' },
          merge: [{ row: 1, as: 'the same person', version }],
        }),
    },
  ];
}

async function studioWriters(): Promise<Writer[]> {
  const desk = await director();
  await addClosure(desk, { once: newId(), from: '2027-04-01', until: '2027-04-02', reason: 'the weir' });
  const closure = (await desk.em.findOneOrFail(ClosureRow, { reason: 'the weir' })).id;
  const { version } = await (await director()).em.findOneOrFail(StudioRow, { id: desk.who.studio });
  const corin = await desk.em.findOneOrFail(StaffRow, { role: 'lead teacher' });
  const number = await desk.em.count(RulebookRow);
  const change = (n: number) => ({ kind: 'change', rule: 'heart.pumps', answer: 'leave out', adaptation: null, reason: `seen ${n}`, reviewer: '' });
  return [
    { name: 'pace', send: async (n) => saveConventions(await director(), { version, tempoSeconds: 1 + n / 10, naturalSeconds: 4 }) },
    { name: 'speech', send: async (n) => saveSpeech(await director(), { version, loudness: LOUDNESS[n], wordsPerSecond: 2 + n / 10, lines: [] }) },
    { name: 'schools', send: async () => saveSchools(await director(), { version, technique: null, ways: [{ question: 'hand', way: 'left' }] }) },
    {
      name: 'a technique’s school',
      send: async () => saveSchools(await director(), { version, technique: 'alternate-4-6', ways: [{ question: 'hand', way: 'left' }] }),
    },
    { name: 'ask by itself', send: async () => askByItself(await director(), { on: true, version }) },
    {
      name: 'close',
      send: async (n) => addClosure(await director(), { once: newId(), from: '2027-05-01', until: '2027-05-02', reason: `the lock ${n}` }),
    },
    { name: 'open again', send: async () => removeClosure(await director(), { id: closure }) },
    {
      name: 'qualifications',
      send: async (n) =>
        saveQualifications(await director(), {
          staff: corin.id,
          version: corin.version,
          families: corin.qualifications.slice(n),
        }),
    },
    { name: 'rulebook', send: async (n) => saveRulebook(await director(), { number, changes: [change(n)] }) },
    { name: 'cohort', send: async (n) => addCohort(await director(), { once: newId(), name: `Lock keepers ${n}`, practises: [] }) },
  ];
}

async function wayWriters(): Promise<Writer[]> {
  const way = { base: 'longer-4-6', name: 'Ebb', pattern: '4:6', dose: '5 min' };
  const { id } = await saveOwnWay(await director(), { once: newId(), id: null, ...way });
  const file = (name: string) => JSON.stringify({ format: 'oaken-ladder/ways', version: 1, ways: [{ ...way, name }] });
  return [
    { name: 'next version', send: async (n) => saveOwnWay(await director(), { once: newId(), id, version: 1, ...way, dose: `${n + 5} min` }) },
    { name: 'archive', send: async () => archiveOwnWay(await director(), { id, version: 1 }) },
    { name: 'new way', send: async (n) => saveOwnWay(await director(), { once: newId(), id: null, ...way, name: `Ebb ${n}` }) },
    { name: 'ways from a file', send: async (n) => importOwnWays(await director(), { once: newId(), text: file(`Flow ${n}`) }) },
  ];
}

/** Those of a series that has not begun, and was changed once. */
async function seriesWriters(): Promise<Writer[]> {
  const { id, view } = await made();
  const move = async (day: number, other: number, version: number) =>
    changeDay(await director(), { series: id, version, do: 'swap', day, with: other });
  const { version } = await move(1, 2, view.version);
  const seen = { series: id, version };
  return [
    { name: 'change a day', send: async (n) => move(n + 2, 6, version) },
    { name: 'draft again', send: async () => draftAgain(await director(), seen) },
    { name: 'what is asked', send: async (n) => askSeries(await director(), askedOf(view, { ...seen, name: `Even ${n}`, missed: 'repeat' })) },
    { name: 'longer', send: async (n) => lengthenSeries(await director(), { ...seen, length: [14, 21][n - 1] }) },
    { name: 'pause', send: async (n) => pauseSeries(await director(), { ...seen, from: view.days[n].date, until: view.days[n].date }) },
    { name: 'take back', send: async () => undoSeries(await director(), seen) },
    { name: 'end early', send: async () => stopSeries(await director(), seen) },
    { name: 'open the link', send: async () => openSeries(await director(), { ...seen, open: true }) },
    { name: 'remove', send: async () => removeSeries(await director(), seen) },
  ];
}

/** Those of somebody who takes part and called for help, and of somebody who signed up. */
async function partWriters(): Promise<Writer[]> {
  const { id, version, of } = await running();
  const { id: member, token } = of('Elke R.');
  const { url } = await openSeries(await director(), { series: id, version, open: true });
  const join = url!.split('/').at(-1)!;
  const someone = (name: string) => ({ name, email: 'two@post.example', birthDate: null, website: '' });
  await signUp(await freshManager(), join, someone('Nell T.'), 'here', DAY);
  await checkIn(await freshManager(), token, { did: 'done', signs: [HELP_SIGNS[0]] }, 'here', DAY);
  const [hard] = (await readSeries(await director(), id)).going!.hard.filter((one) => one.member === member);
  const [asking] = (await readSeries(await director(), id)).joining!.asking;
  const signs = await standing(member);
  return [
    { name: 'check in', kind: 'same', send: async () => checkIn(await freshManager(), token, { did: 'done', felt: 'worked' }, 'here', DAY) },
    { name: 'mails', kind: 'same', send: async () => setMails(await freshManager(), token, false, 'here', DAY) },
    { name: 'leave the series', send: async () => leaveSeries(await freshManager(), token, 'here', DAY) },
    { name: 'a new address', kind: 'ends', send: async () => giveNewAddress(await director(), { member }) },
    { name: 'go on', send: async () => answerSigns(await director(), signs) },
    { name: 'no step back', kind: 'same', send: async () => undoStepBack(await director(), { checkIn: hard.checkIn }) },
    { name: 'sign up', send: async (n) => signUp(await freshManager(), join, someone(`Nell ${n}.`), 'here', DAY) },
    { name: 'yes', send: async () => admit(await director(), { member: asking.member }) },
    { name: 'no', send: async () => decline(await director(), { member: asking.member }) },
  ];
}

beforeAll(async () => {
  await openBoth();
  groups = {
    course: await courseWriters(),
    people: await peopleWriters(),
    studio: await studioWriters(),
    ways: await wayWriters(),
    series: await seriesWriters(),
    'taking part': await partWriters(),
  };
  await keepAll();
}, 120_000);

afterAll(async () => {
  await backToKept();
  await forgetKept();
  await closeDatabase();
});

/** What was done, beside the versions that count it and what is only remembered of the sending. */
interface Effect {
  /** "table id column" → value. */
  readonly set: ReadonlyMap<string, string>;
  readonly gone: readonly string[];
  /** How many rows came, by table. */
  readonly added: ReadonlyMap<string, number>;
}

const APART = new Set(['done_once', 'sign_in_attempt']);

/** Versions count what is compared here; a link that was used up needs no stopping any more; what is sealed is sealed anew each time. */
const COLUMNS_APART = ['version', 'expires_at', 'answer'];

const ID = /[\da-f]{8}(-[\da-f]{4}){3}-[\da-f]{12}/g;
const known = new WeakMap<Rows, ReadonlySet<string>>();

/** Every id that stands anywhere in some rows. */
function idsIn(rows: Rows): ReadonlySet<string> {
  const found = known.get(rows) ?? new Set(JSON.stringify([...rows]).match(ID));
  known.set(rows, found);
  return found;
}

function effectOf(before: Rows, after: Rows): Effect {
  const here = idsIn(before);
  // Ids and codes made on the way are as good as any other.
  const value = (it: unknown) => JSON.stringify(it ?? null).replace(ID, (id) => (here.has(id) ? id : '*'));
  const set = new Map<string, string>();
  const added = new Map<string, number>();
  for (const [key, row] of after) {
    const was = before.get(key);
    const table = key.split(' ')[0];
    if (APART.has(table)) continue;
    if (!was) added.set(table, (added.get(table) ?? 0) + 1);
    else
      for (const column of Object.keys(row))
        if (
          !COLUMNS_APART.includes(column) &&
          JSON.stringify(row[column]) !== JSON.stringify(was[column]) &&
          value(row[column]) !== value(was[column])
        )
          set.set(`${key} ${column}`, value(row[column]));
  }
  return { set, added, gone: [...before.keys()].filter((key) => !after.has(key) && !APART.has(key.split(' ')[0])) };
}

/** What of an effect is not in another one. */
function missing(of: Effect, from: Effect): string[] {
  return [
    ...[...of.set].filter(([key, value]) => from.set.get(key) !== value).map(([key]) => key),
    ...of.gone.filter((key) => !from.gone.includes(key)),
    ...[...of.added].filter(([table, count]) => (from.added.get(table) ?? 0) < count).map(([table]) => `new ${table}`),
  ];
}

/** What both together should have done. */
function together([a, kind]: readonly [Effect, Writer['kind']], [b, other]: readonly [Effect, Writer['kind']], self: boolean): Effect {
  const added = new Map(a.added);
  if (!(self && kind === 'same') && kind !== 'due' && other !== 'due')
    for (const [table, count] of b.added) added.set(table, (added.get(table) ?? 0) + count);
  else for (const [table, count] of b.added) added.set(table, Math.max(added.get(table) ?? 0, count));
  return { set: new Map([...a.set, ...b.set]), gone: [...new Set([...a.gone, ...b.gone])], added };
}

describe.each(['course', 'people', 'studio', 'ways', 'series', 'taking part'])('any two writers of the same rows: %s', (group) => {
  let kept: Rows;
  const alone = new Map<string, Effect>();

  beforeAll(async () => {
    kept = await allRows();
    for (const { name, send } of groups[group])
      for (const n of [1, 2]) {
        await backToKept();
        await send(n);
        alone.set(`${name} ${n}`, effectOf(kept, await rowsSince(kept)));
      }
  }, 120_000);

  test('each does something when it is alone', () => {
    for (const [name, { set, gone, added }] of alone) expect([name, set.size + gone.length + added.size > 0]).toEqual([name, true]);
  });

  test.each(['one after the other, from stale pages', 'at once'])(
    '%s: both are there, or one was told',
    async (how) => {
      const lost: string[] = [];
      let told = 0;
      for (const [index, a] of groups[group].entries())
        // At once each stands beside itself and every third other: what they are told is what stale pages are told. One after the
        // other, a group of many writers is gone through in every third pair, each writer before and after.
        for (const b of how === 'at once'
          ? groups[group].slice(index).filter((_, at) => at === 0 || at % 3 === 1)
          : groups[group].filter((_, at) => groups[group].length < 10 || at === index || (at + index) % 3 === 1)) {
          await backToKept();
          const sent =
            how === 'at once'
              ? await Promise.all([answerOf(a.send(1)), answerOf(b.send(2))])
              : [await answerOf(a.send(1)), await answerOf(b.send(2))];
          const now = effectOf(kept, await rowsSince(kept));
          told += sent.filter((answer) => answer !== 'allowed').length;
          const [ofA, ofB] = [alone.get(`${a.name} 1`)!, alone.get(`${b.name} 2`)!];
          const ended = [a, b].some(({ kind }, which) => kind === 'ends' && sent[which] === 'allowed');
          const expected =
            sent[0] === 'allowed' && sent[1] === 'allowed'
              ? together([ofA, a.kind], [ofB, b.kind], a === b)
              : sent[0] === 'allowed'
                ? ofA
                : sent[1] === 'allowed'
                  ? ofB
                  : null;
          const gap = expected === null ? ['neither was done'] : ended ? [] : missing(expected, now);
          if (gap.length > 0) lost.push(`${a.name} (${sent[0]}) and ${b.name} (${sent[1]}): ${gap.join(', ')}`);
        }
      expect(lost).toEqual([]);
      expect(told).toBeGreaterThan(0);
    },
    240_000,
  );
});
