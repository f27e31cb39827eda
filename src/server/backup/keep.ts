import { addDays, mondayOf, type IsoDate } from '@/core/units';

/** How many days, weeks and months are kept. */
const KEPT = { days: 7, weeks: 4, months: 12 } as const;

/**
 * Which of some daily backups are kept: those of the last seven days, and the newest of each of four weeks and of each of twelve months,
 * this one among them.
 * @example kept(['2026-12-01', '2026-11-30', '2026-11-02'], '2026-12-01') // all three: two days, and the newest of November's first week
 */
export function kept(days: readonly IsoDate[], today: IsoDate): readonly IsoDate[] {
  const newest = new Map<string, IsoDate>();
  const monthsBack = (day: IsoDate) =>
    (Number(today.slice(0, 4)) - Number(day.slice(0, 4))) * 12 + Number(today.slice(5, 7)) - Number(day.slice(5, 7));
  for (const day of [...days].sort().reverse()) {
    const keys = [
      ...(day > addDays(today, -KEPT.days) ? [`day ${day}`] : []),
      ...(mondayOf(day) > addDays(mondayOf(today), -7 * KEPT.weeks) ? [`week ${mondayOf(day)}`] : []),
      ...(monthsBack(day) < KEPT.months ? [`month ${day.slice(0, 7)}`] : []),
    ];
    for (const key of keys) if (!newest.has(key)) newest.set(key, day);
  }
  return [...new Set(newest.values())].sort();
}
