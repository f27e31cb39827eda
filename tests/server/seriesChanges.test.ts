import { v7 as newId } from 'uuid';
import { SHIPPED_LIBRARY } from '../../src/core/library';
import { techniquesIn } from '../../src/core/plan';
import { addDays, weekday } from '../../src/core/units';
import { cohortItself } from '../../src/server/repositories/cohorts';
import { course, sessionsOf } from '../../src/server/repositories/courses';
import { progressOf } from '../../src/server/repositories/plans';
import { membersOf, series as seriesById } from '../../src/server/repositories/series';
import { changeCourse, readRequest } from '../../src/server/usecases/courses/changeCourse';
import { draftCourse, keepDrafted } from '../../src/server/usecases/courses/draftCourse';
import { cancelClass, endCourse, removeCourse } from '../../src/server/usecases/courses/lifeHappens';
import { listCourses } from '../../src/server/usecases/courses/listCourses';
import { mendCourse } from '../../src/server/usecases/courses/mendCourse';
import { readCourse } from '../../src/server/usecases/courses/readCourse';
import { publishPlan } from '../../src/server/usecases/plans/publishPlan';
import { saveBlocks } from '../../src/server/usecases/plans/saveBlocks';
import { askSeries, draftAgain, lengthenSeries } from '../../src/server/usecases/series/askSeries';
import { changeDay } from '../../src/server/usecases/series/changeDay';
import { removeSeries, stopSeries, undoSeries } from '../../src/server/usecases/series/changeSeries';
import { endPause, pauseSeries } from '../../src/server/usecases/series/pauseSeries';
import { copySeries } from '../../src/server/usecases/series/createSeries';
import { readSeries } from '../../src/server/usecases/series/readSeries';
import { addClosure } from '../../src/server/usecases/studio/changeStudio';
import { askedOf, director, made, mails, running } from './challenge';
import { answerOf, closeDatabase, deskOf, openBoth, TODAY } from './studio';

beforeAll(openBoth, 120_000);
afterAll(closeDatabase);

/** Of a series as it stands: what changing it needs, and its classes. */
async function standing(id: string) {
  const [desk, view] = [await director(), await readSeries(await director(), id)];
  const { liveCourse } = await seriesById(desk, id);
  const classes = liveCourse ? await sessionsOf(desk, [liveCourse]) : [];
  const edit = async (more: object) => changeDay(await director(), { series: id, version: view.version, ...more });
  const wrong = view.checks.filter(({ severity }) => severity !== 'know').map(({ day, text }) => `${day} ${text}`);
  return { view, seen: { series: id, version: view.version }, liveCourse, classes, edit, wrong };
}

/** What of the plan of a class was published last. */
const lastPlanOf = async (id: string) => (await progressOf(await director(), [id])).get(id)!.plan!;

/** What of a series a person reads. */
const read = async (id: string) => {
  const { days, missed, start, name, themes } = (await standing(id)).view;
  return { days: days.map(({ day, date, kind, practices }) => ({ day, date, kind, practices })), missed, start, name, themes };
};

describe('changing one', () => {
  test('days change by hand, at the version that was seen; a live day becomes a class, and one that is no longer falls out', async () => {
    const { id, view } = await made();
    const edit = async (more: object, version = view.version) => changeDay(await director(), { series: id, version, ...more });
    const { version } = await edit({ do: 'kind', day: 3, kind: 'live' });
    expect(await answerOf(edit({ do: 'swap', day: 1, with: 2 }))).toBe('clash');
    expect((await readSeries(await director(), id)).days[2]).toMatchObject({ kind: 'live', session: expect.any(String) });
    const own = await edit({ do: 'kind', day: 3, kind: 'own' }, version);
    expect((await readSeries(await director(), id)).days[2]).toMatchObject({ kind: 'own', session: null });
    await edit({ do: 'practice', day: 2, practices: [{ technique: 'equal-4-4', pattern: '4:4', minutes: 3 }] }, own.version);
    const after = await readSeries(await director(), id);
    expect(after.days[1]).toMatchObject({ minutes: 3, wrong: expect.any(Number) });
    expect(after.checks.some(({ day, text }) => day === 2 && text.includes('grows from'))).toBe(true);
    expect(await answerOf(edit({ do: 'swap', day: 1, with: 9 }, after.version))).toBe('not-found');
    await draftAgain(await director(), { series: id, version: after.version });
    expect((await readSeries(await director(), id)).checks.filter(({ severity }) => severity !== 'know')).toEqual([]);
  });

  test('a pause moves what comes after it; stopped, nothing changes any more; a copy is drafted afresh', async () => {
    const { id, view } = await made({ live: [4] });
    const { version } = await pauseSeries(await director(), { series: id, version: view.version, from: view.days[1].date, until: view.days[2].date });
    const paused = await readSeries(await director(), id);
    expect(paused.days.map(({ date }) => date)).toEqual([0, 3, 4, 5, 6, 7, 8].map((more) => addDays(view.firstDate, more)));
    expect(paused.days.filter(({ kind }) => kind === 'live').every(({ session }) => session !== null)).toBe(true);
    expect(await answerOf(pauseSeries(await director(), { series: id, version, from: addDays(TODAY, -1), until: TODAY }))).toBe('invalid');
    await stopSeries(await director(), { series: id, version });
    expect(await answerOf(changeDay(await director(), { series: id, version: version + 1, do: 'swap', day: 1, with: 2 }))).toBe('late');
    const copy = await copySeries(await director(), {
      once: newId(),
      series: id,
      name: 'Again',
      cohort: view.cohort.id,
      teacher: (await director()).who.id,
      firstDate: addDays(TODAY, 40),
    });
    const copied = await readSeries(await director(), copy.id);
    expect(copied.days).toHaveLength(7);
    await removeSeries(await director(), { series: copy.id, version: copied.version });
    expect(await answerOf(readSeries(await director(), copy.id))).toBe('not-found');
  });

  test('made longer, what it has stays, and what follows keeps every rule', async () => {
    const { id, view } = await made({ length: 7, live: [2] });
    const longer = async (length: number, version: number) => lengthenSeries(await director(), { series: id, version, length });
    expect(await answerOf(longer(7, view.version))).toBe('invalid');
    expect(await answerOf(longer(13, view.version))).toBe('invalid');
    const { version } = await longer(14, view.version);
    const after = await readSeries(await director(), id);
    expect(after.days).toHaveLength(14);
    expect(after.days.slice(0, 7).map(({ practices }) => practices)).toEqual(view.days.map(({ practices }) => practices));
    expect(after.checks.filter(({ severity }) => severity !== 'know')).toEqual([]);
    const live = after.days.filter(({ kind }) => kind === 'live');
    expect([live.length, live.every(({ session }) => session !== null)]).toEqual([2, true]);
    expect(await answerOf(longer(21, version - 1))).toBe('clash');
    for (const role of ['lead teacher', 'teacher', 'front desk'] as const)
      expect(await answerOf(lengthenSeries(await deskOf(role), { series: id, version, length: 21 }))).toBe('not-allowed');
  });

  test('what is over stays as it was, and what has begun is not removed', async () => {
    const { id, version, view } = await running();
    expect(view.today).not.toBeNull();
    expect(await answerOf(changeDay(await director(), { series: id, version, do: 'kind', day: 1, kind: 'gentle' }))).toBe('late');
    expect(await answerOf(removeSeries(await director(), { series: id, version }))).toBe('late');
  });
});

describe('what is refused of a day changed by hand', () => {
  let series: string | null = null;
  const some = (count: number, minutes = 1, over: object = {}) =>
    Array.from({ length: count }, () => ({ technique: 'belly', pattern: 'natural', minutes, ...over }));
  test.each<[string, object, string]>([
    ['six practices', { practices: some(6) }, 'allowed'],
    ['seven', { practices: some(7) }, 'invalid'],
    ['none', { practices: [] }, 'invalid'],
    ['twenty minutes together', { practices: some(2, 10) }, 'allowed'],
    ['more than twenty', { practices: [...some(1, 10), ...some(1, 10.5)] }, 'invalid'],
    ['half a minute', { practices: some(1, 0.5) }, 'allowed'],
    ['less', { practices: some(1, 0) }, 'invalid'],
    ['a third of a minute', { practices: some(1, 1.3) }, 'invalid'],
    ['no number', { practices: some(1, NaN) }, 'invalid'],
    ['a technique that is not there', { practices: some(1, 1, { technique: 'swell-9' }) }, 'invalid'],
    ['a pattern that cannot be read', { practices: some(1, 1, { pattern: '4:x' }) }, 'invalid'],
    ['a pattern in other words', { practices: some(1, 1, { technique: 'equal-4-4', pattern: 'in 4, out 4' }) }, 'allowed'],
    ['a place before the first', { do: 'move', with: 0 }, 'not-found'],
    ['a place after the last', { do: 'move', with: 8 }, 'not-found'],
    ['no place', { do: 'move' }, 'invalid'],
    ['the last place', { do: 'move', with: 7 }, 'allowed'],
    ['no kind', { do: 'kind' }, 'invalid'],
    ['a kind nobody knows', { do: 'kind', kind: 'hard' }, 'invalid'],
  ])('%s: %j is %s', async (_, more, answer) => {
    series ??= (await made()).id;
    const id = series;
    const before = await read(id);
    expect(await answerOf((await standing(id)).edit({ do: 'practice', day: 3, ...more }))).toBe(answer);
    if (answer !== 'allowed') expect(await read(id)).toEqual(before);
  });
});

describe('taking back', () => {
  test.each<[string, string, (id: string) => Promise<unknown>]>([
    ['a day that moved', 'day 2 moved to day 5', async (id) => (await standing(id)).edit({ do: 'move', day: 2, with: 5 })],
    ['days that changed places', 'days 1 and 6 changed places', async (id) => (await standing(id)).edit({ do: 'swap', day: 1, with: 6 })],
    ['a day made live', 'day 3 made live', async (id) => (await standing(id)).edit({ do: 'kind', day: 3, kind: 'live' })],
    ['a live day made one alone', 'day 4 made a day alone', async (id) => (await standing(id)).edit({ do: 'kind', day: 4, kind: 'own' })],
    [
      'another practice',
      'another practice on day 4',
      async (id) => (await standing(id)).edit({ do: 'practice', day: 4, practices: [{ technique: 'belly', pattern: 'natural', minutes: 1 }] }),
    ],
    ['more days', 'the longer series', async (id) => lengthenSeries(await director(), { ...(await standing(id)).seen, length: 14 })],
    [
      'a pause',
      'the pause',
      async (id) => {
        const { seen, view } = await standing(id);
        return pauseSeries(await director(), { ...seen, from: view.days[2].date, until: addDays(view.days[2].date, 6) });
      },
    ],
    ['an early end', 'the early end', async (id) => stopSeries(await director(), (await standing(id)).seen)],
    [
      'another hour, leader and rule',
      'what was asked',
      async (id) => {
        const teacher = (await deskOf('lead teacher')).who.id;
        return askSeries(await director(), askedOf((await standing(id)).view, { teacher, start: '07:15', missed: 'repeat' }));
      },
    ],
  ])('%s: all is as it was, the classes too, and it can be done again', async (_, what, change) => {
    const { id } = await made({ firstDate: addDays(TODAY, 13), live: [4] });
    const held = async () =>
      (await standing(id)).classes.map(({ date, start, blocks }) => [date, start, techniquesIn(blocks).map(({ technique }) => technique)]);
    const before = { read: await read(id), held: await held() };
    expect((await standing(id)).view.undo).toBeNull();
    await change(id);
    const after = { read: await read(id), held: await held() };
    expect(after).not.toEqual(before);
    const first = await standing(id);
    expect(first.view.undo).toEqual({ what, back: false });
    await undoSeries(await director(), first.seen);
    expect({ read: await read(id), held: await held() }).toEqual(before);
    expect(await answerOf(undoSeries(await director(), first.seen))).toBe('clash');
    const second = await standing(id);
    expect(second.view.undo).toEqual({ what, back: true });
    await undoSeries(await director(), second.seen);
    expect({ read: await read(id), held: await held() }).toEqual(after);
  });

  test('what was changed on a day that is over by now stays', async () => {
    const { id } = await running();
    const { view, edit } = await standing(id);
    await edit({ do: 'practice', day: view.today!, practices: [{ technique: 'belly', pattern: 'natural', minutes: 1 }] });
    const at = (days: number) => director(new Date(Date.parse(`${TODAY}T09:00:00Z`) + days * 86_400_000));
    expect((await readSeries(await at(0), id)).undo).not.toBeNull();
    expect((await readSeries(await at(1), id)).undo).toBeNull();
    const { seen } = await standing(id);
    expect(await answerOf(undoSeries(await at(1), seen))).toBe('late');
    for (const role of ['lead teacher', 'teacher', 'front desk'] as const)
      expect(await answerOf(undoSeries(await deskOf(role), seen))).toBe('not-allowed');
    expect(await answerOf(undoSeries(await deskOf('stranger'), seen))).toBe('not-found');
    await undoSeries(await director(), seen);
  });
});

describe('asked anew', () => {
  test('all of it: days are drafted again, classes follow, people begin with it; taken back, it is as it was', async () => {
    const { id } = await made({ firstDate: addDays(TODAY, 13), length: 14, to: 4, live: [2, 4] });
    await (await standing(id)).edit({ do: 'swap', day: 3, with: 5 });
    const begins = async () => [...new Set((await membersOf(await director(), [id])).map(({ joinedOn }) => joinedOn))];
    const before = { series: await read(id), classes: (await standing(id)).classes.map(({ date, start }) => [date, start]), begins: await begins() };
    const firstDate = addDays(TODAY, 6);
    const asked = { firstDate, length: 21, to: 5, live: [3], start: '07:00', gentleEvery: 0, missed: 'repeat', name: 'Earlier, and longer' };
    await askSeries(await director(), askedOf((await standing(id)).view, asked));
    const { view, classes, wrong } = await standing(id);
    expect(view).toMatchObject({ name: 'Earlier, and longer', start: '07:00', missed: 'repeat', firstDate, asked: { length: 21, to: 5, live: [3] } });
    expect([view.days.length, view.days.at(-1)!.minutes, wrong]).toEqual([21, 5, []]);
    expect(view.days.every(({ kind }) => kind !== 'gentle')).toBe(true);
    const live = view.days.filter(({ kind }) => kind === 'live');
    expect(live.map(({ date }) => weekday(date))).toEqual([3, 3, 3]);
    expect(classes.map(({ date, start }) => [date, start])).toEqual(live.map(({ date }) => [date, '07:00']));
    expect(await begins()).toEqual([firstDate]);
    expect(view.undo).toEqual({ what: 'what was asked', back: false });
    await undoSeries(await director(), (await standing(id)).seen);
    expect(await read(id)).toEqual(before.series);
    expect((await standing(id)).classes.map(({ date, start }) => [date, start])).toEqual(before.classes);
    expect(await begins()).toEqual(before.begins);
  });

  test('a pause stays where it is; live days that are its first have classes as long as was asked', async () => {
    const { id, view } = await made({ length: 7 });
    const [, , third] = view.days;
    await pauseSeries(await director(), { ...(await standing(id)).seen, from: third.date, until: third.date });
    await askSeries(await director(), askedOf((await standing(id)).view, { live: [1, 2, 3, 4, 5, 6, 7], liveMinutes: 45 }));
    const after = await standing(id);
    expect(after.view.days.map(({ date }) => date)).not.toContain(third.date);
    expect(after.classes.map(({ minutes }) => minutes)).toEqual(after.view.days.map(() => 45));
  });

  test('another name, leader, minute of the hour or rule leaves the days as they are; another part of the day does not', async () => {
    const { id } = await made({ live: [4] });
    await (await standing(id)).edit({ do: 'practice', day: 2, practices: [{ technique: 'belly', pattern: 'natural', minutes: 1 }] });
    const before = await read(id);
    const { view } = await standing(id);
    // Weeks it does not have, and nothing chosen for one, ask for nothing.
    const themes = [...view.asked!.themes, { techniques: [], pairs: false }];
    await askSeries(await director(), askedOf(view, { name: 'Another name', start: '07:15', missed: 'repeat', themes }));
    expect(await read(id)).toEqual({ ...before, name: 'Another name', start: '07:15', missed: 'repeat' });
    await askSeries(await director(), askedOf((await standing(id)).view, { start: '12:30' }));
    expect((await read(id)).days).not.toEqual(before.days);
  });

  test('not for a day that is past, from a page that did not see it, or by anybody else', async () => {
    const { view } = await made();
    expect(await answerOf(askSeries(await director(), askedOf(view, { firstDate: addDays(TODAY, -1) })))).toBe('invalid');
    expect(await answerOf(askSeries(await director(), askedOf(view, { themes: [{ techniques: ['nothing-like-it'] }] })))).toBe('invalid');
    for (const role of ['lead teacher', 'teacher', 'front desk'] as const)
      expect(await answerOf(askSeries(await deskOf(role), askedOf(view)))).toBe('not-allowed');
    expect(await answerOf(askSeries(await deskOf('stranger'), askedOf(view)))).toBe('not-found');
    expect(await answerOf(askSeries(await director(), askedOf(view, { firstDate: TODAY })))).toBe('allowed');
    expect(await answerOf(askSeries(await director(), askedOf(view)))).toBe('clash');
  });

  test('while it goes on, days that have begun stay and count, and the rest is drafted from them; taken back, all is as it was', async () => {
    const { id } = await made({ firstDate: TODAY, length: 14, to: 4, themes: [{ techniques: ['equal-4-4'] }, { techniques: [] }] });
    const on = async (day: number) => director(new Date(Date.parse(`${TODAY}T12:00:00Z`) + (day - 1) * 86_400_000));
    const before = await read(id);
    const { view } = await standing(id);
    const later = await readSeries(await on(5), id);
    expect([view.begun, later.begun]).toEqual([1, 5]);
    const ask = async (more: object) => askSeries(await on(5), askedOf(later, more));
    await expect(ask({ firstDate: addDays(TODAY, 1) })).rejects.toThrow('its first day stays');
    expect(await answerOf(ask({ length: 7 }))).toBe('allowed');
    await undoSeries(await on(5), { series: id, version: later.version + 1 });
    const more = { length: 21, to: 3, themes: [{ techniques: [] }, { techniques: ['longer-4-5'] }], gentleEvery: 0, live: [7] };
    await askSeries(await on(5), askedOf(later, { version: later.version + 2, ...more }));
    const after = await standing(id);
    expect((await read(id)).days.slice(0, 5)).toEqual(before.days.slice(0, 5));
    expect([after.view.days.length, after.view.unreached, after.wrong]).toEqual([21, [], []]);
    const rest = after.view.days.slice(5);
    expect([Math.max(...rest.map(({ minutes }) => minutes)), rest.some(({ kind }) => kind === 'gentle')]).toEqual([3, false]);
    expect(rest.flatMap(({ practices }) => practices.map(({ technique }) => technique))).toContain('longer-4-5');
    expect(rest.filter(({ kind }) => kind === 'live').map(({ date }) => weekday(date))).toEqual([7, 7, 7]);
    expect(after.classes.map(({ date }) => weekday(date))).toEqual([7, 7, 7]);
    // Drafted again from the next day on, the days of both stay.
    await draftAgain(await on(8), after.seen);
    expect((await read(id)).days.slice(0, 8)).toEqual(
      after.view.days.slice(0, 8).map(({ day, date, kind, practices }) => ({ day, date, kind, practices })),
    );
    const last = await standing(id);
    expect(await answerOf(draftAgain(await on(21), last.seen))).toBe('late');
    await undoSeries(await on(8), last.seen);
    expect((await read(id)).days).toEqual(after.view.days.map(({ day, date, kind, practices }) => ({ day, date, kind, practices })));
    for (const [length, answer] of [
      [14, 'invalid'],
      [21, 'allowed'],
    ] as const) {
      const now = await readSeries(await on(14), id);
      expect([length, await answerOf(askSeries(await on(14), askedOf(now, { length, to: 2 })))]).toEqual([length, answer]);
    }
  });

  test('once it has begun the rest may be shorter than the first days were; before that it only grows', async () => {
    const { id, view } = await made({ firstDate: TODAY, length: 14, from: 4, to: 5 });
    const later = await made({ from: 4, to: 5 });
    expect(await answerOf(askSeries(await director(), askedOf(later.view, { to: 3 })))).toBe('invalid');
    await askSeries(await director(), askedOf(view, { to: 2 }));
    const { view: after, seen, wrong } = await standing(id);
    expect([after.days[0].minutes, Math.max(...after.days.slice(1).map(({ minutes }) => minutes)), wrong]).toEqual([4, 2, []]);
    expect(after.asked).toMatchObject({ from: 2, to: 2 });
    await stopSeries(await director(), seen);
  });

  test('a live day whose plan is published stays where it is while the rest is drafted around it', async () => {
    const { id } = await made({ firstDate: addDays(TODAY, 13), length: 14, to: 4, live: [2, 4] });
    const { classes } = await standing(id);
    const there = classes[1];
    await publishPlan(await director(), {
      once: newId(),
      session: there.id,
      version: there.version,
      teacher: (await director()).who.id,
      reason: 'so it is',
    });
    const day = (await standing(id)).view.days.find(({ date }) => date === there.date)!;
    await askSeries(await director(), askedOf((await standing(id)).view, { gentleEvery: 3, themes: [{ techniques: ['longer-3-4'] }], live: [3] }));
    const { view, wrong, classes: now } = await standing(id);
    expect(view.days.find(({ date }) => date === there.date)).toMatchObject({ kind: 'live', practices: day.practices });
    expect([wrong, now.map(({ date }) => date)]).toEqual([[], view.days.flatMap(({ kind, date }) => (kind === 'live' ? [date] : []))]);
    expect(now.find(({ date }) => date === there.date)).toMatchObject({ id: there.id, published: 1 });
  });

  test.each([
    ['a day', 1],
    ['half a week', 4],
    ['eight days', 8],
  ])('paused for %s with what follows drafted anew, live days stay on their weekdays; taken back, classes are where they were', async (_, long) => {
    const { id, view } = await made({ firstDate: addDays(TODAY, 13), length: 14, to: 4, live: [2, 4] });
    const held = async () => (await standing(id)).classes.map(({ date }) => date);
    const before = { held: await held(), read: await read(id) };
    const { date } = view.days[4];
    await pauseSeries(await director(), { ...(await standing(id)).seen, from: date, until: addDays(date, long - 1), keepWeekdays: true });
    const after = await standing(id);
    expect([after.wrong, after.view.unreached]).toEqual([[], []]);
    expect((await read(id)).days.slice(0, 4)).toEqual(before.read.days.slice(0, 4));
    expect(after.view.days.map((day) => day.date).slice(3, 5)).toEqual([view.days[3].date, addDays(date, long)]);
    const live = after.view.days.flatMap((day) => (day.kind === 'live' ? [day.date] : []));
    expect([...new Set(live.map(weekday))].sort()).toEqual([2, 4]);
    expect(await held()).toEqual(live);
    await undoSeries(await director(), after.seen);
    expect({ held: await held(), read: await read(id) }).toEqual(before);
  });

  test('a pause that is not over is ended: what follows comes sooner, live days on their weekdays; one that is over is not', async () => {
    const { id } = await made({ firstDate: TODAY, length: 14, to: 4, live: [2, 4] });
    const on = async (day: number) => director(new Date(Date.parse(`${TODAY}T12:00:00Z`) + (day - 1) * 86_400_000));
    const [third, fifth] = [addDays(TODAY, 2), addDays(TODAY, 4)];
    const end = async (day: number, from = third) =>
      endPause(await on(day), { series: id, version: (await readSeries(await on(day), id)).version, from });
    await pauseSeries(await director(), { ...(await standing(id)).seen, from: third, until: fifth, keepWeekdays: true });
    const paused = await standing(id);
    expect([paused.view.pauses, paused.view.lastDate]).toEqual([[{ from: third, until: fifth }], addDays(TODAY, 16)]);
    // In the middle of it: today is the next day.
    await end(4);
    const after = await readSeries(await on(4), id);
    expect([after.days[2].date, after.lastDate, after.pauses]).toEqual([addDays(TODAY, 3), addDays(TODAY, 14), []]);
    expect(after.checks.filter(({ severity }) => severity !== 'know')).toEqual([]);
    const live = after.days.filter(({ kind, date }) => kind === 'live' && date > third);
    expect([...new Set(live.map(({ date }) => weekday(date)))].sort()).toEqual([2, 4]);
    expect(live.every(({ session }) => session !== null)).toBe(true);
    expect(await answerOf(end(4))).toBe('late');
    expect(await answerOf(end(4, fifth))).toBe('not-found');
    // Before it comes, it is as if there never was one.
    await undoSeries(await on(4), { series: id, version: after.version });
    await end(1);
    expect((await readSeries(await director(), id)).days.map(({ date }) => date)).toEqual(Array.from({ length: 14 }, (_, at) => addDays(TODAY, at)));
    expect(await answerOf(endPause(await director(), { series: id, version: 1, from: third }))).toBe('clash');
    expect(await answerOf(end(1))).toBe('not-found');
    for (const role of ['lead teacher', 'teacher', 'front desk'] as const)
      expect(await answerOf(endPause(await deskOf(role), { ...(await standing(id)).seen, from: third }))).toBe('not-allowed');
    await stopSeries(await director(), (await standing(id)).seen);
  });

  test('paused for a whole week, every day is as it was, a week later', async () => {
    const { id, view } = await made({ firstDate: addDays(TODAY, 13), length: 14, to: 4, live: [2, 4] });
    const before = await read(id);
    const { date } = view.days[4];
    await pauseSeries(await director(), { ...(await standing(id)).seen, from: date, until: addDays(date, 6), keepWeekdays: true });
    const days = before.days.map((day) => (day.day < 5 ? day : { ...day, date: addDays(day.date, 7) }));
    expect((await read(id)).days).toEqual(days);
  });
});

describe('what would mend what does not come', () => {
  test('each is a change that is made, drafted, and taken back', async () => {
    const { id, view } = await made({ length: 7, to: 3, themes: [{ techniques: ['equal-4-4'] }, { techniques: [] }] });
    expect(view.unreached).toEqual([]);
    const far = await made({ length: 7, to: 3, themes: [{ techniques: ['longer-4-6', 'equal-4-4'] }] });
    const [left] = far.view.unreached;
    expect(left).toMatchObject({ technique: 'longer-4-6', text: expect.stringContaining('more days') });
    const practises = async () => [...(await cohortItself(await director(), view.cohort.id)).already].sort();
    const before = await practises();
    for (const { at, text } of left.mends) {
      const { seen, view: now } = await standing(far.id);
      const again = { ...seen, technique: left.technique, mend: now.unreached[0].mends.find((one) => one.text === text)!.at };
      await draftAgain(await director(), again);
      const after = await standing(far.id);
      expect([text, after.view.unreached]).toEqual([text, []]);
      expect([text, after.wrong]).toEqual([text, []]);
      expect(after.view.undo).toEqual({ what: 'the mend', back: false });
      expect(await answerOf(draftAgain(await director(), again))).toBe('clash');
      // What they were said to practise is said with the mend, and goes with it; done again, it is there again.
      const said = await practises();
      const says = /they practise/i.test(text);
      expect(said.length > before.length).toBe(says);
      for (const then of says ? [before, said, before] : [before]) {
        await undoSeries(await director(), (await standing(far.id)).seen);
        expect(await practises()).toEqual(then);
      }
      expect(at).toBeGreaterThanOrEqual(0);
    }
    expect(left.mends.length).toBeGreaterThanOrEqual(2);
    const { seen } = await standing(far.id);
    expect(await answerOf(draftAgain(await director(), { ...seen, technique: 'longer-4-6', mend: 39 }))).toBe('invalid');
    expect(await answerOf(draftAgain(await director(), { series: id, version: view.version, technique: 'longer-4-6', mend: 0 }))).toBe('invalid');
  });
});

describe('live days and their classes', () => {
  const live = async () => made({ firstDate: addDays(TODAY, 13), length: 14, to: 4, live: [2, 4] });

  test('a class follows its day, until its plan is somebody’s', async () => {
    const { id } = await live();
    const [first, second, third] = (await standing(id)).view.days.filter(({ kind }) => kind === 'live');
    const practised = async (date: string) =>
      techniquesIn((await standing(id)).classes.find((one) => one.date === date)!.blocks).map(({ technique }) => technique);
    await (await standing(id)).edit({ do: 'practice', day: first.day, practices: [{ technique: 'deepened', pattern: 'natural', minutes: 1 }] });
    expect(await practised(first.date)).toEqual(['deepened']);
    expect((await standing(id)).wrong).toEqual([]);

    // Changed by hand, a plan stays as somebody made it, and what differs is said.
    const mine = (await standing(id)).classes.find(({ date }) => date === second.date)!;
    await saveBlocks(await director(), { session: mine.id, version: mine.version, blocks: mine.blocks.filter(({ kind }) => kind !== 'technique') });
    await (await standing(id)).edit({ do: 'practice', day: second.day, practices: [{ technique: 'belly', pattern: 'natural', minutes: 1 }] });
    expect(await practised(second.date)).toEqual([]);
    expect((await standing(id)).wrong).toEqual([expect.stringContaining('its class differ: the plan of the class has nothing to practise')]);

    const theirs = (await standing(id)).classes.find(({ date }) => date === third.date)!;
    await publishPlan(await director(), {
      once: newId(),
      session: theirs.id,
      version: theirs.version,
      teacher: (await director()).who.id,
      reason: 'so it is',
    });
    await (await standing(id)).edit({ do: 'practice', day: third.day, practices: [{ technique: 'belly', pattern: 'natural', minutes: 1 }] });
    expect(await practised(third.date)).not.toEqual(['belly']);
    expect((await standing(id)).wrong.some((text) => text.startsWith(`${third.day} `) && text.includes('differ'))).toBe(true);
    expect(await answerOf((await standing(id)).edit({ do: 'kind', day: third.day, kind: 'own' }))).toBe('late');
    const { seen } = await standing(id);
    expect(await answerOf(pauseSeries(await director(), { ...seen, from: addDays(third.date, -1), until: addDays(third.date, -1) }))).toBe('late');
  });

  test('what is practised alone between live days is ground for them: a class of theirs is published like any other', async () => {
    const { id } = await live();
    const { liveCourse, classes } = await standing(id);
    const early = async () => (await readCourse(await director(), liveCourse!)).checks.map(({ text }) => text).filter((text) => /^comes/.test(text));
    expect(await early()).toEqual([]);
    const last = classes.at(-1)!;
    await publishPlan(await director(), { once: newId(), session: last.id, version: last.version, teacher: (await director()).who.id });
    // What the series does not bring is out of order there as anywhere.
    const [first] = classes;
    const { pattern, dose } = SHIPPED_LIBRARY.technique('4-7-8');
    const strange = { id: newId(), kind: 'technique' as const, technique: '4-7-8', pattern, dose, tempo: 1000 };
    await saveBlocks(await director(), {
      session: first.id,
      version: first.version,
      blocks: [...first.blocks.slice(0, -2), strange, ...first.blocks.slice(-2)],
    });
    expect((await early()).length).toBeGreaterThan(0);
  });

  test('its course is not asked anew, drafted, ended or taken off beside the series', async () => {
    const { id } = await live();
    const { liveCourse, classes } = await standing(id);
    const seen = classes.map(({ id: session, version }) => ({ session, version }));
    const { version, name } = await course(await director(), liveCourse!);
    const asked = { course: liveCourse, version, seen };
    const { request } = await readRequest(await director(), liveCourse!);
    const boat = (await listCourses(await director())).find(({ name: other }) => other === 'Steady on the early boat')!;
    const { goals } = (await readRequest(await director(), boat.id)).request;
    for (const send of [
      async () => changeCourse(await director(), { ...request, goals, published: 'stay', then: 'keep', already: null }),
      async () => draftCourse(await director(), asked),
      async () => keepDrafted(await director(), { ...asked, classes: [{ session: classes[0].id, techniques: techniquesIn(classes[0].blocks) }] }),
      async () => mendCourse(await director(), { ...asked, mends: [{ code: 'weeks', number: 4 }] }),
      async () => endCourse(await director(), { ...asked, reason: 'the hall is let' }),
      async () => removeCourse(await director(), asked),
    ])
      await expect(send()).rejects.toThrow('change them in the series');
    expect(await course(await director(), liveCourse!)).toMatchObject({ version, name });
  });

  test('live days in a row come later by a pause, and back again; one that fell out on the way is in nobody’s', async () => {
    const { id } = await made({ firstDate: addDays(TODAY, 13), live: [1, 2, 3, 4, 5, 6, 7] });
    const held = async () => (await standing(id)).classes.map(({ date }) => date);
    const before = await held();
    await (await standing(id)).edit({ do: 'kind', day: 5, kind: 'own' });
    const { seen, view } = await standing(id);
    await pauseSeries(await director(), { ...seen, from: view.days[1].date, until: view.days[1].date });
    expect((await standing(id)).wrong).toEqual([]);
    expect(await held()).toEqual([0, 2, 3, 4, 6, 7].map((more) => addDays(before[0], more)));
    await undoSeries(await director(), (await standing(id)).seen);
    expect(await held()).toEqual(before.filter((_, index) => index !== 4));
    await undoSeries(await director(), (await standing(id)).seen);
    expect((await held()).length).toBe(6);
    await (await standing(id)).edit({ do: 'kind', day: 5, kind: 'live' });
    expect((await held()).length).toBe(7);
  });

  test('a plan made by hand is there again when an early end is taken back', async () => {
    const { id } = await made({ firstDate: TODAY, length: 14, to: 4, live: [4] });
    const [first] = (await standing(id)).classes;
    const blocks = first.blocks.map((block) => (block.kind === 'technique' ? { ...block, lines: ['soft shoulders'], dose: '2 min' } : block));
    await saveBlocks(await director(), { session: first.id, version: first.version, blocks });
    const mine = (await standing(id)).classes[0].blocks;
    await stopSeries(await director(), (await standing(id)).seen);
    await undoSeries(await director(), (await standing(id)).seen);
    expect((await standing(id)).classes[0].blocks).toEqual(mine);
  });

  test('what did not come and is put in by hand is no longer said to be missing', async () => {
    const { id, view } = await made({ length: 7, to: 3, themes: [{ techniques: ['square-4', 'equal-4-4'] }] });
    expect(view.unreached).toHaveLength(1);
    await (await standing(id)).edit({ do: 'practice', day: 7, practices: [{ technique: 'square-4', pattern: '4:4:4:4', minutes: 3 }] });
    expect((await standing(id)).view.unreached).toEqual([]);
    expect((await standing(id)).wrong.length).toBeGreaterThan(0);
  });

  test('a class that was cancelled, or falls into closed days, is said', async () => {
    const { id } = await live();
    const { liveCourse, classes } = await standing(id);
    const found = await course(await director(), liveCourse!);
    await cancelClass(await director(), {
      course: liveCourse,
      version: found.version,
      seen: classes.map(({ id: session, version }) => ({ session, version })),
      session: classes[0].id,
      reason: 'the hall is let',
      bend: 'drop',
    });
    await addClosure(await director(), { once: newId(), from: classes[1].date, until: classes[1].date, reason: 'the floor is oiled' });
    const { wrong, view, edit } = await standing(id);
    const dayOn = (date: string) => view.days.find((one) => one.date === date)!.day;
    expect(wrong).toEqual([
      expect.stringMatching(new RegExp(`^${dayOn(classes[0].date)} This day is live, but no class is held`)),
      expect.stringMatching(new RegExp(`^${dayOn(classes[1].date)} This day is live, and the studio is closed`)),
    ]);
    await edit({ do: 'kind', day: dayOn(classes[1].date), kind: 'own' });
    expect(await answerOf((await standing(id)).edit({ do: 'kind', day: dayOn(classes[1].date), kind: 'live' }))).toBe('closed');
  });

  test('stopped early, what is still to come falls out, and whoever holds a plan hears of it', async () => {
    const lead = await deskOf('lead teacher');
    const { id } = await made({ firstDate: TODAY, length: 14, to: 4, live: [2, 4], teacher: lead.who.id });
    const [today, next] = (await standing(id)).classes;
    expect(today.date).toBe(TODAY);
    await publishPlan(await director(), { once: newId(), session: next.id, version: next.version, teacher: lead.who.id });
    await stopSeries(await director(), (await standing(id)).seen);
    expect((await standing(id)).classes).toEqual([]);
    const [mail] = await mails();
    expect(mail).toMatchObject({ address: 'corin@pellwick.example', subject: expect.stringContaining('a class is cancelled') });
    expect(mail.body).toContain('the series was ended early');
    // Taken back, the classes are there again, and whoever holds the plan hears of it.
    await undoSeries(await director(), (await standing(id)).seen);
    const { classes, view } = await standing(id);
    expect(classes.map(({ date }) => date)).toEqual(view.days.filter(({ kind }) => kind === 'live').map(({ date }) => date));
    expect((await lastPlanOf(next.id)).changes).toEqual(['held after all']);
  });

  test('removed, its live days go with it; those of somebody’s plan are cancelled and stay in the record', async () => {
    const courses = async () => (await listCourses(await director())).map(({ name }) => name);
    const { id, view } = await live();
    const another = await live();
    const [first] = (await standing(another.id)).classes;
    await publishPlan(await director(), { once: newId(), session: first.id, version: first.version, teacher: (await director()).who.id });
    const was = (await courses()).length;
    await removeSeries(await director(), { series: id, version: view.version });
    expect((await courses()).length).toBe(was - 1);
    const { liveCourse, seen } = await standing(another.id);
    await removeSeries(await director(), seen);
    expect((await courses()).length).toBe(was - 1);
    expect(await sessionsOf(await director(), [liveCourse!])).toEqual([]);
  });

  test('another hour takes them along; a copy has classes as long', async () => {
    const lead = (await deskOf('lead teacher')).who.id;
    const { id, view } = await made({ firstDate: addDays(TODAY, 27), live: [4], liveMinutes: 45 });
    const other = { name: 'At a quarter past', teacher: lead, start: '07:15', missed: 'repeat' };
    await askSeries(await director(), askedOf((await standing(id)).view, other));
    const { view: after, classes, liveCourse } = await standing(id);
    expect(after).toMatchObject({ name: 'At a quarter past', start: '07:15', missed: 'repeat', teacher: { id: lead } });
    expect(classes.map(({ start }) => start)).toEqual(['07:15']);
    expect(await course(await director(), liveCourse!)).toMatchObject({ name: 'At a quarter past, live', teacher: lead, start: '07:15' });
    const form = { once: newId(), series: id, name: 'Again', cohort: view.cohort.id, teacher: lead, firstDate: addDays(TODAY, 48) };
    const copy = await copySeries(await director(), form);
    expect((await standing(copy.id)).classes.map(({ minutes }) => minutes)).toEqual([45]);
  });
});
