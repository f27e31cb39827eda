import type { Away } from '@/core/staff';
import { dayText } from '@/core/units';

/** When somebody is away, in a few words. @example awayText(away) // "Wed 25 Nov, 18:00–22:00" */
export function awayText({ from, until, fromTime, untilTime }: Away): string {
  const days = from === until ? dayText(from) : `${dayText(from)} – ${dayText(until)}`;
  return fromTime && untilTime ? `${days}, ${fromTime}–${untilTime}` : days;
}
