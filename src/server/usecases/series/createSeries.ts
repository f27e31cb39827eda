import { framed } from '@/core/course';
import { datesOf, draftSeries, type SeriesAsked, type SeriesDay } from '@/core/series';
import { addDays, isoDate, weekday, type IsoDate } from '@/core/units';
import { seriesCopyForm, seriesForm, type SeriesInput } from '@/forms';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import type { Desk, Writing } from '../../desk';
import { invalid } from '../../errors';
import { cohort } from '../../repositories/cohorts';
import { addClasses, addCourse } from '../../repositories/courses';
import { roster } from '../../repositories/people';
import { addMembers, addSeries, series, type KeptSeries } from '../../repositories/series';
import { teacher } from '../../repositories/staff';
import { closures } from '../../repositories/studio';
import { seriesSetting } from './setting';

/** How long a draft is looked for, in milliseconds. */
const DRAFT_MS = 2000;

type Made = Pick<KeptSeries, 'name' | 'cohort' | 'teacher' | 'firstDate' | 'missed'> & {
  readonly asked: Omit<SeriesAsked, 'closed'>;
  readonly liveMinutes: number;
};

/** Makes a series: its days drafted for the cohort it is for, everybody of the cohort taking part, live days as classes. */
export async function createSeries(desk: Desk, input: unknown): Promise<{ readonly id: string }> {
  authorise(desk.who, 'edit courses');
  const { once, ...form } = await checked(seriesForm, input);
  return onceOnly(desk, once, (at) => make(at, madeOf(form)));
}

/** The same series for another cohort or from another day, drafted and screened afresh. */
export async function copySeries(desk: Desk, input: unknown): Promise<{ readonly id: string }> {
  authorise(desk.who, 'edit courses');
  const { once, series: from, name, cohort: to, firstDate, teacher: leads } = await checked(seriesCopyForm, input);
  return onceOnly(desk, once, async (at) => {
    const { asked, missed } = await series(at, from);
    return make(at, { name, cohort: to, teacher: leads, firstDate: isoDate(firstDate), missed, asked, liveMinutes: USUAL_LIVE_MINUTES });
  });
}

/** How long the class of a live day is where nothing says so, in minutes. */
export const USUAL_LIVE_MINUTES = 30;

function madeOf({ themes, firstDate, name, cohort: of, teacher: leads, missed, liveMinutes, ...asked }: Omit<SeriesInput, 'once'>): Made {
  return {
    name,
    cohort: of,
    teacher: leads,
    firstDate: isoDate(firstDate),
    missed,
    liveMinutes,
    asked: {
      ...asked,
      themes: themes.map(({ techniques }) => techniques),
      pairings: themes.flatMap(({ pairs }, week) => (pairs ? [week + 1] : [])),
    },
  };
}

async function make(at: Writing<Staff>, made: Made): Promise<{ readonly id: string }> {
  const { firstDate } = made;
  const setting = await seriesSetting(at, made.cohort);
  const unknown = made.asked.themes.flat().find((id) => setting.house.library.find(id) === null);
  if (unknown) throw invalid({ field: 'themes', message: 'One of these techniques is no longer in the library.' });
  const dates = Array.from({ length: made.asked.length }, (_, day) => addDays(firstDate, day));
  const asked: SeriesAsked = { ...made.asked, closed: await closedDates(at, dates) };
  const begun = performance.now();
  const { days, left } = draftSeries(asked, dates, setting.planning, at.newId, () => performance.now() - begun > DRAFT_MS);
  return { id: await placeSeries(at, { ...made, days, unreached: left }) };
}

/** Puts a series on its days, with its live days as classes, for everybody of its cohort. @returns its id */
export async function placeSeries(at: Writing<Staff>, { liveMinutes, ...made }: Made & Pick<KeptSeries, 'days' | 'unreached'>): Promise<string> {
  const { firstDate } = made;
  if (firstDate < at.today) throw invalid({ field: 'firstDate', message: 'This day is past. A series begins today at the earliest.' });
  await cohort(at, made.cohort);
  await teacher(at, made.teacher);
  const dates = Array.from({ length: made.days.length }, (_, day) => addDays(firstDate, day));
  const closed = await closedDates(at, dates);
  const days = made.days.map((day, index): SeriesDay => (day.kind === 'live' && closed.includes(dates[index]) ? { ...day, kind: 'own' } : day));
  const id = at.newId();
  const kept = { ...made, id, days, asked: { ...made.asked, closed }, pauses: [] };
  const liveCourse = days.some(({ kind }) => kind === 'live') ? await addLiveCourse(at, kept, liveMinutes) : null;
  await addSeries(at, { ...kept, liveCourse });
  const people = (await roster(at)).filter(({ cohort: of }) => of === made.cohort);
  await addMembers(
    at,
    id,
    people.map(({ id: person }) => person),
    firstDate,
  );
  return id;
}

/** Those of some dates on which the studio is closed. */
export async function closedDates(desk: Desk, dates: readonly IsoDate[]): Promise<IsoDate[]> {
  const closed = await closures(desk);
  return dates.filter((date) => closed.some(({ from, until }) => date >= from && date <= until));
}

type Live = Pick<KeptSeries, 'id' | 'name' | 'cohort' | 'teacher' | 'firstDate' | 'asked' | 'days' | 'pauses'>;

/** The course whose classes are a series' live days. @returns its id */
export async function addLiveCourse(at: Writing<Staff>, of: Live, minutes: number): Promise<string> {
  const id = at.newId();
  const { firstDate, asked, cohort: group, teacher: leads } = of;
  const weekdays = asked.live.length > 0 ? asked.live : [...new Set(datesOf(of).map(weekday))];
  const made = {
    name: `${of.name}, live`,
    cohort: group,
    teacher: leads,
    firstDate,
    weeks: Math.ceil(asked.length / 7),
    weekdays,
    start: asked.start,
    minutes,
  };
  await addCourse(at, { id, ...made, goals: [], settled: false, single: false, copiedFrom: null, classes: [] });
  await addLiveClasses(
    at,
    { ...of, liveCourse: id },
    datesOf(of).flatMap((date, index) => (of.days[index].kind === 'live' ? [{ date, day: of.days[index] }] : [])),
    minutes,
  );
  return id;
}

/** Adds classes for live days, with the day's practice and what stands around it. */
export async function addLiveClasses(
  at: Writing<Staff>,
  of: Live & { readonly liveCourse: string },
  days: readonly { readonly date: IsoDate; readonly day: SeriesDay }[],
  minutes: number,
): Promise<void> {
  const { planning } = await seriesSetting(at, of.cohort);
  const { start } = of.asked;
  await addClasses(
    at,
    { id: of.liveCourse, start, minutes },
    days.map(({ date, day }) => {
      const techniques = day.blocks.map((block) => ({ ...block, id: at.newId() }));
      const { blocks } = framed({ id: '', date, start, minutes, blocks: [], fixed: false }, techniques, of.firstDate, planning, at.newId);
      return { date, blocks };
    }),
  );
}
