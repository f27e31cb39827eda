import { overDays, type SeriesAsked, type SeriesDay } from '@/core/series';
import { isoDate } from '@/core/units';
import { seriesCopyForm, seriesForm, type SeriesInput } from '@/forms';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import type { Desk, Writing } from '../../desk';
import { invalid } from '../../errors';
import { cohort } from '../../repositories/cohorts';
import { course } from '../../repositories/courses';
import { rosterOf } from '../../repositories/people';
import { addMembers, addSeries, series, type KeptSeries } from '../../repositories/series';
import { teacher } from '../../repositories/staff';
import { draftDays } from './draftDays';
import { closedDates, followLive, USUAL_LIVE_MINUTES } from './liveDays';
import { seriesSetting } from './setting';

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
    const { asked, missed, liveCourse } = await series(at, from);
    const liveMinutes = liveCourse ? (await course(at, liveCourse)).minutes : USUAL_LIVE_MINUTES;
    return make(at, { name, cohort: to, teacher: leads, firstDate: isoDate(firstDate), missed, asked, liveMinutes });
  });
}

/** A series as it is asked for, from the form that asks. */
export function madeOf({ themes, firstDate, name, cohort: of, teacher: leads, missed, liveMinutes, ...asked }: Omit<SeriesInput, 'once'>): Made {
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
  const { planning } = await seriesSetting(at, made.cohort);
  const drafted = await draftDays(at, made.asked, overDays([firstDate], made.asked.length), planning);
  return { id: await placeSeries(at, { ...made, ...drafted }) };
}

/** Why a first day is not taken. */
export const PAST = 'This day is past. A series begins today at the earliest.';

/** Puts a series on its days, with its live days as classes, for everybody of its cohort. @returns its id */
export async function placeSeries(at: Writing<Staff>, { liveMinutes, ...made }: Made & Pick<KeptSeries, 'days' | 'unreached'>): Promise<string> {
  const { firstDate } = made;
  if (firstDate < at.today) throw invalid({ field: 'firstDate', message: PAST });
  await cohort(at, made.cohort);
  await teacher(at, made.teacher);
  const dates = overDays([firstDate], made.days.length);
  const closed = await closedDates(at, dates);
  const days = made.days.map((day, index): SeriesDay => (day.kind === 'live' && closed.includes(dates[index]) ? { ...day, kind: 'own' } : day));
  const kept = { ...made, id: at.newId(), days, asked: { ...made.asked, closed }, pauses: [] };
  const liveCourse = await followLive(at, null, { ...kept, stoppedOn: null, liveCourse: null }, { minutes: liveMinutes });
  await addSeries(at, { ...kept, liveCourse });
  const people = await rosterOf(at, made.cohort);
  await addMembers(
    at,
    kept.id,
    people.map(({ id: person }) => person),
    firstDate,
  );
  return kept.id;
}
