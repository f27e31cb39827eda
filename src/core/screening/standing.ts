import { daysBetween, type IsoDate } from '../units';
import { screenedUntil } from './conditions';
import { SCREENING_LIMITS } from './limits';

/** How a person's screening stands on a day, without any answer. */
export type Standing = { readonly state: 'none' } | { readonly state: 'over' | 'ending' | 'good'; readonly until: IsoDate };

/** @example standingOf(isoDate('2026-05-25'), isoDate('2026-11-24')) // { state: 'ending', until: '2026-11-24' } */
export function standingOf(screenedOn: IsoDate | null, today: IsoDate): Standing {
  if (!screenedOn) return { state: 'none' };
  const until = screenedUntil(screenedOn);
  const left = daysBetween(today, until);
  return { state: left < 0 ? 'over' : left <= SCREENING_LIMITS.endingDays ? 'ending' : 'good', until };
}
