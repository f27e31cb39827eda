import { GUARDS } from '../climb';
import { libraryOf } from '../library';
import { isQualified } from '../staff';
import type { IsoDate } from '../units';
import { tallyKey, type CourseProblem, type Planning } from './types';

/**
 * What the rules ask of a problem.
 * @throws when a tally or a technique is asked for that the problem does not bring along
 */
export function planningOf({
  sessions,
  own,
  naturalBreath,
  seat,
  already,
  tempo,
  taught,
  further,
  tallies,
  staff,
  settled = false,
  guards = GUARDS,
  missed = [],
}: CourseProblem): Planning {
  const library = libraryOf(own);
  const brought = <T>(found: T | undefined, what: string): T => {
    if (found === undefined) throw new Error(`This problem does not bring along ${what}`);
    return found;
  };
  return {
    basis: { library, naturalBreath, seat },
    ladder: library.edges,
    already: new Set(already),
    tempo,
    further,
    taught: (technique) => brought(taught[technique], `how ${technique} is taught`),
    tally: (block, date) => brought(tallies[tallyKey(block, date)], `who may do ${tallyKey(block, date)}`),
    settled,
    guards,
    missedBetween: (from, until) => longestRun(sessions, missed, from, until),
    qualified: (family, date) => {
      const able = staff.filter(({ qualifications }) => isQualified(qualifications, family, date));
      return able[0] === staff[0] && able.length > 0 ? 'own' : able.map(({ name }) => name);
    },
  };
}

/** The most classes in a row that fell out between two days; one that was held in between ends the row. */
function longestRun(sessions: CourseProblem['sessions'], missed: readonly IsoDate[], from: IsoDate, until: IsoDate): number {
  const inside = (date: IsoDate) => date > from && date < until;
  const held = sessions.flatMap(({ date }) => (inside(date) ? [{ date, out: false }] : []));
  const days = [...held, ...missed.filter(inside).map((date) => ({ date, out: true }))].sort((a, b) => a.date.localeCompare(b.date));
  let [run, longest] = [0, 0];
  for (const { out } of days) {
    run = out ? run + 1 : 0;
    longest = Math.max(longest, run);
  }
  return longest;
}
