import { isDeepStrictEqual } from 'node:util';
import { hourOf } from '@/core/course';
import { wayDown } from '@/core/ladder';
import { datesOf, overDays, withMend, type SeriesAsked, type SeriesMend } from '@/core/series';
import { seriesAgainForm, seriesAskForm, seriesLengthForm, SHRINKS } from '@/forms';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { afresh, inOne, type Desk, type Writing } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { changePractice } from '../../repositories/cohorts';
import type { KeptSeries } from '../../repositories/series';
import { teacher } from '../../repositories/staff';
import { change, running, type Now } from './change';
import { madeOf, PAST } from './createSeries';
import { draftDays, staying } from './draftDays';
import { seriesSetting } from './setting';

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
    const found = await running(at, id, version);
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
    const found = await running(at, id, version);
    const there = begun(at, found);
    // What is ahead may be shorter than the first days were; before it begins it only grows.
    if (there === 0 && form.to < form.from) throw invalid({ field: 'to', message: SHRINKS });
    const {
      name,
      teacher: leads,
      firstDate,
      missed,
      asked,
      liveMinutes,
    } = madeOf({
      ...form,
      from: Math.min(form.from, form.to),
      cohort: found.cohort,
    });
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
    asked: { length, from, to, gentleEvery, live: [...live].sort(), pairings, hour: hourOf(start) },
    themes: themes.slice(0, themes.findLastIndex((theme) => theme.length > 0) + 1),
  });
  return isDeepStrictEqual(bare(one), bare(other));
}

/** Gives a series more days: what it has stays, and what follows is drafted on. */
export async function lengthenSeries(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const { series: id, version, length } = await checked(seriesLengthForm, input);
  return inOne(desk, async (at) => {
    const found = await running(at, id, version);
    if (length <= found.days.length) throw invalid({ field: 'length', message: `It has ${found.days.length} days already.` });
    const dates = datesOf(found);
    if (at.today > dates.at(-1)!) throw new Refusal('late', 'It is over: copy it to go on.');
    const { planning } = await seriesSetting(at, found.cohort);
    const drafted = await draftDays(at, { ...found.asked, length }, overDays(dates, length), planning, found.days);
    return change(at, found, version, 'the longer series', drafted);
  });
}
