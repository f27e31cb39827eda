import { datesOf, dayOn } from '@/core/series';
import { addDays, daysBetween, isoDate } from '@/core/units';
import { seriesEndPauseForm, seriesPauseForm } from '@/forms';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk, type Writing } from '../../desk';
import { invalid, Refusal } from '../../errors';
import type { KeptSeries } from '../../repositories/series';
import { change, running, type Now } from './change';
import { draftDays, staying } from './draftDays';
import { seriesSetting } from './setting';

/**
 * Days on which nobody practises: the days after them come so much later, live days with them; or what comes after is drafted anew, so
 * that live days stay on their weekdays.
 */
export async function pauseSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const form = await checked(seriesPauseForm, input);
  const [from, until] = [isoDate(form.from), isoDate(form.until)];
  return inOne(desk, async (at) => {
    const found = await running(at, form.series, form.version);
    if (until < from) throw invalid({ field: 'until', message: 'The pause ends before it begins.' });
    if (from < at.today) throw invalid({ field: 'from', message: 'This day is past.' });
    if (until > addDays(from, MOST_PAUSE))
      throw invalid({ field: 'until', message: `A pause of more than ${MOST_PAUSE + 1} days is another series: stop this one.` });
    if (dayOn(found, from) === null) throw invalid({ field: 'from', message: 'The series has no day then.' });
    const kept = dayOn(found, from)! - 1;
    return paused(at, found, [...found.pauses, { from, until }], form.keepWeekdays ? kept : null);
  });
}

/** Ends a pause that is not over: what follows it comes so much sooner, from today at the earliest. */
export async function endPause(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version, from } = await checked(seriesEndPauseForm, input);
  return inOne(desk, async (at) => {
    const found = await running(at, id, version);
    const pause = found.pauses.find((one) => one.from === from);
    if (!pause) throw new Refusal('not-found', 'There is no such pause.');
    if (pause.until < at.today) throw new Refusal('late', 'This pause is over.');
    const rest = found.pauses.filter((one) => one !== pause);
    const pauses = pause.from < at.today ? [...rest, { from: pause.from, until: addDays(at.today, -1) }] : rest;
    return paused(at, found, pauses, datesOf(found).filter((date) => date < from).length);
  });
}

/** @param kept how many days stay while the rest is drafted anew, where live days would come to other weekdays; null where they may */
async function paused(at: Writing<Staff>, found: KeptSeries, pauses: KeptSeries['pauses'], kept: number | null): Promise<Now> {
  const dates = datesOf({ ...found, pauses });
  const shifts = found.asked.live.length > 0 && daysBetween(datesOf(found).at(-1)!, dates.at(-1)!) % 7 !== 0;
  if (kept === null || !shifts) return change(at, found, found.version, 'the pause', { pauses });
  const { planning } = await seriesSetting(at, found.cohort);
  const drafted = await draftDays(at, found.asked, dates, planning, await staying(at, found, kept, dates));
  return change(at, found, found.version, 'the pause', { pauses, ...drafted });
}

const MOST_PAUSE = 29;
