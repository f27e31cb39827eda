import { isoDate, type IsoDate } from '@/core/units';
import type { Actor } from '../auth/actors';
import { readRows } from '../db/read';
import { SessionRow } from '../db/rows';
import { once, type Desk } from '../desk';
import type { Session } from './courses';

/** When a class is held, without what is in it. */
export type Hours = Pick<Session, 'id' | 'course' | 'date' | 'start' | 'minutes' | 'published' | 'version'>;

const HOURS = ['id', 'course', 'date', 'start', 'minutes', 'published', 'version'] as const;

/** When every class of the studio that is not cancelled is held, in order of time; without what is in them. */
export function allHours(desk: Desk<Actor>): Promise<Hours[]> {
  return once(desk, 'hours', async () => {
    const rows = await readRows(desk, SessionRow, { cancelled: null }, { orderBy: { date: 'asc', start: 'asc' }, fields: HOURS });
    return rows.map((row) => ({ ...row, date: isoDate(row.date) }));
  });
}

/** When some classes are held, by their ids, cancelled ones too. */
export async function hoursOf(desk: Desk<Actor>, ids: readonly string[]): Promise<Hours[]> {
  const rows = ids.length === 0 ? [] : await readRows(desk, SessionRow, { id: [...ids] }, { fields: HOURS });
  return rows.map((row) => ({ ...row, date: isoDate(row.date) }));
}

/** Which of some classes have anything in them. */
export async function filledOnes(desk: Desk<Actor>, ids: readonly string[]): Promise<ReadonlySet<string>> {
  const rows = ids.length === 0 ? [] : await readRows(desk, SessionRow, { id: [...ids] }, { fields: ['id', 'blocks'] });
  return new Set(rows.filter(({ blocks }) => blocks.length > 0).map(({ id }) => id));
}

/** When the classes of some days are held, of whatever course, in order of time; without what is in them. */
export async function hoursOn(desk: Desk<Actor>, dates: readonly IsoDate[]): Promise<Hours[]> {
  if (dates.length === 0) return [];
  const rows = await readRows(
    desk,
    SessionRow,
    { date: [...new Set(dates)], cancelled: null },
    { orderBy: { date: 'asc', start: 'asc' }, fields: HOURS },
  );
  return rows.map((row) => ({ ...row, date: isoDate(row.date) }));
}
