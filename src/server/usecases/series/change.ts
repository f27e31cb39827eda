import type { Staff } from '../../auth/actors';
import type { Writing } from '../../desk';
import { Refusal } from '../../errors';
import { changeSeries, moveBegin, series, type KeptSeries, type SeriesFacts, type SeriesStep } from '../../repositories/series';
import { followLive } from './liveDays';
import { tellBegin } from './signUp';

/** The version a series has after a change. */
export interface Now {
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
export async function change(
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

/** A series that is to be changed, as it was seen: nothing is changed of one that was stopped. */
export async function running(at: Writing<Staff>, id: string, seen: number): Promise<KeptSeries> {
  const found = await series(at, id);
  if (found.stoppedOn) throw new Refusal('late', 'This series was stopped. Copy it to go on with it.');
  if (found.version !== seen) throw new Refusal('clash');
  return found;
}
