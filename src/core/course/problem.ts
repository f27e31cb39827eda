import { GUARDS } from '../climb';
import { libraryOf } from '../library';
import { techniquesIn } from '../plan';
import { isQualified } from '../staff';
import type { IsoDate } from '../units';
import { seenIn } from './seen';
import { tallyKey, type Asked, type CourseProblem, type Planning, type Tally } from './types';

/**
 * What the rules ask of a problem.
 * @throws when a tally or a technique is asked for that the problem does not bring along
 */
export function planningOf({
  sessions,
  goals,
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
  comers = [],
}: CourseProblem): Planning {
  const library = libraryOf(own);
  const brought = <T>(found: T | undefined, what: string): T => {
    if (found === undefined) throw new Error(`This problem does not bring along ${what}`);
    return found;
  };
  const seen = seenIn({ library, naturalBreath, seat });
  // A dose that screening sees the same in as in one that was asked about comes out the same.
  const alike = (block: Asked, date: IsoDate): Tally | undefined => {
    const standing = sessions.flatMap(({ blocks }) => techniquesIn(blocks)).filter(({ technique }) => technique === block.technique);
    const doses = new Set([taught[block.technique]?.dose, ...standing.map(({ dose }) => dose), ...goals.map(({ dose }) => dose)]);
    for (const dose of doses) {
      const other = dose === undefined ? undefined : { ...block, dose };
      const tally = other && tallies[tallyKey(other, date)];
      if (tally && seen(other) === seen(block)) return tally;
    }
    return undefined;
  };
  return {
    basis: { library, naturalBreath, seat },
    ladder: library.edges,
    already: new Set(already),
    tempo,
    further,
    taught: (technique) => brought(taught[technique], `how ${technique} is taught`),
    tally: (block, date) => brought(tallies[tallyKey(block, date)] ?? alike(block, date), `who may do ${tallyKey(block, date)}`),
    settled,
    guards,
    comers,
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
