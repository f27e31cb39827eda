import { screenedUntil } from '@/core/screening';
import { daysBetween, type IsoDate } from '@/core/units';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { cohorts, roster, type RosterLine } from '../../repositories/cohorts';

/** How a person's screening stands on a day, without any answer. */
export type Standing = { readonly state: 'none' } | { readonly state: 'over' | 'ending' | 'good'; readonly until: IsoDate };

/** A screening is called ending four weeks before its last day. */
const SOON_DAYS = 28;

export function standingOf(screenedOn: IsoDate | null, today: IsoDate): Standing {
  if (!screenedOn) return { state: 'none' };
  const until = screenedUntil(screenedOn);
  const left = daysBetween(today, until);
  return { state: left < 0 ? 'over' : left <= SOON_DAYS ? 'ending' : 'good', until };
}

/** The cohorts the signed-in person may see, with how many screenings need doing. */
export async function listCohorts(desk: Desk) {
  authorise(desk.who, 'see cohorts');
  const [groups, people] = await Promise.all([cohorts(desk), roster(desk)]);
  return groups.map((group) => {
    const own = people.filter((person) => person.cohort === group.id);
    const count = (state: Standing['state']) => own.filter((person: RosterLine) => standingOf(person.screenedOn, desk.today).state === state).length;
    return { ...group, people: own.length, unscreened: count('none'), over: count('over'), ending: count('ending') };
  });
}
