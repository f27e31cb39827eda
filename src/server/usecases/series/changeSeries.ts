import { formatPattern, parsePattern, problemText } from '@/core/pattern';
import { datesOf, dayOn, draftSeries, edited, lengthened, type SeriesDay, type SeriesEdit } from '@/core/series';
import { addDays, isoDate, type IsoDate } from '@/core/units';
import { seriesEditForm, seriesLengthForm, seriesPauseForm, seriesSeenForm, type SeriesEditInput } from '@/forms';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk, type Writing } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { allSessionsOf, changeClass, course } from '../../repositories/courses';
import { changeSeries, series, type KeptSeries } from '../../repositories/series';
import { addLiveClasses, addLiveCourse, closedDates, USUAL_LIVE_MINUTES } from './createSeries';
import { seriesSetting } from './setting';

interface Now {
  readonly version: number;
}

/** Changes a day by hand: it changes places, becomes gentle or live, or has another practice. Days that are over stay as they were. */
export async function changeDay(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const form = await checked(seriesEditForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, form.series);
    running(found);
    const edit = editOf(form);
    for (const day of edit.do === 'swap' ? [edit.day, edit.with] : [edit.day]) notOver(at, found, day);
    const { planning } = await seriesSetting(at, found.cohort);
    if (edit.do === 'practice' && planning.basis.library.find(edit.technique) === null)
      throw invalid({ field: 'technique', message: 'No such technique.' });
    const days = edited(found.days, edit, planning, at.newId);
    if (!days) throw new Refusal('not-found', 'This day is not part of the series.');
    const liveCourse = await followLive(at, { ...found, days }, found.days);
    return { version: await changeSeries(at, found.id, form.version, { days, liveCourse }) };
  });
}

function editOf({ do: what, day, with: other, kind, technique, pattern, minutes }: SeriesEditInput): SeriesEdit {
  switch (what) {
    case 'swap':
      if (other === null) throw invalid({ field: 'with', message: 'Say which day it changes places with.' });
      return { do: 'swap', day, with: other };
    case 'kind':
      if (!kind) throw invalid({ field: 'kind', message: 'Say what the day becomes.' });
      return { do: 'kind', day, kind };
    case 'practice':
      return { do: 'practice', day, ...practiceOf(technique, pattern, minutes) };
  }
}

function practiceOf(technique: string | null | undefined, pattern: string | null | undefined, minutes: number | null) {
  if (!technique || !pattern || minutes === null) throw invalid({ field: 'technique', message: 'Say what is practised, how, and how long.' });
  const read = parsePattern(pattern);
  if (!read.ok) throw invalid({ field: 'pattern', message: read.problems.map(problemText).join(' ') });
  return { technique, pattern: formatPattern(read.value), minutes };
}

function running({ stoppedOn }: KeptSeries): void {
  if (stoppedOn) throw new Refusal('late', 'This series was stopped. Copy it to go on with it.');
}

function notOver({ today }: Desk, of: KeptSeries, day: number): void {
  const date = datesOf(of)[day - 1];
  if (date !== undefined && date < today) throw new Refusal('late', `Day ${day} is over: what people practised stays as it was.`);
}

/**
 * Days that became live are held as classes; of those that no longer are, the class falls out where it is not published.
 * @returns the course of its live days
 */
async function followLive(at: Writing<Staff>, now: KeptSeries, before: readonly SeriesDay[]): Promise<string | null> {
  const dates = datesOf(now);
  const became = now.days.flatMap(({ kind }, index) => (kind === 'live' && before[index].kind !== 'live' ? [index] : []));
  const ended = now.days.flatMap(({ kind }, index) => (kind !== 'live' && before[index].kind === 'live' ? [index] : []));
  const closed = await closedDates(
    at,
    became.map((index) => dates[index]),
  );
  if (closed.length > 0) throw new Refusal('closed', 'The studio is closed on that day, so it cannot be a live one.');
  const classes = now.liveCourse ? await allSessionsOf(at, [now.liveCourse]) : [];
  for (const index of ended) {
    const there = classes.find(({ date, cancelled }) => date === dates[index] && !cancelled);
    if (there && there.published > 0)
      throw new Refusal('late', 'The plan of this class is published. Cancel the class first; then the day can change.');
    if (there) await changeClass(at, there.id, there.version, { cancelled: { reason: null, by: at.who.id, at: at.now.toISOString() } });
  }
  if (became.length === 0) return now.liveCourse;
  if (!now.liveCourse) return addLiveCourse(at, now, USUAL_LIVE_MINUTES);
  const fresh = became.map((index) => ({ date: dates[index], day: now.days[index] }));
  const { minutes } = await course(at, now.liveCourse);
  await addLiveClasses(at, { ...now, liveCourse: now.liveCourse }, fresh, minutes);
  return now.liveCourse;
}

/** Drafts all days anew, while none of them has begun. */
export async function draftAgain(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version } = await checked(seriesSeenForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, id);
    running(found);
    if (at.today >= found.firstDate) throw new Refusal('late', 'It has begun: change single days by hand, or copy it.');
    const { planning } = await seriesSetting(at, found.cohort);
    const begun = performance.now();
    const { days, left } = draftSeries(found.asked, datesOf(found), planning, at.newId, () => performance.now() - begun > 2000);
    return { version: await changeSeries(at, id, version, { days, unreached: left }) };
  });
}

/** Stops a series early: nothing is sent from then on, and what people did stays. */
export async function stopSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version } = await checked(seriesSeenForm, input);
  return inOne(desk, async (at) => {
    running(await series(at, id));
    return { version: await changeSeries(at, id, version, { stoppedOn: at.today }) };
  });
}

/** Removes a series that has not begun. */
export async function removeSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version } = await checked(seriesSeenForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, id);
    if (at.today >= found.firstDate) throw new Refusal('late', 'It has begun, so what people did stays. It can be stopped.');
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
    if (length <= found.days.length) throw invalid({ field: 'length', message: `It has ${found.days.length} days already.` });
    if (at.today > datesOf(found).at(-1)!) throw new Refusal('late', 'It is over: copy it to go on.');
    const { planning } = await seriesSetting(at, found.cohort);
    const longer = { ...found, days: Array.from({ length }, (_, index) => found.days[index] ?? found.days[0]) };
    const dates = datesOf(longer);
    const asked = { ...found.asked, length, closed: await closedDates(at, dates) };
    const begun = performance.now();
    const draft = draftSeries(asked, dates, planning, at.newId, () => performance.now() - begun > 2000);
    const days = lengthened(found.days, draft.days);
    const before = [...found.days, ...days.slice(found.days.length).map((day): SeriesDay => ({ ...day, kind: 'own' }))];
    const liveCourse = await followLive(at, { ...found, asked, days }, before);
    return { version: await changeSeries(at, id, version, { days, asked, liveCourse, unreached: draft.left }) };
  });
}

/** Days on which nobody practises: the days after them come so much later, live days with them. */
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
    const before = datesOf(found);
    const after = { ...found, pauses: [...found.pauses, { from, until }] };
    await moveLive(at, found, before, datesOf(after));
    return { version: await changeSeries(at, found.id, form.version, { pauses: after.pauses }) };
  });
}

const MOST_PAUSE = 29;

async function moveLive(at: Writing<Staff>, of: KeptSeries, before: readonly IsoDate[], after: readonly IsoDate[]): Promise<void> {
  if (!of.liveCourse) return;
  const classes = await allSessionsOf(at, [of.liveCourse]);
  for (const [index, date] of before.entries()) {
    const there = classes.find((one) => one.date === date && !one.cancelled);
    if (!there || of.days[index].kind !== 'live' || after[index] === date) continue;
    if (there.published > 0) throw new Refusal('late', 'A live day after the pause is published already. Cancel it first, then pause.');
    await changeClass(at, there.id, there.version, { date: after[index] });
  }
}
