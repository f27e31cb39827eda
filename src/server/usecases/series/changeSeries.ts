import { isDeepStrictEqual } from 'node:util';
import { wayDown } from '@/core/ladder';
import { formatPattern, parsePattern, problemText } from '@/core/pattern';
import { hourOf } from '@/core/course';
import { datesOf, dayOn, edited, overDays, withMend, type SeriesAsked, type SeriesEdit, type SeriesMend } from '@/core/series';
import { addDays, daysBetween, isoDate } from '@/core/units';
import { seriesAgainForm, seriesAskForm, seriesEditForm, seriesLengthForm, seriesPauseForm, seriesSeenForm, type SeriesEditInput } from '@/forms';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { afresh, inOne, type Desk, type Writing } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { changePractice } from '../../repositories/cohorts';
import { changeSeries, moveBegin, series, type KeptSeries, type SeriesFacts, type SeriesStep } from '../../repositories/series';
import { teacher } from '../../repositories/staff';
import { madeOf, PAST } from './createSeries';
import { draftDays, staying } from './draftDays';
import { followLive, removeLive } from './liveDays';
import { seriesSetting } from './setting';
import { tellBegin } from './signUp';
import { lastStepOf } from './steps';

interface Now {
  readonly version: number;
}

interface More {
  /** The step that this takes back, or does again. */
  readonly undone?: SeriesStep | null;
  /** What the cohort is said to practise by it. */
  readonly practised?: readonly string[];
  /** How long its first live classes are. */
  readonly liveMinutes?: number;
}

/**
 * Keeps a change of a series, its live days' classes after it, and what was there before, so that it can be taken back.
 */
async function change(
  at: Writing<Staff>,
  found: KeptSeries,
  seen: number,
  what: string,
  to: Partial<SeriesFacts>,
  { undone = null, practised = [], liveMinutes }: More = {},
): Promise<Now> {
  if (found.version !== seen) throw new Refusal('clash');
  const { name, teacher: leads, firstDate, asked, days, unreached, missed, pauses, stoppedOn } = found;
  const was = { name, teacher: leads, firstDate, asked, days, unreached, missed, pauses, stoppedOn };
  if (to.firstDate && to.firstDate !== firstDate) await moveBegin(at, found.id, firstDate, to.firstDate);
  await tellBegin(at, found, { ...found, ...to });
  const liveCourse = await followLive(at, found, { ...found, ...to }, { back: undone !== null, minutes: liveMinutes });
  const lastStep = { what, was, back: undone !== null && !undone.back, practised };
  return { version: await changeSeries(at, found.id, seen, { ...to, liveCourse, lastStep }) };
}

/** Takes the last change of a series back, or does it again where it was taken back. What is over stays as it was. */
export async function undoSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version } = await checked(seriesSeenForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, id);
    const { step, stays } = lastStepOf(found, at.today);
    if (!step) throw new Refusal('not-found', 'There is nothing to take back.');
    if (stays) throw new Refusal('late', stays);
    const { practised = [] } = step;
    if (practised.length > 0)
      await changePractice(at, found.cohort, (already) =>
        step.back ? [...already, ...practised] : already.filter((one) => !practised.includes(one)),
      );
    return change(at, found, version, step.what, step.was, { undone: step, practised });
  });
}

/** Changes a day by hand: it moves, changes places, becomes gentle or live, or has another practice. Days that are over stay as they were. */
export async function changeDay(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const form = await checked(seriesEditForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, form.series);
    running(found);
    const edit = editOf(form);
    for (const day of [edit.day, ...(edit.do === 'swap' ? [edit.with] : edit.do === 'move' ? [edit.to] : [])]) notOver(at, found, day);
    const { planning } = await seriesSetting(at, found.cohort);
    if (edit.do === 'practice' && edit.practices.some(({ technique }) => planning.basis.library.find(technique) === null))
      throw invalid({ field: 'practices', message: 'No such technique.' });
    const days = edited(found.days, edit, planning, at.newId);
    if (!days) throw new Refusal('not-found', 'This day is not part of the series.');
    return change(at, found, form.version, editText(edit), { days });
  });
}

/** What a change of a day was, as it is taken back. */
function editText(edit: SeriesEdit): string {
  switch (edit.do) {
    case 'swap':
      return `days ${edit.day} and ${edit.with} changed places`;
    case 'move':
      return `day ${edit.day} moved to day ${edit.to}`;
    case 'kind':
      return `day ${edit.day} made ${edit.kind === 'own' ? 'a day alone' : edit.kind}`;
    case 'practice':
      return `another practice on day ${edit.day}`;
  }
}

function editOf({ do: what, day, with: other, kind, practices }: SeriesEditInput): SeriesEdit {
  switch (what) {
    case 'swap':
      if (other === null) throw invalid({ field: 'with', message: 'Say which day it changes places with.' });
      return { do: 'swap', day, with: other };
    case 'move':
      if (other === null) throw invalid({ field: 'with', message: 'Say where it moves to.' });
      return { do: 'move', day, to: other };
    case 'kind':
      if (!kind) throw invalid({ field: 'kind', message: 'Say what the day becomes.' });
      return { do: 'kind', day, kind };
    case 'practice':
      if (practices.length === 0) throw invalid({ field: 'practices', message: 'Say what is practised, and how long.' });
      return { do: 'practice', day, practices: practices.map((one) => ({ ...one, pattern: canonical(one.pattern) })) };
  }
}

/** A pattern as it is kept. @throws invalid where it cannot be read */
function canonical(pattern: string): string {
  const read = parsePattern(pattern);
  if (!read.ok) throw invalid({ field: 'practices', message: read.problems.map(problemText).join(' ') });
  return formatPattern(read.value);
}

function running({ stoppedOn }: KeptSeries): void {
  if (stoppedOn) throw new Refusal('late', 'This series was stopped. Copy it to go on with it.');
}

function notOver({ today }: Desk, of: KeptSeries, day: number): void {
  const date = datesOf(of)[day - 1];
  if (date !== undefined && date < today) throw new Refusal('late', `Day ${day} is over: what people practised stays as it was.`);
}

/** How many days of a series have begun: whatever is asked, they stay as they are. */
const begun = ({ today }: Desk, found: KeptSeries): number => datesOf(found).filter((date) => date <= today).length;

/**
 * Drafts the days that have not begun anew; with what would mend something that does not come, where one is chosen. What was practised
 * until then counts.
 */
export async function draftAgain(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version, technique, mend } = await checked(seriesAgainForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, id);
    running(found);
    if (found.version !== version) throw new Refusal('clash');
    const mends = technique ? (found.unreached.find((one) => one.technique === technique)?.mends[mend ?? 0] ?? null) : [];
    if (mends === null) throw invalid({ field: 'mend', message: 'This change does not fit the series any more.' });
    const asked = mends.reduce(withMend, found.asked);
    const dates = overDays(datesOf(found), asked.length);
    if (begun(at, found) >= asked.length) throw new Refusal('late', 'Its last day has begun: copy it to go on.');
    const practised = await practise(at, found, mends);
    const { planning } = await seriesSetting(afresh(at), found.cohort);
    const drafted = await draftDays(at, asked, dates, planning, await staying(at, found, begun(at, found), dates));
    return change(at, found, version, mends.length > 0 ? 'the mend' : 'the draft', drafted, { practised });
  });
}

/** What a group is said to practise already, it practises from now on, with all that it stands on. @returns what it did not before */
async function practise(at: Writing<Staff>, { cohort }: KeptSeries, mends: readonly SeriesMend[]): Promise<readonly string[]> {
  const practised = mends.flatMap((one) => (one.mend === 'practised' ? [one.technique] : []));
  if (practised.length === 0) return [];
  const { planning } = await seriesSetting(at, cohort);
  return changePractice(at, cohort, (already) => [...already, ...practised.flatMap((one) => [one, ...wayDown(planning.ladder, one)])]);
}

/**
 * Asks something else of a series. Where its days rest on that, those that have not begun are drafted anew; what was changed on them by
 * hand is there again when that is taken back. A pause stays where it is.
 */
export async function askSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version, ...form } = await checked(seriesAskForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, id);
    running(found);
    if (found.version !== version) throw new Refusal('clash');
    const { name, teacher: leads, firstDate, missed, asked, liveMinutes } = madeOf({ ...form, cohort: found.cohort });
    const there = begun(at, found);
    if (there > 0 && firstDate !== found.firstDate) throw invalid({ field: 'firstDate', message: 'It has begun: its first day stays.' });
    if (firstDate < at.today && firstDate !== found.firstDate) throw invalid({ field: 'firstDate', message: PAST });
    await teacher(at, leads);
    const facts = { name, teacher: leads, firstDate, missed };
    const what = 'what was asked';
    if (firstDate === found.firstDate && alikeDrafted(asked, found.asked))
      return change(at, found, version, what, { ...facts, asked: { ...found.asked, start: asked.start } });
    if (asked.length <= there) throw invalid({ field: 'length', message: `Day ${there} has begun: choose more days than that, or stop it early.` });
    const { planning } = await seriesSetting(at, found.cohort);
    const dates = datesOf({ firstDate, pauses: found.pauses, days: Array.from({ length: asked.length }) });
    const drafted = await draftDays(at, asked, dates, planning, await staying(at, found, there, dates));
    return change(at, found, version, what, { ...facts, ...drafted }, { liveMinutes });
  });
}

/** Whether the same days would be drafted: only the minute of the hour differs, if anything. */
function alikeDrafted(one: Omit<SeriesAsked, 'closed'>, other: SeriesAsked): boolean {
  const bare = ({ length, from, to, gentleEvery, live, themes, pairings, start }: Omit<SeriesAsked, 'closed'>) => ({
    asked: { length, from, to, gentleEvery, live, pairings, hour: hourOf(start) },
    themes: themes.slice(0, themes.findLastIndex((theme) => theme.length > 0) + 1),
  });
  return isDeepStrictEqual(bare(one), bare(other));
}

/** Stops a series early: nothing is sent from then on, its live days fall out, and what people did stays. */
export async function stopSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version } = await checked(seriesSeenForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, id);
    running(found);
    return change(at, found, version, 'the early end', { stoppedOn: at.today });
  });
}

/** Removes a series that has not begun, and its live days. */
export async function removeSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version } = await checked(seriesSeenForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, id);
    if (at.today >= found.firstDate) throw new Refusal('late', 'It has begun, so what people did stays. It can be stopped.');
    await removeLive(at, found);
    return { version: await changeSeries(at, id, version, { removedAt: at.now }) };
  });
}

/** Gives a series more days: what it has stays, and what follows is drafted on. */
export async function lengthenSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version, length } = await checked(seriesLengthForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, id);
    running(found);
    if (found.version !== version) throw new Refusal('clash');
    if (length <= found.days.length) throw invalid({ field: 'length', message: `It has ${found.days.length} days already.` });
    const dates = datesOf(found);
    if (at.today > dates.at(-1)!) throw new Refusal('late', 'It is over: copy it to go on.');
    const { planning } = await seriesSetting(at, found.cohort);
    const drafted = await draftDays(at, { ...found.asked, length }, overDays(dates, length), planning, found.days);
    return change(at, found, version, 'the longer series', drafted);
  });
}

/**
 * Days on which nobody practises: the days after them come so much later, live days with them; or what comes after is drafted anew, so
 * that live days stay on their weekdays.
 */
export async function pauseSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const form = await checked(seriesPauseForm, input);
  const [from, until] = [isoDate(form.from), isoDate(form.until)];
  return inOne(desk, async (at) => {
    const found = await series(at, form.series);
    running(found);
    if (until < from) throw invalid({ field: 'until', message: 'The pause ends before it begins.' });
    if (from < at.today) throw invalid({ field: 'from', message: 'This day is past.' });
    if (until > addDays(from, MOST_PAUSE))
      throw invalid({ field: 'until', message: `A pause of more than ${MOST_PAUSE + 1} days is another series: stop this one.` });
    if (dayOn(found, from) === null) throw invalid({ field: 'from', message: 'The series has no day then.' });
    const pauses = [...found.pauses, { from, until }];
    if (!form.keepWeekdays || (daysBetween(from, until) + 1) % 7 === 0) return change(at, found, form.version, 'the pause', { pauses });
    if (found.version !== form.version) throw new Refusal('clash');
    const { planning } = await seriesSetting(at, found.cohort);
    const dates = datesOf({ ...found, pauses });
    const drafted = await draftDays(at, found.asked, dates, planning, await staying(at, found, dayOn(found, from)! - 1, dates));
    return change(at, found, form.version, 'the pause', { pauses, ...drafted });
  });
}

const MOST_PAUSE = 29;
