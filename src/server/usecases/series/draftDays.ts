import type { Planning } from '@/core/course';
import { draftSeries, notReached, overDays, SERIES_LIMITS, type NotReached, type SeriesAsked, type SeriesDay } from '@/core/series';
import type { IsoDate } from '@/core/units';
import type { Staff } from '../../auth/actors';
import type { Writing } from '../../desk';
import { invalid } from '../../errors';
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
 */
export async function draftDays(
  at: Writing<Staff>,
  request: Omit<SeriesAsked, 'closed'>,
  dates: readonly IsoDate[],
  planning: Planning,
): Promise<Drafted> {
  if (request.themes.flat().some((id) => planning.basis.library.find(id) === null))
    throw invalid({ field: 'themes', message: 'One of these techniques is not in the library.' });
  // Closed days after its last one count too: a mend may make it longer.
  const asked = { ...request, closed: await closedDates(at, overDays(dates, Math.max(...SERIES_LIMITS.lengths))) };
  const { days, left } = draftSeries(asked, dates, planning, at.newId, within(DRAFT_MS));
  return { asked, days, unreached: notReached(left, asked, dates, planning, within(MENDS_MS)) };
}

function within(ms: number): () => boolean {
  const begun = performance.now();
  return () => performance.now() - begun > ms;
}
