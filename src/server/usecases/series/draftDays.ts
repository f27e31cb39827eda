import type { Planning } from '@/core/course';
import {
  datesOf,
  draftSeries,
  notReached,
  withTimes,
  overDays,
  SERIES_LIMITS,
  type NotReached,
  type SeriesAsked,
  type SeriesDay,
  type StayingDays,
} from '@/core/series';
import type { IsoDate } from '@/core/units';
import type { Staff } from '../../auth/actors';
import type { Writing } from '../../desk';
import { invalid } from '../../errors';
import { sessionsOf } from '../../repositories/courses';
import type { KeptSeries } from '../../repositories/series';
import { closedDates } from './liveDays';

/** How long a draft is looked for, and then what would mend what does not come, in milliseconds each. */
const DRAFT_MS = 2000;
const MENDS_MS = 1000;

interface Drafted {
  readonly asked: SeriesAsked;
  readonly days: readonly SeriesDay[];
  readonly unreached: readonly NotReached[];
}

/**
 * Drafts what is asked of a series over some dates, closed days as they are now.
 * @param dates the date of every day, of one that is made longer those it has
 * @param stay days that stay as they are
 */
export async function draftDays(
  at: Writing<Staff>,
  request: Omit<SeriesAsked, 'closed'>,
  dates: readonly IsoDate[],
  planning: Planning,
  stay: StayingDays = [],
): Promise<Drafted> {
  if (request.themes.flat().some((id) => planning.basis.library.find(id) === null))
    throw invalid({ field: 'themes', message: 'One of these techniques is not in the library.' });
  // Closed days after its last one count too: a mend may make it longer.
  const asked = { ...request, closed: await closedDates(at, overDays(dates, Math.max(...SERIES_LIMITS.lengths))) };
  const { days, left } = draftSeries(asked, dates, planning, at.newId, within(DRAFT_MS), stay);
  return { asked, days, unreached: withTimes(notReached(left, asked, dates, planning, within(MENDS_MS), stay), days) };
}

/**
 * What of a series stays as it is while the rest is drafted anew: its first days, and live days whose plan is published.
 * @param first how many of its first days
 * @param dates the dates its days will have
 */
export async function staying(at: Writing<Staff>, found: KeptSeries, first: number, dates: readonly IsoDate[]): Promise<StayingDays> {
  const classes = found.liveCourse ? await sessionsOf(at, [found.liveCourse]) : [];
  const published = new Set(classes.flatMap(({ date, published: versions }) => (versions > 0 ? [date] : [])));
  const was = datesOf(found);
  return dates.map((date, index) => (index < first ? found.days[index] : published.has(date) ? (found.days[was.indexOf(date)] ?? null) : null));
}

function within(ms: number): () => boolean {
  const begun = performance.now();
  return () => performance.now() - begun > ms;
}
