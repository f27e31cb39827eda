import { closureOn, courseDates, USUAL_ARC } from '@/core/course';
import { writePackage, type CoursePackage, type TravellingBlock } from '@/core/exchange';
import type { PackagePreview } from '@/views/files';
import { wayDown } from '@/core/ladder';
import { libraryOf, ownProblems, ownProblemText } from '@/core/library';
import type { Library } from '@/core/library';
import { techniquesIn, type Block, type OwnWay, type TechniqueBlock } from '@/core/plan';
import type { SeriesDay } from '@/core/series';
import { dayText, isoDate, type IsoDate } from '@/core/units';
import { packageFileForm, packageForm } from '@/forms';
import type { Staff } from '../../auth/actors';
import { readApart } from '../../apart';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { holdStudio, onceOnly } from '../../db/write';
import { afresh, type Desk, type Writing } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { cohort } from '../../repositories/cohorts';
import { addCourse, course, sessionsOf } from '../../repositories/courses';
import { addOwnTechnique, library, ownTechniques } from '../../repositories/library';
import { series } from '../../repositories/series';
import { teacher } from '../../repositories/staff';
import { closures } from '../../repositories/studio';
import { addWay, ways } from '../../repositories/ways';
import { draftAndKeep } from '../courses/draftCourse';
import { placeSeries } from '../series/createSeries';
import { USUAL_LIVE_MINUTES } from '../series/liveDays';
import { settingOf } from '../setting';

/** A course as a file for another studio: what is asked, what its classes hold, and what they stand on; never people. */
export async function exportCourse(desk: Desk, id: string): Promise<{ readonly name: string; readonly text: string }> {
  authorise(desk.who, 'edit courses');
  const found = await course(desk, id);
  const sessions = await sessionsOf(desk, [id]);
  const { name, weeks, weekdays, start, minutes, settled, arc, goals } = found;
  const ground = await groundOf(
    desk,
    found.cohort,
    sessions.map(({ blocks }) => blocks),
    goals.map(({ technique }) => technique),
  );
  const text = writePackage({
    name,
    weeks,
    weekdays,
    start,
    minutes,
    settled,
    arc,
    already: ground.already,
    goals: goals.map(({ technique, pattern, dose, practise, everyDays, stepMinutes, ready }) => ({
      technique,
      pattern,
      dose,
      practise,
      ...(everyDays ? { everyDays } : {}),
      ...(stepMinutes ? { stepMinutes } : {}),
      ...(ready ? { ready } : {}),
    })),
    ladder: ground.ladder,
    techniques: ground.techniques,
    ways: ground.ways,
    classes: sessions.map(({ purpose, note, blocks }) => ({ purpose, note, blocks: blocks.map(travelling) })),
  });
  return { name, text };
}

const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7] as const;

/** A series as a file for another studio: its days are the classes. */
export async function exportSeries(desk: Desk, id: string): Promise<{ readonly name: string; readonly text: string }> {
  authorise(desk.who, 'edit courses');
  const { name, cohort: group, asked, days, missed } = await series(desk, id);
  const { from, to, gentleEvery, live, themes, pairings, start } = asked;
  const ground = await groundOf(
    desk,
    group,
    days.map(({ blocks }) => blocks),
    themes.flat(),
  );
  const text = writePackage({
    name,
    weeks: Math.ceil(days.length / 7),
    weekdays: EVERY_DAY,
    start,
    minutes: USUAL_LIVE_MINUTES,
    settled: false,
    arc: USUAL_ARC,
    ...ground,
    goals: [],
    series: { from, to, gentleEvery, live, missed, themes, pairings, kinds: days.map(({ kind }) => kind) },
    classes: days.map(({ blocks }) => ({ purpose: '', note: '', blocks: blocks.map(travelling) })),
  });
  return { name, text };
}

/** What classes stand on: what the cohort practised before, the ladder between what is practised, and what is the studio's own in it. */
async function groundOf(desk: Desk, cohortId: string, classes: readonly (readonly Block[])[], wanted: readonly string[]) {
  const [{ already }, all, own, kept] = await Promise.all([cohort(desk, cohortId), library(desk), ownTechniques(desk), ways(desk)]);
  const practised = [...new Set([...wanted, ...classes.flatMap((blocks) => techniquesIn(blocks).map(({ technique }) => technique))])];
  const used = new Set([...practised, ...practised.flatMap((technique) => wayDown(all.edges, technique))]);
  const wayIds = new Set(classes.flatMap((blocks) => techniquesIn(blocks).flatMap(({ own: way }) => (way ? [`${way.id} ${way.number}`] : []))));
  return {
    already: [...already].sort(),
    ladder: all.edges
      .filter(({ needs, to }) => used.has(needs) && used.has(to))
      .map(({ needs, to, sessions: times, days }) => ({ needs, to, sessions: times, days }))
      .sort((a, b) => `${a.to} ${a.needs}`.localeCompare(`${b.to} ${b.needs}`)),
    techniques: own.filter(({ technique }) => used.has(technique.id)),
    ways: kept
      .flatMap(({ id: way, name: wayName, base, versions }) =>
        versions.filter(({ number }) => wayIds.has(`${way} ${number}`)).map(({ pattern, dose }) => ({ name: wayName, base, pattern, dose })),
      )
      .sort((a, b) => a.name.localeCompare(b.name)),
  };
}

function travelling(block: Block): TravellingBlock {
  const { setup, lines, note } = block;
  const told = { ...(setup ? { setup } : {}), ...(lines ? { lines } : {}), ...(note ? { note } : {}) };
  if (block.kind !== 'technique') return { part: block.part, minutes: block.minutes, ...told };
  const { technique, pattern, dose, tempo, own } = block;
  return { technique, pattern, dose, tempo, ...(own ? { way: own.name } : {}), ...told };
}

/** What the file of a course would bring in. Nothing is kept. */
export async function previewCourse(desk: Desk, input: unknown): Promise<PackagePreview> {
  authorise(desk.who, 'edit courses');
  const { text } = await checked(packageFileForm, input);
  const own = await ownTechniques(desk);
  const { course: read, problems, differs } = await readApart('course', text, own);
  const all = await library(desk);
  const known = new Set((await ways(desk)).map(({ name }) => name));
  // What comes along is asked here what it is asked when it is brought in.
  const fresh = (read?.techniques ?? []).filter(({ technique }) => !all.find(technique.id));
  const joined = fresh.length === 0 ? all : libraryOf([...own, ...fresh]);
  const refused = fresh.flatMap((entry) =>
    ownProblems(entry, joined).map((problem) => ({ class: null, message: `${entry.technique.name}: ${ownProblemText(problem, joined)}` })),
  );
  return {
    problems: [...problems, ...refused],
    differs,
    course: read && {
      name: read.name,
      weeks: read.weeks,
      classes: read.classes.length,
      series: read.series !== undefined,
      minutes: read.minutes,
      goals: read.goals.map(({ technique }) => all.find(technique)?.name ?? technique),
      brings: [...fresh.map(({ technique }) => technique.name), ...read.ways.filter(({ name }) => !known.has(name)).map(({ name }) => name)],
    },
  };
}

/**
 * Brings a course in, on its own days and for a cohort of ours: all of it, or nothing. People are screened as they are; nothing is
 * published. Ways and techniques that are not here come along.
 */
export async function importCourse(desk: Desk, input: unknown): Promise<{ readonly id: string; readonly place: 'courses' | 'series' }> {
  authorise(desk.who, 'edit courses');
  const { once, text, ...form } = await checked(packageForm, input);
  const { course: read, problems } = await readApart('course', text, await ownTechniques(desk));
  return onceOnly(desk, once, async (at) => {
    await holdStudio(at);
    await cohort(at, form.cohort);
    await teacher(at, form.teacher);
    if (!read) throw new Refusal('invalid', problems.map(({ class: of, message }) => (of ? `Class ${of}: ${message}` : message)).join(' '));
    const first = isoDate(form.firstDate);
    if (read.series) {
      await bringTechniques(at, read);
      return { id: await bringSeries(at, read, { ...form, firstDate: first }), place: 'series' };
    }
    const closed = await closures(at);
    const closure = closureOn(closed, first);
    if (closure) throw invalid({ field: 'firstDate', message: `The studio is closed then: ${closure.reason}, until ${dayText(closure.until)}.` });
    // As many days as it has classes, however many closed days lie between.
    const dates = courseDates(first, read.weeks + MORE_WEEKS, read.weekdays, closed).slice(0, read.classes.length);
    if (dates.length < read.classes.length) throw invalid({ field: 'firstDate', message: 'Closed days leave too few days for its classes.' });
    await bringTechniques(at, read);
    const [wayOf, all] = [await bringWays(at, read), await library(at)];
    const id = at.newId();
    const { name, weeks, weekdays, start, minutes, settled, arc, goals } = read;
    const classes = read.classes.map(({ purpose, note, blocks }, index) => ({
      date: dates[index],
      purpose,
      note,
      blocks: blocks.map((block) => arrived(block, at, wayOf, all)),
    }));
    const asked = { name, weeks, weekdays, start, minutes, settled, arc, goals: goals.map((goal) => ({ ...goal, by: null })) };
    await addCourse(at, { ...asked, id, cohort: form.cohort, teacher: form.teacher, firstDate: first, single: false, copiedFrom: null, classes });
    const after = afresh(at);
    const [found, made] = [await course(after, id), await sessionsOf(after, [id])];
    await draftAndKeep(after, found, made, await settingOf(after, found, made), false);
    return { id, place: 'courses' };
  });
}

/** Techniques of theirs that are not here come along. */
async function bringTechniques(at: Writing<Staff>, { techniques }: CoursePackage): Promise<void> {
  for (const entry of techniques) if (!(await library(at)).find(entry.technique.id)) await addOwnTechnique(at, entry);
}

/** The days of a series as they are, from a first day of its own and for a cohort of ours. */
async function bringSeries(
  at: Writing<Staff>,
  { name, start, series: theirs, classes, ...read }: CoursePackage,
  { cohort: group, teacher: leads, firstDate }: { readonly cohort: string; readonly teacher: string; readonly firstDate: IsoDate },
): Promise<string> {
  const [wayOf, all] = [await bringWays(at, { name, start, classes, ...read }), await library(at)];
  const { kinds, missed, ...asked } = theirs!;
  const days = classes.map(({ blocks }, index): SeriesDay => ({
    kind: kinds[index],
    blocks: blocks.map((block) => arrived(block, at, wayOf, all)).filter((block): block is TechniqueBlock => block.kind === 'technique'),
  }));
  return placeSeries(at, {
    name,
    cohort: group,
    teacher: leads,
    firstDate,
    missed,
    asked: { ...asked, start, length: days.length },
    days,
    unreached: [],
    liveMinutes: read.minutes,
  });
}

/** Weeks more than it says that are looked at for its days. */
const MORE_WEEKS = 12;

/** Ways that are not here are added; one of the same name that is done the same is the same. */
async function bringWays(at: Writing<Staff>, { ways: theirs }: CoursePackage): Promise<ReadonlyMap<string, OwnWay>> {
  const ours = await ways(at);
  const found = new Map<string, OwnWay>();
  for (const { name, base, pattern, dose } of theirs) {
    const same = ours.find((one) => one.name === name && one.base === base);
    const version = same?.versions.findLast((one) => one.pattern === pattern && one.dose === dose);
    if (same && version) {
      found.set(name, { id: same.id, number: version.number, name });
      continue;
    }
    // A way of ours that only has the same name stays ours.
    const free = ours.some((one) => one.name.toLowerCase() === name.toLowerCase()) ? `${name} (theirs)`.slice(0, 60) : name;
    const id = at.newId();
    await addWay(at, id, base, free, { pattern, dose });
    found.set(name, { id, number: 1, name: free });
  }
  return found;
}

function arrived(block: TravellingBlock, at: Writing<Staff>, wayOf: ReadonlyMap<string, OwnWay>, all: Library): Block {
  const { setup, lines, note } = block;
  const told = { ...(setup ? { setup } : {}), ...(lines ? { lines } : {}), ...(note ? { note } : {}) };
  if ('part' in block) return { id: at.newId(), kind: all.part(block.part).kind, part: block.part, minutes: block.minutes, ...told };
  const { technique, pattern, dose, tempo, way } = block;
  const own = way === undefined ? undefined : wayOf.get(way);
  return { id: at.newId(), kind: 'technique', technique, pattern, dose, tempo, ...(own ? { own } : {}), ...told };
}
